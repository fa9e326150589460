/** Which places of a laid-out build are one piece of copper: the nodes of its network. */
import { conductorOf, parseHole, type Grid } from '../board/grid.ts';
import type { Card } from '../card/card.ts';
import { isFitted } from '../circuit/carrier.ts';
import type { Circuit } from '../circuit/model.ts';
import { extract, placeKey, type Extracted } from '../readback/read.ts';
import type { Layout, LeadPoint, Mated } from '../circuit/laid.ts';
import { keyOf } from '../plan/ref.ts';

/**
 * What a carrier brings is joined to the controller's pins on the carrier itself, where no lead of the layout shows it: its
 * signals by their nets, its supplies by their rails, its grounds by the controller's.
 */
function fittedJoins(circuit: Circuit): Mated[] {
  const { controller } = circuit;
  if (!controller) return [];
  const ground = controller.card.terminals.find(({ role }) => role === 'ground')?.id;
  return [...circuit.parts.values()].flatMap(({ id, card }): Mated[] => {
    if (!isFitted(circuit, id)) return [];
    const signals = circuit.nets.flatMap((net) => {
      const own = net.ends.find(({ part }) => part === id);
      const pin = net.ends.find((end) => end.controller);
      return own && pin ? [[own.terminal, pin.terminal] as const] : [];
    });
    const supplies = card.supplies.flatMap((supply) => {
      const rail = circuit.rails.get(circuit.feeds.get(keyOf(id, supply.id))?.rail ?? '');
      return rail?.part === controller.id ? [[supply.terminal, rail.offer.terminal] as const] : [];
    });
    const grounds = card.terminals.flatMap((t) => (t.role === 'ground' && ground ? [[t.id, ground] as const] : []));
    const pairs = [...signals, ...supplies, ...grounds];
    // Both ways round, so that pins of the controller that nothing else is joined to are known, too.
    const back = pairs.map(([own, pin]) => [pin, own] as const);
    return [
      { part: id, host: controller.id, pairs },
      { part: controller.id, host: id, pairs: back },
    ];
  });
}

/** Nodes by place. Places that nothing joins get nodes of their own when they are first asked for. */
export class Connectivity {
  private readonly grids: readonly Grid[];
  private readonly rows = new Map<string, number>();
  private readonly lone = new Map<string, number>();
  private readonly pins: ReadonlyMap<string, number>;
  readonly legs: Extracted['legs'];
  private count: number;

  constructor(circuit: Circuit, layout: Layout) {
    const cards = new Map<string, Card>([...circuit.parts].map(([id, { card }]) => [id, card]));
    const whole = { ...layout, mated: [...layout.mated, ...fittedJoins(circuit)] };
    const read = extract(whole, cards, layout.leads);
    this.grids = layout.boards.map(({ grid }) => grid);
    this.legs = read.legs;
    this.pins = read.of;
    this.count = read.conductors.length;
    read.conductors.forEach(({ places }, i) => places.forEach((place) => this.rows.set(placeKey(place), i)));
  }

  private own(key: string): number {
    const known = this.lone.get(key) ?? this.count++;
    this.lone.set(key, known);
    return known;
  }

  pin(part: string, terminal: string): number {
    const key = keyOf(part, terminal);
    return this.pins.get(key) ?? this.own(key);
  }

  at(point: LeadPoint): number {
    if (point.kind === 'terminal') return this.pin(point.part, point.terminal);
    if (point.kind === 'joint') {
      const joint = placeKey(point);
      return this.rows.get(joint) ?? this.own(joint);
    }
    const hole = parseHole(point.hole);
    const row = hole ? placeKey({ kind: 'row', row: conductorOf(this.grids, hole) }) : point.hole;
    return this.rows.get(row) ?? this.own(row);
  }

  /** Voltages of another build carried over, pin by pin: a first guess. */
  guessFrom(other: Connectivity, volts: Float64Array): Float64Array {
    const guess = new Float64Array(this.count);
    for (const [pin, node] of this.pins) {
      const there = other.pins.get(pin);
      if (there !== undefined) guess[node] = volts[there] ?? 0;
    }
    return guess;
  }

  /** Nodes so far; it grows while places are asked for that nothing joins. */
  get nodes(): number {
    return this.count;
  }
}
