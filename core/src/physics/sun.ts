/** What the sun adds to a place outdoors. */
import type { Place } from '../plan/plan.ts';
import { BOX_LOSS, BOX_SURFACE, BREEZE_LOSS, SHIELDED, SUNLIGHT } from '../standard/common-practice.ts';
import { divide, multiply, noted } from '../quantity/sum.ts';
import { quantityOf, tells, type Sum } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface PhysicsSunSays {
  readonly shade: null;
  readonly indoors: null;
  readonly underShield: null;
}

const tell = tells<PhysicsSunSays>('physics/sun');

export interface SunRise {
  /** K above the air. */
  readonly kelvin: number;
  readonly sum: Sum;
  /** Set where nobody has said how the sun reaches it: it is taken to. */
  readonly assumed: boolean;
}

/**
 * A closed box takes in α·G·A and loses U·A per kelvin; a bare part takes in on one face and loses from two, half of the light
 * on the average of its turns to the sun: α·G ÷ (4·h).
 * @example a closed box in the sun: 0.6 × 800 W/m² × 0.012 m² ÷ 0.25 W/K is 23 K
 */
export function sunRise({ outdoors, closed, sun }: Place): SunRise {
  const { takesIn, light, wall } = SUNLIGHT;
  if (!outdoors || sun === 'shade')
    return { kelvin: 0, sum: outdoors ? tell('shade') : tell('indoors'), assumed: false };
  const full = closed ? (takesIn * light * wall) / (BOX_LOSS * BOX_SURFACE) : (takesIn * light) / (4 * BREEZE_LOSS);
  const said = closed
    ? divide(
        multiply(takesIn, quantityOf(light, 'W/m²'), quantityOf(wall, 'm²')),
        quantityOf(BOX_LOSS * BOX_SURFACE, 'W/K'),
      )
    : divide(multiply(takesIn, quantityOf(light, 'W/m²')), multiply(4, quantityOf(BREEZE_LOSS, 'W/(m²·K)')));
  const shielded = sun === 'shield';
  return {
    kelvin: shielded ? full * SHIELDED : full,
    sum: shielded ? noted(multiply(said, SHIELDED), tell('underShield')) : said,
    assumed: sun === undefined,
  };
}
