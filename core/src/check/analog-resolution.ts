import type { Circuit } from '../circuit/model.ts';
import { analogChain } from '../physics/analog-chain.ts';
import { frontOf } from '../physics/analog-front.ts';
import { overLinks, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { term } from './terms.ts';

/** What is said here, by the data that it takes. */
export interface AnalogResolutionSays {
  readonly broken: { part: Text; worst: Quantity; accuracy: Quantity };
  readonly holds: { part: Text; worst: Quantity; accuracy: Quantity };
  readonly meaning: null;
  readonly at: { at: Quantity };
}

const tell = tells<AnalogResolutionSays>('analog/resolution');

const meta = {
  id: 'analog/resolution',
  station: 'levels',
  breaks: 'fault',
  scope: 'plan',
  reads: ['controller/adc/error', 'converter/error'],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, link: AnalogLink): Result[] {
  const { part, measure, need } = link;
  if (!measure || !need) return [];
  const front = frontOf(circuit, part, measure);
  const chain = analogChain(part.card, measure, need, front);
  // A bare part without its resistor has no way to the counts at all: analog/divider says so.
  if (!chain || (measure.analog?.kind !== 'linear' && front.fixed === undefined)) return [];
  const margin = need.accuracy - chain.worst;
  const U = (x: number) => quantityOf(x, need.unit, 3);
  return [
    result(circuit, meta, {
      subjects: [need.id, link.net.id],
      severity: margin < -1e-9 ? 'fault' : null,
      measured: chain.worst,
      limit: need.accuracy,
      unit: need.unit,
      margin,
      message:
        margin < -1e-9
          ? tell('broken', { part: part.label, worst: U(chain.worst), accuracy: U(need.accuracy) })
          : tell('holds', { part: part.label, worst: U(chain.worst), accuracy: U(need.accuracy) }),
      meaning: tell('meaning'),
      workings: [
        ...chain.terms.map(({ name, sum, error }) => ({ name, sum, value: error, unit: need.unit })),
        { name: term('togetherTheirWorst'), sum: tell('at', { at: U(chain.at) }), value: chain.worst, unit: need.unit },
        { name: term('asIndependentErrors'), sum: term('rootSumSquares'), value: chain.rss, unit: need.unit },
      ],
      rests: [[link.reader.card.id, link.adc.error.source]],
    }),
  ];
}

export const analogResolution = {
  meta,
  ...overLinks(judge),
} satisfies Check;
