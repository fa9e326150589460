/** The settings of a build as a Python 3 module. */
import type { Correction } from '../../deliver/settings/parts.ts';
import { settingsOf } from '../../deliver/settings/settings-of.ts';
import type { Circuit } from '../../circuit/model.ts';
import { type Constant, besides, headline, namedSettings, pinNumber, safe, workedIn, type Worked } from './names.ts';
import { real, type Tongue } from './formula-text.ts';

const PYTHON: Tongue = {
  let: (name, value) => `    ${name} = ${value}`,
  begin: (name, value) => `    ${name} = ${value}`,
  log: (value) => `math.log(${value})`,
  power: (value, by) => `(${value}) ** ${by}`,
  repeat: (times, name, value) => `    for _ in range(${times}):\n        ${name} = ${value}`,
  choose: (condition, then, otherwise) => `(${then} if ${condition} else ${otherwise})`,
};

function value({ kind, setting }: Constant): string {
  const { value: is } = setting;
  if (kind === 'pin') return String(pinNumber(String(is)) ?? JSON.stringify(is));
  if (kind === 'text') return JSON.stringify(is);
  if (kind === 'flag') return is === true ? 'True' : 'False';
  if (kind === 'hex') return `0x${Number(is).toString(16).toUpperCase().padStart(2, '0')}`;
  return kind === 'real' ? real(Number(is)) : String(is);
}

const line = (constant: Constant): string => {
  const beside = besides(constant);
  return `${constant.name} = ${value(constant)}${beside === '' ? '' : `  # ${beside}`}`;
};

const written = ({ name, says, lines, value: reading }: Worked): string =>
  ['', '', `def ${name}(count):`, `    # ${says}`, ...lines, `    return ${reading}`].join('\n');

/** A Python 3 module. Pins without a number are strings. */
export function settingsPython(circuit: Circuit, fingerprint: string, corrections: readonly Correction[] = []): string {
  const all = namedSettings(settingsOf(circuit, corrections));
  const worked = all.flatMap((one) => workedIn(one, PYTHON).map(written));
  return [
    `# ${headline(circuit, fingerprint)}`,
    ...(worked.length > 0 ? ['', 'import math'] : []),
    '',
    ...all.flatMap((one) => [
      ...(one.group.kind === 'pin' ? [] : ['', `# ${safe(one.says)}`]),
      ...one.constants.map(line),
    ]),
    ...worked,
    '',
  ].join('\n');
}
