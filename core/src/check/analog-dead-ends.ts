import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/model.ts';
import { dividerShare, outputOhms } from '../circuit/divider.ts';
import { frontOf } from '../physics/analog-front.ts';
import { errorOver } from './sense-error.ts';
import { overLinks, pinVoltage, slopeOf, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, type Sum } from '../quantity/message.ts';
import { term } from './terms.ts';

/** What is said here, by the data that it takes. */
export interface AnalogDeadEndsSays {
  readonly givesWhereConverterCounts: { part: Text; low: Quantity; high: Quantity };
  readonly beyondStandsStillOr: null;
  readonly beyondUpOffLeft: { off: Quantity; left: Quantity };
  readonly broken: { part: Text; low: Quantity; high: Quantity; reader: Text; min: Quantity; max: Quantity; off: Text };
  readonly holds: {
    part: Text;
    low: Quantity;
    high: Quantity;
    min: Quantity;
    max: Quantity;
    off: Quantity;
    left: Quantity;
  };
  readonly meaning: null;
  readonly to: { low: Quantity; high: Quantity; sum: Sum };
  readonly betweenEnds: { min: Quantity; max: Quantity };
  readonly beyond: null;
  readonly or: { min: Quantity; low: Quantity; high: Quantity; max: Quantity };
  readonly reading: null;
  readonly per: { slope: Quantity; unit: Text };
}

const tell = tells<AnalogDeadEndsSays>('analog/dead-ends');

const meta = {
  id: 'analog/dead-ends',
  station: 'levels',
  breaks: 'fault',
  scope: 'plan',
  reads: ['controller/adc/straight', 'converter/straight'],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, link: AnalogLink): Result[] {
  const { adc, need, measure, part } = link;
  const { straight } = adc;
  const seen = need ? pinVoltage(link) : null;
  if (!straight || !seen || !need || !measure) return [];
  const { min, max } = toInterval(straight);
  const beyond = Math.max(0, min - seen.low, seen.high - max);
  const V = (x: number) => quantityOf(x, 'V', 3);
  const passes = link.divider ? dividerShare(link.divider, outputOhms(part.card, link.divider), link.tolerance).min : 1;
  const slope = slopeOf(link);
  const own = errorOver(part.card, measure, need, circuit.plan.lifeYears, frontOf(circuit, part, measure))?.total ?? 0;
  const left = Math.max(0, need.accuracy - own);
  // Of what is no straight line the volts alone are said.
  const off = slope === null ? null : beyond / (slope * passes);
  const margin = off === null ? -beyond : left - off;
  const broken = margin < -1e-9;
  const U = (x: number) => quantityOf(x, need.unit, 2);
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
          ? tell('givesWhereConverterCounts', { part: part.label, low: V(seen.low), high: V(seen.high) })
          : broken
            ? tell('broken', {
                part: part.label,
                low: V(seen.low),
                high: V(seen.high),
                reader: link.reader.label,
                min: V(min),
                max: V(max),
                off:
                  off === null ? tell('beyondStandsStillOr') : tell('beyondUpOffLeft', { off: U(off), left: U(left) }),
              })
            : tell('holds', {
                part: part.label,
                low: V(seen.low),
                high: V(seen.high),
                min: V(min),
                max: V(max),
                off: U(off ?? 0),
                left: U(left),
              }),
      meaning: tell('meaning'),
      workings: [
        { name: term('pin'), sum: tell('to', { low: V(seen.low), high: V(seen.high), sum: seen.sum }) },
        { name: term('straight'), sum: tell('betweenEnds', { min: V(min), max: V(max) }) },
        {
          name: tell('beyond'),
          sum: tell('or', { min: V(min), low: V(seen.low), high: V(seen.high), max: V(max) }),
          value: beyond,
          unit: 'V',
        },
        ...(off === null || slope === null
          ? []
          : [
              {
                name: tell('reading'),
                sum: tell('per', { slope: V(slope * passes), unit: need.unit }),
                value: off,
                unit: need.unit,
              },
            ]),
      ],
      rests: [[link.reader.card.id, straight.source]],
    }),
  ];
}

export const analogDeadEnds = {
  meta,
  ...overLinks(judge),
} satisfies Check;
