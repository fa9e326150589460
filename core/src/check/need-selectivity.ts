import { quantityName } from '../card/quantities.ts';
import { servants } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { measureFor } from './sense-error.ts';
import { tells, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface NeedSelectivitySays {
  readonly readsAlsoAnswersWhich: { part: Text; quantity: Text; names: readonly Text[] };
  readonly readsAlsoAnswers: { part: Text; quantity: Text; names: readonly Text[] };
  readonly meaning: null;
}

const tell = tells<NeedSelectivitySays>('need/selectivity');

const meta = {
  id: 'need/selectivity',
  station: 'need',
  breaks: 'note',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

export const needSelectivity = {
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
        const names = (list: typeof others) => list.map(({ to }) => quantityName(to));
        return [
          result(circuit, meta, {
            subjects: [need.id, part.id],
            severity: present.length > 0 ? 'caution' : 'note',
            message:
              present.length > 0
                ? tell('readsAlsoAnswersWhich', {
                    part: part.label,
                    quantity: quantityName(need.quantity),
                    names: names(present),
                  })
                : tell('readsAlsoAnswers', {
                    part: part.label,
                    quantity: quantityName(need.quantity),
                    names: names(others),
                  }),
            meaning: tell('meaning'),
            rests: others.map(({ source }) => [part.card.id, source] as const),
          }),
        ];
      });
    }),
} satisfies Check;
