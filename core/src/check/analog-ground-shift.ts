import type { Circuit } from '../circuit/circuit.ts';
import { contactOhms } from '../circuit/contacts.ts';
import { frontOf } from '../physics/analog-front.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { gaugeResistance } from '../standard/wire-gauge.ts';
import { analogLinks, slopeOf, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { errorOver } from './sense-error.ts';

const meta: CheckMeta = {
  id: 'analog/ground-shift',
  title: 'What a part draws does not lift its own reading',
  station: 'levels',
  rule: 'From rest to peak, what the part draws × resistance of its ground lead and contacts ÷ volts per unit of the reading, is at most what its own error leaves of the accuracy wanted.',
  source: 'Ohm’s law; ASTM B258 and IEC 60028 (from memory)',
  breaks: 'fault',
};

function judge(circuit: Circuit, link: AnalogLink): Result[] {
  const { part, need, measure } = link;
  const slope = slopeOf(link);
  const [supply] = part.card.supplies;
  const feed = supply && circuit.feeds.get(`${part.id}.${supply.id}`);
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
  const U = (x: number) => formatQuantity(x, need.unit, 2);
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
          ? `What ${part.label} draws lifts its ground by ${formatQuantity(amps * ohms, 'V', 2)}: it reads ${U(shift)} off, of ${U(limit)} that are left. A ground of its own for the reading, or a thicker or shorter lead, mends that.`
          : `What ${part.label} draws moves its reading by ${U(shift)}, of ${U(limit)} that are left.`,
      meaning:
        'Supply current and reading come back on one wire; the current makes a voltage along it that is read, too.',
      workings: [
        {
          name: 'from rest to peak',
          sum: `${formatQuantity(feed.peak, 'A', 3)} − ${formatQuantity(rest, 'A', 3)}`,
          value: amps,
          unit: 'A',
        },
        {
          name: 'ground lead and contacts',
          sum: `${feed.lead.length} m of gauge ${feed.lead.gauge}`,
          value: ohms,
          unit: 'Ω',
        },
        { name: 'lifts its ground by', sum: 'current × resistance', value: amps * ohms, unit: 'V' },
        {
          name: 'reads off by',
          sum: `÷ ${formatQuantity(slope, 'V', 3)} per ${need.unit}`,
          value: shift,
          unit: need.unit,
        },
      ],
      rests: [[part.card.id, supply.current.active.source]],
    }),
  ];
}

export const analogGroundShift: Check = {
  meta,
  run: (circuit) => analogLinks(circuit).flatMap((link) => judge(circuit, link)),
};
