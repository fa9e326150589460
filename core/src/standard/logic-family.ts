/**
 * Input thresholds of the common logic families, all quoted from memory of the named documents. Levels in volts
 * or as a share of the supply.
 */
export interface LogicFamily {
  readonly name: string;
  readonly source: string;
  readonly unit: 'V' | 'share';
  readonly inputHigh: number;
  readonly inputLow: number;
}

export const LOGIC_FAMILIES: readonly LogicFamily[] = [
  { name: '3.3 V LVCMOS/LVTTL', source: 'JESD8C.01 (from memory)', unit: 'V', inputHigh: 2.0, inputLow: 0.8 },
  { name: '2.5 V', source: 'JESD8-5A (from memory)', unit: 'V', inputHigh: 1.7, inputLow: 0.7 },
  { name: '1.8 V', source: 'JESD8-7A (from memory)', unit: 'share', inputHigh: 0.65, inputLow: 0.35 },
  { name: '5 V CMOS', source: 'common data-book value (from memory)', unit: 'share', inputHigh: 0.7, inputLow: 0.3 },
  { name: '5 V TTL', source: 'common data-book value (from memory)', unit: 'V', inputHigh: 2.0, inputLow: 0.8 },
];
