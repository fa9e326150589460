import { pinUses } from '../circuit/pin-function.ts';
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { readBy } from '../circuit/converter.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'pin/double',
  title: 'One pin, one signal',
  station: 'pins',
  rule: 'At most one line on each pin of the controller and each input of a converter; a shared bus line counts once.',
  source: 'common practice',
  breaks: 'fault',
};

/** The same for the inputs of a converter. */
function inputs(circuit: Circuit, part: PartNode): Result[] {
  return [...readBy(circuit, part)].map(([terminal, nets]) => {
    const label = part.card.terminals.find(({ id }) => id === terminal)?.label ?? terminal;
    const names = nets.map((net) => net.label).join(' and ');
    return result(circuit, meta, {
      subjects: [`${part.id}.${terminal}`, ...nets.map(({ id }) => id)],
      severity: nets.length > 1 ? 'fault' : null,
      measured: nets.length,
      limit: 1,
      unit: 'signals',
      margin: 1 - nets.length,
      message:
        nets.length > 1
          ? `${names} are on ${label} of ${part.label} together; only one can be.`
          : `${label} of ${part.label} reads ${names} alone.`,
      meaning: 'Two outputs on one input give a voltage that is neither.',
      workings: nets.map((net) => ({ name: label, sum: net.label })),
    });
  });
}

export const pinDouble: Check = {
  meta,
  run: (circuit) => [
    ...pinUses(circuit).flatMap(({ pin, label, wishes }) => {
      if (wishes.length === 0 || !circuit.controller) return [];
      const names = wishes.map((wish) => wish.label).join(' and ');
      // Several parts may be fed from one pin, or stand on one.
      const signals = new Set(wishes.map(({ net }) => net)).size;
      return [
        result(circuit, meta, {
          subjects: [`${circuit.controller.id}.${pin.terminal}`, ...wishes.map(({ id }) => id)],
          severity: signals > 1 ? 'fault' : null,
          measured: signals,
          limit: 1,
          unit: 'signals',
          margin: 1 - signals,
          message:
            signals > 1 ? `${names} are on ${label} together; only one can be.` : `${label} carries ${names} alone.`,
          meaning: 'The second part shows the mistake only when it is plugged in: one signal drowns the other.',
          workings: wishes.map((wish) => ({ name: label, sum: wish.label })),
        }),
      ];
    }),
    ...[...circuit.parts.values()].flatMap((part) => (part.card.converter ? inputs(circuit, part) : [])),
  ],
};
