/**
 * Between what figures of each kind lie on parts that makers wire by hand, SI base units: what lies outside is more likely a slip of the
 * unit than a part. Wide on purpose, since a rare part must not be called wrong. Common practice, without a source.
 */
import type { Card } from './card.ts';
import type { FigureId } from './figures.ts';
import { isShared } from './protocol.ts';

export interface Usual {
  readonly from: number;
  readonly to: number;
  /** What the highest bound is at least, where it is not nought. */
  readonly least?: number;
}

const between = (from: number, to: number, least?: number): Usual => ({
  from,
  to,
  ...(least === undefined ? {} : { least }),
});

/** In volts where a level is; shares and offsets have bounds of their own. */
const SHARES = between(0, 1.05, 0.02);
const OFFSETS = between(-3, 12, 0.05);

const USUAL: Partial<Record<FigureId, Usual>> = {
  'supplies/*/range': between(0.5, 60),
  'supplies/*/absoluteMax': between(1.5, 100),
  'supplies/*/current/sleep': between(0, 0.05),
  'supplies/*/current/idle': between(0, 2),
  'supplies/*/current/active': between(0, 10, 1e-6),
  'supplies/*/current/peak': between(0, 20),
  'supplies/*/current/busy': between(1e-5, 3600),
  'supplies/*/capacitance': between(1e-9, 1e-2),
  'rails/*/voltage': between(0.8, 60),
  'rails/*/limit': between(1e-3, 20, 3e-3),
  'rails/*/from/dropout': between(0.01, 4),
  'rails/*/from/quiescent': between(1e-7, 0.05),
  'rails/*/from/thermal/toAir': between(5, 600),
  'rails/*/from/thermal/toCase': between(0.5, 200),
  'rails/*/from/thermal/limit': between(60, 220),
  'rails/*/ownLoad/sleep': between(0, 0.05),
  'rails/*/ownLoad/idle': between(0, 1),
  'rails/*/ownLoad/active': between(0, 3),
  'rails/*/ownLoad/peak': between(0, 5),
  'rails/*/cells/capacity': between(50, 1e6),
  'rails/*/cells/resistance': between(0.002, 100),
  'rails/*/cells/cutOff': between(0.8, 60),
  'signals/*/outputHigh': between(0.8, 15),
  'signals/*/outputLow': between(0, 3, 0.01),
  'signals/*/outputLoad': between(1e-6, 0.1),
  'signals/*/sinkCurrent': between(1e-4, 0.2),
  'signals/*/inputHigh': between(0.5, 15),
  'signals/*/inputLow': between(0.1, 10),
  'signals/*/absoluteMax': between(1, 60),
  'signals/*/leakage': between(0, 2e-4),
  'signals/*/capacitance': between(1e-13, 1e-7),
  'signals/*/outputResistance': between(0, 1e7),
  'signals/*/fittedPullUp/value': between(300, 2e6),
  'signals/*/fittedPullDown': between(100, 1e7),
  'ports/*/rate': between(50, 5e6),
  'ports/*/frequency': between(0.5, 1e6),
  'ports/*/forward/voltage': between(1, 40),
  'ports/*/forward/current': between(1e-4, 3),
  'ports/*/inductance': between(1e-6, 2),
  'ports/*/stretches/longest': between(1e-6, 1),
  'ports/*/valid': between(1e-9, 1e-5),
  'translator/clock': between(1e4, 5e8),
  'translator/pass/threshold': between(0.2, 3),
  'translator/pass/onResistance': between(0.01, 300),
  'controller/io/outputHigh': between(0.8, 6),
  'controller/io/outputLow': between(0, 2, 0.01),
  'controller/io/inputHigh': between(0.5, 5),
  'controller/io/inputLow': between(0.2, 3),
  'controller/io/leakage': between(0, 1e-4),
  'controller/io/capacitance': between(1e-12, 1e-9),
  'controller/io/weakPull': between(2e3, 1e6),
  'controller/pinCurrent/recommended': between(5e-4, 0.05),
  'controller/pinCurrent/absolute': between(1e-3, 0.2),
  'controller/currentGroups/*/limit': between(1e-3, 2),
  'controller/brownOut': between(1, 5),
  'controller/adc/reference': between(0.5, 6),
  'controller/adc/error': between(0, 0.15),
  'controller/adc/sourceResistance': between(100, 1e7),
  'converter/reference': between(0.5, 12),
  'converter/error': between(0, 0.1),
  'controller/usb/voltage': between(4, 21),
  'controller/usb/limit': between(0.05, 6),
  'driver/voltage': between(3, 1000),
  'driver/current': between(0.01, 100),
  'driver/switchOff': between(1e-9, 1e-3),
  'driver/bipolar/base': between(0.4, 2),
  'driver/bipolar/saturation': between(0.03, 2),
  'driver/bipolar/gain': between(5, 50_000),
  'driver/onResistance': between(5e-4, 20),
  'driver/gate': between(0.8, 15),
  'measures/*/interval': between(1e-6, 1e5),
  'measures/*/conversion': between(1e-7, 1e3),
  'measures/*/analog/beta': between(1500, 8000),
  'measures/*/analog/r25': between(50, 5e6),
  'measures/*/analog/r10': between(200, 5e6),
  'measures/*/analog/r0': between(10, 5e4),
  'body/size/length': between(1e-3, 1.2),
  'body/size/width': between(5e-4, 0.6),
  'body/size/height': between(2e-4, 0.4),
  'body/ambient': between(-200, 400, 10),
};

/** Of parts that measure and do nothing else: they run from a signal's supply, and heat or move little. */
const SENSING: Partial<Record<FigureId, Usual>> = {
  'supplies/*/current/idle': between(0, 0.4),
  'supplies/*/current/active': between(0, 0.5, 1e-6),
  'supplies/*/current/peak': between(0, 1.5),
};

/** What is measured, by its unit. */
const RANGES: Readonly<Record<string, Usual>> = {
  '°C': between(-273.15, 3000, 5),
  '%RH': between(0, 110, 5),
  '%': between(0, 110, 5),
  ppm: between(0, 1e6, 1),
  Pa: between(-2e6, 1e7, 1000),
  lx: between(0, 2.5e5, 100),
  'µg/m³': between(0, 1e5, 10),
  kg: between(-1e4, 1e4, 1e-3),
  m: between(-100, 200, 1e-4),
  A: between(-1e3, 1e3, 1e-4),
  'l/min': between(0, 1e4, 0.1),
};

/** Hz, by protocol. */
const CLOCKS: Readonly<Record<string, Usual>> = {
  i2c: between(5e3, 5e6),
  spi: between(5e4, 2e8),
};

/** A coil of this size lets its current rise within so many seconds: L × I ÷ V. */
const COIL_RISE = 0.02;

function coilOf({ supplies }: Card): Usual {
  const [supply] = supplies;
  const volts = supply?.range.typ ?? supply?.range.max;
  const amps = supply?.current.active.typ ?? supply?.current.active.max;
  const most = volts !== undefined && amps ? (COIL_RISE * volts) / amps : 2;
  return between(1e-6, Math.min(2, most));
}

const isSharedLine = ({ ports }: Card, place: string): boolean => {
  const signal = place.split('/')[1];
  return ports.some(({ protocol, lines }) => isShared(protocol) && Object.values(lines).some((id) => id === signal));
};

const isSensing = (card: Card): boolean => card.kind === 'module' && card.measures.length > 0;

/** Any bus that parts share. */
const ANY_CLOCK = between(5e3, 2e8);

/**
 * What is usual where no card is known yet.
 * @param sensing true for a part that measures and does nothing else
 * @returns null where anything may be
 */
export function usualByKind(id: FigureId, unit: string, sensing: boolean): Usual | null {
  if (unit === 'share' && id.includes('put')) return SHARES;
  if (unit === 'offset') return OFFSETS;
  if (id === 'ports/*/clock') return ANY_CLOCK;
  if (id === 'measures/*/range') return RANGES[unit] ?? null;
  return (sensing ? SENSING[id] : undefined) ?? USUAL[id] ?? null;
}

/** Whether these bounds lie where no part of the kind has them. */
export const isUnusual = ({ from, to, least }: Usual, values: readonly number[]): boolean =>
  values.some((value) => value < from || value > to) || isTooSmall(values, least);

function isTooSmall(values: readonly number[], least: number | undefined): boolean {
  const highest = Math.max(...values);
  return least !== undefined && highest !== 0 && Math.abs(highest) < least;
}

/** @param place of the figure, which names its port @returns null where anything may be */
export function usualOf(card: Card, id: FigureId, place: string, unit: string): Usual | null {
  if (unit !== 'share' && unit !== 'offset') {
    if (id === 'ports/*/clock') {
      const port = card.ports.find((one) => one.id === place.split('/')[1]);
      return CLOCKS[port?.protocol ?? ''] ?? null;
    }
    if (id === 'ports/*/inductance') return coilOf(card);
    // A line that several parts share is not lifted in time with more on it.
    if (id === 'signals/*/capacitance' && isSharedLine(card, place)) return between(1e-13, 1e-9);
  }
  return usualByKind(id, unit, isSensing(card));
}
