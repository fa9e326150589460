/** Changes that make a charge last longer, one by one. */
import { buyingOf } from '../buy/currency.ts';
import type { Card } from '../card/card.ts';
import type { Library } from '../card/library.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode, Rail } from '../circuit/model.ts';
import { statesOf } from '../circuit/rhythm.ts';
import { freePinsFor } from '../circuit/free-pins.ts';
import { cheapestFirst } from '../buy/cost.ts';
import { changeNeed, setFeed, setRun } from '../plan/edits.ts';
import type { Plan } from '../plan/plan.ts';
import { leadRails } from '../plan/rails.ts';
import { swapCard } from '../plan/swap.ts';
import { partsBelow } from '../physics/timeline.ts';
import { runtimeOf } from '../physics/runtime.ts';
import type { Candidate } from './remedy.ts';
import { behindSwitch, supplySwitch } from './supply-switch.ts';
import { durationOf, quantityOf, tells, type Text, type Duration, type Quantity } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedySaveChargeSays {
  readonly letSleepBetweenReadings: { part: Text };
  readonly switchOffBetweenReadings: { part: Text; card: Text };
  readonly feedFromPinSwitch: { part: Text };
  readonly readEveryInsteadEvery: { shortest: Duration; shortest2: Duration };
  readonly run: { controller: Text; lowest: Quantity };
  readonly takeRegulatorAs: { by: Text; card: Text; part: Text };
  readonly take: { card: Text };
}

const tell = tells<RemedySaveChargeSays>('remedy/save-charge');

export type Saving = 'sleep' | 'off' | 'interval' | 'clock' | 'regulator' | 'pack';

export interface Saver extends Candidate {
  readonly saving: Saving;
}

/** Eaters below this share of the charge are not worth a part. */
const WORTH = 0.02;
/** How much rarer readings are tried. */
const RARER = [2, 4] as const;

function sleepers(circuit: Circuit, parts: readonly PartNode[]): Saver[] {
  return parts
    .filter((part) => statesOf(part).some(({ sleep }) => sleep) && (part.choice?.run?.rest ?? 'idle') === 'idle')
    .map((part) => ({
      saving: 'sleep',
      id: `sleep:${part.id}`,
      title: tell('letSleepBetweenReadings', { part: part.label }),
      plan: setRun(circuit.plan, part.id, { rest: 'sleep' }),
    }));
}

/** The parts that eat while they wait, behind a switch or on a pin of their own. */
function switchedOff(circuit: Circuit, library: Library, rail: Rail): Saver[] {
  const pin = freePinsFor(circuit, { ask: 'out' })[0];
  const card = supplySwitch(library, buyingOf(circuit.plan));
  const waiting = (runtimeOf(circuit, rail)?.eaters ?? []).filter(
    ({ doing, share }) => (doing === 'idle' || doing === 'sleep') && share > WORTH,
  );
  const parts = [...new Set(waiting.map(({ subject }) => subject))].flatMap((id) => {
    const part = circuit.parts.get(id);
    const [supply] = part?.card.supplies ?? [];
    const feed = supply && circuit.feeds.get(keyOf(id, supply.id));
    const on = circuit.rails.get(feed?.rail ?? '');
    const makesRails = (part?.card.rails ?? []).length > 0;
    return part && part !== circuit.controller && on && on.switches.length === 0 && !makesRails && supply
      ? [{ part, supply, feed }]
      : [];
  });
  return parts.flatMap(({ part, supply, feed }): Saver[] => {
    const off = (plan: Plan) => setRun(plan, part.id, { rest: 'off' });
    if (pin === undefined) return [];
    const switched = card && behindSwitch(circuit, circuit.plan, part, card, pin);
    const { pinPower } = circuit.plan.rules;
    const recommended = circuit.controller?.card.controller?.pinCurrent.recommended;
    const carries = recommended && pinPower > 0 && (feed?.peak ?? 0) <= toInterval(recommended).min * pinPower;
    return [
      ...(switched && card
        ? [
            {
              saving: 'off' as const,
              id: `off:${part.id}`,
              title: tell('switchOffBetweenReadings', { part: part.label, card: card.name }),
              plan: off(switched),
            },
          ]
        : []),
      ...(carries && circuit.controller
        ? [
            {
              saving: 'off' as const,
              id: `pin:${part.id}`,
              title: tell('feedFromPinSwitch', { part: part.label }),
              plan: off(setFeed(circuit.plan, part.id, supply.id, keyOf(circuit.controller.id, pin))),
            },
          ]
        : []),
    ];
  });
}

function rarer(circuit: Circuit): Saver[] {
  const sensing = circuit.plan.needs.flatMap((need) => (need.kind === 'sense' ? [need] : []));
  const [first] = sensing;
  if (!first) return [];
  const shortest = Math.min(...sensing.map(({ interval }) => interval));
  return RARER.map((times) => {
    const slower = sensing.reduce(
      (plan, { id }) =>
        changeNeed(plan, id, (need) => (need.kind === 'sense' ? { ...need, interval: need.interval * times } : need)),
      circuit.plan,
    );
    // Messages keep their place among the readings.
    const plan = circuit.plan.parts.reduce(
      (p, { id, run }) => (run?.every === undefined ? p : setRun(p, id, { every: run.every * times })),
      slower,
    );
    return {
      saving: 'interval' as const,
      id: `interval:${times}`,
      title: tell('readEveryInsteadEvery', { shortest: durationOf(shortest * times), shortest2: durationOf(shortest) }),
      plan,
    };
  });
}

function slower(circuit: Circuit): Saver[] {
  const { controller } = circuit;
  const clocks = controller ? statesOf(controller).flatMap(({ clocks: list }) => list ?? []) : [];
  const now = controller?.choice?.run?.clock;
  const lowest = clocks.reduce<number | null>(
    (low, { frequency }) => (low === null || frequency < low ? frequency : low),
    null,
  );
  if (!controller || lowest === null || now === lowest) return [];
  return [
    {
      saving: 'clock',
      id: `clock:${lowest}`,
      title: tell('run', { controller: controller.label, lowest: quantityOf(lowest, 'Hz') }),
      plan: setRun(circuit.plan, controller.id, { clock: lowest }),
    },
  ];
}

const outputOf = (card: Card): number | null =>
  card.rails?.[0]?.voltage ? toInterval(card.rails[0].voltage).typ : null;

/** Regulators of the same output that lose otherwise. */
export function otherRegulators(circuit: Circuit, library: Library, part: PartNode): Candidate[] {
  if (part.card.kind !== 'regulator') return [];
  const volts = outputOf(part.card);
  const own = part.card.rails?.[0];
  return cheapestFirst([...library.values()], buyingOf(circuit.plan)).flatMap((card) => {
    const offer = card.rails?.[0];
    const same = volts !== null && Math.abs((outputOf(card) ?? 0) - volts) < 0.03 * volts;
    if (card.kind !== 'regulator' || card.id === part.card.id || !same || !offer || !own) return [];
    const swapped = swapCard(circuit.plan, part.id, part.card, card);
    const plan = offer.id === own.id ? swapped : renameRail(swapped, keyOf(part.id, own.id), keyOf(part.id, offer.id));
    return [
      {
        id: `card:${part.id}:${card.id}`,
        title: tell('takeRegulatorAs', { by: offer.from?.by ?? '', card: card.name, part: part.label }),
        plan,
      },
    ];
  });
}

/** Everything that hung on one rail hangs on another. */
export const renameRail = (plan: Plan, from: string, to: string): Plan =>
  leadRails(plan, (ref) => (ref === from ? to : ref));

/** Other packs in the place of a source. */
export function otherPacks(circuit: Circuit, library: Library, part: PartNode): Saver[] {
  const own = part.card.rails?.[0];
  return cheapestFirst([...library.values()], buyingOf(circuit.plan)).flatMap((card): Saver[] => {
    const offer = card.rails?.[0];
    if (!offer?.cells || !own || card.id === part.card.id) return [];
    const plan = renameRail(
      swapCard(circuit.plan, part.id, part.card, card),
      keyOf(part.id, own.id),
      keyOf(part.id, offer.id),
    );
    return [{ saving: 'pack', id: `pack:${part.id}:${card.id}`, title: tell('take', { card: card.name }), plan }];
  });
}

/** Everything that might make the cells behind a rail last longer, in the order in which it costs least. */
export function savers(circuit: Circuit, library: Library, rail: Rail): Saver[] {
  const below = partsBelow(circuit, rail.ref).flatMap((id) => circuit.parts.get(id) ?? []);
  const makers = [...circuit.rails.values()].filter((r) => r.source === rail.part && r.offer.from?.by === 'linear');
  const source = circuit.parts.get(rail.part);
  return [
    ...sleepers(circuit, below),
    ...switchedOff(circuit, library, rail),
    ...slower(circuit),
    ...makers.flatMap((r) => {
      const part = circuit.parts.get(r.part);
      return part
        ? otherRegulators(circuit, library, part).map((candidate) => ({ ...candidate, saving: 'regulator' as const }))
        : [];
    }),
    ...rarer(circuit),
    ...(source ? otherPacks(circuit, library, source) : []),
  ];
}
