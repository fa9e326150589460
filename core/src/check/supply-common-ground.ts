import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { result, type Check, type CheckMeta } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/common-ground',
  title: 'Sources that share a signal share ground',
  station: 'power',
  rule: 'Two sources that a signal joins - a line between parts that they feed, a load that the one feeds and the other’s driver switches - have their grounds joined.',
  source: 'common practice',
  breaks: 'fault',
};

const isSource = ({ card }: PartNode): boolean => (card.rails ?? []).some((rail) => !rail.from);

/** Pairs of sources with what joins them, each pair once, in the order of the plan. */
function joined(circuit: Circuit): Map<string, { a: PartNode; b: PartNode; by: string[] }> {
  const order = [...circuit.parts.values()].filter(isSource);
  const pairs = new Map<string, { a: PartNode; b: PartNode; by: string[] }>();
  const join = (sources: ReadonlySet<string>, by: string) => {
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
  const home = own && circuit.controller && circuit.feeds.get(`${circuit.controller.id}.${own.id}`)?.rail;
  const homeSource = circuit.rails.get(home ?? '')?.source;
  for (const part of circuit.parts.values())
    for (const choice of Object.values(part.choice?.ports ?? {})) {
      const supply = part.card.supplies[0];
      const rail = supply && circuit.feeds.get(`${part.id}.${supply.id}`)?.rail;
      const source = circuit.rails.get(rail ?? '')?.source;
      // A contact joins nothing of the load with what moves it.
      const contact = circuit.parts.get(choice.driver ?? '')?.card.contact;
      if (choice.driver && !contact && source && homeSource)
        join(new Set([source, homeSource]), `${part.label} and its driver`);
    }
  return pairs;
}

export const supplyCommonGround: Check = {
  meta,
  run: (circuit) =>
    [...joined(circuit).values()].map(({ a, b, by }) => {
      const apart = [a, b].filter(({ choice }) => choice?.apart === true);
      const by3 = [...new Set(by)].slice(0, 3).join(', ');
      return result(circuit, meta, {
        subjects: [a.id, b.id],
        severity: apart.length > 0 ? 'fault' : null,
        message:
          apart.length > 0
            ? `${by3} runs between what ${a.label} and ${b.label} feed, and their grounds are not joined. No level means anything there.`
            : `The grounds of ${a.label} and ${b.label} are joined; ${by3} needs it.`,
        meaning: 'A voltage is a difference to ground: without a common one the current of a signal has no way back.',
        workings: [{ name: 'what joins them', sum: [...new Set(by)].join(', ') }],
        rests: [],
      });
    }),
};
