import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/dropout',
  title: 'Regulators get enough to give their output',
  station: 'power',
  rule: 'Worst input at the peak load (source, leads and diodes included) − dropout ≥ lowest output. On cells, which sink, a fresh pack must do it; where they sink below it before they are empty is a caution.',
  source: 'the cards',
  breaks: 'fault',
};

const V = (x: number) => formatQuantity(x, 'V', 4);

function judge(circuit: Circuit, rail: Rail): Result[] {
  const { from, voltage } = rail.offer;
  const feed = from && circuit.feeds.get(`${rail.part}.${from.supply}`);
  if (!from?.dropout || !voltage || !feed?.voltage) return [];
  const part = circuit.parts.get(rail.part);
  const upper = circuit.rails.get(feed.rail ?? '');
  const onCells = [...circuit.rails.values()].some((r) => r.part === upper?.source && r.offer.cells);
  const dropout = toInterval(from.dropout).max;
  const limit = toInterval(voltage).min;
  const measured = feed.voltage.min - dropout;
  const margin = measured - limit;
  const fresh = feed.voltage.max - dropout - limit;
  // A breakout that feeds nothing but itself says with its range from where it works.
  const own = rail.loads.length === 0 && margin < 0;
  const severity = margin >= -1e-9 ? null : own || (onCells && fresh >= 0) ? 'caution' : 'fault';
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      severity,
      measured,
      limit,
      unit: 'V',
      margin,
      message:
        severity === null
          ? `${rail.label} has ${V(feed.voltage.min)} at its input or more, ${V(margin)} more than it needs.`
          : own
            ? `${rail.label} needs ${V(limit + dropout)} at its input and gets ${V(feed.voltage.min)}; the part and its levels run on ${V(measured)} then.`
            : severity === 'caution'
              ? `${rail.label} needs ${V(limit + dropout)}; the cells sink to ${V(feed.voltage.min)}. From there its output sinks with them.`
              : `${rail.label} needs ${V(limit + dropout)} at its input and gets ${V(feed.voltage.min)} at the worst; its output sinks to ${V(measured)}.`,
      meaning: 'A regulator that gets too little passes every dip on to the parts behind it.',
      workings: [
        {
          name: 'input at its lowest',
          sum: `${upper?.label ?? ''}, less ${feed.dropSum}`,
          value: feed.voltage.min,
          unit: 'V',
        },
        { name: 'dropout at its most', sum: 'from the card', value: dropout, unit: 'V' },
        { name: 'output it can give', sum: `${V(feed.voltage.min)} − ${V(dropout)}`, value: measured, unit: 'V' },
        { name: 'lowest output promised', sum: 'from the card', value: limit, unit: 'V' },
      ],
      rests: [
        [part?.card.id ?? '', from.dropout.source],
        [part?.card.id ?? '', voltage.source],
        [circuit.parts.get(upper?.part ?? '')?.card.id ?? '', upper?.offer.voltage?.source],
      ],
    }),
  ];
}

export const supplyDropout: Check = {
  meta,
  run: (circuit) => [...circuit.rails.values()].flatMap((rail) => judge(circuit, rail)),
};
