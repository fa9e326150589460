/** Names and values of settings, as every language of them has them. */
import { steps, type Tongue } from './formula-text.ts';
import { SETTING_KINDS, type Setting, type SettingId, type SettingGroup } from '../../deliver/settings/setting.ts';
import { say } from '../../say/say.ts';
import { sheet } from '../../say/sheet.ts';
import type { Circuit } from '../../circuit/model.ts';

/** What stands behind the name of the thing. A pin is called as its line is. */
const SUFFIX: Readonly<Record<SettingId, string>> = {
  pin: '',
  rest: 'REST_LEVEL',
  pullUp: 'PULL_UP',
  everyEdge: 'EVERY_EDGE',
  frequency: 'PWM_HZ',
  bus: 'BUS',
  unit: 'UNIT',
  clock: 'CLOCK_HZ',
  ownPulls: 'OWN_PULL_UPS',
  behind: 'SWITCH_ADDRESS',
  channel: 'SWITCH_CHANNEL',
  channelByte: 'SWITCH_BYTE',
  driver: 'DRIVER_PIN',
  type: 'TYPE',
  on: 'BUS',
  address: 'ADDRESS',
  number: 'NUMBER',
  noHold: 'NO_HOLD',
  rate: 'BAUD',
  mode: 'SPI_MODE',
  lights: 'LIGHTS',
  register: 'REGISTER',
  word: 'WORD',
  bits: 'BITS',
  every: 'EVERY_S',
  step: 'STEP',
  conversion: 'CONVERSION_S',
  shortest: 'SHORTEST_S',
  warmUp: 'WARM_UP_S',
  burnIn: 'BURN_IN_S',
  gain: 'GAIN',
  offset: 'OFFSET',
  columns: 'COLUMNS',
  rows: 'ROWS',
  above: 'WHEN_ABOVE',
  level: 'LEVEL',
  endsAt: 'ENDS_AT',
  sticky: 'STICKY',
};

/** Names that C, its library or the supports of boards have already. */
const TAKEN = [
  'NULL',
  'EOF',
  'NAN',
  'INFINITY',
  'HUGE_VAL',
  'TRUE',
  'FALSE',
  'HIGH',
  'LOW',
  'INPUT',
  'OUTPUT',
  'PI',
  'SETTINGS_H',
];

const words = (text: string): string[] =>
  text
    .normalize('NFKD')
    .replace(/[²]/g, '2')
    .replace(/[³]/g, '3')
    .replace(/[^A-Za-z0-9]+/g, ' ')
    .trim()
    .split(' ')
    .filter(Boolean);

/** A name that C and Python take, made of a label. @example constantName('Top shelf, I²C') === 'TOP_SHELF_I2C' */
export function constantName(label: string): string {
  const name = words(label).join('_').toUpperCase();
  return /^[A-Z]/.test(name) ? name : `PIN_${name}`;
}

/** The number in a printed label, which is how software knows most pins. @example 12 of "GPIO12", null of "A3" on a board of other pins */
export function pinNumber(label: string): number | null {
  const found = /^(?:GPIO|IO|GP|G|P|D)?(\d+)$/.exec(label);
  return found ? Number(found[1]) : null;
}

/** Text of a plan that cannot end a comment or begin another line. */
export const safe = (text: string): string => text.replace(/\*(?=\/)|\/(?=\*)/g, '$& ').replace(/[\r\n\\]+/g, ' ');
/** What a file begins with: what it is of, and which plan that was. */
export const headline = (circuit: Circuit, fingerprint: string): string =>
  say(
    sheet('madeOf', {
      plan: safe(circuit.plan.name),
      card: safe(circuit.controller?.card.name ?? ''),
      fingerprint,
    }),
  );

/** Hands out names that differ. */
class Names {
  private readonly taken = new Set(TAKEN);

  take(base: string): string {
    let name = base;
    for (let n = 2; this.taken.has(name); n++) name = `${base}_${n}`;
    this.taken.add(name);
    return name;
  }
}

export interface Constant {
  readonly name: string;
  readonly setting: Setting;
  readonly kind: (typeof SETTING_KINDS)[SettingId];
}
export interface Named {
  readonly group: SettingGroup;
  /** Line, bus, part or trigger with what it is. */
  readonly says: string;
  readonly constants: readonly Constant[];
  /** In the order of its conversions. */
  readonly functions: readonly string[];
}

const joined = (...parts: readonly string[]): string => parts.filter(Boolean).join('_');

/** Everything under names that differ, in the order in which it is told. */
export function namedSettings(all: readonly SettingGroup[]): Named[] {
  const [names, bases] = [new Names(), new Names()];
  return all.map((group) => {
    const own = constantName(say(group.label));
    const base = group.kind === 'pin' ? own : bases.take(own);
    // What a pin needs is called as its constant is.
    let pin = base;
    const constants = group.settings.map((setting): Constant => {
      const of = setting.of === undefined ? '' : words(setting.of).join('_').toUpperCase();
      const name = names.take(joined(pin, of, SUFFIX[setting.id]));
      if (setting.id === 'pin') pin = name;
      return { name, setting, kind: SETTING_KINDS[setting.id] };
    });
    const functions = group.conversions.map(({ quantity }) =>
      names.take(joined(base, ...words(quantity)).toUpperCase()).toLowerCase(),
    );
    const label = say(group.label);
    return { group, says: group.is === null ? label : `${label}: ${say(group.is)}`, constants, functions };
  });
}

/** What stands beside a constant, for who reads the file: the pin as it is printed, the unit that its name does not have, a note. */
export function besides({ name, kind, setting: { value, note, unit } }: Constant): string {
  const pin = kind === 'pin' ? String(value) : '';
  const own = unit === undefined || name.endsWith(`_${unit.toUpperCase()}`) ? '' : unit;
  return safe([pin, own, note === undefined ? '' : say(note)].filter(Boolean).join('; '));
}

/** A function that makes readings of counts, as any language has it. */
export interface Worked {
  readonly name: string;
  /** What it says above itself. */
  readonly says: string;
  readonly lines: readonly string[];
  /** What it gives, set right by what calibrating came to. */
  readonly value: string;
}

/** The functions of one group. */
export const workedIn = ({ group, constants, functions }: Named, tongue: Tongue): Worked[] =>
  group.conversions.map(({ quantity, unit, formula }, i) => {
    const { lines, value } = steps(formula, tongue);
    const of = (id: 'gain' | 'offset') =>
      constants.find(({ setting }) => setting.id === id && (setting.of === undefined || setting.of === quantity))?.name;
    const [gain, offset] = [of('gain'), of('offset')];
    const scaled = gain === undefined ? value : `${gain} * (${value})`;
    return {
      name: functions[i] ?? '',
      says: safe(say(sheet('ofCount', { quantity, unit, most: formula.counts - 1 }))),
      lines,
      value: offset === undefined ? scaled : `${scaled} + ${offset}`,
    };
  });
