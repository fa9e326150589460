/** What names along a header mean on parts of one class, before what they mean on any. Common practice, without a source. */
import type { Protocol } from '../card/protocol.ts';
import type { SignalKind } from './classes.ts';
import type { ClassId } from '../card/part-class.ts';

export interface Meaning {
  readonly role: 'supply' | 'ground' | 'signal' | 'contact' | 'unused';
  readonly line?: { readonly protocol: Protocol; readonly line: string };
  /** Set where the kind of the line does not follow from what is spoken on it. */
  readonly kind?: SignalKind;
  /** What a wire takes in, or gives on: a supply, or a rail. */
  readonly gives?: true;
}

type Rule = readonly [name: RegExp, meaning: Meaning];

const line = (protocol: Protocol, of: string): Meaning => ({ role: 'signal', line: { protocol, line: of } });
const SUPPLY: Meaning = { role: 'supply' };
const GROUND: Meaning = { role: 'ground' };
const UNUSED: Meaning = { role: 'unused' };
const CONTACT: Meaning = { role: 'contact' };
const GIVES: Meaning = { role: 'supply', gives: true };
const LINE: Meaning = { role: 'signal' };
const OPEN_DRAIN: Meaning = { role: 'signal', kind: 'open-drain' };

/** Wires have no names: their colours are read. */
const WIRES: readonly Rule[] = [
  [/^red$/i, SUPPLY],
  [/^(?:black|brown|blue)$/i, GROUND],
];
const GIVEN: readonly Rule[] = [
  [/^(?:\+|red|V?OUT\+?|VO|\+?\d{1,2}(?:\.\d)?V\d?|3V3|BAT\+?|VBAT|P\+)$/i, GIVES],
  [/^(?:-|−|black|OUT[-−]|P-)$/i, GROUND],
];
const RESTS = (pattern: RegExp): Rule => [pattern, UNUSED];
const SERIAL: readonly Rule[] = [RESTS(/^(?:SET|AUX|CONFIG|M0|M1|STATE|KEY|BOOT)$/i)];

const RULES: Partial<Record<ClassId, readonly Rule[]>> = {
  'one-wire-probe': [...WIRES, [/^(?:yellow|white|green)$/i, line('onewire', 'data')]],
  'analog-sensor': [
    ...WIRES,
    RESTS(/^(?:DO|D0|DOUT)$/i),
    [/^(?:A0|AO|AOUT|OUT|SIG|S|SIGNAL|AN)$/i, line('analog', 'out')],
    [/^(?:yellow|white|green|blue)$/i, line('analog', 'out')],
  ],
  'pulse-sensor': [
    ...WIRES,
    ...SERIAL,
    [/^(?:DT|DOUT)$/i, line('clocked', 'data')],
    [/^(?:SCK|CLK)$/i, line('clocked', 'clock')],
    [/^(?:TRIG|TRIGGER)$/i, line('digital-in', 'in')],
    [/^(?:DAT|DATA)$/i, line('pulse', 'data')],
    [/^(?:ECHO|OUT|O|PULSE|PUL|yellow)$/i, line('digital-out', 'out')],
    [/^(?:S|SIG)$/i, line('pulse', 'data')],
  ],
  contact: [...WIRES, [/^(?:S|SIG|SW|OUT|CLK|DT|A|B|C)$/i, line('switch', 'contact')]],
  light: [
    ...WIRES,
    [/^(?:DI|DIN|IN|L|green|SIG|S)$/i, line('digital-in', 'in')],
    [/^(?:white|K|C|CATHODE|short leg)$/i, GROUND],
    RESTS(/^(?:DO|DOUT)$/i),
    [/^(?:A|ANODE|long leg)$/i, { ...line('led', 'anode'), kind: 'led' }],
  ],
  sounder: [[/^(?:I\/O|IO|IN|SIG|S)$/i, line('digital-in', 'in')]],
  load: WIRES,
  relay: [
    [/^(?:NO|COM|C|NC)\d?$/i, CONTACT],
    [/^(?:IN|IN1|SIG|S)$/i, line('digital-in', 'in')],
  ],
  driver: [
    [/^(?:SIG|IN|PWM|GATE|G|B|BASE)$/i, line('digital-in', 'in')],
    [/^(?:LOAD\s?[-−]|OUT[-−]?|D|DRAIN|C|COLLECTOR)$/i, LINE],
    [/^(?:E|S|SOURCE|EMITTER)$/i, GROUND],
    [/leg/i, UNUSED],
    [/end$/i, LINE],
  ],
  // Analog inputs look like straps of an address.
  controller: [[/^A\d+$/i, LINE]],
  translator: [
    [/^(?:LV|HV|VL|VH|VA|VB|VCCA|VCCB|VREF\d)$/i, SUPPLY],
    [/^(?:L|H|A|B|LV|HV)\d$/i, OPEN_DRAIN],
    [/^(?:EN|OE)$/i, line('digital-in', 'in')],
    RESTS(/^(?:DIR|DIR\d)$/i),
  ],
  'bus-switch': [[/^S[DC]\d$/i, OPEN_DRAIN]],
  regulator: [
    [/^(?:IN\+?|VIN\+?)$/i, SUPPLY],
    [/^(?:IN|OUT|VIN|VOUT)[-−]$/i, GROUND],
    [/^BAT\+?$/i, SUPPLY],
    RESTS(/^(?:EN|SHDN|ADJ|PG|FB)$/i),
    [/^ON$/i, line('digital-in', 'in')],
    ...GIVEN,
  ],
  cells: GIVEN,
  adapter: GIVEN,
  radio: SERIAL,
};

/** @param names of one pin, of which the one that tells most counts */
export const meaningOf = (cls: ClassId, names: readonly string[]): Meaning | undefined =>
  RULES[cls]?.find(([rule]) => names.some((name) => rule.test(name.trim())))?.[1];

/** Parts with two legs, of which the one is read or driven and the other goes to ground; neither is marked so. */
const TWO_LEGS: ReadonlySet<ClassId> = new Set(['resistive-element', 'contact', 'light', 'sounder', 'pulse-sensor']);
const LEG: Partial<Record<ClassId, Meaning>> = {
  'resistive-element': { ...line('analog', 'out'), kind: 'passive' },
  contact: line('switch', 'contact'),
  'pulse-sensor': line('switch', 'contact'),
  light: { ...line('led', 'anode'), kind: 'led' },
  sounder: { ...line('pwm', 'in'), kind: 'input' },
};

/** @returns what the two legs of such a part are; null of every other */
export function legsOf(cls: ClassId, roles: readonly string[]): readonly [Meaning, Meaning] | null {
  const leg = LEG[cls];
  if (!TWO_LEGS.has(cls) || roles.length !== 2 || leg === undefined) return null;
  return roles.includes('ground') && roles.includes('signal') ? null : [leg, GROUND];
}
