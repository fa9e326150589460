/** Figures of what a card puts on its lines, reads from them, and speaks on them. */
import { DRIVING, DRIVING_HIGH, ELECTRIC, LISTENING } from '../kinds.ts';
import { A, FARAD, type FigureTable, HERTZ, idsOf, LEVEL, OHM, SECOND, SHARE, type Things, V } from './kind.ts';
const ofKind =
  (kinds: readonly string[]) =>
  ({ signals }: Things) =>
    idsOf(signals, ({ kind }) => kinds.includes(kind));
const drivingHigh = ofKind(DRIVING_HIGH);
const driving = ofKind(DRIVING);
const listening = ofKind(LISTENING);
const electric = ofKind(ELECTRIC);
const speaking =
  (own: string) =>
  ({ ports }: Things) =>
    idsOf(ports, ({ protocol }) => protocol === own);
const buses = ({ ports }: Things) => idsOf(ports, ({ protocol }) => protocol === 'i2c');
const firstBus = (things: Things) => buses(things).slice(0, 1);
/** Signals on lines that several parts share, which is where breakouts carry pull-ups. */
const onSharedLines = ({ ports }: Things) => [
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
  },
  'signals/*/outputLow': {
    units: LEVEL,
    slot: { id: 'logic.outputLow', from: -6, to: 6, into: driving },
    missed: driving,
  },
  'signals/*/outputLoad': { units: A },
  'signals/*/sinkCurrent': {
    units: A,
    slot: { id: 'logic.sinkCurrent', from: 0, to: 1, into: driving },
    missed: ({ signals }) => idsOf(signals, ({ kind }) => kind === 'open-drain'),
  },
  'signals/*/inputHigh': {
    units: LEVEL,
    slot: { id: 'logic.inputHigh', from: -6, to: 6, into: listening },
    missed: listening,
  },
  'signals/*/inputLow': {
    units: LEVEL,
    slot: { id: 'logic.inputLow', from: -6, to: 6, into: listening },
    missed: listening,
  },
  'signals/*/absoluteMax': {
    units: LEVEL,
    slot: { id: 'logic.absoluteMax', from: -60, to: 60, into: electric },
    missed: electric,
  },
  'signals/*/leakage': {
    units: A,
    slot: { id: 'logic.leakage', from: -1e-3, to: 1e-3, into: electric },
  },
  'signals/*/capacitance': {
    units: FARAD,
    slot: { id: 'logic.capacitance', from: 0, to: 1e-9, into: electric },
  },
  'signals/*/unpoweredMax': { units: V },
  'signals/*/outputResistance': { units: OHM },
  'signals/*/fittedPullUp/value': {
    units: OHM,
    slot: { id: 'logic.pullUp', from: 100, to: 1e6, into: onSharedLines },
  },
  'signals/*/fittedPullDown': { units: OHM },
  'ports/*/clock': {
    units: HERTZ,
    slot: { id: 'port.clock', from: 100, to: 1e8, into: firstBus },
    missed: buses,
  },
  'ports/*/addresses/*/value': {
    units: ['address'],
    keep: 'typ',
    slot: { id: 'port.address', from: 0, to: 127, into: firstBus },
    missed: buses,
  },
  'ports/*/identity/*/value': {
    units: ['word'],
    keep: 'typ',
    slot: { id: 'port.identity', from: 0, to: 0xffffffff, into: firstBus },
  },
  'ports/*/reading/bytes': {
    units: ['bytes'],
    keep: 'typ',
    missed: (card) => (card.measures.length > 0 ? buses(card) : []),
  },
  'ports/*/stretches/longest': { units: SECOND },
  'ports/*/parasite/current': { units: A },
  'ports/*/parasite/least': { units: V },
  'ports/*/inductance': { units: ['H'], slot: { id: 'port.inductance', from: 1e-7, to: 100, into: speaking('coil') } },
  'ports/*/valid': { units: SECOND },
  'ports/*/rate': { units: HERTZ, slot: { id: 'port.rate', from: 50, to: 1e7, into: speaking('uart') } },
  'ports/*/rateError': { units: SHARE },
  'ports/*/frequency': { units: HERTZ, slot: { id: 'port.frequency', from: 1, to: 1e6, into: speaking('pwm') } },
  'ports/*/forward/voltage': { units: V, slot: { id: 'light.voltage', from: 0.5, to: 60, into: speaking('led') } },
  'ports/*/forward/current': { units: A, slot: { id: 'light.current', from: 1e-5, to: 10, into: speaking('led') } },
  'translator/clock': { units: HERTZ },
  'translator/pass/threshold': { units: V },
  'translator/pass/onResistance': { units: OHM },
} as const satisfies FigureTable;
