/** The settings of a build as a C header: macros for what is fixed, a function for each count that becomes a reading. */
import type { Correction } from '../../deliver/settings/parts.ts';
import { settingsOf } from '../../deliver/settings/settings-of.ts';
import type { Circuit } from '../../circuit/model.ts';
import { formatWord } from '../../quantity/bits.ts';
import { type Constant, besides, headline, namedSettings, pinNumber, safe, workedIn, type Worked } from './names.ts';
import { real, type Tongue } from './formula-text.ts';

const C: Tongue = {
  let: (name, value) => `    const double ${name} = ${value};`,
  begin: (name, value) => `    double ${name} = ${value};`,
  log: (value) => `log(${value})`,
  power: (value, by) => `pow(${value}, ${by})`,
  repeat: (times, name, value) => `    for (int i = 0; i < ${times}; i++)\n        ${name} = ${value};`,
  choose: (condition, then, otherwise) => `(${condition} ? ${then} : ${otherwise})`,
};

/** A pin as C writes it: its number, else the name that the board support gives it. */
export const cValue = (pin: string): string => {
  const number = pinNumber(pin);
  return number === null ? pin.replace(/[^A-Za-z0-9_]/g, '_') : String(number);
};

/** Characters outside a string of C are told by their numbers, so that no mark of it can end it. */
const cText = (text: string): string =>
  `"${text
    .replace(/[\r\n]+/g, ' ')
    .replace(/["\\]/g, '\\$&')
    .replace(/\?/g, '\\?')}"`;

function value({ kind, setting }: Constant): string {
  const { value: is } = setting;
  if (kind === 'pin') return cValue(String(is));
  if (kind === 'text') return cText(String(is));
  if (kind === 'flag') return is === true ? '1' : '0';
  if (kind === 'hex')
    return `${formatWord(Number(is), Number(is) > 0xffff ? 32 : Number(is) > 0xff ? 16 : 8)}${Number(is) > 0x7fff ? 'u' : ''}`;
  return kind === 'real' ? `(${real(Number(is))})` : String(is);
}

const macro = (constant: Constant): string => {
  const beside = besides(constant);
  return `#define ${constant.name} ${value(constant)}${beside === '' ? '' : ` /* ${beside} */`}`;
};

const written = ({ name, says, lines, value: reading }: Worked): string =>
  [
    `/* ${says} */`,
    `static inline double ${name}(double count)`,
    '{',
    ...lines,
    `    return ${reading};`,
    '}',
    '',
  ].join('\n');

/**
 * A C header (ISO C99). Pins with a number are macros; those that the board only names (A0) are given by that name, which its
 * support defines.
 */
export function settingsC(circuit: Circuit, fingerprint: string, corrections: readonly Correction[] = []): string {
  const all = namedSettings(settingsOf(circuit, corrections));
  const macros = all.flatMap((one) => [
    ...(one.group.kind === 'pin' ? [] : ['', `/* ${safe(one.says)} */`]),
    ...one.constants.map(macro),
  ]);
  const worked = all.flatMap((one) => workedIn(one, C).map(written));
  return [
    `/* ${headline(circuit, fingerprint)} */`,
    '#ifndef SETTINGS_H',
    '#define SETTINGS_H',
    ...(worked.length > 0 ? ['', '#include <math.h>'] : []),
    '',
    ...macros,
    '',
    ...worked,
    '#endif',
    '',
  ].join('\n');
}
