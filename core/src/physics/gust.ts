/** What a rail loses while a load takes a gust and its regulator has not answered yet. */
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { GUST } from '../standard/practice.ts';

export interface Gust {
  /** From the average to the peak of what hangs on the rail, A; what is on the board that makes it is its maker's. */
  readonly amps: number;
  readonly sum: string;
  /** What takes most of it. */
  readonly by: string;
  /** Across the rail, F. */
  readonly farads: number;
  readonly reserve: string;
  /** s until the rail answers. */
  readonly seconds: number;
  /** V */
  readonly dip: number;
  /** Set where no card says what is across the rail, or when it answers. */
  readonly assumed: boolean;
}

/** A, less than this is no gust. */
const LEAST = 1e-3;

/** @returns null for cells, which answer at once, and where nothing takes a gust */
export function gustOf(circuit: Circuit, rail: Rail): Gust | null {
  const outer = rail.loads.filter(({ kind }) => kind !== 'board' && kind !== 'small');
  const steps = outer.map((load) => ({ label: load.label, amps: Math.max(0, load.peak - load.typical) }));
  const amps = steps.reduce((sum, step) => sum + step.amps, 0);
  const [largest] = steps.toSorted((a, b) => b.amps - a.amps);
  if (rail.offer.cells || amps < LEAST || !largest) return null;
  const by = rail.offer.from?.by === 'switching' ? 'switching' : rail.offer.from ? 'linear' : 'source';
  const usual = GUST[by];
  const own = rail.offer.reserve ? toInterval(rail.offer.reserve).min : usual.farads;
  const seconds = rail.offer.response ? toInterval(rail.offer.response).max : usual.seconds;
  const fed = [...circuit.feeds.values()].filter((feed) => feed.rail === rail.ref);
  const onParts = fed.reduce(
    (sum, { supply }) => sum + (supply.capacitance ? toInterval(supply.capacitance).min : 0),
    0,
  );
  const fitted = circuit.plan.helpers.reduce(
    (sum, h) =>
      h.kind === 'capacitor' && fed.some(({ part, supply }) => part === h.part && supply.id === h.supply)
        ? sum + h.farads
        : sum,
    0,
  );
  const farads = own + onParts + fitted;
  const F = (x: number) => formatQuantity(x, 'F', 3);
  return {
    amps,
    by: largest.label,
    sum: steps
      .filter((step) => step.amps > 0)
      .map((step) => `${formatQuantity(step.amps, 'A', 2)} ${step.label}`)
      .join(' + '),
    farads,
    reserve: `${F(own)} ${rail.offer.reserve ? 'of its card' : `usual for ${by === 'source' ? 'a source' : `a ${by} regulator`}`} + ${F(onParts)} on parts + ${F(fitted)} of the plan`,
    seconds,
    dip: (amps * seconds) / farads,
    assumed: rail.offer.reserve === undefined || rail.offer.response === undefined,
  };
}
