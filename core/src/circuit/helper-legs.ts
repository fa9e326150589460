/** What the helpers of a plan put on its lines. */
import { type LegOf, legsIn } from '../plan/helpers.ts';
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

type LineLeg = LegOf<'pull-up' | 'in-line' | 'pull-down' | 'line-capacitor'>;

/** What the helpers of a plan put on one net. */
export interface HelperLegs {
  readonly pullUps: readonly PullUp[];
  readonly fixed: readonly NonNullable<Net['fixed']>[];
  readonly series: readonly LegOf<'in-line'>[];
  readonly pullDowns: readonly PullDown[];
  readonly filters: readonly LegOf<'line-capacitor'>[];
}

/** What the helpers of a plan put on its lines. */
export class LegsAt {
  private readonly byNet = new Map<string, LineLeg[]>();
  private readonly byLine = new Map<string, LineLeg[]>();

  private readonly dividers: ReadonlyMap<string, LegOf<'divider'>>;

  constructor(plan: Plan) {
    this.dividers = new Map(legsIn(plan, 'divider').map((leg) => [leg.helper, leg]));
    for (const is of ['pull-up', 'in-line', 'pull-down', 'line-capacitor'] as const)
      for (const leg of legsIn(plan, is)) {
        const { of, line, beyond } = leg.line;
        const trunk = keyOf(of, line);
        push(this.byLine, trunk, leg);
        push(this.byNet, beyondOf(trunk, beyond), leg);
      }
  }

  /** The divider of a helper. */
  divider(helper: string): LegOf<'divider'> | undefined {
    return this.dividers.get(helper);
  }

  /** On a line, on whichever side of what stands in it. */
  onLine(trunk: string): readonly LineLeg[] {
    return this.byLine.get(trunk) ?? [];
  }

  /** @param tolerance of the resistors of the plan, as a share */
  on(net: string, power: PowerGraph, tolerance: number): HelperLegs {
    const legs = this.byNet.get(net) ?? [];
    const of = <Is extends LineLeg['is']>(is: Is) =>
      legs.filter((leg): leg is Extract<LineLeg, { is: Is }> => leg.is === is);
    const pulls = of('pull-up');
    return {
      pullUps: pulls.filter(({ divides }) => !divides).map((leg) => toRail(leg, power, tolerance)),
      fixed: pulls.filter(({ divides }) => divides).map((leg) => toRail(leg, power, tolerance)),
      series: of('in-line'),
      pullDowns: of('pull-down').map((leg) => pullDownOf(leg, tolerance)),
      filters: of('line-capacitor'),
    };
  }
}

function push<K, V>(map: Map<K, V[]>, key: K, value: V): void {
  const there = map.get(key);
  if (there) there.push(value);
  else map.set(key, [value]);
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

const pullDownOf = (
  { helper, ohms }: { readonly helper: string; readonly ohms: number },
  tolerance: number,
): PullDown => ({
  ohms: spread(ohms, tolerance),
  helper,
  label: tell('resistor', { id: helper }),
  figure: null,
});
