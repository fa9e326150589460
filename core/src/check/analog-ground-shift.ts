import type { Circuit } from '../circuit/model.ts';
import { contactOhms } from '../circuit/contacts.ts';
import { frontOf } from '../physics/analog-front.ts';
import { gaugeResistance } from '../standard/wire-gauge.ts';
import { overLinks, slopeOf, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { errorOver } from './sense-error.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { subtract } from '../quantity/sum.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface AnalogGroundShiftSays {
  readonly broken: { part: Text; amps: Quantity; shift: Quantity; limit: Quantity };
  readonly holds: { part: Text; shift: Quantity; limit: Quantity };
  readonly meaning: null;
  readonly fromRestPeak: null;
  readonly groundLeadContacts: null;
  readonly mGauge: { count: number; gauge: number };
  readonly liftsGround: null;
  readonly currentResistance: null;
  readonly readsOff: null;
  readonly per: { slope: Quantity; unit: Text };
}

const tell = tells<AnalogGroundShiftSays>('analog/ground-shift');

const meta = {
  id: 'analog/ground-shift',
  station: 'levels',
  breaks: 'fault',
  scope: 'plan',
  reads: ['supplies/*/current/active'],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, link: AnalogLink): Result[] {
  const { part, need, measure } = link;
  const slope = slopeOf(link);
  const [supply] = part.card.supplies;
  const feed = supply && circuit.feeds.get(keyOf(part.id, supply.id));
  if (!need || !measure || !slope || !feed || feed.by !== 'leads') return [];
  const rail = circuit.rails.get(feed.rail ?? '');
  const load = rail?.loads.find(({ subject }) => subject === part.id);
  const rest = supply.current.idle?.min ?? supply.current.idle?.typ ?? 0;
  const amps = Math.max(0, feed.peak - rest);
  const ohms = feed.lead.length * gaugeResistance(feed.lead.gauge) + contactOhms(circuit.plan, feed.lead.gauge) / 2;
  const shift = (amps * ohms) / slope;
  const own = errorOver(part.card, measure, need, circuit.plan.lifeYears, frontOf(circuit, part, measure))?.total ?? 0;
  const limit = need.accuracy - own;
  // Where nothing is left the accuracy says so already.
  if (limit < 0 || !load) return [];
  const margin = limit - shift;
  const U = (x: number) => quantityOf(x, need.unit, 2);
  return [
    result(circuit, meta, {
      subjects: [part.id, need.id],
      severity: margin < 0 ? 'fault' : null,
      measured: shift,
      limit,
      unit: need.unit,
      margin,
      message:
        margin < 0
          ? tell('broken', {
              part: part.label,
              amps: quantityOf(amps * ohms, 'V', 2),
              shift: U(shift),
              limit: U(limit),
            })
          : tell('holds', { part: part.label, shift: U(shift), limit: U(limit) }),
      meaning: tell('meaning'),
      workings: [
        {
          name: tell('fromRestPeak'),
          sum: subtract(quantityOf(feed.peak, 'A', 3), quantityOf(rest, 'A', 3)),
          value: amps,
          unit: 'A',
        },
        {
          name: tell('groundLeadContacts'),
          sum: tell('mGauge', { count: feed.lead.length, gauge: feed.lead.gauge }),
          value: ohms,
          unit: 'Ω',
        },
        { name: tell('liftsGround'), sum: tell('currentResistance'), value: amps * ohms, unit: 'V' },
        {
          name: tell('readsOff'),
          sum: tell('per', { slope: quantityOf(slope, 'V', 3), unit: need.unit }),
          value: shift,
          unit: need.unit,
        },
      ],
      rests: [[part.card.id, supply.current.active.source]],
    }),
  ];
}

export const analogGroundShift = {
  meta,
  ...overLinks(judge),
} satisfies Check;
