/**
 * How often a kind of fault is met on a new breadboard build, against the others: common practice, no published source. Only
 * their ratios count, and measurements soon outweigh them.
 */
export const FAULT_PRIORS = {
  open: 3,
  'off-row': 4,
  crossed: 4,
  reversed: 2,
  unbridged: 4,
  'no-ground': 4,
  missing: 3,
  tenfold: 1.5,
  turned: 3,
  doubled: 2,
  'wrong-rail': 2,
  dead: 1.5,
  strap: 3,
  clone: 1,
  cold: 1,
} as const;
