import { helpersOf } from '../plan/helpers.ts';
import { result, type Check, type CheckMeta } from './result.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface LevelTranslatedTwiceSays {
  readonly carriesTranslatorOwnStands: { node: Text; label: Text };
  readonly meaning: null;
  readonly breakout: null;
  readonly ownTranslator: null;
  readonly before: null;
}

const tell = tells<LevelTranslatedTwiceSays>('level/translated-twice');

const meta = {
  id: 'level/translated-twice',
  station: 'levels',
  breaks: 'fault',
  scope: 'part',
  reads: [],
} as const satisfies CheckMeta;

export const levelTranslatedTwice = {
  meta,
  run: (circuit) =>
    helpersOf(circuit.plan, 'translator').flatMap((helper) => {
      return helper.ports.flatMap(({ part, port }) => {
        const node = circuit.parts.get(part);
        const own = node?.card.ports.find(({ id }) => id === port)?.ownTranslator;
        if (!node || !own) return [];
        const label = circuit.parts.get(helper.id)?.label ?? helper.id;
        return [
          result(circuit, meta, {
            subjects: [keyOf(part, port), helper.id],
            severity: 'fault',
            measured: 2,
            limit: 1,
            unit: 'translators',
            margin: -1,
            message: tell('carriesTranslatorOwnStands', { node: node.label, label }),
            meaning: tell('meaning'),
            workings: [
              { name: tell('breakout'), sum: tell('ownTranslator'), value: 1, unit: '' },
              { name: tell('before'), sum: label, value: 1, unit: '' },
            ],
            rests: [[node.card.id, own.source]],
          }),
        ];
      });
    }),
} satisfies Check;
