/** What a rail loses while a load takes a gust and its regulator has not answered yet. */
import { legsIn } from '../plan/helpers.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { GUST } from '../standard/common-practice.ts';
import { add, noted } from '../quantity/sum.ts';
import { quantityOf, tells, type Text, type Quantity, type Sum, wordOf } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface PhysicsGustSays {
  readonly card: null;
  readonly source: null;
  readonly regulator: { by: Text };
  readonly usual: { by: Text };
  readonly partsPlan: { own: Quantity; reserve: Text; onParts: Quantity; fitted: Quantity };
}

const tell = tells<PhysicsGustSays>('physics/gust');

export interface Gust {
  /** From the average to the peak of what hangs on the rail, A; what is on the board that makes it is its maker's. */
  readonly amps: number;
  readonly sum: Sum;
  /** What takes most of it. */
  readonly by: Text;
  /** Across the rail, F. */
  readonly farads: number;
  readonly reserve: Text;
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
  const fitted = legsIn(circuit.plan, 'supply-capacitor')
    .filter((leg) => fed.some(({ part, supply }) => part === leg.part && supply.id === leg.supply))
    .reduce((sum, leg) => sum + leg.farads, 0);
  const farads = own + onParts + fitted;
  const F = (x: number) => quantityOf(x, 'F', 3);
  return {
    amps,
    by: largest.label,
    sum: add(...steps.filter((step) => step.amps > 0).map((step) => noted(quantityOf(step.amps, 'A', 2), step.label))),
    farads,
    reserve: tell('partsPlan', {
      own: F(own),
      reserve: rail.offer.reserve
        ? tell('card')
        : tell('usual', { by: by === 'source' ? tell('source') : tell('regulator', { by: wordOf('regulator', by) }) }),
      onParts: F(onParts),
      fitted: F(fitted),
    }),
    seconds,
    dip: (amps * seconds) / farads,
    assumed: rail.offer.reserve === undefined || rail.offer.response === undefined,
  };
}
