/**
 * Copper wire by American gauge. Diameter: ASTM B258, d = 0.127 mm × 92^((36 − n)/39). Resistivity of annealed
 * copper at 20 °C: IEC 60028, 17.241 nΩ·m. Both quoted from memory.
 */
export const COPPER_RESISTIVITY = 17.241e-9;

/** @returns diameter in m. @example gauge 36 is 0.127 mm */
export const gaugeDiameter = (gauge: number): number => 0.127e-3 * 92 ** ((36 - gauge) / 39);

/** @returns Ω per m of one conductor. @example ≈ 0.2129 for gauge 28 */
export function gaugeResistance(gauge: number): number {
  let ohms = known.get(gauge);
  if (ohms === undefined) known.set(gauge, (ohms = COPPER_RESISTIVITY / ((Math.PI / 4) * gaugeDiameter(gauge) ** 2)));
  return ohms;
}
const known = new Map<number, number>();
