/** Everything that the software of a build must be told, out of its plan. */
import type { Circuit } from '../../circuit/model.ts';
import { needName, watched } from '../../plan/need-name.ts';
import type { TriggerNeed } from '../../plan/plan.ts';
import { busSettings, lineSettings } from './lines.ts';
import { type Correction, partSettings } from './parts.ts';
import type { SettingGroup } from './setting.ts';

function triggerSettings(circuit: Circuit, need: TriggerNeed): SettingGroup[] {
  const of = watched(circuit.plan, need.of);
  if (!of) return [];
  const above = need.when === 'above';
  return [
    {
      kind: 'trigger',
      id: need.id,
      // Names of constants stay when a level changes.
      label: needName(circuit.plan, of),
      is: needName(circuit.plan, need),
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
export const settingsOf = (circuit: Circuit, corrections: readonly Correction[] = []): SettingGroup[] => [
  ...lineSettings(circuit),
  ...busSettings(circuit),
  ...partSettings(circuit, corrections),
  ...circuit.plan.needs.flatMap((need) => (need.kind === 'trigger' ? triggerSettings(circuit, need) : [])),
];
