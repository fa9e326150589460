import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { dividerShare, outputOhms } from '../circuit/ends.ts';
import { frontOf } from '../physics/analog-front.ts';
import { errorOver } from './sense-error.ts';
import { analogLinks, pinVoltage, slopeOf, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'analog/dead-ends',
  title: 'The wanted range keeps off the dead ends of the converter',
  station: 'levels',
  rule: 'Over the wanted range the voltage at the pin stays between the two at which the converter counts straight; what it is beyond, ÷ volts per unit of the reading, is at most what the error leaves of the accuracy wanted.',
  source: 'the controller’s card',
  breaks: 'fault',
};

function judge(circuit: Circuit, link: AnalogLink): Result[] {
  const { adc, need, measure, part } = link;
  const { straight } = adc;
  const seen = need ? pinVoltage(link) : null;
  if (!straight || !seen || !need || !measure) return [];
  const { min, max } = toInterval(straight);
  const beyond = Math.max(0, min - seen.low, seen.high - max);
  const V = (x: number) => formatQuantity(x, 'V', 3);
  const passes = link.divider ? dividerShare(link.divider, outputOhms(part.card, link.divider), link.tolerance).min : 1;
  const slope = slopeOf(link);
  const own = errorOver(part.card, measure, need, circuit.plan.lifeYears, frontOf(circuit, part, measure))?.total ?? 0;
  const left = Math.max(0, need.accuracy - own);
  // Of what is no straight line the volts alone are said.
  const off = slope === null ? null : beyond / (slope * passes);
  const margin = off === null ? -beyond : left - off;
  const broken = margin < -1e-9;
  const U = (x: number) => formatQuantity(x, need.unit, 2);
  const [measured, limit, unit] = off === null ? [beyond, 0, 'V'] : [off, left, need.unit];
  return [
    result(circuit, meta, {
      subjects: [link.net.id, need.id],
      severity: broken ? 'fault' : null,
      measured,
      limit,
      unit,
      margin,
      ...(off === null ? { ranked: false } : {}),
      message:
        beyond === 0
          ? `${part.label} gives ${V(seen.low)} to ${V(seen.high)}, where the converter counts straight.`
          : broken
            ? `${part.label} gives ${V(seen.low)} to ${V(seen.high)} over the wanted range; the converter of ${link.reader.label} counts straight from ${V(min)} to ${V(max)}. ${off === null ? 'Beyond, it stands still or bends.' : `Beyond, it is up to ${U(off)} off, and ${U(left)} are left of the accuracy wanted.`}`
            : `${part.label} gives ${V(seen.low)} to ${V(seen.high)}; beyond ${V(min)} to ${V(max)} the converter is up to ${U(off ?? 0)} off, of ${U(left)} that are left.`,
      meaning: 'Near its ends such a converter reads nought, or full scale, long before it is there.',
      workings: [
        { name: 'at the pin', sum: `${V(seen.low)} to ${V(seen.high)}, ${seen.sum}` },
        { name: 'straight', sum: `${V(min)} to ${V(max)}` },
        { name: 'beyond', sum: `${V(min)} − ${V(seen.low)}, or ${V(seen.high)} − ${V(max)}`, value: beyond, unit: 'V' },
        ...(off === null || slope === null
          ? []
          : [{ name: 'in the reading', sum: `÷ ${V(slope * passes)} per ${need.unit}`, value: off, unit: need.unit }]),
      ],
      rests: [[link.reader.card.id, straight.source]],
    }),
  ];
}

export const analogDeadEnds: Check = {
  meta,
  run: (circuit) => analogLinks(circuit).flatMap((link) => judge(circuit, link)),
};
