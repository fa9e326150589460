/**
 * Copper wire by American gauge. Diameter: ASTM B258, d = 0.127 mm × 92^((36 − n)/39). Resistivity of annealed
 * copper at 20 °C: IEC 60028, 17.241 nΩ·m. Both quoted from memory.
 */
const COPPER_RESISTIVITY = 17.241e-9;

/** @returns diameter in m. @example gauge 36 is 0.127 mm */
export const gaugeDiameter = (gauge: number): number => 0.127e-3 * 92 ** ((36 - gauge) / 39);

/** @returns Ω per m of one conductor. @example ≈ 0.2129 for gauge 28 */
export const gaugeResistance = (gauge: number): number =>
  COPPER_RESISTIVITY / ((Math.PI / 4) * gaugeDiameter(gauge) ** 2);

/** Chassis wiring in free air, A by gauge: handbook table (from memory). Between two entries the thinner one's holds. */
const CHASSIS: readonly (readonly [gauge: number, amps: number])[] = [
  [18, 16],
  [20, 11],
  [22, 7],
  [24, 3.5],
  [26, 2.2],
  [28, 1.4],
  [30, 0.86],
  [32, 0.53],
];

/** What a single lead carries for good, A. */
export const gaugeCurrent = (gauge: number): number => CHASSIS.find(([at]) => gauge <= at)?.[1] ?? 0.3;

/**
 * The current at which a copper wire melts in air, A: 80 × d^1.5 with d in mm. W. H. Preece 1884 (from memory).
 * @example fusingCurrent(28) is about 14.5 A
 */
export const fusingCurrent = (gauge: number): number => 80 * (gaugeDiameter(gauge) * 1e3) ** 1.5;
