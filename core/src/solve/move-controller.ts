/** Another controller in place of the one there: rails, feeds and pins are found anew, and what changed is told. */
import { namesOf } from '../plan/helpers.ts';
import { type Message, type Text } from '../quantity/message.ts';
import type { Card } from '../card/card.ts';
import type { Library } from '../card/library.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/model.ts';
import { deriveCircuit } from '../circuit/derive.ts';
import { pinUses } from '../circuit/pin-function.ts';
import { documentOf } from '../plan/document.ts';
import { carrierOf } from '../circuit/carrier.ts';
import type { Plan } from '../plan/plan.ts';
import { leadRails } from '../plan/rails.ts';
import { changePart, setPin } from '../plan/edits.ts';
import { forgetBusPins, forgetGate, forgetPins } from '../plan/remove.ts';
import { pinModel, solvePins, withPins } from './pins.ts';
import { bestFeed } from './add-part.ts';
import { keyOf, ownerOf } from '../plan/ref.ts';

export interface Moved {
  readonly plan: Plan;
  /** Lines with the label of their pin before and after; null without a pin. */
  readonly pins: readonly { readonly line: Text; readonly from: string | null; readonly to: string | null }[];
  /** Rails that things hang on, by their names before and after; null where the new controller has none like it. */
  readonly rails: readonly { readonly from: string; readonly to: string | null }[];
  /** Why not every line found a pin. */
  readonly trouble: Message | null;
}

/** Rails whose voltages differ by no more than this share may stand in for each other. */
const ALIKE = 0.05;

/** @returns null when the plan has no controller or the card is none */
export function moveController(circuit: Circuit, library: Library, to: Card): Moved | null {
  const old = circuit.controller;
  if (!old || !to.controller) return null;
  const rails = new Map<string, string | null>();
  for (const rail of old.card.rails ?? []) {
    const volts =
      circuit.rails.get(keyOf(old.id, rail.id))?.voltage?.typ ?? (rail.voltage && toInterval(rail.voltage).typ);
    const alike = (to.rails ?? []).find((r) => {
      if (!r.voltage) return rail.from?.by === 'pass' && r.from?.by === 'pass';
      return volts !== undefined && Math.abs(toInterval(r.voltage).typ - volts) <= ALIKE * volts;
    });
    rails.set(keyOf(old.id, rail.id), alike ? keyOf(old.id, alike.id) : null);
  }
  const bare = moveRails(onCarrier(forgetAll(circuit.plan, old.id), circuit, to), rails);
  const placed = changePart(bare, old.id, ({ also: _also, ...part }) => ({
    ...part,
    card: to.id,
    feeds: {},
    ports: {},
    opened: [],
  }));
  const withCard = (plan: Plan) => deriveCircuit(documentOf(plan, [to, ...circuit.cards.values()], library));
  const alone = withCard(placed);
  const feeds = Object.fromEntries(
    to.supplies.flatMap((supply) => {
      // The board itself cannot feed itself.
      const others = { ...alone, rails: new Map([...alone.rails].filter(([ref]) => ownerOf(ref) !== old.id)) };
      const rail = bestFeed({ ...others, controller: null }, supply);
      return rail ? [[supply.id, rail]] : [];
    }),
  );
  const fed = withCard(changePart(placed, old.id, (part) => ({ ...part, feeds })));
  const solution = solvePins(pinModel(fed));
  const plan = withPins(fed, solution);
  const before = labels(circuit);
  const after = labels(withCard(plan));
  const names = new Map(circuit.wishes.map(({ id, label }) => [id, label]));
  return {
    plan,
    pins: [...names].flatMap(([id, line]) => {
      const [from, now] = [before.get(id) ?? null, after.get(id) ?? null];
      return from === now ? [] : [{ line, from, to: now }];
    }),
    rails: [...rails].flatMap(([from, now]) => {
      const used =
        circuit.plan.parts.some(({ feeds: f }) => Object.values(f).includes(from)) ||
        circuit.plan.helpers.some((helper) => namesOf(helper).rails.includes(from));
      const name = (ref: string | null, card: Card) =>
        card.rails?.find(({ id }) => ref === keyOf(old.id, id))?.name ?? null;
      return used ? [{ from: name(from, old.card) ?? from, to: name(now, to) }] : [];
    }),
    trouble: solution.ok ? null : solution.explanation,
  };
}

function labels(circuit: Circuit): Map<string, string> {
  return new Map(pinUses(circuit).flatMap(({ label, wishes }) => wishes.map(({ id }) => [id, label])));
}

/** Locked pins belonged to the other board, so every line is free again; weak pulls stay wished for. */
function forgetAll(plan: Plan, controller: string): Plan {
  return {
    ...plan,
    buses: plan.buses.map(forgetBusPins),
    helpers: plan.helpers.map(forgetGate),
    parts: plan.parts.map((part) =>
      part.id === controller
        ? part
        : {
            ...part,
            ports: Object.fromEntries(Object.entries(part.ports).map(([port, choice]) => [port, forgetPins(choice)])),
          },
    ),
  };
}

/** What is fitted on a carrier that fits the new board goes where the carrier leads it there. */
function onCarrier(plan: Plan, circuit: Circuit, to: Card): Plan {
  const on = carrierOf(circuit);
  const [from, names] = [on?.card.carrier?.fits[circuit.controller?.card.id ?? ''], on?.card.carrier?.fits[to.id]];
  if (!from || !names) return plan;
  const nameOf = new Map(Object.entries(from).map(([name, pin]) => [pin, name]));
  return circuit.plan.parts.reduce((p, part) => {
    if (part.fittedOn !== on?.part) return p;
    return Object.entries(part.ports).reduce(
      (q, [port, { lines = {} }]) =>
        Object.entries(lines).reduce((r, [line, choice]) => {
          const pin = names[nameOf.get(choice.pin ?? '') ?? ''];
          return pin === undefined ? r : setPin(r, keyOf(part.id, port), line, { ...choice, pin, locked: true });
        }, q),
      p,
    );
  }, plan);
}

/** What hung on rails of the old board hangs on those alike; a ground on a pin of it comes back to the one that all share. */
function moveRails(plan: Plan, rails: ReadonlyMap<string, string | null>): Plan {
  const led = leadRails(plan, (ref) => (rails.has(ref) ? (rails.get(ref) ?? null) : ref));
  return { ...led, parts: led.parts.map(({ ground: _pin, ...part }) => part) };
}
