import { servants } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { measureFor } from './sense-error.ts';

const meta: CheckMeta = {
  id: 'need/selectivity',
  title: 'What else moves the reading is told',
  station: 'need',
  rule: 'A sensor that also answers to something else is told with what; where that is read by another need, it is a caution.',
  source: 'the cards',
  breaks: 'note',
};

export const needSelectivity: Check = {
  meta,
  run: (circuit) =>
    circuit.plan.needs.flatMap((need): Result[] => {
      if (need.kind !== 'sense') return [];
      return servants(circuit, need.id).flatMap((part) => {
        const others = measureFor(part.card, need)?.sensitiveTo ?? [];
        if (others.length === 0) return [];
        const present = others.filter(({ to }) =>
          circuit.plan.needs.some((n) => n.kind === 'sense' && n.id !== need.id && n.quantity === to),
        );
        const names = (list: typeof others) => list.map(({ to }) => to).join(', ');
        return [
          result(circuit, meta, {
            subjects: [need.id, part.id],
            severity: present.length > 0 ? 'caution' : 'note',
            message:
              present.length > 0
                ? `${part.label} reads ${need.quantity} and also answers to ${names(present)}, which this build expects.`
                : `${part.label} reads ${need.quantity} and also answers to ${names(others)}.`,
            meaning: 'It cannot tell them apart: a high reading may be either.',
            rests: others.map(({ source }) => [part.card.id, source] as const),
          }),
        ];
      });
    }),
};
