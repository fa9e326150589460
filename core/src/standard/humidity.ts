/**
 * Saturation vapour pressure over water by the Magnus formula, Pa; constants 17.62 and 243.12 °C of the WMO Guide to
 * Instruments and Methods of Observation, annex 4.B (quoted from memory).
 * @param celsius from −45 to 60
 * @example saturationPressure(20) ≈ 2333
 */
export const saturationPressure = (celsius: number): number => 611.2 * Math.exp((17.62 * celsius) / (243.12 + celsius));

/**
 * What a humidity part reads when it is warmer than the air that it is meant to measure: the same vapour in warmer air.
 * @returns by how much it reads too low, in %RH
 */
export function humidityShift(relative: number, celsius: number, warmer: number): number {
  return relative * (1 - saturationPressure(celsius) / saturationPressure(celsius + warmer));
}
