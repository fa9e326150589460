/** Files of older versions, brought to the form of today, one version at a time. What is no older version is left as it is. */
import { CARD_VERSION } from '../card/version.ts';
import { PLAN_VERSION } from '../plan/version.ts';

type Entries = Record<string, unknown>;

const isEntries = (value: unknown): value is Entries =>
  value !== null && typeof value === 'object' && !Array.isArray(value);

/** Version of a card -> the card as the next version writes it. */
const CARD_STEPS: Readonly<Record<number, (card: Entries) => Entries>> = {
  // Version 2 added body, carrier, converter, analog transfer and identity, all of which may be missing, and put
  // what a part shows among what it serves.
  1: ({ shows, ...card }) => ({ ...card, version: 2, ...(shows === undefined ? {} : { serves: shows }) }),
  // Version 3 added what the electrical proof needs (stretching, readings, own translators, bus switches …), all of
  // which may be missing.
  2: (card) => ({ ...card, version: 3 }),
  // Version 4 added what pins do at boot and share (counters, limits, units), all of which may be missing.
  3: (card) => ({ ...card, version: 4 }),
  // Version 5 added states, stages and clocks, cells, heat and transistors, all of which may be missing.
  4: (card) => ({ ...card, version: 5 }),
  // Version 6 added how parts stand on a board, boards and free shipping, all of which may be missing.
  5: (card) => ({ ...card, version: 6 }),
  // Version 7 added the way of a programming socket, outlets and cables, all of which may be missing.
  6: (card) => ({ ...card, version: 7 }),
  // Version 8 added programmers, pull-ups on boards and modes, all of which may be missing.
  7: (card) => ({ ...card, version: 8 }),
  // Version 9 added ratings of diodes and resistors and what the second round of checks reads, all of which may be missing.
  8: (card) => ({ ...card, version: 9 }),
  // Version 10 added what a display shows, which may be missing.
  9: (card) => ({ ...card, version: 10 }),
};

/** House rules that came later, as they were before. */
const LATER_RULES = {
  marginalSupplies: 'guaranteed',
  pullUps: 'one-pair',
  pinPower: 0,
  soldering: 'none',
  sharedRow: 'needed',
  sure: 0.9,
};

const PLAN_STEPS: Readonly<Record<number, (file: Entries) => Entries>> = {
  // Version 2 added places and the revisions of cards.
  1: (file) => ({ ...file, version: 2, plan: isEntries(file.plan) ? migrateStoredPlan(file.plan) : file.plan }),
  // Version 3 added the house rule for pull-ups, segments, dividers and gates.
  2: (file) => ({ ...file, version: 3, plan: isEntries(file.plan) ? migrateStoredPlan(file.plan) : file.plan }),
  // Version 4 added pull-downs, locked parts and features that are not used, all of which may be missing.
  3: (file) => ({ ...file, version: 4 }),
  // Version 5 added rhythms, mounting and the house rule for power from a pin.
  4: (file) => ({ ...file, version: 5, plan: isEntries(file.plan) ? migrateStoredPlan(file.plan) : file.plan }),
  // Version 6 has several boards in place of one, and house rules for soldering, shared rows and spares.
  5: (file) => ({ ...file, version: 6, plan: isEntries(file.plan) ? migrateStoredPlan(file.plan) : file.plan }),
  // Version 7 added what was measured, which may be missing.
  6: (file) => ({ ...file, version: 7 }),
  // Version 8 has a house rule for supplies, lines on a converter, contacts and rates of exchange.
  7: (file) => ({ ...file, version: 8, plan: isEntries(file.plan) ? migrateStoredPlan(file.plan) : file.plan }),
  // Version 9 added grounds on pins and what is meant at the start, which may be missing.
  8: (file) => ({ ...file, version: 9 }),
  // Version 10 added hazards that are acknowledged, which may be missing.
  9: (file) => ({ ...file, version: 10 }),
  // Version 11 added the numbers of parts on one wire, which may be missing.
  10: (file) => ({ ...file, version: 11 }),
};

function stepped(value: unknown, today: number, steps: Readonly<Record<number, (v: Entries) => Entries>>): unknown {
  let now = value;
  while (isEntries(now) && typeof now.version === 'number' && now.version < today) {
    const step = steps[now.version];
    if (!step) break;
    now = step(now);
  }
  return now;
}

export const migrateCard = (value: unknown): unknown => stepped(value, CARD_VERSION, CARD_STEPS);

export function migratePlanFile(value: unknown): unknown {
  const file = stepped(value, PLAN_VERSION, PLAN_STEPS);
  return isEntries(file) && Array.isArray(file.cards) ? { ...file, cards: file.cards.map(migrateCard) } : file;
}

/** The plan alone, as the browser keeps it, where it carries no version. */
export function migrateStoredPlan({ board, ...plan }: Entries): Entries {
  return {
    places: [],
    revisions: {},
    boards: typeof board === 'string' ? [board] : [],
    joint: null,
    ...plan,
    ...(isEntries(plan.rules) ? { rules: { ...LATER_RULES, ...plan.rules } } : {}),
  };
}
