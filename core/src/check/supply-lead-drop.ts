import type { Circuit, Feed } from '../circuit/circuit.ts';
import { isLeadAssumed } from '../circuit/assumed.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { LEAD_SHARE } from '../standard/practice.ts';
import { gaugeResistance } from '../standard/wire-gauge.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/lead-drop',
  title: 'Leads lose little',
  station: 'power',
  rule: 'Peak current × 2 × length × resistance per metre of the gauge, against 3 % of the rail.',
  source: 'ASTM B258 and IEC 60028 (from memory); 3 % is common practice',
  breaks: 'caution',
};

const V = (x: number) => formatQuantity(x, 'V');
const A = (x: number) => formatQuantity(x, 'A');

function judge(circuit: Circuit, feed: Feed): Result[] {
  const rail = circuit.rails.get(feed.rail ?? '');
  if (!rail?.voltage || feed.peak <= 0 || feed.by !== 'leads') return [];
  const { length, gauge } = feed.lead;
  const ohms = gaugeResistance(gauge);
  const drop = feed.peak * 2 * length * ohms;
  const limit = rail.voltage.typ * LEAD_SHARE;
  const label = circuit.parts.get(feed.part)?.label ?? feed.part;
  return [
    result(circuit, meta, {
      subjects: [`${feed.part}.${feed.supply.id}`],
      severity: drop > limit ? 'caution' : null,
      measured: drop,
      limit,
      unit: 'V',
      margin: limit - drop,
      assumed: isLeadAssumed(circuit, feed.part),
      message:
        drop > limit
          ? `The leads to ${label} lose ${V(drop)} at its peak, more than ${LEAD_SHARE * 100} % of the rail. Shorter or thicker ones lose less.`
          : `The leads to ${label} lose ${V(drop)} at its peak.`,
      meaning:
        'What is lost in the leads comes and goes with the current: readings move when something else switches on.',
      workings: [
        { name: 'peak through the leads', sum: 'what it takes, and what hangs on it', value: feed.peak, unit: 'A' },
        { name: 'resistance per metre', sum: `gauge ${gauge}`, value: ohms, unit: 'Ω' },
        {
          name: 'lost',
          sum: `${A(feed.peak)} × 2 × ${length} m${isLeadAssumed(circuit, feed.part) ? ' (assumed)' : ''} × ${formatQuantity(ohms, 'Ω')}/m`,
          value: drop,
          unit: 'V',
        },
        { name: 'may be lost', sum: `${V(rail.voltage.typ)} × ${LEAD_SHARE}`, value: limit, unit: 'V' },
      ],
      rests: [[circuit.parts.get(feed.part)?.card.id ?? '', feed.supply.current.active.source]],
    }),
  ];
}

export const supplyLeadDrop: Check = {
  meta,
  run: (circuit) => [...circuit.feeds.values()].flatMap((feed) => judge(circuit, feed)),
};
