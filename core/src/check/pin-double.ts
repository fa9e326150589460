import { pinUses } from '../circuit/pin-function.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { readBy } from '../circuit/converter.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface PinDoubleSays {
  readonly togetherOnlyOneCan: { names: readonly Text[]; label: Text; part: Text };
  readonly readsAlone: { label: Text; part: Text; names: readonly Text[] };
  readonly meaning: null;
  readonly areTogether: { names: readonly Text[]; label: Text };
  readonly carriesAlone: { label: Text; names: readonly Text[] };
  readonly secondPartShowsMistake: null;
}

const tell = tells<PinDoubleSays>('pin/double');

const meta = {
  id: 'pin/double',
  station: 'pins',
  breaks: 'fault',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

/** The same for the inputs of a converter. */
function inputs(circuit: Circuit, part: PartNode): Result[] {
  return [...readBy(circuit, part)].map(([terminal, nets]) => {
    const label = part.card.terminals.find(({ id }) => id === terminal)?.label ?? terminal;
    const names = nets.map((net) => net.label);
    return result(circuit, meta, {
      subjects: [keyOf(part.id, terminal), ...nets.map(({ id }) => id)],
      severity: nets.length > 1 ? 'fault' : null,
      measured: nets.length,
      limit: 1,
      unit: 'signals',
      margin: 1 - nets.length,
      message:
        nets.length > 1
          ? tell('togetherOnlyOneCan', { names, label, part: part.label })
          : tell('readsAlone', { label, part: part.label, names }),
      meaning: tell('meaning'),
      workings: nets.map((net) => ({ name: label, sum: net.label })),
    });
  });
}

export const pinDouble = {
  meta,
  run: (circuit) => [
    ...pinUses(circuit).flatMap(({ pin, label, wishes }) => {
      if (wishes.length === 0 || !circuit.controller) return [];
      const names = wishes.map((wish) => wish.label);
      // Several parts may be fed from one pin, or stand on one.
      const signals = new Set(wishes.map(({ net }) => net)).size;
      return [
        result(circuit, meta, {
          subjects: [keyOf(circuit.controller.id, pin.terminal), ...wishes.map(({ id }) => id)],
          severity: signals > 1 ? 'fault' : null,
          measured: signals,
          limit: 1,
          unit: 'signals',
          margin: 1 - signals,
          message: signals > 1 ? tell('areTogether', { names, label }) : tell('carriesAlone', { label, names }),
          meaning: tell('secondPartShowsMistake'),
          workings: wishes.map((wish) => ({ name: label, sum: wish.label })),
        }),
      ];
    }),
    ...[...circuit.parts.values()].flatMap((part) => (part.card.converter ? inputs(circuit, part) : [])),
  ],
} satisfies Check;
