/** What the helpers of a plan put on its lines. */
import { type LegOf, legsIn } from '../plan/helpers.ts';
import type { LineName } from '../plan/helpers/kind.ts';
import type { Plan } from '../plan/plan.ts';
import { beyondOf, keyOf } from '../plan/ref.ts';
import { spread } from '../quantity/interval.ts';
import { tells, type Text } from '../quantity/message.ts';
import type { Net, PowerGraph, PullDown, PullUp } from './model.ts';

/** What is said here, by the data that it takes. */
export interface HelperLegsSays {
  readonly resistor: { id: Text };
}
const tell = tells<HelperLegsSays>('circuit/helper-legs');

/** What the helpers of a plan put on its lines, by the net that they are on. */
export interface HelperLegs {
  readonly pullUps: ReadonlyMap<string, readonly PullUp[]>;
  readonly fixed: ReadonlyMap<string, readonly NonNullable<Net['fixed']>[]>;
  readonly series: ReadonlyMap<string, readonly LegOf<'in-line'>[]>;
  readonly pullDowns: ReadonlyMap<string, readonly PullDown[]>;
  readonly filters: ReadonlyMap<string, readonly LegOf<'line-capacitor'>[]>;
}

/** @param tolerance of the resistors of the plan, as a share */
export function helperLegs(plan: Plan, power: PowerGraph, tolerance: number): HelperLegs {
  const pulls = legsIn(plan, 'pull-up');
  const led = (leg: LegOf<'pull-up'>) => toRail(leg, power, tolerance);
  return {
    pullUps: byNet(
      pulls.filter(({ divides }) => !divides),
      led,
    ),
    fixed: byNet(
      pulls.filter(({ divides }) => divides),
      led,
    ),
    series: byNet(legsIn(plan, 'in-line'), (leg) => leg),
    pullDowns: byNet(legsIn(plan, 'pull-down'), (leg) => pullDownOf(leg, tolerance)),
    filters: byNet(legsIn(plan, 'line-capacitor'), (leg) => leg),
  };
}

/** A resistor of the plan from a line to a rail. */
function toRail(
  { helper, rail: to, ohms }: { readonly helper: string; readonly rail: string; readonly ohms: number },
  power: PowerGraph,
  tolerance: number,
): PullUp & { readonly helper: string } {
  const rail = power.rails.get(to);
  return {
    ohms: spread(ohms, tolerance),
    rail: to,
    voltage: rail?.voltage ?? null,
    root: rail?.root ?? to,
    source: rail?.source ?? null,
    switches: rail?.switches ?? [],
    helper,
    fitted: null,
    label: tell('resistor', { id: helper }),
    figure: null,
  };
}

/** Legs by the net that they are on. */
function byNet<L extends { readonly line: LineName }, Made>(
  legs: readonly L[],
  make: (leg: L) => Made,
): Map<string, Made[]> {
  const map = new Map<string, Made[]>();
  for (const leg of legs) {
    const { of, line, beyond } = leg.line;
    const key = beyondOf(keyOf(of, line), beyond);
    map.set(key, [...(map.get(key) ?? []), make(leg)]);
  }
  return map;
}

const pullDownOf = (
  { helper, ohms }: { readonly helper: string; readonly ohms: number },
  tolerance: number,
): PullDown => ({
  ohms: spread(ohms, tolerance),
  helper,
  label: tell('resistor', { id: helper }),
  figure: null,
});
