import type { Measure } from '../card/measure.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { analogChain, stepError } from '../physics/analog-chain.ts';
import { frontOf } from '../physics/analog-front.ts';
import { needName, watched } from '../plan/need-name.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { servants } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { measureFor } from './sense-error.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { multiply } from '../quantity/sum.ts';

/** What is said here, by the data that it takes. */
export interface NeedTriggerSays {
  readonly converter: null;
  readonly endsVeryLevelSets: { name: Text; part: Text; step: Quantity; by: Text };
  readonly endsFurtherBackReads: { name: Text; hysteresis: Quantity; part: Text; step: Quantity; by: Text };
  readonly meaning: null;
  readonly twoSteps: null;
  readonly setOffEndsRead: { name: Text; level: Quantity; back: Quantity; from: Quantity; to: Quantity };
  readonly outsideRangeReadEvent: null;
  readonly ends: null;
  readonly words: { level: Quantity; when: Text; hysteresis: Quantity };
}

const tell = tells<NeedTriggerSays>('need/trigger');

const meta = {
  id: 'need/trigger',
  station: 'need',
  breaks: 'fault',
  scope: 'plan',
  reads: ['controller/adc/error', 'measures/*/resolution/value'],
} as const satisfies CheckMeta;

/** Steps of the reading that the hysteresis should span, so that one flickering digit sets nothing off twice. */
const STEPS = 2;

interface ReadingStep {
  /** In the unit of the need. */
  readonly value: number;
  readonly by: Text;
  readonly rest: readonly [string, string | undefined];
}

/** The smallest change that a reading can show: the card's step, or that of the converter that reads it, whichever is coarser. */
function readingStep(circuit: Circuit, part: PartNode, measure: Measure, need: SenseNeed): ReadingStep | null {
  const own = measure.resolution;
  const front = measure.analog ? frontOf(circuit, part, measure) : null;
  const chain = front && analogChain(part.card, measure, need, front);
  const half = chain ? stepError(chain) : 0;
  const reader = circuit.controller?.card;
  if (half * 2 > (own?.value ?? 0))
    return {
      value: half * 2,
      by: tell('converter'),
      rest: [reader?.id ?? '', reader?.controller?.adc?.error.source],
    };
  return own ? { value: own.value, by: '', rest: [part.card.id, own.source] } : null;
}

export const needTrigger = {
  meta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] => {
      if (need.kind !== 'trigger') return [];
      const of = watched(circuit.plan, need.of);
      const name = needName(circuit.plan, need);
      if (!of) return [];
      const back = need.when === 'above' ? need.level - need.hysteresis : need.level + need.hysteresis;
      const margin = Math.min(need.level - of.from, of.to - need.level, back - of.from, of.to - back);
      const say = (value: number) => quantityOf(value, of.unit);
      const steps = servants(circuit, of.id).flatMap((part): Result[] => {
        const measure = measureFor(part.card, of);
        const step = measure && readingStep(circuit, part, measure, of);
        if (!step || need.release === 'sticky') return [];
        const least = STEPS * step.value;
        return [
          result(circuit, meta, {
            subjects: [need.id, part.id],
            severity: need.hysteresis < least ? 'caution' : null,
            measured: need.hysteresis,
            limit: least,
            unit: of.unit,
            margin: need.hysteresis - least,
            ranked: false,
            message:
              need.hysteresis === 0
                ? tell('endsVeryLevelSets', { name, part: part.label, step: say(step.value), by: step.by })
                : tell('endsFurtherBackReads', {
                    name,
                    hysteresis: say(need.hysteresis),
                    part: part.label,
                    step: say(step.value),
                    by: step.by,
                  }),
            meaning: tell('meaning'),
            workings: [{ name: tell('twoSteps'), sum: multiply(STEPS, say(step.value)), value: least, unit: of.unit }],
            rests: [step.rest],
          }),
        ];
      });
      return [
        result(circuit, meta, {
          subjects: [need.id, of.id],
          severity: margin < 0 ? 'fault' : null,
          measured: margin < 0 && (back < of.from || back > of.to) ? back : need.level,
          limit: need.when === 'above' ? of.to : of.from,
          unit: of.unit,
          margin,
          ranked: false,
          message: tell('setOffEndsRead', {
            name,
            level: say(need.level),
            back: say(back),
            from: say(of.from),
            to: say(of.to),
          }),
          meaning: tell('outsideRangeReadEvent'),
          workings: [
            {
              name: tell('ends'),
              sum: tell('words', {
                level: say(need.level),
                when: need.when === 'above' ? '−' : '+',
                hysteresis: say(need.hysteresis),
              }),
              value: back,
              unit: of.unit,
            },
          ],
        }),
        ...steps,
      ];
    }),
} satisfies Check;
