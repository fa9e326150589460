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
} as const satisfies CheckMeta;

export const needRange = {
  meta: rangeMeta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] => {
      const parts = servants(circuit, need.id);
      if (need.kind === 'trigger') return [];
      const name = needName(circuit.plan, need);
      if (parts.length === 0) {
        return [
          result(circuit, rangeMeta, {
            subjects: [need.id],
            severity: 'fault',
            measured: 0,
            limit: 1,
            unit: 'parts',
            margin: -1,
            message: tell('noPartChosen', { name }),
            meaning: tell('meaning'),
          }),
        ];
      }
      if (need.kind !== 'sense') {
        return [
          result(circuit, rangeMeta, {
            subjects: [need.id],
            severity: null,
            measured: parts.length,
            limit: 1,
            unit: 'parts',
            margin: parts.length - 1,
            message: tell('serves', { parts: parts.map((p) => p.label), name }),
          }),
        ];
      }
      return parts.map((part) => {
        const measure = measureFor(part.card, need);
        const subjects = [need.id, part.id];
        if (!measure) {
          return result(circuit, rangeMeta, {
            subjects,
            severity: 'fault',
            message: tell('doesNotMeasure', {
              part: part.label,
              quantity: quantityName(need.quantity),
              unit: need.unit,
            }),
            meaning: tell('needNotMetThis'),
          });
        }
        const { margin, measured, limit } = rangeMargin(measure, need);
        return result(circuit, rangeMeta, {
          subjects,
          severity: margin < 0 ? 'fault' : null,
          measured,
          limit,
          unit: need.unit,
          margin,
          ranked: false,
          message: tell('measuresFrom', {
            part: part.label,
            quantity: quantityName(need.quantity),
            from: measure.range.from,
            to: quantityOf(measure.range.to, need.unit, 4),
            span: span(need),
            margin: margin < 0 ? tell('wantedSoPartMissed') : tell('wanted'),
          }),
          meaning: tell('outsideRangeSensorSticks'),
          workings: [
            {
              name: term('below'),
              sum: subtract(need.from, measure.range.from),
              value: need.from - measure.range.from,
              unit: need.unit,
            },
            {
              name: term('above'),
              sum: subtract(measure.range.to, need.to),
              value: measure.range.to - need.to,
              unit: need.unit,
            },
          ],
          rests: [[part.card.id, measure.range.source]],
        });
      });
    }),
} satisfies Check;
