/**
 * Platinum resistors. Source: IEC 60751, the Callendar–Van Dusen equation with its coefficients (quoted from memory):
 * R = R0 × (1 + A×t + B×t²) from 0 °C up, and with + C×(t − 100)×t³ below.
 */
export const PLATINUM = { a: 3.9083e-3, b: -5.775e-7, c: -4.183e-12 } as const;
const { a: A, b: B, c: C } = PLATINUM;

/** Newton steps that turn the equation round to less than a millikelvin from −200 to 850 °C. */
export const PLATINUM_STEPS = 6;

/**
 * @param r0 Ω at 0 °C
 * @param celsius °C, from −200 to 850
 * @returns Ω
 * @example platinum(100, 100) is 138.51 Ω
 */
export function platinum(r0: number, celsius: number): number {
  const cold = celsius < 0 ? C * (celsius - 100) * celsius ** 3 : 0;
  return r0 * (1 + A * celsius + B * celsius ** 2 + cold);
}

/** How it changes, Ω/K. */
export function platinumSlope(r0: number, celsius: number): number {
  const cold = celsius < 0 ? C * (4 * celsius ** 3 - 300 * celsius ** 2) : 0;
  return r0 * (A + 2 * B * celsius + cold);
}

/** The temperature at which it has so many ohms, °C: the equation turned round by Newton's method. */
export function platinumCelsius(r0: number, ohms: number): number {
  let t = (ohms / r0 - 1) / A;
  for (let i = 0; i < PLATINUM_STEPS; i++) t -= (platinum(r0, t) - ohms) / platinumSlope(r0, t);
  return t;
}
