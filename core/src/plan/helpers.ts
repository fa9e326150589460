/** The kinds of helpers: what a plan has besides parts. A new kind is a module in `helpers/`, a line here, and its words. */
import { perOwner } from '../quantity/memo.ts';
import { capacitor, type CapacitorSays } from './helpers/capacitor.ts';
import { debounce, type DebounceSays } from './helpers/debounce.ts';
import { diode, type DiodeSays } from './helpers/diode.ts';
import { divider, type DividerSays } from './helpers/divider.ts';
import { filter, type FilterSays } from './helpers/filter.ts';
import { fixed, type FixedSays } from './helpers/fixed.ts';
import { guard, type GuardSays } from './helpers/guard.ts';
import { type Called, type HelperKind, type Leg, type Renaming, SAME } from './helpers/kind.ts';
import { pullDown, type PullDownSays } from './helpers/pull-down.ts';
import { pullUp, type PullUpSays } from './helpers/pull-up.ts';
import { series, type SeriesSays } from './helpers/series.ts';
import { translator, type TranslatorSays } from './helpers/translator.ts';
import type { Helper } from './helpers/shapes.ts';
import { isOf } from './ref.ts';

export type { Helper } from './helpers/shapes.ts';

const KINDS = {
  'pull-up': pullUp,
  'pull-down': pullDown,
  series,
  diode,
  guard,
  translator,
  divider,
  fixed,
  capacitor,
  filter,
  debounce,
} as const;

/** What the labels of helpers are made of. */
export type HelperSays = PullUpSays &
  PullDownSays &
  SeriesSays &
  FixedSays &
  DividerSays &
  FilterSays &
  CapacitorSays &
  DiodeSays &
  GuardSays &
  TranslatorSays &
  DebounceSays;

/** The helpers of one kind. */
export type HelperOf<Kind extends Helper['kind']> = Extract<Helper, { kind: Kind }>;

const BY_KIND: Readonly<Record<Helper['kind'], HelperKind<Helper>>> = KINDS;

/** The helper with its names led through `to`; null where it makes no sense without one that is gone. */
export const renamed = (helper: Helper, to: Partial<Renaming>): Helper | null =>
  BY_KIND[helper.kind].renamed(helper, { ...SAME, ...to });

interface Planned {
  readonly helpers: readonly Helper[];
}

/** What a helper puts into the circuit, by the helper. */
export type HelperLeg = Leg & { readonly helper: string };
export type LegOf<Is extends Leg['is']> = Extract<HelperLeg, { is: Is }>;
const legsOf = perOwner((helper: Helper): HelperLeg[] =>
  BY_KIND[helper.kind].legs(helper).map((leg) => ({ ...leg, helper: helper.id })),
);

const legsOfPlan = perOwner((plan: Planned): readonly HelperLeg[] => plan.helpers.flatMap((helper) => legsOf(helper)));

/** What the helpers of a plan put into the circuit, of one sort. */
export const legsIn = <Is extends Leg['is']>(plan: Planned, is: Is): LegOf<Is>[] =>
  legsOfPlan(plan).filter((leg): leg is LegOf<Is> => leg.is === is);

/** What a helper is and where, as data. */
export const helperLabel = (helper: Helper, called: Called) => BY_KIND[helper.kind].label(helper, called);

/** Everything that a helper names, by the field that names it. */
export interface HelperNames {
  readonly parts: readonly string[];
  readonly rails: readonly string[];
  readonly nets: readonly string[];
  readonly helpers: readonly string[];
  readonly cards: readonly string[];
}
export function namesOf(helper: Helper): HelperNames {
  const names: { [List in keyof HelperNames]: string[] } = { parts: [], rails: [], nets: [], helpers: [], cards: [] };
  const keep = (list: string[]) => (name: string) => {
    list.push(name);
    return name;
  };
  renamed(helper, {
    part: keep(names.parts),
    port: (name) => {
      names.parts.push(name.part);
      return name;
    },
    rail: keep(names.rails),
    net: keep(names.nets),
    helper: keep(names.helpers),
    card: keep(names.cards),
  });
  return names;
}

/** What is bought for a helper: resistors by their value, and cards. */
export const piecesOf = (helper: Helper): { ohms: number[]; cards: readonly string[] } => ({
  ohms: legsOf(helper).flatMap((leg) =>
    leg.is === 'divider' ? [leg.upper, leg.lower] : 'ohms' in leg ? leg.ohms : [],
  ),
  cards: namesOf(helper).cards,
});

/** Whether a helper stands on lines or supplies of a part; a translator stands before it, and is not meant. */
export function isOn(helper: Helper, part: string): boolean {
  const { parts, nets } = namesOf(helper);
  if (isHelperOf('translator')(helper)) return false;
  return parts.includes(part) || nets.some((of) => of !== part && isOf(of, part));
}

/** Whether a helper is there for a part alone, on the controller's side of everything: it goes where the part goes. */
export const isOwn = (helper: Helper, part: string): boolean =>
  namesOf(helper).helpers.length === 0 && isOn(helper, part);

export const isHelperOf =
  <Kind extends Helper['kind']>(kind: Kind) =>
  (helper: Helper): helper is HelperOf<Kind> =>
    helper.kind === kind;

/** The helpers of one kind of a plan. */
export const helpersOf = <Kind extends Helper['kind']>({ helpers }: Planned, kind: Kind): HelperOf<Kind>[] =>
  helpers.filter(isHelperOf(kind));
