/** What turns to heat where, and how far it is felt. */
import { toInterval } from '../card/to-interval.ts';
import type { Thermal } from '../card/power.ts';
import type { Circuit, PartNode, Rail } from '../circuit/model.ts';
import { placeOf } from '../circuit/place.ts';
import { sunRise } from './sun.ts';
import { efficiencyAt } from '../circuit/regulator.ts';
import { besselK0 } from '../standard/bessel.ts';
import { BOARD_SHEET, BOX_LOSS, BOX_SURFACE, FACE_LOSS, WARM_ROOM } from '../standard/common-practice.ts';
import { quantityOf, tells, type Text, type Sum } from '../quantity/message.ts';
import { divide, multiply, subtract } from '../quantity/sum.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface PhysicsHeatSays {
  readonly ownCurrent: null;
  readonly whatTakesAway: { offer: Text };
  readonly lostSwitching: { offer: Text };
  readonly board: { offer: Text };
}

const tell = tells<PhysicsHeatSays>('physics/heat');

interface HeatTerm {
  readonly name: Text;
  readonly sum: Sum;
  readonly watts: number;
}

export interface Dissipation {
  readonly part: string;
  readonly watts: number;
  readonly terms: readonly HeatTerm[];
}

const OWN_CURRENT = tell('ownCurrent');

const V = (x: number) => quantityOf(x, 'V', 4);
const A = (x: number) => quantityOf(x, 'A');

/** Air around a part, °C: that of its place, or a room's. */
export function airAt(circuit: Circuit, part: string, ifNothing: { from: number; to: number }): typeof ifNothing {
  const name = placeOf(circuit, part);
  return circuit.plan.places.find((place) => place.name === name)?.air ?? ifNothing;
}

/** Air around a part at its warmest, °C: that of its place, warmed by what else is in its box and by the sun on it. */
export const warmestAir = (circuit: Circuit, part: string): number =>
  airAt(circuit, part, { from: WARM_ROOM, to: WARM_ROOM }).to +
  (boxWarmth(circuit, part)?.kelvin ?? 0) +
  sunOnBox(circuit, part);

/** What the sun adds inside of a closed box, K; nothing elsewhere. */
function sunOnBox(circuit: Circuit, part: string): number {
  const name = placeOf(circuit, part);
  const place = circuit.plan.places.find((p) => p.name === name);
  return place?.closed ? sunRise(place).kelvin : 0;
}

/** What the regulator behind a rail turns to heat, W: a linear one the voltage that it takes away, a switching one what is lost on the way. */
function regulatorHeat(circuit: Circuit, rail: Rail): HeatTerm | null {
  const { from } = rail.offer;
  const feed = from && circuit.feeds.get(keyOf(rail.part, from.supply));
  const own = rail.voltage;
  if (!from || from.by === 'pass' || !feed?.voltage || !own) return null;
  if (from.by === 'linear') {
    const watts = Math.max(0, feed.voltage.max - own.min) * rail.lasting;
    return {
      name: tell('whatTakesAway', { offer: rail.offer.name }),
      sum: multiply(subtract(V(feed.voltage.max), V(own.min)), A(rail.lasting)),
      watts,
    };
  }
  const share = efficiencyAt(from, rail.lasting);
  return {
    name: tell('lostSwitching', { offer: rail.offer.name }),
    sum: multiply(multiply(V(own.max), A(rail.lasting)), subtract(divide(1, Number(share.toFixed(3))), 1)),
    watts: own.max * rail.lasting * (1 / share - 1),
  };
}

/** What a part turns to heat by itself and by the rails that it makes, W, for as long as it takes to warm up. */
export function dissipation(circuit: Circuit, part: PartNode): Dissipation {
  const terms: HeatTerm[] = [];
  for (const supply of part.card.supplies) {
    const feed = circuit.feeds.get(keyOf(part.id, supply.id));
    const rail = feed?.rail ? circuit.rails.get(feed.rail) : undefined;
    const own = rail?.loads.find(({ subject, kind }) => kind === 'part' && subject === part.id);
    if (feed?.voltage && own && own.lasting > 0)
      terms.push({
        name: OWN_CURRENT,
        sum: multiply(V(feed.voltage.max), A(own.lasting)),
        watts: feed.voltage.max * own.lasting,
      });
  }
  for (const offer of part.card.rails ?? []) {
    const rail = circuit.rails.get(keyOf(part.id, offer.id));
    const heat = rail && regulatorHeat(circuit, rail);
    if (heat && heat.watts > 0) terms.push(heat);
    const board = rail?.loads.find(({ kind }) => kind === 'board');
    if (offer.ownLoad && board && rail?.voltage)
      terms.push({
        name: tell('board', { offer: offer.name }),
        sum: multiply(V(rail.voltage.max), A(board.lasting)),
        watts: rail.voltage.max * board.lasting,
      });
  }
  return { part: part.id, watts: terms.reduce((sum, { watts }) => sum + watts, 0), terms };
}

export interface Warmth {
  /** °C */
  readonly junction: number;
  readonly surface: number;
  /** The most that the junction may be, with the power derated, °C. */
  readonly limit: number;
}

/**
 * Junction = ambient + P × resistance to the air; surface = junction − P × resistance to the case. Derating the power
 * is derating the rise that is left to the limit.
 */
export function warmth(thermal: Thermal, watts: number, ambient: number, derating: number): Warmth {
  const toAir = toInterval(thermal.toAir).max;
  const toCase = thermal.toCase ? toInterval(thermal.toCase).typ : 0;
  const junction = ambient + watts * toAir;
  return {
    junction,
    surface: junction - watts * Math.min(toCase, toAir),
    limit: ambient + (toInterval(thermal.limit).max - ambient) * derating,
  };
}

/**
 * How much warmer a board is at a distance from a small part on it, K: a point source on a thin plate that loses heat
 * from both faces, rise = P ÷ (2π·k·t) × K0(r·√(2h ÷ (k·t))). The plate without edges is the usual solution of the fin
 * equation in a circle (Carslaw and Jaeger, Conduction of Heat in Solids; quoted from memory); k·t and h are estimates
 * of common practice, so this is one, too.
 * @param metres more than 0
 */
export function riseAt(watts: number, metres: number): number {
  const decay = Math.sqrt((2 * FACE_LOSS) / BOARD_SHEET);
  return (watts / (2 * Math.PI * BOARD_SHEET)) * besselK0(metres * decay);
}

/** What everything in a closed box turns to heat, and how much warmer it makes the air in there; null for a part in no such box. */
export function boxWarmth(circuit: Circuit, part: string): { place: string; watts: number; kelvin: number } | null {
  const name = placeOf(circuit, part);
  if (name === null || !circuit.plan.places.some((place) => place.name === name && place.closed)) return null;
  const watts = [...circuit.parts.values()]
    .filter(({ id }) => placeOf(circuit, id) === name)
    .reduce((sum, inside) => sum + dissipation(circuit, inside).watts, 0);
  return { place: name, watts, kelvin: watts / (BOX_LOSS * BOX_SURFACE) };
}

export interface RailWarmth extends Warmth {
  /** W, the regulator's own current included. */
  readonly watts: number;
  readonly air: number;
  readonly thermal: Thermal;
  readonly terms: readonly HeatTerm[];
}

/** What the regulator itself takes: its quiescent current where the card tells it from what else the part draws there. */
function regulatorsOwn(circuit: Circuit, part: PartNode, rail: Rail): HeatTerm | undefined {
  const from = rail.offer.from;
  if (!from?.quiescent) return dissipation(circuit, part).terms.find(({ name }) => name === OWN_CURRENT);
  const volts = circuit.feeds.get(keyOf(part.id, from.supply))?.voltage?.max ?? 0;
  const amps = toInterval(from.quiescent).max;
  return { name: OWN_CURRENT, sum: multiply(V(volts), A(amps)), watts: volts * amps };
}

/** How warm the regulator behind a rail gets; null for a rail without one, or of whose heat the card says nothing. */
export function railWarmth(circuit: Circuit, rail: Rail): RailWarmth | null {
  const thermal = rail.offer.from?.thermal;
  const part = circuit.parts.get(rail.part);
  const heat = regulatorHeat(circuit, rail);
  if (!part || !thermal || !heat) return null;
  const own = regulatorsOwn(circuit, part, rail);
  const terms = own ? [heat, own] : [heat];
  const watts = terms.reduce((sum, term) => sum + term.watts, 0);
  const air = warmestAir(circuit, part.id);
  return { ...warmth(thermal, watts, air, circuit.plan.rules.derating), watts, air, thermal, terms };
}
