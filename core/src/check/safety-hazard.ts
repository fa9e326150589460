import { result, type Check, type CheckMeta } from './result.ts';

const meta: CheckMeta = {
  id: 'safety/hazard',
  title: 'What can hurt someone is said',
  station: 'wiring',
  rule: 'Every hazard on a card is carried onto plan, wiring and bring-up.',
  source: 'the cards; common practice',
  breaks: 'note',
};

export const safetyHazard: Check = {
  meta,
  run: (circuit) =>
    [...circuit.parts.values()].flatMap((part) =>
      (part.card.cautions ?? []).map((caution, i) =>
        result(circuit, meta, {
          subjects: [part.id, `${caution.hazard}-${i}`],
          severity: 'note',
          message: `${part.label}: ${caution.says}`,
          meaning:
            'The planner covers the low-voltage side only and is no substitute for local codes and licensed practice.',
          rests: [[part.card.id, caution.source]],
        }),
      ),
    ),
};
