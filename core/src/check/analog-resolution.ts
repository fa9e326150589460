import type { Circuit } from '../circuit/circuit.ts';
import { analogChain } from '../physics/analog-chain.ts';
import { frontOf } from '../physics/analog-front.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { analogLinks, type AnalogLink } from './analog-links.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'analog/resolution',
  title: 'The way to the counts is fine enough',
  station: 'levels',
  rule: 'Half a step, the converter’s error, its reference, and the tolerance of divider or fixed resistor, in the need’s unit at the worst place of the wanted range and all at their worst, are at most the wanted accuracy. Not said where need/accuracy is broken, of which it is a part.',
  source: 'the cards; adding all of them in full is the worst case',
  breaks: 'fault',
};

function judge(circuit: Circuit, link: AnalogLink): Result[] {
  const { part, measure, need } = link;
  if (!measure || !need) return [];
  const front = frontOf(circuit, part, measure);
  const chain = analogChain(part.card, measure, need, front);
  // A bare part without its resistor has no way to the counts at all: analog/divider says so.
  if (!chain || (measure.analog?.kind !== 'linear' && front.fixed === undefined)) return [];
  const margin = need.accuracy - chain.worst;
  const U = (x: number) => formatQuantity(x, need.unit, 3);
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
          ? `The way from ${part.label} to the counts adds up to ±${U(chain.worst)}; ±${U(need.accuracy)} is wanted.`
          : `The way from ${part.label} to the counts adds at most ±${U(chain.worst)}; ±${U(need.accuracy)} is wanted.`,
      meaning:
        'A fine sensor read by a coarse converter gives coarse readings. Counting with a better converter, or calibrating it, mends that.',
      workings: [
        ...chain.terms.map(({ name, sum, error }) => ({ name, sum, value: error, unit: need.unit })),
        { name: 'together, at their worst', sum: `at ${U(chain.at)}`, value: chain.worst, unit: need.unit },
        { name: 'as independent errors', sum: 'root of the sum of the squares', value: chain.rss, unit: need.unit },
      ],
      rests: [[link.reader.card.id, link.adc.error.source]],
    }),
  ];
}

export const analogResolution: Check = {
  meta,
  run: (circuit) => analogLinks(circuit).flatMap((l) => judge(circuit, l)),
};
