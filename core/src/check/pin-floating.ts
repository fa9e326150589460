import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'pin/floating',
  title: 'No input is left in the air',
  station: 'pins',
  rule: 'A terminal that rests nowhere by itself - an enable, a reset, a direction, an address, an input that is not used - is tied to ground or to the supply of its part.',
  source: 'the cards; common practice',
  breaks: 'fault',
};

function judge(circuit: Circuit, part: PartNode): Result[] {
  return part.card.terminals.flatMap(({ id, label, open }): Result[] => {
    if (open?.rests !== 'nowhere') return [];
    const to = part.choice?.ties?.[id];
    const supply = part.card.supplies.find((s) => s.id === to);
    const at = part.card.terminals.find((t) => t.id === supply?.terminal)?.label ?? to;
    return [
      result(circuit, meta, {
        subjects: [part.id, id],
        severity: to === undefined ? 'fault' : null,
        message:
          to === undefined
            ? `${label} of ${part.label} is on nothing and rests nowhere by itself: what it does changes with a hand nearby. Tie it to ground or to its supply.`
            : `${label} of ${part.label} is tied to ${to === 'ground' ? 'ground' : at}.`,
        meaning: 'An input in the air follows every mains lamp; the part works on the table and not on the wall.',
        workings: [
          { name: label, sum: to === undefined ? 'on nothing' : `tied to ${to === 'ground' ? 'ground' : at}` },
        ],
        rests: [[part.card.id, open.source]],
      }),
    ];
  });
}

export const pinFloating: Check = {
  meta,
  run: (circuit) => [...circuit.parts.values()].flatMap((part) => judge(circuit, part)),
};
