import type { Circuit, PartNode } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { tells, type Text } from '../quantity/message.ts';
import { term } from './terms.ts';
import { overParts } from './over.ts';

/** What is said here, by the data that it takes. */
export interface PinFloatingSays {
  readonly nothingRestsNowhereItself: { label: Text; part: Text };
  readonly tied: { label: Text; part: Text; to: Text };
  readonly meaning: null;
  readonly tiedTo: { to: Text };
}

const tell = tells<PinFloatingSays>('pin/floating');

const meta = {
  id: 'pin/floating',
  station: 'pins',
  breaks: 'fault',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, part: PartNode): Result[] {
  return part.card.terminals.flatMap(({ id, label, open }): Result[] => {
    if (open?.rests !== 'nowhere') return [];
    const to = part.choice?.ties?.[id];
    const supply = part.card.supplies.find((s) => s.id === to);
    const at = part.card.terminals.find((t) => t.id === supply?.terminal)?.label ?? to ?? '';
    return [
      result(circuit, meta, {
        subjects: [part.id, id],
        severity: to === undefined ? 'fault' : null,
        message:
          to === undefined
            ? tell('nothingRestsNowhereItself', { label, part: part.label })
            : tell('tied', { label, part: part.label, to: to === 'ground' ? term('ground') : at }),
        meaning: tell('meaning'),
        workings: [
          {
            name: label,
            sum: to === undefined ? term('nothing') : tell('tiedTo', { to: to === 'ground' ? term('ground') : at }),
          },
        ],
        rests: [[part.card.id, open.source]],
      }),
    ];
  });
}

export const pinFloating = {
  meta,
  ...overParts(judge),
} satisfies Check;
