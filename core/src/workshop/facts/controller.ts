/** What the pins of a controller can do, what they share, and what a carrier leads where. */
import { PROTOCOLS } from '../../card/protocol.ts';
import { type FactTable, FLAG, ID, LEVEL, LIST, MARK, REMOVABLE, choice, figure, whole, words } from './kind.ts';

export const CONTROLLER = {
  'controller/pins': {
    rows: {
      terminal: ID,
      functions: LIST,
      'strap/level': LEVEL,
      'strap/meaning': words(160),
      'reserved/by': choice(['flash', 'usb', 'console']),
      'reserved/meaning': words(160),
      'boot/drives': choice(['nothing', 'low', 'high', 'pulses']),
      'boot/pull': choice(['up', 'down']),
      noPull: MARK,
      'fittedPullUp/value': figure('Ω'),
      'fittedPullUp/to': ID,
      'fittedPullUp/removable': REMOVABLE,
    },
    blank: { functions: [] },
  },
  'controller/matrix': { form: LIST },
  'controller/io/reference': { form: ID },
  'controller/adc/bits': { form: whole(6, 24) },
  'controller/adc/follows': { form: ID },
  'controller/wake/pins': { form: LIST },
  'controller/serial/samples': { form: whole(1, 64) },
  'controller/waitsForStretching/waits': { form: FLAG },
  'controller/features': { rows: { id: ID, name: words(40), takes: LIST, meaning: words(160) } },
  'controller/pwmGroups': {
    rows: { id: ID, name: words(40), channels: LIST, fixed: figure('Hz') },
  },
  'controller/usb/supply': { form: ID },
  'controller/usb/by': { form: choice(['straight', 'diode', 'switch']) },
  'controller/usb/makes': { form: ID },
  'controller/usb/plug': { form: choice(['B', 'C', 'micro-B', 'mini-B']) },
  'controller/currentGroups': { rows: { id: ID, name: words(40), pins: LIST, limit: figure('A') } },
  'controller/overlays': { rows: { protocol: choice(PROTOCOLS), pin: ID, parameter: words(40) } },
  'converter/bits': { form: whole(6, 24) },
  'converter/supply': { form: ID },
  'converter/inputs': { form: LIST },
  'carrier/fits': { rows: { controller: ID, name: words(24), pin: ID }, named: true },
  'carrier/fitted': { rows: { id: ID, card: ID, label: words(60), lines: { is: 'nested' } }, blank: { lines: {} } },
  'carrier/pullUps': { rows: { name: words(24), value: figure('Ω'), to: ID, removable: REMOVABLE } },
  'carrier/free': { form: LIST },
} as const satisfies FactTable;
