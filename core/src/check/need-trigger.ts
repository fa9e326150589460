import { needName, watched } from '../plan/need-name.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { servants } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { measureFor } from './sense-error.ts';

const meta: CheckMeta = {
  id: 'need/trigger',
  title: 'A level is inside what is read, and does not chatter',
  station: 'need',
  rule: 'The level, and the level at which the event ends, lie inside the wanted range; the hysteresis is at least two steps of the reading.',
  source: 'two steps: common practice',
  breaks: 'fault',
};

/** Steps of the reading that the hysteresis should span, so that one flickering digit sets nothing off twice. */
const STEPS = 2;

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
        const resolution = measureFor(part.card, of)?.resolution;
        if (!resolution || need.release === 'sticky') return [];
        const least = STEPS * resolution.value;
        return [
          result(circuit, meta, {
            subjects: [need.id, part.id],
            severity: need.hysteresis < least ? 'caution' : null,
            measured: need.hysteresis,
            limit: least,
            unit: of.unit,
            margin: need.hysteresis - least,
            ranked: false,
            message: `${name} ends ${say(need.hysteresis)} further back; ${part.label} reads in steps of ${say(resolution.value)}.`,
            meaning: 'With less than two steps between on and off, one flickering digit switches it on and off.',
            workings: [{ name: 'two steps', sum: `${STEPS} × ${say(resolution.value)}`, value: least, unit: of.unit }],
            rests: [[part.card.id, resolution.source]],
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
