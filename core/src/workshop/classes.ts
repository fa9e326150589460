/**
 * The classes of parts that can be entered: what is asked of each, in the order in which one looks at a part, and what is taken for granted
 * where nobody knows it. The figures are class-typical: common practice without a source, and marked as assumed on the card.
 */
import type { Card } from '../card/card.ts';
import type { SIGNAL_KINDS } from '../card/kinds.ts';
import type { ClassId } from '../card/part-class.ts';
import type { Protocol } from '../card/protocol.ts';
import {
  ACTIVE,
  ANALOG,
  BUS,
  CELLS,
  LINES,
  LOGIC,
  MEASURES,
  PULL_UPS,
  RAILS,
  SERVES,
  SUPPLY,
  THERMAL,
} from './class-asks.ts';

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

const sensor = (port: Protocol, ...more: readonly string[]): PartClass => ({
  kind: 'module',
  mount: 'breadboard',
  port,
  asks: [...SUPPLY, ...RAILS, ...LINES, ...more, ...MEASURES],
  assumes: LOGIC,
});

const CLASSES: Readonly<Record<ClassId, PartClass>> = {
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
    asks: [
      ...SUPPLY,
      ...RAILS,
      ...LINES,
      ...BUS,
      ...PULL_UPS,
      ...SERVES,
      'display/columns',
      'display/rows',
      'display/of',
    ],
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
    asks: [
      'supplies',
      'supplies/*/range',
      'supplies/*/current/active',
      ...LINES,
      'signals/*/fittedPullUp/value',
      ...PULL_UPS,
    ],
    // Copper and screws take nothing, and stand what a bench has.
    assumes: { ...LOGIC, 'supplies/*/range': '0 to 30 V', 'supplies/*/current/active': '0 A' },
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
};

export const classOf = (id: ClassId): PartClass => CLASSES[id];

/** Asked of every part, before what its class asks and after it. */
export const FIRST = ['name', 'class', 'headers', 'terminals', 'mount'] as const;
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
