/** Rails, feeds and the currents on them. */
import type { RailOffer, Supply } from '../card/card.ts';
import { toInterval } from '../card/to-interval.ts';
import { exact, interval, type Interval } from '../quantity/interval.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { gaugeResistance } from '../standard/wire-gauge.ts';
import { JUMPER_GAUGE, JUMPER_LENGTH } from '../standard/practice.ts';
import type { Feed, Load, PartNode, Power, Rail } from './circuit.ts';

/** A draw on a rail that no supply terminal stands for: a pull-up held low, a light on a pin. */
export interface ExtraLoad extends Load {
  readonly rail: string;
}

export interface PowerGraph {
  readonly rails: Map<string, Rail>;
  readonly feeds: Map<string, Feed>;
}

const AMPS = (value: number) => formatQuantity(value, 'A');

/** Typical and peak current of a supply or of a board's own load, A. Typical counts the duty, peak the most the card allows. */
export function drawOf(states: Supply['current']): Draw {
  let draw = draws.get(states);
  if (!draw) draws.set(states, (draw = workOut(states)));
  return draw;
}

interface Draw {
  readonly typical: number;
  readonly peak: number;
  readonly sum: string;
}

/** Cards are never changed in place, so what was worked out once stays true. */
const draws = new WeakMap<Supply['current'], Draw>();

function workOut(states: Supply['current']): Draw {
  const { idle, active, peak, duty = 1 } = states;
  const on = toInterval(active);
  const off = idle ? toInterval(idle) : { min: 0, typ: 0, max: 0 };
  const typical = on.typ * duty + off.typ * (1 - duty);
  const most = peak ? toInterval(peak).max : on.max;
  return {
    typical,
    peak: Math.max(most, on.max),
    sum: `${AMPS(on.typ)} × ${duty} + ${AMPS(off.typ)} × ${Number((1 - duty).toFixed(4))}`,
  };
}

/**
 * Derives rails and feeds. Voltages run from the sources down, currents from the parts up; the drop in the leads
 * needs both, so voltages are taken twice.
 */
export function derivePower(
  parts: ReadonlyMap<string, PartNode>,
  extra: (voltageOf: (rail: string) => Interval | null) => readonly ExtraLoad[],
): PowerGraph {
  const offers = new Map<string, { part: PartNode; offer: RailOffer }>();
  const fedBy = new Map<string, { part: PartNode; supply: Supply }[]>();
  for (const part of parts.values()) {
    for (const offer of part.card.rails ?? []) offers.set(`${part.id}.${offer.id}`, { part, offer });
    for (const supply of part.card.supplies) {
      const rail = feedRail(part, supply.id);
      if (rail) fedBy.set(rail, [...(fedBy.get(rail) ?? []), { part, supply }]);
    }
  }
  const upstream = (ref: string): string | null => {
    const entry = offers.get(ref);
    return entry?.offer.from ? feedRail(entry.part, entry.offer.from.supply) : null;
  };

  /** The chain from a rail up to its source; null when it runs in a circle or hangs loose. */
  const chain = (ref: string): string[] | null => {
    const seen: string[] = [];
    for (let at: string | null = ref; at !== null; at = upstream(at)) {
      if (seen.includes(at) || !offers.has(at)) return null;
      seen.push(at);
      if (!offers.get(at)?.offer.from) return seen;
    }
    return null;
  };

  const dropAt = new Map<string, { drop: number; sum: string }>();
  const voltages = (): ((ref: string) => Interval | null) => {
    const memo = new Map<string, Interval | null>();
    const of = (ref: string): Interval | null => {
      if (memo.has(ref)) return memo.get(ref) ?? null;
      memo.set(ref, null); // a circle finds nothing
      const entry = offers.get(ref);
      const up = upstream(ref);
      let value: Interval | null = null;
      if (entry?.offer.voltage && (!entry.offer.from || (up && of(up)))) value = toInterval(entry.offer.voltage);
      else if (entry?.offer.from && up) {
        const above = of(up);
        const drop = dropAt.get(`${entry.part.id}.${entry.offer.from.supply}`)?.drop ?? 0;
        value = above && interval(above.min - drop, above.typ, above.max);
      }
      memo.set(ref, value);
      return value;
    };
    return of;
  };

  const first = voltages();
  const extras = new Map<string, ExtraLoad[]>();
  for (const load of extra(first)) extras.set(load.rail, [...(extras.get(load.rail) ?? []), load]);

  const loadsOf = new Map<string, Load[]>();
  const total = (ref: string, pick: 'typical' | 'peak') =>
    (loadsOf.get(ref) ?? []).reduce((sum, load) => sum + load[pick], 0);
  const collect = (ref: string): void => {
    if (loadsOf.has(ref)) return;
    const loads: Load[] = [...(extras.get(ref) ?? [])];
    loadsOf.set(ref, loads);
    const maker = offers.get(ref);
    if (maker?.offer.ownLoad) {
      loads.push({ subject: maker.part.id, label: `${maker.part.label} itself`, ...drawOf(maker.offer.ownLoad) });
    }
    for (const { part, supply } of fedBy.get(ref) ?? []) {
      const own = drawOf(supply.current);
      if (own.peak > 0)
        loads.push({ subject: part.id, label: part.label, typical: own.typical, peak: own.peak, sum: own.sum });
      for (const offer of part.card.rails ?? []) {
        if (offer.from?.supply !== supply.id) continue;
        const below = `${part.id}.${offer.id}`;
        // A rail that feeds itself has no source to draw from; its sum would depend on where one begins.
        if (chain(below) === null) continue;
        collect(below);
        const load = throughRegulator(
          below,
          offer,
          total(below, 'typical'),
          total(below, 'peak'),
          first(ref),
          first(below),
        );
        if (load.peak > 0) loads.push({ ...load, label: `${part.label}: ${offer.name}` });
      }
    }
  };
  for (const ref of offers.keys()) collect(ref);

  const ohmsPerMetre = gaugeResistance(JUMPER_GAUGE);
  for (const part of parts.values()) {
    for (const supply of part.card.supplies) {
      const rail = feedRail(part, supply.id);
      if (!rail) continue;
      const below = (part.card.rails ?? []).filter((offer) => offer.from?.supply === supply.id);
      const peak = below.reduce((sum, offer) => {
        const ref = `${part.id}.${offer.id}`;
        return sum + total(ref, 'peak') * passedOn(offer, first(rail), first(ref));
      }, drawOf(supply.current).peak);
      const length = part.choice?.lead ?? JUMPER_LENGTH;
      dropAt.set(`${part.id}.${supply.id}`, {
        drop: peak * 2 * length * ohmsPerMetre,
        sum: `${AMPS(peak)} × 2 × ${length} m × ${formatQuantity(ohmsPerMetre, 'Ω')}/m`,
      });
    }
  }

  const final = voltages();
  const rails = new Map<string, Rail>();
  for (const [ref, { part, offer }] of offers) {
    const way = chain(ref);
    rails.set(ref, {
      ref,
      part: part.id,
      label: `${offer.name} of ${part.label}`,
      offer,
      root: way?.find((at) => offers.get(at)?.offer.voltage) ?? ref,
      source: way ? (offers.get(way.at(-1) ?? '')?.part.id ?? part.id) : part.id,
      switches: (way ?? []).flatMap((at) => (offers.get(at)?.offer.switch ? [offers.get(at)?.part.id ?? ''] : [])),
      voltage: final(ref),
      loads: (loadsOf.get(ref) ?? []).toSorted((a, b) => b.peak - a.peak),
      typical: total(ref, 'typical'),
      peak: total(ref, 'peak'),
    });
  }
  const feeds = new Map<string, Feed>();
  for (const part of parts.values()) {
    for (const supply of part.card.supplies) {
      const key = `${part.id}.${supply.id}`;
      const rail = feedRail(part, supply.id);
      const at = rail === null ? null : final(rail);
      const { drop, sum } = dropAt.get(key) ?? { drop: 0, sum: '' };
      feeds.set(key, {
        part: part.id,
        supply,
        rail,
        drop,
        dropSum: sum,
        voltage: at && interval(at.min - drop, at.typ, at.max),
      });
    }
  }
  return { rails, feeds };
}

/** The rail that feeds a supply; for a translator helper its near and far rails, the lower one on the low side. */
function feedRail(part: PartNode, supply: string): string | null {
  return part.choice?.feeds[supply] ?? null;
}

/** Current into a regulator for each ampere out of it, at the worst: power is kept by a switching one, current by a linear one. */
function passedOn({ from }: RailOffer, above: Interval | null, own: Interval | null): number {
  return from?.by === 'switching' && above && own ? own.typ / ((from.efficiency ?? 1) * above.min) : 1;
}

/** What a rail of a regulator draws from the regulator's supply, A. */
function throughRegulator(
  ref: string,
  offer: RailOffer,
  typical: number,
  peak: number,
  above: Interval | null,
  own: Interval | null,
): Load {
  const base = { subject: ref, label: offer.name };
  if (offer.from?.by === 'switching' && above && own) {
    const efficiency = offer.from.efficiency ?? 1;
    return {
      ...base,
      typical: (typical * own.typ) / (efficiency * above.typ),
      peak: peak * passedOn(offer, above, own),
      sum: `${AMPS(peak)} × ${formatQuantity(own.typ, 'V')} ÷ (${efficiency} × ${formatQuantity(above.min, 'V')})`,
    };
  }
  return { ...base, typical, peak, sum: `${AMPS(peak)} passed on` };
}

const DEAD: Power = { rail: null, source: null, switches: [], voltage: null, drop: 0 };

/** The power that a supply or own rail of a part stands on. */
export function powerOf(graph: PowerGraph, part: PartNode, reference: string | undefined): Power {
  const id = reference ?? part.card.supplies[0]?.id ?? '';
  // A part without a supply has levels in volts only.
  if (part.card.supplies.length === 0) return { ...DEAD, voltage: exact(0) };
  const own = graph.rails.get(`${part.id}.${id}`);
  if (own)
    return {
      rail: own.voltage && own.root,
      source: own.source,
      switches: own.switches,
      voltage: own.voltage,
      drop: 0,
    };
  const feed = graph.feeds.get(`${part.id}.${id}`);
  const rail = feed?.rail ? graph.rails.get(feed.rail) : undefined;
  if (!feed || !rail?.voltage) return DEAD;
  return {
    rail: rail.root,
    source: rail.source,
    switches: rail.switches,
    voltage: rail.voltage,
    drop: feed.drop,
  };
}
