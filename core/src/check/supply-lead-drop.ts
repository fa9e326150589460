import type { Circuit, Feed } from '../circuit/model.ts';
import { isLeadAssumed } from '../circuit/assumed.ts';
import { LEAD_SHARE } from '../standard/common-practice.ts';
import { gaugeResistance } from '../standard/wire-gauge.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { multiply } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overFeeds } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyLeadDropSays {
  readonly leadsLosePeakMore: { label: Text; drop: Quantity; leadshare: number };
  readonly holds: { label: Text; drop: Quantity };
  readonly meaning: null;
  readonly peakThroughLeads: null;
  readonly whatTakesWhatHangs: null;
  readonly resistancePerMetre: null;
  readonly gauge: { gauge: number };
  readonly lost: null;
  readonly mM: { peak: Quantity; length: number; isLeadAssumed: Text; ohms: Quantity };
  readonly mayBeLost: null;
}

const tell = tells<SupplyLeadDropSays>('supply/lead-drop');

const meta = {
  id: 'supply/lead-drop',
  station: 'power',
  breaks: 'caution',
  scope: 'plan',
  answeredBy: 'voltage',
  reads: ['supplies/*/current/active'],
} as const satisfies CheckMeta;

const V = (x: number) => quantityOf(x, 'V');
const A = (x: number) => quantityOf(x, 'A');

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
      subjects: [keyOf(feed.part, feed.supply.id)],
      severity: drop > limit ? 'caution' : null,
      measured: drop,
      limit,
      unit: 'V',
      margin: limit - drop,
      assumed: isLeadAssumed(circuit, feed.part),
      message:
        drop > limit
          ? tell('leadsLosePeakMore', { label, drop: V(drop), leadshare: LEAD_SHARE * 100 })
          : tell('holds', { label, drop: V(drop) }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('peakThroughLeads'), sum: tell('whatTakesWhatHangs'), value: feed.peak, unit: 'A' },
        { name: tell('resistancePerMetre'), sum: tell('gauge', { gauge }), value: ohms, unit: 'Ω' },
        {
          name: tell('lost'),
          sum: tell('mM', {
            peak: A(feed.peak),
            length,
            isLeadAssumed: isLeadAssumed(circuit, feed.part) ? term('assumed') : '',
            ohms: quantityOf(ohms, 'Ω'),
          }),
          value: drop,
          unit: 'V',
        },
        { name: tell('mayBeLost'), sum: multiply(V(rail.voltage.typ), LEAD_SHARE), value: limit, unit: 'V' },
      ],
      rests: [[circuit.parts.get(feed.part)?.card.id ?? '', feed.supply.current.active.source]],
    }),
  ];
}

export const supplyLeadDrop = {
  meta,
  ...overFeeds(judge),
} satisfies Check;
