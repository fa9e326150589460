/**
 * Plans that a plan may first be made into before it is settled: with a driver for every load that nothing switches, and with the
 * board on another source. Each is settled only where those before it could not be.
 */
import { cheapestFirst } from '../../buy/cost.ts';
import { buyingOf } from '../../buy/currency.ts';
import type { Card } from '../../card/card.ts';
import { SOCKET } from '../../card/kinds.ts';
import type { Library } from '../../card/library.ts';
import { isSteady } from '../../card/source.ts';
import { toInterval } from '../../card/to-interval.ts';
import { switchesElse } from '../../check/drive-contact.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import type { Circuit } from '../../circuit/model.ts';
import { documentOf } from '../../plan/document.ts';
import { HEAVY_GAUGE, changePart, changePort, freeId, isHeavy, newPart } from '../../plan/edits.ts';
import type { Plan } from '../../plan/plan.ts';
import { keyOf } from '../../plan/ref.ts';
import { within } from '../../quantity/interval.ts';
import { onConverters } from '../../remedy/converter.ts';

/** Kinds of drivers and of sources that are thought of. */
const MAX_DRIVERS = 4;
const MAX_SOURCES = 2;

interface Load {
  readonly part: string;
  readonly port: string;
  readonly volts: number;
  readonly amps: number;
}

/** Loads with a port that a driver switches, and none chosen. */
function unswitched(circuit: Circuit): Load[] {
  return [...circuit.parts.values()].flatMap(({ id, card, choice }) =>
    card.ports.flatMap((port): Load[] => {
      const [supply] = card.supplies;
      const driver = choice?.ports[port.id]?.driver;
      if (port.protocol !== 'coil' || !supply || (driver !== undefined && circuit.parts.has(driver))) return [];
      const { active, peak } = supply.current;
      return [
        {
          part: id,
          port: port.id,
          volts: toInterval(supply.range).max,
          amps: Math.max(toInterval(active).max, peak ? toInterval(peak).max : 0),
        },
      ];
    }),
  );
}

/** Whether a driver or contact stands a load with what the house rule leaves of it. */
function stands({ driver, contact }: Card, { volts, amps }: Load, derating: number): boolean {
  const rating = driver ?? contact?.direct;
  return (
    rating !== undefined && toInterval(rating.voltage).max >= volts && toInterval(rating.current).min * derating >= amps
  );
}

/** The plan with drivers of one card, and those of the plan that switch nothing first; null where it stands one of the loads not. */
function withDrivers(circuit: Circuit, loads: readonly Load[], card: Card): Plan | null {
  const { derating } = circuit.plan.rules;
  const busy = new Set(
    circuit.plan.parts.flatMap(({ ports }) => Object.values(ports).flatMap(({ driver }) => driver ?? [])),
  );
  const idle = circuit.plan.parts.filter(({ id, needs }) => {
    const own = circuit.parts.get(id)?.card;
    // A relay that was chosen to switch something else is left to that.
    return (
      !busy.has(id) && (own?.driver !== undefined || (own?.contact !== undefined && !switchesElse(circuit, needs)))
    );
  });
  return loads.reduce<Plan | null>((plan, load) => {
    if (!plan) return null;
    const at = idle.findIndex(({ id }) => {
      const own = circuit.parts.get(id)?.card;
      return own !== undefined && stands(own, load, derating);
    });
    const own = at < 0 ? undefined : idle.splice(at, 1)[0]?.id;
    if (own === undefined && !stands(card, load, derating)) return null;
    const id = own ?? freeId(plan, `driver-${load.part}`);
    const next = own === undefined ? { ...plan, parts: [...plan.parts, newPart(plan, card, id, card.name)] } : plan;
    return changePort(next, load.part, load.port, (choice) => ({ ...choice, driver: id }));
  }, circuit.plan);
}

/** Another source in place of the one that feeds the board: what hangs on it then shares it with the board. */
function onSources(circuit: Circuit, library: Library): Plan[] {
  const board = circuit.controller;
  const supplies = (board?.card.supplies ?? []).filter(({ id }) => id !== SOCKET);
  const usb = board?.card.controller?.usb;
  const base = library.get(board?.card.id ?? '')?.supplies ?? supplies;
  const supply = base.find(({ id }) => id === usb?.supply) ?? base[0];
  if (!board || !supply) return [];
  return cheapestFirst([...library.values()], buyingOf(circuit.plan))
    .filter((card) => {
      const [offer] = card.rails ?? [];
      if (!isSteady(card) || card.outlet || !offer?.voltage || offer.cells) return false;
      return within(toInterval(offer.voltage), toInterval(supply.range));
    })
    .slice(0, MAX_SOURCES)
    .flatMap((card): Plan[] => {
      const offer = card.rails?.[0];
      if (!offer) return [];
      const id = freeId(circuit.plan, 'adapter');
      const plan = { ...circuit.plan, parts: [...circuit.plan.parts, newPart(circuit.plan, card, id, card.name)] };
      return [changePart(plan, board.id, (part) => ({ ...part, feeds: { [supply.id]: keyOf(id, offer.id) } }))];
    });
}

/** The plan itself first. @returns circuits, each to be settled where those before it could not be */
export function* variantsOf(given: Circuit, library: Library): Generator<Circuit> {
  const circuit = onThickLeads(given);
  const derive = (plan: Plan): Circuit =>
    plan === circuit.plan ? circuit : deriveCircuit(documentOf(plan, circuit.cards.values(), library));
  for (const plan of [circuit.plan, ...onSources(circuit, library)])
    for (const read of converted(derive(plan), library))
      for (const next of driven(derive(read), library)) yield derive(next);
}

/** Analog lines on the controller, where it can read any, and then on a converter. */
function converted(circuit: Circuit, library: Library): Plan[] {
  const lines = circuit.wishes.filter(({ ask, locked }) => ask === 'adc' && !locked);
  if (lines.length === 0) return [circuit.plan];
  const made = onConverters(circuit, library, lines);
  const own = circuit.controller?.card.controller?.adc ? [circuit.plan] : [];
  return made ? [...own, made.plan] : [circuit.plan];
}

/** Loads on drivers, where some have none: of each card that stands them all. */
function driven(circuit: Circuit, library: Library): Plan[] {
  const loads = unswitched(circuit);
  if (loads.length === 0) return [circuit.plan];
  const cards = cheapestFirst([...library.values()], buyingOf(circuit.plan)).filter(({ driver }) => driver);
  return cards.flatMap((card) => withDrivers(circuit, loads, card) ?? []).slice(0, MAX_DRIVERS);
}

/** What takes more than a spring of the board carries comes on leads that pass it by, before anything else is chosen. */
function onThickLeads(circuit: Circuit): Circuit {
  const heavy = [...circuit.parts.values()].filter(
    ({ card, choice }) => choice && choice.gauge === undefined && !choice.locked && isHeavy(card),
  );
  if (heavy.length === 0) return circuit;
  const plan = heavy.reduce(
    (p, { id }) => changePart(p, id, (choice) => ({ ...choice, gauge: HEAVY_GAUGE })),
    circuit.plan,
  );
  return deriveCircuit({ plan, cards: [...circuit.cards.values()] });
}
