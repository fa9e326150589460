/** What a source sees of the build at each of its voltages: average, worst moment, and the least that everything works at. */
import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/model.ts';
import { flow, type Flow, type View } from '../circuit/flow.ts';
import { acrossOf } from '../circuit/regulator.ts';
import { contactOhms } from '../circuit/contacts.ts';
import { powerTree, type PowerTree } from '../circuit/power-tree.ts';
import { voltages } from '../circuit/rail-voltage.ts';
import { exact, type Interval } from '../quantity/interval.ts';
import { highest, mean } from '../quantity/steps.ts';
import { gaugeResistance } from '../standard/wire-gauge.ts';
import type { Drain } from './discharge.ts';
import { keyOf } from '../plan/ref.ts';
import { perOwner } from '../quantity/memo.ts';

export const treeOf = perOwner((circuit: Circuit): PowerTree => powerTree(circuit.parts, circuit.controller));

/** The currents of a build while one source stands at a voltage. */
export function flowAt(circuit: Circuit, tree: PowerTree, view: View, source: string, volts: number): Flow {
  const pick = view === 'usual' ? 'typical' : view === 'most' ? 'most' : 'peak';
  const at = voltagesAt(tree, source, volts);
  return flow({
    tree,
    rhythms: circuit.rhythms,
    view,
    still: (ref) => circuit.rails.get(ref)?.still[pick] ?? 0,
    across: acrossOf(tree, at, 'typ'),
  });
}

/** Voltages of all rails while one source stands at a voltage. */
function voltagesAt(tree: PowerTree, source: string, volts: number): (ref: string) => Interval | null {
  const plain = voltages(tree, () => 0);
  const memo = new Map<string, Interval | null>();
  const of = (ref: string): Interval | null => {
    if (ref === source) return exact(volts);
    if (memo.has(ref)) return memo.get(ref) ?? null;
    memo.set(ref, null);
    const offered = tree.offers.get(ref);
    const up = offered?.up ? of(offered.up) : null;
    const value = offered && !offered.offer.voltage && offered.offer.from && up ? up : plain(ref);
    memo.set(ref, value);
    return value;
  };
  return of;
}

/** A supply that stops working first as a source sinks, and what is between them. */
export interface Weakest {
  readonly part: string;
  readonly supply: string;
  readonly volts: number;
}

/**
 * The lowest voltage at a source's terminals at which every supply below it still gets its least, V: leads, diodes and
 * regulators in between take theirs at the worst moment.
 * @returns null where nothing hangs on it
 */
export function leastInput(circuit: Circuit, tree: PowerTree, source: string): Weakest | null {
  const below = new Map<string, Weakest | null>();
  const need = (ref: string): Weakest | null => {
    const known = below.get(ref);
    if (known !== undefined) return known;
    below.set(ref, null);
    let worst: Weakest | null = null;
    const keep = (found: Weakest | null) => {
      if (found && (!worst || found.volts > worst.volts)) worst = found;
    };
    for (const { part, supply } of tree.fedBy.get(ref) ?? []) {
      const feed = circuit.feeds.get(keyOf(part.id, supply.id));
      const lost =
        (feed?.peak ?? 0) *
          (2 * (feed?.lead.length ?? 0) * gaugeResistance(feed?.lead.gauge ?? 28) +
            (feed?.by === 'leads' ? contactOhms(circuit.plan, feed.lead.gauge) : 0)) +
        Math.max(0, ...circuit.guards.flatMap((g) => (g.part === part.id && g.supply === supply.id ? g.drop : [])));
      const at = (volts: number): Weakest => ({ part: part.id, supply: supply.id, volts: volts + lost });
      keep(at(toInterval(supply.range).min));
      for (const offer of part.card.rails ?? []) {
        if (offer.from?.supply !== supply.id) continue;
        const made = keyOf(part.id, offer.id);
        const wanted = need(made);
        const dropout = offer.from.dropout ? toInterval(offer.from.dropout).max : 0;
        // A regulator gives what it can: its rail may sink as far as the parts on it allow.
        // Of a chip on it no card says how far: it gets what was promised.
        if (wanted && offer.from.by !== 'switching' && !offer.ownLoad)
          keep({ ...wanted, volts: wanted.volts + dropout + lost });
        else if (offer.from.dropout && offer.voltage) keep(at(toInterval(offer.voltage).min + dropout));
      }
    }
    for (const pin of tree.pinsOn.get(ref) ?? []) {
      const wanted = need(pin.ref);
      const [above, own] = [circuit.rails.get(ref)?.voltage, circuit.rails.get(pin.ref)?.voltage];
      if (wanted) keep({ ...wanted, volts: wanted.volts + (above && own ? above.min - own.min : 0) });
    }
    below.set(ref, worst);
    return worst;
  };
  return need(source);
}

/** Voltages at which the currents of a source are worked out; between them they run straight over 1 ÷ V. */
const SAMPLES = 5;

/** What drains a source's cells, from its highest voltage to its lowest. */
export function drainOf(
  circuit: Circuit,
  tree: PowerTree,
  source: string,
  as: 'usual' | 'worst',
  range: { from: number; to: number },
): Drain {
  const volts = Array.from({ length: SAMPLES }, (_, i) => {
    const inverse = 1 / range.to + ((1 / range.from - 1 / range.to) * i) / (SAMPLES - 1);
    return 1 / inverse;
  });
  const sampled = (view: View) => volts.map((v) => flowAt(circuit, tree, view, source, v).rail(source));
  const average = sampled(as === 'usual' ? 'usual' : 'most');
  const means = average.map(mean);
  const peaks = (as === 'usual' ? average : sampled('surge')).map(highest);
  const reader = (values: readonly number[]) => (v: number) => {
    const place = ((1 / v - 1 / range.to) / (1 / range.from - 1 / range.to)) * (SAMPLES - 1);
    const k = Math.min(SAMPLES - 2, Math.max(0, Math.floor(place)));
    const [a = 0, b = 0] = [values[k], values[k + 1]];
    return a + (b - a) * (place - k);
  };
  return { mean: reader(means), peak: reader(peaks), least: leastInput(circuit, tree, source)?.volts ?? 0 };
}
