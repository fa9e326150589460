/** How long a build runs on its cells: a band from the usual to the worst, and what eats the charge. */
import { toInterval } from '../card/to-interval.ts';
import type { Cells, States } from '../card/power.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import type { PowerTree } from '../circuit/power-tree.ts';
import { statesOver } from '../circuit/draw.ts';
import type { Doing } from '../circuit/model.ts';
import { mean } from '../quantity/steps.ts';
import { USUAL_ROOM } from '../standard/common-practice.ts';
import { discharge, packOf, type Discharge, type Pack } from './discharge.ts';
import { airAt } from './heat.ts';
import { drainOf, flowAt, leastInput, treeOf, type Weakest } from './source-load.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';
import { perOwnerAndKey } from '../quantity/memo.ts';

/** What is said here, by the data that it takes. */
export interface PhysicsRuntimeSays {
  readonly resistorsLights: { rail: Text };
  readonly cellsThemselves: null;
}

const tell = tells<PhysicsRuntimeSays>('physics/runtime');

export interface Eater {
  /** A part, or a rail. */
  readonly subject: string;
  readonly label: Text;
  readonly doing: Doing | 'switched-on' | 'self-discharge';
  /** A at the source, on the average. */
  readonly amps: number;
  /** Of all that leaves the cells. */
  readonly share: number;
}

export interface Runtime {
  readonly rail: string;
  readonly cells: Cells;
  readonly usual: Discharge;
  readonly worst: Discharge;
  readonly packs: { readonly usual: Pack; readonly worst: Pack };
  /** A on the average, at the voltage that the cells have half way. */
  readonly mean: { readonly usual: number; readonly worst: number };
  /** A at the worst moment, at their end. */
  readonly peak: number;
  readonly middle: number;
  /** °C that the cells were taken at. */
  readonly air: { readonly usual: number; readonly worst: number };
  readonly least: Weakest | null;
  /** Most first. */
  readonly eaters: readonly Eater[];
}

/** Rails of cells with something on them. */
export const cellRails = (circuit: Circuit): Rail[] => [...circuit.rails.values()].filter(isCellRail);
export const isCellRail = ({ offer, loads }: Rail): boolean => offer.cells !== undefined && loads.length > 0;

/**
 * Asked for by checks, by what-ifs and by the station, of the same circuit.
 * @returns null for a rail that is not one of cells
 */
export const runtimeOf = perOwnerAndKey((circuit: Circuit, rail: Rail): Runtime | null => {
  const { cells } = rail.offer;
  if (!cells) return null;
  const tree = treeOf(circuit);
  const room = { from: USUAL_ROOM, to: USUAL_ROOM };
  const air = airAt(circuit, rail.part, room);
  // Usually it is about as warm as half way between the ends; at the worst it is cold all the time.
  const temperatures = { usual: (air.from + air.to) / 2, worst: air.from };
  const packs = {
    usual: packOf(cells, 'usual', temperatures.usual),
    worst: packOf(cells, 'worst', temperatures.worst),
  };
  const least = leastInput(circuit, tree, rail.ref);
  const range = {
    from: Math.min(toInterval(cells.cutOff).typ, 0.9 * (cells.curve.at(-1)?.volts ?? 1)),
    to: cells.curve[0]?.volts ?? 1,
  };
  const drains = {
    usual: drainOf(circuit, tree, rail.ref, 'usual', range),
    worst: drainOf(circuit, tree, rail.ref, 'worst', range),
  };
  const usual = discharge(packs.usual, drains.usual);
  const worst = discharge(packs.worst, drains.worst);
  const middle = usual.points[Math.floor(usual.points.length / 2)]?.volts ?? range.to;
  return {
    rail: rail.ref,
    cells,
    usual,
    worst,
    packs,
    mean: { usual: drains.usual.mean(middle), worst: drains.worst.mean(middle) },
    peak: drains.worst.peak(Math.max(packs.worst.cutOff, drains.worst.least)),
    middle,
    air: temperatures,
    least,
    eaters: eaters(circuit, tree, rail.ref, middle, packs.usual.leak),
  };
});

/** Every draw below a source as it is felt there: divided by what regulators in between lose of it. */
function eaters(circuit: Circuit, tree: PowerTree, source: string, volts: number, leak: number): Eater[] {
  const flows = flowAt(circuit, tree, 'usual', source, volts);
  const found: Omit<Eater, 'share'>[] = [];
  const walk = (ref: string, factor: number, guard: number): void => {
    const rail = circuit.rails.get(ref);
    if (!rail || guard > 16) return;
    if (rail.still.typical > 0)
      found.push({
        subject: ref,
        label: tell('resistorsLights', { rail: rail.label }),
        doing: 'switched-on',
        amps: rail.still.typical * factor,
      });
    const maker = tree.offers.get(ref);
    if (maker?.offer.ownLoad) found.push(...byState(circuit, maker.part.id, maker.offer.ownLoad, factor));
    for (const { part, supply } of tree.fedBy.get(ref) ?? []) {
      found.push(...byState(circuit, part.id, supply.current, factor));
      for (const offer of part.card.rails ?? []) {
        const below = keyOf(part.id, offer.id);
        if (offer.from?.supply !== supply.id || !tree.ways.get(below)) continue;
        const out = mean(flows.rail(below));
        const into = mean(flows.into(below));
        walk(below, out > 0 ? (factor * into) / out : factor, guard + 1);
      }
    }
    for (const pin of tree.pinsOn.get(ref) ?? []) walk(pin.ref, factor, guard + 1);
  };
  walk(source, 1, 0);
  if (leak > 0) found.push({ subject: source, label: tell('cellsThemselves'), doing: 'self-discharge', amps: leak });
  const total = found.reduce((sum, { amps }) => sum + amps, 0) || 1;
  // A board draws on its rail and before its regulator: what it does is one thing.
  const merged = new Map<string, Omit<Eater, 'share'>>();
  for (const eater of found) {
    const key = `${eater.subject} ${eater.doing}`;
    merged.set(key, { ...eater, amps: eater.amps + (merged.get(key)?.amps ?? 0) });
  }
  return [...merged.values()]
    .filter(({ amps }) => amps > 0)
    .map((eater) => ({ ...eater, share: eater.amps / total }))
    .sort((a, b) => b.amps - a.amps);
}

/** The mean of one draw, state by state. */
function byState(circuit: Circuit, part: string, states: States, factor: number): Omit<Eater, 'share'>[] {
  const rhythm = circuit.rhythms.get(part);
  const node = circuit.parts.get(part);
  if (!rhythm || !node) return [];
  const label = node.label;
  const clock = node.choice?.run?.clock;
  return statesOver(states, rhythm, clock).map(({ doing, amps }) => ({
    subject: part,
    label,
    doing,
    amps: amps * factor,
  }));
}
