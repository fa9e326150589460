/** The kinds of things that a plan tells apart. */

/** In the shade all day, under a shield that air blows through, or in the sun. */
export const SUNS = ['shade', 'shield', 'sun'] as const;

/** How the leads of a part run. */
export const CABLES = ['loose', 'twisted', 'screened'] as const;
