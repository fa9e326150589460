/** Everything that the software of a build must be told, out of its plan. */
import type { Circuit } from '../../circuit/model.ts';
import { needName, watched } from '../../plan/need-name.ts';
import type { TriggerNeed } from '../../plan/plan.ts';
import { toldBuses, toldLines } from './lines.ts';
import { type Correction, toldParts } from './parts.ts';
import type { Told } from './setting.ts';

function toldTrigger(circuit: Circuit, need: TriggerNeed): Told[] {
  const of = watched(circuit.plan, need.of);
  if (!of) return [];
  const above = need.when === 'above';
  return [
    {
      kind: 'trigger',
      id: need.id,
      label: needName(circuit.plan, need),
      is: needName(circuit.plan, of),
      settings: [
        { id: 'above', value: above },
        { id: 'level', value: need.level, unit: of.unit },
        // A sticky event ends when somebody says so.
        ...(need.release === 'sticky'
          ? []
          : [
              {
                id: 'endsAt' as const,
                value: above ? need.level - need.hysteresis : need.level + need.hysteresis,
                unit: of.unit,
              },
            ]),
        { id: 'sticky', value: need.release === 'sticky' },
      ],
      conversions: [],
    },
  ];
}

/** @param corrections what calibrating came to, from the logbook */
export const settingsOf = (circuit: Circuit, corrections: readonly Correction[] = []): Told[] => [
  ...toldLines(circuit),
  ...toldBuses(circuit),
  ...toldParts(circuit, corrections),
  ...circuit.plan.needs.flatMap((need) => (need.kind === 'trigger' ? toldTrigger(circuit, need) : [])),
];
