/**
 * Modified Bessel function of the second kind, order zero, by the polynomials of Abramowitz and Stegun, Handbook of
 * Mathematical Functions, 9.8.1, 9.8.5 and 9.8.6 (quoted from memory). Error below 2e-7.
 */
export function besselK0(x: number): number {
  if (!(x > 0)) throw new RangeError(`expected a positive argument, found ${x}`);
  if (x <= 2) {
    const t = (x / 2) ** 2;
    return (
      -Math.log(x / 2) * besselI0(x) +
      polynomial(t, [-0.57721566, 0.4227842, 0.23069756, 0.0348859, 0.00262698, 0.0001075, 0.0000074])
    );
  }
  const t = 2 / x;
  const sum = polynomial(t, [1.25331414, -0.07832358, 0.02189568, -0.01062446, 0.00587872, -0.0025154, 0.00053208]);
  return (Math.exp(-x) / Math.sqrt(x)) * sum;
}

/** Of the first kind, order zero, for arguments up to 3.75. */
const besselI0 = (x: number): number =>
  polynomial((x / 3.75) ** 2, [1, 3.5156229, 3.0899424, 1.2067492, 0.2659732, 0.0360768, 0.0045813]);

const polynomial = (t: number, terms: readonly number[]): number => terms.reduceRight((sum, term) => sum * t + term, 0);
