/** A conversion as lines of a program: the same steps in C and in Python. */
import type { Formula } from '../../deliver/settings/formula.ts';
import { PLATINUM, PLATINUM_STEPS } from '../../standard/platinum.ts';

/** A number with a point, which C and Python both take for one that may have a fraction. */
export function real(value: number): string {
  const text = String(value);
  return /[.e]/.test(text) ? text : `${text}.0`;
}

export interface Tongue {
  /** Begins a value of its own: "const double volts = …;" or "volts = …". */
  readonly let: (name: string, value: string) => string;
  readonly log: (value: string) => string;
  readonly power: (value: string, by: string) => string;
  /** Repeats one assignment. */
  readonly repeat: (times: number, name: string, value: string) => string;
  /** Begins a value that is assigned again. */
  readonly begin: (name: string, value: string) => string;
  readonly choose: (condition: string, then: string, otherwise: string) => string;
}

/** Lines that end in the last expression, which is the reading. */
export function steps(
  { counts, reference, passes, curve }: Formula,
  tongue: Tongue,
): { lines: string[]; value: string } {
  const share = passes === 1 ? '' : ` / ${real(passes)}`;
  const volts = tongue.let('volts', `count * ${real(reference)} / ${real(counts)}${share}`);
  if (curve.kind === 'line') {
    const slope = `(${real(curve.to)} - ${real(curve.from)}) / (${real(curve.high)} - ${real(curve.low)})`;
    return { lines: [volts], value: `${real(curve.from)} + (volts - ${real(curve.low)}) * ${slope}` };
  }
  const ohms = tongue.let('ohms', `${real(curve.fixed)} * volts / (${real(curve.rail)} - volts)`);
  const lines = [volts, ohms];
  const ratio = `ohms / ${real(curve.ohms)}`;
  if (curve.kind === 'beta')
    return {
      lines,
      value: `1.0 / (1.0 / 298.15 + ${tongue.log(ratio)} / ${real(curve.constant)}) - 273.15`,
    };
  if (curve.kind === 'light') return { lines, value: `10.0 * ${tongue.power(ratio, real(-1 / curve.constant))}` };
  const { a, b, c } = PLATINUM;
  const [r0, A, B, C] = [curve.ohms, a, b, c].map(real);
  const cold = tongue.choose('t < 0.0', `${C} * (t - 100.0) * t * t * t`, '0.0');
  const colder = tongue.choose('t < 0.0', `${C} * (4.0 * t * t * t - 300.0 * t * t)`, '0.0');
  const off = `(${r0} * (1.0 + ${A} * t + ${B} * t * t + ${cold}) - ohms)`;
  const slope = `(${r0} * (${A} + 2.0 * ${B} * t + ${colder}))`;
  return {
    lines: [
      ...lines,
      tongue.begin('t', `(${ratio} - 1.0) / ${A}`),
      tongue.repeat(PLATINUM_STEPS, 't', `t - ${off} / ${slope}`),
    ],
    value: 't',
  };
}
