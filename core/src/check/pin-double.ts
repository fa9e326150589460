import { pinUses } from '../circuit/pin-function.ts';
import { result, type Check, type CheckMeta } from './result.ts';

const meta: CheckMeta = {
  id: 'pin/double',
  title: 'One pin, one signal',
  station: 'pins',
  rule: 'At most one line on each pin of the controller; a shared bus line counts once.',
  source: 'common practice',
  breaks: 'fault',
};

export const pinDouble: Check = {
  meta,
  run: (circuit) =>
    pinUses(circuit).flatMap(({ pin, label, wishes }) => {
      if (wishes.length === 0 || !circuit.controller) return [];
      const names = wishes.map((wish) => wish.label).join(' and ');
      return [
        result(circuit, meta, {
          subjects: [`${circuit.controller.id}.${pin.terminal}`, ...wishes.map(({ id }) => id)],
          severity: wishes.length > 1 ? 'fault' : null,
          measured: wishes.length,
          limit: 1,
          unit: 'signals',
          margin: 1 - wishes.length,
          message:
            wishes.length > 1
              ? `${names} are on ${label} together; only one can be.`
              : `${label} carries ${names} alone.`,
          meaning: 'The second part shows the mistake only when it is plugged in: one signal drowns the other.',
          workings: wishes.map((wish) => ({ name: label, sum: wish.label })),
        }),
      ];
    }),
};
