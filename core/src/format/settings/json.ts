/** The settings of a build as JSON, for programs in any other language. */
import type { Correction } from '../../deliver/settings/parts.ts';
import { settingsOf } from '../../deliver/settings/settings-of.ts';
import type { Circuit } from '../../circuit/model.ts';
import { say } from '../../say/say.ts';
import { namedSettings } from './names.ts';

const SETTINGS_FORMAT = 'idle-breadboard/settings';
const SETTINGS_VERSION = 1;

/** The same list, as data. */
export function settingsData(circuit: Circuit, fingerprint: string, corrections: readonly Correction[] = []) {
  return {
    format: SETTINGS_FORMAT,
    version: SETTINGS_VERSION,
    plan: circuit.plan.name,
    controller: circuit.controller?.card.name ?? null,
    fingerprint,
    groups: namedSettings(settingsOf(circuit, corrections)).map(({ group, constants, functions }) => ({
      kind: group.kind,
      id: group.id,
      name: say(group.label),
      ...(group.is === null ? {} : { is: say(group.is) }),
      settings: constants.map(({ name, setting: { id, of, value, unit } }) => ({
        id,
        name,
        ...(of === undefined ? {} : { of }),
        value,
        ...(unit === undefined ? {} : { unit }),
      })),
      conversions: group.conversions.map(({ quantity, unit, formula }, i) => ({
        name: functions[i] ?? '',
        quantity,
        unit,
        formula,
      })),
    })),
  };
}

export const settingsJson = (circuit: Circuit, fingerprint: string, corrections: readonly Correction[] = []): string =>
  `${JSON.stringify(settingsData(circuit, fingerprint, corrections), null, 2)}\n`;
