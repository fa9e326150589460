/**
 * The classes of parts that can be entered: what is asked of each, in the order in which one looks at a part, and what is taken for granted
 * where nobody knows it. The figures are class-typical: common practice without a source, and marked as assumed on the card.
 */
import type { Card } from '../card/card.ts';
import type { SIGNAL_KINDS } from '../card/kinds.ts';
import type { Protocol } from '../card/protocol.ts';

export type SignalKind = (typeof SIGNAL_KINDS)[number];

export interface PartClass {
  readonly kind: Card['kind'];
  readonly mount: Card['mount'];
  /** What a line is of which the print leaves that open. */
  readonly port?: Protocol;
  /** Patterns of places, beside those that every part is asked. */
  readonly asks: readonly string[];
  /** By pattern, as it would be typed. */
  readonly assumes?: Readonly<Record<string, string>>;
}

/** Of an input or output whose sheet says nothing: what nearly all logic at this supply keeps. */
const LOGIC: Readonly<Record<string, string>> = {
  'signals/*/outputHigh': '≥ supply − 0.5 V',
  'signals/*/outputLow': '≤ 0.4 V',
  'signals/*/sinkCurrent': '≥ 3 mA',
  'signals/*/inputHigh': '≥ 0.7 × supply',
  'signals/*/inputLow': '≤ 0.3 × supply',
  'signals/*/absoluteMax': '≤ supply + 0.3 V',
  'signals/*/leakage': '≤ 1 µA',
  'signals/*/capacitance': '≤ 10 pF',
};

const LINES = [
  'signals',
  'ports',
  'signals/*/outputHigh',
  'signals/*/outputLow',
  'signals/*/sinkCurrent',
  'signals/*/inputHigh',
  'signals/*/inputLow',
  'signals/*/absoluteMax',
  'signals/*/leakage',
  'signals/*/capacitance',
];
const SUPPLY = [
  'supplies',
  'supplies/*/range',
  'supplies/*/absoluteMax',
  'supplies/*/current/sleep',
  'supplies/*/current/idle',
  'supplies/*/current/active',
  'supplies/*/current/peak',
];
const MEASURES = [
  'measures',
  'measures/*/range',
  'measures/*/accuracy',
  'measures/*/resolution/value',
  'measures/*/driftPerYear/value',
  'measures/*/interval',
  'measures/*/conversion',
  'measures/*/warmUp',
];
const BUS = ['ports/*/addresses', 'ports/*/clock', 'ports/*/reading/bytes', 'signals/*/fittedPullUp/value'];
const PULL_UPS = ['signals/*/fittedPullUp/to', 'signals/*/fittedPullUp/removable'];
const RAILS = [
  'rails',
  'rails/*/voltage',
  'rails/*/limit',
  'rails/*/from/supply',
  'rails/*/from/by',
  'rails/*/from/dropout',
];
const THERMAL = ['rails/*/from/thermal/toAir', 'rails/*/from/thermal/limit'];
const CELLS = [
  'rails/*/cells/chemistry',
  'rails/*/cells/count',
  'rails/*/cells/capacity',
  'rails/*/cells/curve',
  'rails/*/cells/resistance',
  'rails/*/cells/cutOff',
  'rails/*/cells/selfDischarge',
  'rails/*/cells/fuse',
];
const ANALOG = ['measures/*/analog/kind', 'measures/*/analog/signal', 'signals/*/outputResistance'];
const SERVES = ['serves'];
const ACTIVE = ['ports/*/active/level'];

const sensor = (port: Protocol, ...more: readonly string[]): PartClass => ({
  kind: 'module',
  mount: 'breadboard',
  port,
  asks: [...SUPPLY, ...LINES, ...more, ...MEASURES],
  assumes: LOGIC,
});

const CLASSES = {
  'bus-sensor': sensor('i2c', ...BUS, ...PULL_UPS),
  'one-wire-probe': { ...sensor('onewire', 'ports/*/parasite/current', 'ports/*/parasite/least'), mount: 'leads' },
  'analog-sensor': sensor('analog', ...ANALOG, 'measures/*/analog/low', 'measures/*/analog/high'),
  'resistive-element': {
    kind: 'module',
    mount: 'leads',
    port: 'analog',
    asks: [
      'signals',
      'ports',
      ...MEASURES,
      ...ANALOG.slice(0, 2),
      'measures/*/analog/r25',
      'measures/*/analog/beta',
      'measures/*/analog/r10',
      'measures/*/analog/gamma',
      'measures/*/analog/r0',
      'measures/*/analog/dissipation',
    ],
  },
  'pulse-sensor': sensor('digital-out', 'ports/*/interrupts/lines', 'ports/*/rate'),
  contact: { kind: 'switch', mount: 'breadboard', port: 'switch', asks: ['signals', 'ports', ...SERVES] },
  light: {
    kind: 'module',
    mount: 'breadboard',
    port: 'led',
    asks: ['signals', 'ports', 'ports/*/forward/voltage', 'ports/*/forward/current', ...SERVES],
  },
  sounder: {
    kind: 'module',
    mount: 'breadboard',
    port: 'pwm',
    asks: [...SUPPLY, ...LINES, 'ports/*/frequency', ...SERVES],
    assumes: LOGIC,
  },
  load: {
    kind: 'module',
    mount: 'leads',
    port: 'coil',
    asks: [...SUPPLY, 'signals', 'ports', 'ports/*/inductance', ...SERVES],
  },
  relay: {
    kind: 'module',
    mount: 'loose',
    port: 'digital-in',
    asks: [
      ...SUPPLY,
      ...LINES,
      ...ACTIVE,
      'contact/common',
      'contact/open',
      'contact/closed',
      'contact/direct/voltage',
      'contact/direct/current',
      'contact/alternating/voltage',
      'contact/alternating/current',
      ...SERVES,
    ],
    assumes: LOGIC,
  },
  driver: {
    kind: 'driver',
    mount: 'breadboard',
    port: 'digital-in',
    asks: [
      ...SUPPLY,
      ...LINES,
      ...ACTIVE,
      'driver/terminal',
      'driver/voltage',
      'driver/current',
      'driver/diodeFitted',
      'driver/switchOff',
      'driver/onResistance',
      'driver/gate',
    ],
    assumes: { ...LOGIC, 'driver/switchOff': '≤ 2 µs' },
  },
  display: {
    kind: 'module',
    mount: 'breadboard',
    port: 'i2c',
    asks: [...SUPPLY, ...LINES, ...BUS, ...PULL_UPS, ...SERVES],
    assumes: LOGIC,
  },
  controller: {
    kind: 'controller',
    mount: 'breadboard',
    asks: [
      'controller/pins',
      'controller/matrix',
      'supplies',
      'supplies/*/range',
      'supplies/*/absoluteMax',
      'supplies/*/current/active',
      ...RAILS,
      'rails/*/ownLoad/sleep',
      'rails/*/ownLoad/idle',
      'rails/*/ownLoad/active',
      'rails/*/ownLoad/peak',
      'controller/io/reference',
      'controller/io/outputHigh',
      'controller/io/outputLow',
      'controller/io/outputLoad',
      'controller/io/sinkCurrent',
      'controller/io/inputHigh',
      'controller/io/inputLow',
      'controller/io/absoluteMax',
      'controller/io/leakage',
      'controller/io/capacitance',
      'controller/io/weakPull',
      'controller/pinCurrent/recommended',
      'controller/pinCurrent/absolute',
      'controller/currentGroups',
      'controller/adc/bits',
      'controller/adc/reference',
      'controller/adc/error',
      'controller/adc/sourceResistance',
      'controller/brownOut',
      'controller/usb/supply',
      'controller/usb/by',
      'controller/usb/plug',
      'controller/usb/voltage',
      'controller/usb/drop',
      'controller/usb/limit',
      'controller/features',
      'controller/pwmGroups',
      'controller/wake/pins',
      'controller/waitsForStretching/waits',
    ],
    assumes: {
      'controller/io/outputHigh': '≥ supply − 0.5 V',
      'controller/io/outputLow': '≤ 0.5 V',
      'controller/io/outputLoad': '4 mA',
      'controller/io/sinkCurrent': '≥ 4 mA',
      'controller/io/inputHigh': '≥ 0.75 × supply',
      'controller/io/inputLow': '≤ 0.25 × supply',
      'controller/io/absoluteMax': '≤ supply + 0.3 V',
      'controller/io/leakage': '≤ 1 µA',
      'controller/io/capacitance': '≤ 10 pF',
      'controller/io/weakPull': '30 to 80 kΩ',
      'controller/pinCurrent/recommended': '≤ 8 mA',
      'controller/pinCurrent/absolute': '≤ 12 mA',
    },
  },
  carrier: {
    kind: 'carrier',
    mount: 'loose',
    asks: ['carrier/fits', 'carrier/fitted', 'carrier/pullUps', 'carrier/free'],
  },
  'terminal-adapter': {
    kind: 'module',
    mount: 'breadboard',
    asks: [...LINES, 'signals/*/fittedPullUp/value', ...PULL_UPS],
    assumes: LOGIC,
  },
  translator: {
    kind: 'translator',
    mount: 'breadboard',
    asks: [
      'supplies',
      'supplies/*/range',
      'supplies/*/absoluteMax',
      'supplies/*/current/active',
      ...LINES,
      'translator/style',
      'translator/lowSupply',
      'translator/highSupply',
      'translator/channels',
      'translator/clock',
      'signals/*/fittedPullUp/value',
      ...PULL_UPS,
    ],
    assumes: LOGIC,
  },
  'bus-switch': {
    kind: 'module',
    mount: 'breadboard',
    port: 'i2c',
    asks: [...SUPPLY, ...LINES, ...BUS, ...PULL_UPS, 'busSwitch/port', 'busSwitch/channels'],
    assumes: LOGIC,
  },
  regulator: {
    kind: 'regulator',
    mount: 'breadboard',
    asks: [
      'supplies',
      'supplies/*/range',
      'supplies/*/absoluteMax',
      'supplies/*/current/active',
      ...RAILS,
      'rails/*/from/efficiency',
      'rails/*/from/quiescent',
      ...THERMAL,
    ],
  },
  cells: { kind: 'source', mount: 'loose', asks: ['rails', 'rails/*/voltage', 'rails/*/limit', ...CELLS] },
  adapter: {
    kind: 'source',
    mount: 'loose',
    asks: ['rails', 'rails/*/voltage', 'rails/*/limit', 'outlet', 'outlet/plug', 'rails/*/staysOn'],
  },
  cable: {
    kind: 'cable',
    mount: 'loose',
    asks: ['cable/plug', 'cable/length', 'cable/gauge', 'cable/contacts'],
    assumes: { 'cable/gauge': '28', 'cable/contacts': '60 to 120 mΩ' },
  },
  radio: {
    kind: 'module',
    mount: 'breadboard',
    port: 'spi',
    asks: [...SUPPLY, ...LINES, 'ports/*/clock', 'ports/*/spiMode', 'ports/*/rate', ...SERVES],
    assumes: LOGIC,
  },
  clock: {
    kind: 'module',
    mount: 'breadboard',
    port: 'i2c',
    asks: [...SUPPLY, ...LINES, ...BUS, ...PULL_UPS, 'backup/cell', 'backup/charges', ...SERVES],
    assumes: LOGIC,
  },
  board: { kind: 'board', mount: 'loose', asks: ['board/rows', 'board/pairs', 'board/split'] },
  leads: { kind: 'leads', mount: 'loose', asks: ['lead/ends', 'lead/length', 'lead/colours'] },
  assortment: {
    kind: 'resistor',
    mount: 'breadboard',
    asks: ['assortment/series', 'assortment/each', 'assortment/from', 'assortment/to', 'assortment/tolerance'],
  },
} as const satisfies Readonly<Record<string, PartClass>>;

export type ClassId = keyof typeof CLASSES;
export const CLASS_IDS = Object.keys(CLASSES) as readonly ClassId[];
export const classOf = (id: ClassId): PartClass => CLASSES[id];

/** Asked of every part, before what its class asks and after it. */
export const FIRST = ['name', 'class', 'headers', 'terminals'] as const;
export const LAST = [
  'body/size/length',
  'body/size/width',
  'body/size/height',
  'body/ambient',
  'body/water/rating',
  'body/free/needs',
  'cautions',
  'offers',
] as const;
