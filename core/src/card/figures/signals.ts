/** Figures of what a card puts on its lines, reads from them, and speaks on them. */
import type { Card } from '../card.ts';
import { A, FARAD, type FigureTable, HERTZ, idsOf, LEVEL, OHM, SECOND, SHARE, V } from './kind.ts';
const drivingHigh = ({ signals }: Card) =>
  idsOf(signals, ({ kind }) => kind === 'push-pull' || kind === 'bidirectional');
const driving = ({ signals }: Card) =>
  idsOf(signals, ({ kind }) => kind === 'push-pull' || kind === 'bidirectional' || kind === 'open-drain');
const listening = ({ signals }: Card) =>
  idsOf(signals, ({ kind }) => kind === 'input' || kind === 'bidirectional' || kind === 'open-drain');
const electric = ({ signals }: Card) =>
  idsOf(signals, ({ kind }) => kind !== 'switch' && kind !== 'led' && kind !== 'passive');
const buses = ({ ports }: Card) => idsOf(ports, ({ protocol }) => protocol === 'i2c');
const firstBus = (card: Card) => buses(card).slice(0, 1);
/** Signals on lines that several parts share, which is where breakouts carry pull-ups. */
const onSharedLines = ({ ports }: Card) => [
  ...new Set(
    ports
      .filter(({ protocol }) => protocol === 'i2c' || protocol === 'onewire')
      .flatMap(({ lines }) => Object.values(lines)),
  ),
];

export const SIGNALS = {
  'signals/*/outputHigh': {
    units: LEVEL,
    slot: { id: 'logic.outputHigh', from: -6, to: 6, into: drivingHigh },
    missed: drivingHigh,
    asks: ['level/high', 'level/over-voltage', 'supply/programming'],
  },
  'signals/*/outputLow': {
    units: LEVEL,
    slot: { id: 'logic.outputLow', from: -6, to: 6, into: driving },
    missed: driving,
    asks: ['level/low', 'supply/programming'],
  },
  'signals/*/outputLoad': { units: A, asks: ['level/high', 'level/low'] },
  'signals/*/sinkCurrent': {
    units: A,
    slot: { id: 'logic.sinkCurrent', from: 0, to: 1, into: driving },
    missed: ({ signals }) => idsOf(signals, ({ kind }) => kind === 'open-drain'),
    asks: ['bus/pull-up-strong'],
  },
  'signals/*/inputHigh': {
    units: LEVEL,
    slot: { id: 'logic.inputHigh', from: -6, to: 6, into: listening },
    missed: listening,
    asks: ['level/high', 'pin/boot-state', 'supply/programming', 'wire/budget'],
  },
  'signals/*/inputLow': {
    units: LEVEL,
    slot: { id: 'logic.inputLow', from: -6, to: 6, into: listening },
    missed: listening,
    asks: ['level/low', 'pin/boot-state', 'supply/programming'],
  },
  'signals/*/absoluteMax': {
    units: LEVEL,
    slot: { id: 'logic.absoluteMax', from: -60, to: 60, into: electric },
    missed: electric,
    asks: ['level/mixed-pull-ups', 'level/over-voltage', 'level/unpowered', 'supply/programming'],
  },
  'signals/*/leakage': {
    units: A,
    slot: { id: 'logic.leakage', from: -1e-3, to: 1e-3, into: electric },
    asks: ['bus/pull-up-weak', 'level/high', 'pin/boot-state'],
  },
  'signals/*/capacitance': {
    units: FARAD,
    slot: { id: 'logic.capacitance', from: 0, to: 1e-9, into: electric },
    asks: ['bus/capacitance', 'bus/pull-up-weak', 'wire/budget'],
  },
  'signals/*/unpoweredMax': { units: V, asks: ['level/unpowered'] },
  'signals/*/outputResistance': { units: OHM, asks: ['analog/source', 'level/high', 'level/low'] },
  'signals/*/fittedPullUp/value': {
    units: OHM,
    slot: { id: 'logic.pullUp', from: 100, to: 1e6, into: onSharedLines },
    asks: [
      'bus/pull-up-pairs',
      'bus/pull-up-strong',
      'bus/pull-up-weak',
      'level/high',
      'level/mixed-pull-ups',
      'level/over-voltage',
      'level/unpowered',
    ],
  },
  'signals/*/fittedPullDown': { units: OHM, asks: ['level/high', 'pin/boot-state', 'pin/current'] },
  'ports/*/clock': {
    units: HERTZ,
    slot: { id: 'port.clock', from: 100, to: 1e8, into: firstBus },
    missed: buses,
    asks: ['bus/clock'],
  },
  'ports/*/addresses/*/value': {
    units: ['address'],
    keep: 'typ',
    slot: { id: 'port.address', from: 0, to: 127, into: firstBus },
    missed: buses,
    asks: ['bus/address-collision', 'bus/address-reserved'],
  },
  'ports/*/identity/*/value': {
    units: ['word'],
    keep: 'typ',
    slot: { id: 'port.identity', from: 0, to: 0xffffffff, into: firstBus },
    asks: [],
  },
  'ports/*/reading/bytes': {
    units: ['bytes'],
    keep: 'typ',
    missed: (card) => (card.measures.length > 0 ? buses(card) : []),
    asks: ['bus/time'],
  },
  'ports/*/stretches/longest': { units: SECOND, asks: ['bus/stretching'] },
  'ports/*/parasite/current': { units: A, asks: ['wire/budget'] },
  'ports/*/parasite/least': { units: V, asks: ['wire/budget'] },
  'ports/*/inductance': { units: ['H'], asks: ['drive/contact', 'drive/flyback'] },
  'ports/*/valid': { units: SECOND, asks: ['bus/spi-speed'] },
  'ports/*/rate': { units: HERTZ, asks: ['bus/serial-rate'] },
  'ports/*/rateError': { units: SHARE, asks: ['bus/serial-rate'] },
  'ports/*/frequency': { units: HERTZ, asks: ['pin/unit-conflict'] },
  'ports/*/forward/voltage': { units: V, asks: ['drive/led'] },
  'ports/*/forward/current': { units: A, asks: ['drive/led'] },
  'translator/clock': { units: HERTZ, asks: ['level/translator'] },
  'translator/pass/threshold': { units: V, asks: ['bus/pull-up-weak'] },
  'translator/pass/onResistance': { units: OHM, asks: ['bus/pull-up-weak'] },
} as const satisfies FigureTable;
