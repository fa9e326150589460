/**
 * I²C figures. Source of all: UM10204, I²C-bus specification and user manual, §3.1.12, §7.1 and table 10
 * (quoted from memory).
 */
export interface BusMode {
  readonly name: string;
  /** Fastest clock, Hz. */
  readonly clock: number;
  /** Longest rise time from 30 % to 70 %, s. */
  readonly riseTime: number;
  /** Current that a sink must manage at `sinkVoltage`, A. */
  readonly sinkCurrent: number;
  /** Bus capacitance allowed, F. */
  readonly capacitance: number;
}

export const BUS_MODES: readonly BusMode[] = [
  { name: 'standard', clock: 100e3, riseTime: 1000e-9, sinkCurrent: 3e-3, capacitance: 400e-12 },
  { name: 'fast', clock: 400e3, riseTime: 300e-9, sinkCurrent: 3e-3, capacitance: 400e-12 },
  { name: 'fast-plus', clock: 1e6, riseTime: 120e-9, sinkCurrent: 20e-3, capacitance: 550e-12 },
];

/** Highest low level that a sink holds, V. */
export const SINK_VOLTAGE = 0.4;
/** What every part must sink at it, A, whatever the clock: what a card says nothing of is no fast-plus part. */
const SILENT_SINK = 3e-3;
const LOW_VOLTAGE_SINK = 2e-3;
const LOW_VOLTAGE_SHARE = 0.2;

/** A bus of this voltage or less asks for another low: 0.2 × VDD at 2 mA. UM10204 table 10, V_OL2 (from memory). */
const LOW_VOLTAGE_BUS = 2;

/** A low level that a sink has to hold, V, and what it holds then, A. */
export interface SinkAt {
  readonly volts: number;
  readonly amps: number;
}

/**
 * What a sink holds a line of so many volts at: 0.4 V at what its sheet says, 3 mA where that is silent, at any clock; at
 * 2 V and below 0.2 × VDD at two thirds of it, as the standard goes from 3 mA to 2 mA.
 * @param open V, the line while nobody holds it
 * @param stated A at 0.4 V; null where nothing is said
 * @example sinkAt(1.8, null) is 0.36 V at 2 mA
 */
export function sinkAt(open: number, stated: number | null): SinkAt {
  const amps = stated ?? SILENT_SINK;
  return open > LOW_VOLTAGE_BUS
    ? { volts: SINK_VOLTAGE, amps }
    : { volts: LOW_VOLTAGE_SHARE * open, amps: (amps * LOW_VOLTAGE_SINK) / SILENT_SINK };
}

/** ln(0.7 / 0.3): a charging RC goes from 30 % to 70 % in this share of R × C. The document prints 0.8473. */
export const RISE_FACTOR = Math.log(0.7 / 0.3);

/** The capacitance of one pin at most, F. UM10204 table 9 (from memory). */
export const PIN_CAPACITANCE = 10e-12;

/** The slowest mode that carries the clock (Hz); null above 1 MHz. */
export const modeFor = (clock: number): BusMode | null => BUS_MODES.find((mode) => clock <= mode.clock) ?? null;

/** tr = 0.8473 × Rp × Cb, in s. */
export const riseTime = (ohms: number, farads: number): number => RISE_FACTOR * ohms * farads;

/** The weakest pull-up that still rises in time, Ω. @example ≈ 1770 for fast mode and 200 pF */
export const pullUpMax = (longestRise: number, farads: number): number => longestRise / (RISE_FACTOR * farads);

/** The strongest pull-up that a sink can hold low, Ω. @example ≈ 966.7 for 3.3 V, 0.4 V, 3 mA */
export const pullUpMin = (supply: number, lowLevel: number, sinkCurrent: number): number =>
  (supply - lowLevel) / sinkCurrent;

/** 0x00–0x07 and 0x78–0x7F are kept for other uses. */
export const isReservedAddress = (address: number): boolean => address < 0x08 || address > 0x77;

/** The 112 addresses a target may have. */
export const FREE_ADDRESSES: readonly number[] = Array.from({ length: 128 }, (_, a) => a).filter(
  (address) => !isReservedAddress(address),
);
