import { result, type Check, type CheckMeta } from './result.ts';

const meta: CheckMeta = {
  id: 'level/translated-twice',
  title: 'No two translators in series',
  station: 'levels',
  rule: 'A port whose breakout carries a translator of its own does not stand behind another one.',
  source: 'common practice: each translator adds its capacitance, its pull-ups and a low level of its own',
  breaks: 'fault',
};

export const levelTranslatedTwice: Check = {
  meta,
  run: (circuit) =>
    circuit.plan.helpers.flatMap((helper) => {
      if (helper.kind !== 'translator') return [];
      return helper.ports.flatMap(({ part, port }) => {
        const node = circuit.parts.get(part);
        const own = node?.card.ports.find(({ id }) => id === port)?.ownTranslator;
        if (!node || !own) return [];
        const label = circuit.parts.get(helper.id)?.label ?? helper.id;
        return [
          result(circuit, meta, {
            subjects: [`${part}.${port}`, helper.id],
            severity: 'fault',
            measured: 2,
            limit: 1,
            unit: 'translators',
            margin: -1,
            message: `${node.label} carries a translator of its own and stands behind the ${label}. Two in series are one too many.`,
            meaning:
              'A low comes out of the first translator a little too high for the second, and the edges are rounded twice: the bus hangs now and then.',
            workings: [
              { name: 'on the breakout', sum: 'its own translator', value: 1, unit: '' },
              { name: 'before it', sum: label, value: 1, unit: '' },
            ],
            rests: [[node.card.id, own.source]],
          }),
        ];
      });
    }),
};
