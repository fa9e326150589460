import type { Measure } from '../card/measure.ts';
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { analogChain, HALF_A_STEP } from '../physics/analog-chain.ts';
import { frontOf } from '../physics/analog-front.ts';
import { needName, watched } from '../plan/need-name.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { servants } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { measureFor } from './sense-error.ts';

const meta: CheckMeta = {
  id: 'need/trigger',
  title: 'A level is inside what is read, and does not chatter',
  station: 'need',
  rule: 'The level, and the level at which the event ends, lie inside the wanted range; the hysteresis is at least two steps of the reading, the card’s or the converter’s, whichever is coarser.',
  source: 'two steps: common practice',
  breaks: 'fault',
};

/** Steps of the reading that the hysteresis should span, so that one flickering digit sets nothing off twice. */
const STEPS = 2;

interface ReadingStep {
  /** In the unit of the need. */
  readonly value: number;
  readonly by: string;
  readonly rest: readonly [string, string | undefined];
}

/** The smallest change that a reading can show: the card's step, or that of the converter that reads it, whichever is coarser. */
function readingStep(circuit: Circuit, part: PartNode, measure: Measure, need: SenseNeed): ReadingStep | null {
  const own = measure.resolution;
  const front = measure.analog ? frontOf(circuit, part, measure) : null;
  const chain = front && analogChain(part.card, measure, need, front);
  const half = chain?.terms.find(({ name }) => name === HALF_A_STEP)?.error ?? 0;
  const reader = circuit.controller?.card;
  if (half * 2 > (own?.value ?? 0))
    return {
      value: half * 2,
      by: ' at the converter',
      rest: [reader?.id ?? '', reader?.controller?.adc?.error.source],
    };
  return own ? { value: own.value, by: '', rest: [part.card.id, own.source] } : null;
}

export const needTrigger: Check = {
  meta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] => {
      if (need.kind !== 'trigger') return [];
      const of = watched(circuit.plan, need.of);
      const name = needName(circuit.plan, need);
      if (!of) return [];
      const back = need.when === 'above' ? need.level - need.hysteresis : need.level + need.hysteresis;
      const margin = Math.min(need.level - of.from, of.to - need.level, back - of.from, of.to - back);
      const say = (value: number) => formatQuantity(value, of.unit);
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
                ? `${name} ends at the very level that sets it off; ${part.label} reads in steps of ${say(step.value)}${step.by}, and one of them is enough to end it and begin again.`
                : `${name} ends ${say(need.hysteresis)} further back; ${part.label} reads in steps of ${say(step.value)}${step.by}.`,
            meaning: 'With less than two steps between on and off, one flickering digit switches it on and off.',
            workings: [{ name: 'two steps', sum: `${STEPS} × ${say(step.value)}`, value: least, unit: of.unit }],
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
          message: `${name} is set off at ${say(need.level)} and ends at ${say(back)}; ${say(of.from)} to ${say(of.to)} is read.`,
          meaning: 'Outside the range that is read, the event never comes, or never ends.',
          workings: [
            {
              name: 'ends at',
              sum: `${say(need.level)} ${need.when === 'above' ? '−' : '+'} ${say(need.hysteresis)}`,
              value: back,
              unit: of.unit,
            },
          ],
        }),
        ...steps,
      ];
    }),
};
