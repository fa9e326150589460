import type { Measure } from '../card/measure.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import type { Need, SenseNeed } from '../plan/plan.ts';
import { quantityName } from '../card/quantities.ts';
import { needName } from '../plan/need-name.ts';
import { servants, span } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { measureFor, rangeMargin } from './sense-error.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';

/** What is said here, by the data that it takes. */
export interface NeedRangeSays {
  readonly noPartChosen: { name: Text };
  readonly meaning: null;
  readonly serves: { parts: readonly Text[]; name: Text };
  readonly doesNotMeasure: { part: Text; quantity: Text; unit: Text };
  readonly needNotMetThis: null;
  readonly wantedSoPartMissed: null;
  readonly wanted: null;
  readonly measuresFrom: { part: Text; quantity: Text; from: number; to: Quantity; span: Text; margin: Text };
  readonly outsideRangeSensorSticks: null;
}

const tell = tells<NeedRangeSays>('need/range');

const rangeMeta = {
  id: 'need/range',
  station: 'need',
  breaks: 'fault',
  scope: 'plan',
  reads: ['measures/*/range'],
} as const satisfies CheckMeta;

export const needRange = {
  meta: rangeMeta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] => {
      if (need.kind === 'trigger') return [];
      const parts = servants(circuit, need.id);
      if (parts.length === 0 || need.kind !== 'sense') return [served(circuit, need, parts)];
      return parts.map((part) => {
        const measure = measureFor(part.card, need);
        return measure ? ranges(circuit, need, part, measure) : notMeasured(circuit, need, part);
      });
    }),
} satisfies Check;

/** Whether anything serves a need at all. */
function served(circuit: Circuit, need: Need, parts: readonly PartNode[]): Result {
  const name = needName(circuit.plan, need);
  const isMet = parts.length > 0;
  return result(circuit, rangeMeta, {
    subjects: [need.id],
    severity: isMet ? null : 'fault',
    measured: parts.length,
    limit: 1,
    unit: 'parts',
    margin: parts.length - 1,
    message: isMet ? tell('serves', { parts: parts.map((p) => p.label), name }) : tell('noPartChosen', { name }),
    ...(isMet ? {} : { meaning: tell('meaning') }),
  });
}

const notMeasured = (circuit: Circuit, need: SenseNeed, part: PartNode): Result =>
  result(circuit, rangeMeta, {
    subjects: [need.id, part.id],
    severity: 'fault',
    message: tell('doesNotMeasure', { part: part.label, quantity: quantityName(need.quantity), unit: need.unit }),
    meaning: tell('needNotMetThis'),
  });

function ranges(circuit: Circuit, need: SenseNeed, part: PartNode, { range, ...measure }: Measure): Result {
  const { margin, measured, limit } = rangeMargin({ range, ...measure }, need);
  const { unit } = need;
  return result(circuit, rangeMeta, {
    subjects: [need.id, part.id],
    severity: margin < 0 ? 'fault' : null,
    measured,
    limit,
    unit,
    margin,
    ranked: false,
    message: tell('measuresFrom', {
      part: part.label,
      quantity: quantityName(need.quantity),
      from: range.from,
      to: quantityOf(range.to, unit, 4),
      span: span(need),
      margin: margin < 0 ? tell('wantedSoPartMissed') : tell('wanted'),
    }),
    meaning: tell('outsideRangeSensorSticks'),
    workings: [
      { name: term('below'), sum: subtract(need.from, range.from), value: need.from - range.from, unit },
      { name: term('above'), sum: subtract(range.to, need.to), value: range.to - need.to, unit },
    ],
    rests: [[part.card.id, range.source]],
  });
}
