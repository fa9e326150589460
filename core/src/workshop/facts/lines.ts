/** What the part's lines are and what is spoken on them. */
import { SIGNAL_KINDS } from '../../card/kinds.ts';
import { PROTOCOLS } from '../../card/protocol.ts';
import {
  ADDRESS,
  FLAG,
  type FactTable,
  ID,
  LEVEL,
  LIST,
  MANY,
  MARK,
  PAIRS,
  REMOVABLE,
  WORD,
  choice,
  count,
  figure,
  number,
  whole,
  words,
} from './kind.ts';

const BITS = count(8, 16, 32);

export const LINES = {
  signals: { rows: { id: ID, terminal: ID, kind: choice(SIGNAL_KINDS), reference: ID } },
  'signals/*/fittedPullUp/to': { form: ID },
  'signals/*/fittedPullUp/removable': { form: REMOVABLE },
  // A coil is switched by a part and has no line to a pin.
  ports: { rows: { id: ID, protocol: choice(PROTOCOLS), lines: PAIRS }, blank: { lines: {} } },
  modes: { form: { is: 'groups' } },
  'ports/*/addresses': { rows: { value: ADDRESS, setting: words(60) } },
  'ports/*/stretches/noHold': { form: FLAG },
  'ports/*/reading/bytes': { form: whole(1, 4096) },
  'ports/*/ownTranslator': { form: MARK },
  'ports/*/words': {
    rows: { id: ID, name: words(60), register: WORD, bits: BITS, fields: { is: 'fields' } },
    blank: { fields: [] },
  },
  'ports/*/active/level': { form: LEVEL },
  'ports/*/interrupts/lines': { form: LIST },
  'ports/*/rates': { form: { is: 'numbers', unit: 'Hz' } },
  'ports/*/spiMode': { form: whole(0, 3) },
  'ports/*/keepsDriving': { form: MARK },
  'ports/*/chain/lights': { form: MANY },
  'ports/*/identity': { rows: { register: WORD, bits: BITS, value: WORD, says: words(160) } },
  'translator/style': { form: choice(['open-drain', 'push-pull']) },
  'translator/lowSupply': { form: ID },
  'translator/highSupply': { form: ID },
  'translator/channels': { rows: { low: ID, high: ID } },
  'translator/direction/terminal': { form: ID },
  'translator/direction/toHigh': { form: choice(['ground', 'supply']) },
  'translator/enable': { form: ID },
  'busSwitch/port': { form: ID },
  'busSwitch/channels': { rows: { sda: ID, scl: ID } },
  programs: { form: MARK },
  measures: { rows: { quantity: words(40), unit: words(12) } },
  'measures/*/accuracy': {
    rows: { from: number('1'), to: number('1'), error: number('1'), conditions: words(160) },
  },
  'measures/*/coarser': { rows: { bits: whole(1, 32), resolution: number('1'), conversion: figure('s') } },
  'measures/*/selfCalibrates/to': { form: number('1') },
  'measures/*/sensitiveTo': { rows: { to: words(40), says: words(160) } },
  'measures/*/analog/kind': { form: choice(['linear', 'beta', 'light', 'platinum']) },
  'measures/*/analog/signal': { form: ID },
  'measures/*/analog/between/from': { form: number('°C') },
  'measures/*/analog/between/to': { form: number('°C') },
} as const satisfies FactTable;
