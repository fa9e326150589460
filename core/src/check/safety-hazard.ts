import { cautionsOf } from '../circuit/cautions.ts';
import { result, type Check, type CheckMeta } from './result.ts';

const meta: CheckMeta = {
  id: 'safety/hazard',
  title: 'What can hurt someone is said and read',
  station: 'wiring',
  rule: 'Every hazard on a card is carried onto plan, wiring and bring-up. The sentence of what can kill or burn - mains, lithium, gas, heat - is ticked off as read before the plan is called verified.',
  source: 'the cards; common practice',
  breaks: 'note',
};

export const safetyHazard: Check = {
  meta,
  run: (circuit) =>
    cautionsOf(circuit).map(({ part, parts, hazard, says, source, asks, read }) =>
      result(circuit, meta, {
        subjects: [...parts, hazard],
        // What is still to be read the verdict itself says, with its ticks.
        severity: null,
        message: `${part}: ${says}`,
        meaning:
          'The planner covers the low-voltage side only and is no substitute for local codes and licensed practice.',
        workings: [
          { name: 'read', sum: asks ? (read ? 'ticked off in the plan' : 'not yet') : 'said; no tick is asked for it' },
        ],
        rests: [[source.card, source.key]],
      }),
    ),
};
