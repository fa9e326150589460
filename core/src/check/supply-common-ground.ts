import type { Circuit, PartNode } from '../circuit/model.ts';
import { result, type Check, type CheckMeta } from './result.ts';
import { tells, type Text, distinct } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface SupplyCommonGroundSays {
  readonly driver: { part: Text };
  readonly runsBetweenWhatFeed: { ties: readonly Text[]; a: Text; b: Text };
  readonly groundsJoinedNeeds: { a: Text; b: Text; ties: readonly Text[] };
  readonly meaning: null;
  readonly whatJoinsThem: null;
  readonly list: { ties: readonly Text[] };
}

const tell = tells<SupplyCommonGroundSays>('supply/common-ground');

const meta = {
  id: 'supply/common-ground',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

const isSource = ({ card }: PartNode): boolean => (card.rails ?? []).some((rail) => !rail.from);

/** Pairs of sources with what joins them, each pair once, in the order of the plan. */
function joined(circuit: Circuit): Map<string, { a: PartNode; b: PartNode; by: Text[] }> {
  const order = [...circuit.parts.values()].filter(isSource);
  const pairs = new Map<string, { a: PartNode; b: PartNode; by: Text[] }>();
  const join = (sources: ReadonlySet<string>, by: Text) => {
    const here = order.filter(({ id }) => sources.has(id));
    here.forEach((a, i) =>
      here.slice(i + 1).forEach((b) => {
        const key = `${a.id}|${b.id}`;
        const pair = pairs.get(key) ?? { a, b, by: [] };
        pair.by.push(by);
        pairs.set(key, pair);
      }),
    );
  };
  for (const net of circuit.nets) join(new Set(net.ends.flatMap(({ power }) => power.source ?? [])), net.label);
  const own = circuit.controller?.card.supplies[0];
  const home = own && circuit.controller && circuit.feeds.get(keyOf(circuit.controller.id, own.id))?.rail;
  const homeSource = circuit.rails.get(home ?? '')?.source;
  for (const part of circuit.parts.values())
    for (const choice of Object.values(part.choice?.ports ?? {})) {
      const supply = part.card.supplies[0];
      const rail = supply && circuit.feeds.get(keyOf(part.id, supply.id))?.rail;
      const source = circuit.rails.get(rail ?? '')?.source;
      // A contact joins nothing of the load with what moves it.
      const contact = circuit.parts.get(choice.driver ?? '')?.card.contact;
      if (choice.driver && !contact && source && homeSource)
        join(new Set([source, homeSource]), tell('driver', { part: part.label }));
    }
  return pairs;
}

export const supplyCommonGround = {
  meta,
  run: (circuit) =>
    [...joined(circuit).values()].map(({ a, b, by }) => {
      const apart = [a, b].filter(({ choice }) => choice?.apart === true);
      const ties = distinct(by);
      return result(circuit, meta, {
        subjects: [a.id, b.id],
        severity: apart.length > 0 ? 'fault' : null,
        message:
          apart.length > 0
            ? tell('runsBetweenWhatFeed', { ties: ties.slice(0, 3), a: a.label, b: b.label })
            : tell('groundsJoinedNeeds', { a: a.label, b: b.label, ties: ties.slice(0, 3) }),
        meaning: tell('meaning'),
        workings: [{ name: tell('whatJoinsThem'), sum: tell('list', { ties }) }],
        rests: [],
      });
    }),
} satisfies Check;
