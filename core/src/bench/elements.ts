/** The electrical elements of a laid-out build: what stands between which nodes, by the usual figures of the cards. */
import type { Signal, Supply } from '../card/card-shape.ts';
import { boardPullUps } from '../circuit/board-pull-ups.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { lowOhms, pinGrounds } from '../circuit/pin-ground.ts';
import type { Network } from '../physics/network.ts';
import { USUAL_WEAK_PULL } from '../standard/common-practice.ts';
import { keyOf } from '../plan/ref.ts';
import type { Connectivity } from './connectivity.ts';
import type { Elements, LineEnd, RailSwitch, Regulator, Resistor } from './elements-model.ts';
import type { Faulty } from './inject-fault.ts';
import {
  CHIP_DIODE,
  POWER_DIODE,
  analogShare,
  driverModel,
  lightModel,
  passModel,
  sinkOhms,
  sourceOhms,
  supplyOhms,
  usual,
} from './usual.ts';

/** Grounds of one part, and pins that a part passes through, Ω. */
const INSIDE = 0.01;
/** What holds an input that nothing drives, Ω. */
const INPUT_LEAK = 200e6;
/** A closed switch or a passed-through supply, Ω. */
export const CLOSED = 0.05;
/** Of the dropout that a card promises at its full current, what a usual load needs. */
const DROPOUT_SHARE = 0.5;
/** Dropout and efficiency of a regulator that states none. */
const USUAL_REGULATOR = { dropout: 0.1, efficiency: 0.85 } as const;
/** A regulator gives this many times what it is rated for before its voltage falls. */
const LIMIT_RATIO = 1.5;

class Gathering {
  readonly resistors: Resistor[] = [];
  readonly loads: Resistor[] = [];
  readonly diodes: Network['diodes'][number][] = [];
  readonly transistors: Network['transistors'][number][] = [];
  readonly regulators: Regulator[] = [];
  readonly switches: RailSwitch[] = [];
  readonly ends = new Map<string, LineEnd>();
  readonly contacts = new Map<string, readonly [number, number]>();
  readonly weak = new Map<string, Resistor>();
  readonly ownPull: number;
  readonly channels: Elements['channels'][number][] = [];

  constructor(
    readonly circuit: Circuit,
    readonly copper: Connectivity,
    readonly with_: Faulty,
  ) {
    const own = circuit.controller?.card.controller?.io.weakPull;
    this.ownPull = own ? usual(own) : USUAL_WEAK_PULL;
  }

  resist(a: number, b: number, ohms: number): void {
    if (a !== b) this.resistors.push({ a, b, ohms });
  }

  ground(part: PartNode): number {
    const own = part.card.terminals.find(({ role }) => role === 'ground');
    // A part without a ground has a place of its own in its stead: nothing is joined to it.
    return this.copper.pin(part.id, own?.id ?? 'no-ground');
  }

  /** Node of a supply or an own rail of a part, by its id; of the first supply where nothing is said. */
  power(part: PartNode, reference: string | undefined): number {
    const { card, id } = part;
    const rail = card.rails?.find((r) => r.id === reference);
    const supply = card.supplies.find((s) => s.id === reference) ?? card.supplies[0];
    const terminal = rail?.terminal ?? supply?.terminal;
    return terminal === undefined ? this.ground(part) : this.copper.pin(id, terminal);
  }

  part(part: PartNode): void {
    const ground = this.ground(part);
    const { card, id } = part;
    for (const t of card.terminals) if (t.role === 'ground') this.resist(this.copper.pin(id, t.id), ground, INSIDE);
    for (const supply of card.supplies) this.supply(part, supply, ground);
    this.rails(part, ground);
    for (const signal of card.signals) this.signal(part, signal, ground);
    this.translator(part);
    this.driver(part, ground);
    this.contact(part, ground);
    this.busSwitch(part);
  }

  private supply(part: PartNode, supply: Supply, ground: number): void {
    const node = this.copper.pin(part.id, supply.terminal);
    const ohms = supplyOhms(this.circuit, part, supply);
    if (ohms !== null && !this.with_.dead.has(part.id)) this.loads.push({ a: node, b: ground, ohms });
    // Whatever is fed the wrong way round conducts through its chips; a coil or a motor does not mind.
    const coil = part.card.ports.some(({ protocol }) => protocol === 'coil');
    if (!coil && part.card.kind !== 'source') this.diodes.push({ anode: ground, cathode: node, model: CHIP_DIODE });
  }

  private rails(part: PartNode, ground: number): void {
    const { circuit, copper } = this;
    for (const offer of part.card.rails ?? []) {
      const plus = copper.pin(part.id, offer.terminal);
      const from = offer.from;
      const supply = from && part.card.supplies.find(({ id }) => id === from.supply);
      const key = keyOf(part.id, offer.id);
      if (offer.ownLoad && circuit.rails.get(key)?.voltage && !this.with_.dead.has(part.id)) {
        const volts = circuit.rails.get(key)?.voltage?.typ ?? 0;
        const amps = usual(offer.ownLoad.active);
        if (amps > 0) this.loads.push({ a: plus, b: ground, ohms: volts / amps });
      }
      if (this.with_.dead.has(part.id)) continue;
      if (from?.by === 'pass' && supply) {
        const into = copper.pin(part.id, supply.terminal);
        const port = part.card.ports.find(({ id }) => id === offer.switch?.port);
        const signal = part.card.signals.find(({ id }) => id === Object.values(port?.lines ?? {})[0]);
        // What is lost on the way at the most that may flow, as a resistance.
        const way = from.drop ? usual(from.drop) / usual(offer.limit) : CLOSED;
        if (!signal) this.resist(into, plus, Math.max(way, CLOSED));
        else
          this.switches.push({
            key,
            from: into,
            to: plus,
            gate: copper.pin(part.id, signal.terminal),
            ground,
            onHigh: port?.active?.level !== 'low',
          });
        continue;
      }
      const volts = offer.voltage ? usual(offer.voltage) : null;
      if (volts === null) continue;
      const limit = usual(offer.limit);
      const base = { key, plus, minus: ground, volts, limit: limit * LIMIT_RATIO, ohms: sourceOhms(offer) };
      if (!from || !supply) this.regulators.push(base);
      else {
        const into = copper.pin(part.id, supply.terminal);
        // A regulator that is fed from behind lets go through its own body.
        this.diodes.push({ anode: plus, cathode: into, model: POWER_DIODE });
        this.regulators.push({
          ...base,
          from: {
            plus: into,
            minus: ground,
            by: from.by === 'switching' ? 'switching' : 'linear',
            dropout: from.dropout ? usual(from.dropout) * DROPOUT_SHARE : USUAL_REGULATOR.dropout,
            efficiency: from.efficiency ?? USUAL_REGULATOR.efficiency,
          },
        });
      }
    }
  }

  private signal(part: PartNode, signal: Signal, ground: number): void {
    const key = keyOf(part.id, signal.id);
    const node = this.copper.pin(part.id, signal.terminal);
    const power = this.power(part, signal.reference);
    if (signal.fittedPullUp) {
      const opened = part.choice?.opened.includes(signal.id) && !this.with_.closed.has(key);
      if (!opened) this.resist(node, this.power(part, signal.fittedPullUp.to), usual(signal.fittedPullUp.value));
    }
    if (signal.fittedPullDown) this.resist(node, ground, usual(signal.fittedPullDown));
    this.end({ key, part: part.id, node, ground, power, kind: signal.kind, electrical: signal });
    const light = part.card.ports.find(
      ({ protocol, lines }) => protocol === 'led' && Object.values(lines).includes(signal.id),
    );
    if (light?.forward) this.diodes.push({ anode: node, cathode: ground, model: lightModel(light.forward) });
    if (signal.kind === 'switch') this.contacts.set(key, [node, ground]);
    const measure = part.card.measures.find(({ analog }) => analog?.signal === signal.id);
    if (this.with_.dead.has(part.id)) return;
    if (signal.kind === 'analog-out' || signal.kind === 'passive') {
      const share = analogShare(measure, signal, this.circuit, part);
      if (share?.kind === 'divides') {
        this.resist(node, power, share.ohms / share.share);
        this.resist(node, ground, share.ohms / (1 - share.share));
      } else if (share) this.resist(node, ground, share.ohms);
    }
  }

  end(end: LineEnd): void {
    this.ends.set(end.key, end);
    const active = end.kind !== 'switch' && end.kind !== 'passive' && end.kind !== 'led';
    if (!active || end.node === end.ground) return;
    this.resist(end.node, end.ground, INPUT_LEAK);
    this.diodes.push({ anode: end.ground, cathode: end.node, model: CHIP_DIODE });
    if (end.electrical.absoluteMax?.unit === 'offset')
      this.diodes.push({ anode: end.node, cathode: end.power, model: CHIP_DIODE });
  }

  /** Pins of the controller that lines are on. */
  pins(controller: PartNode): void {
    const { circuit, copper } = this;
    const io = controller.card.controller?.io;
    if (!io) return;
    const ground = this.ground(controller);
    const power = this.power(controller, io.reference);
    for (const net of circuit.nets)
      for (const end of net.ends) {
        if (!end.controller || end.terminal === '') continue;
        const node = copper.pin(controller.id, end.terminal);
        const key = keyOf(controller.id, end.terminal);
        if (!this.ends.has(key))
          this.end({ key, part: controller.id, node, ground, power, kind: end.kind, electrical: io });
        if (net.weak && node !== power && !this.with_.dead.has(controller.id))
          this.weak.set(key, { a: node, b: power, ohms: net.weak.ohms.typ });
        for (const pull of boardPullUps(circuit.parts, controller, end.terminal))
          this.resist(node, this.power(controller, pull.to), usual(pull.value));
      }
    // A part that is fed from a pin hangs on the pin's own driver.
    for (const rail of circuit.rails.values())
      if (rail.pin && rail.part === controller.id && !this.with_.dead.has(controller.id))
        this.resist(copper.pin(controller.id, rail.offer.terminal), power, sinkOhms(io));
    // And one that stands on a pin on its other one.
    if (!this.with_.dead.has(controller.id))
      for (const pin of new Set(pinGrounds(circuit.parts, controller).map((on) => on.pin)))
        this.resist(copper.pin(controller.id, pin), ground, lowOhms(controller) ?? sinkOhms(io));
  }

  private translator(part: PartNode): void {
    const { translator, signals } = part.card;
    if (!translator || this.with_.dead.has(part.id)) return;
    const node = (signal: string) => {
      const terminal = signals.find(({ id }) => id === signal)?.terminal;
      return terminal === undefined ? null : this.copper.pin(part.id, terminal);
    };
    const gate = this.power(part, translator.lowSupply);
    for (const { low, high } of translator.channels) {
      const [a, b] = [node(low), node(high)];
      if (a === null || b === null) continue;
      this.transistors.push({ drain: b, source: a, gate, model: passModel(translator) });
      this.diodes.push({ anode: a, cathode: b, model: POWER_DIODE });
    }
  }

  /** The contact of a relay, which follows its line. */
  private contact(part: PartNode, ground: number): void {
    const { contact, ports, signals } = part.card;
    const port = ports.find(({ protocol }) => protocol === 'digital-in');
    const signal = signals.find(({ id }) => id === Object.values(port?.lines ?? {})[0]);
    if (!contact || !signal || this.with_.dead.has(part.id)) return;
    const pin = (terminal: string) => this.copper.pin(part.id, terminal);
    const gate = pin(signal.terminal);
    const onHigh = port?.active?.level !== 'low';
    const base = { from: pin(contact.common), gate, ground };
    this.switches.push({ ...base, key: `${part.id}.open`, to: pin(contact.open), onHigh });
    if (contact.closed)
      this.switches.push({ ...base, key: `${part.id}.closed`, to: pin(contact.closed), onHigh: !onHigh });
  }

  private driver(part: PartNode, ground: number): void {
    const { driver, signals } = part.card;
    const [input] = signals;
    if (!driver || !input || this.with_.dead.has(part.id)) return;
    const drain = this.copper.pin(part.id, driver.terminal);
    this.transistors.push({
      drain,
      source: ground,
      gate: this.copper.pin(part.id, input.terminal),
      model: driverModel(driver),
    });
    if (!driver.bipolar) this.diodes.push({ anode: ground, cathode: drain, model: POWER_DIODE });
  }

  private busSwitch(part: PartNode): void {
    const { busSwitch, signals, ports } = part.card;
    if (!busSwitch || this.with_.dead.has(part.id)) return;
    const port = ports.find(({ id }) => id === busSwitch.port);
    const node = (signal: string | undefined) => {
      const terminal = signals.find(({ id }) => id === signal)?.terminal;
      return terminal === undefined ? null : this.copper.pin(part.id, terminal);
    };
    busSwitch.channels.forEach(({ sda, scl }, channel) => {
      const pairs = [
        [node(port?.lines['sda']), node(sda)],
        [node(port?.lines['scl']), node(scl)],
      ].flatMap(([a, b]) => (a === null || b === null || a === undefined || b === undefined ? [] : [[a, b] as const]));
      this.channels.push({ part: part.id, channel, pairs });
    });
  }

  /** Resistors, diodes, switches and capacitors between holes, and leads that resist. */
  legs(ohmsOf: ReadonlyMap<string, number>): void {
    for (const { of, kind, on } of this.copper.legs) {
      const [a, b] = on;
      const cold = of.startsWith('cold:') ? this.with_.ohms.get(of.slice(5)) : undefined;
      if (cold !== undefined) this.resist(a, b, cold);
      else if (kind === 'resistor') this.resist(a, b, this.with_.ohms.get(of) ?? ohmsOf.get(of) ?? CLOSED);
      else if (kind === 'diode') this.diodes.push({ anode: a, cathode: b, model: POWER_DIODE });
      else if (kind === 'switch') this.resist(a, b, CLOSED);
    }
  }
}

/** @param ohms value of each resistor of the plan, by its id, Ω */
export function elementsOf(
  circuit: Circuit,
  copper: Connectivity,
  faulty: Faulty,
  ohms: ReadonlyMap<string, number>,
): Elements {
  const g = new Gathering(circuit, copper, faulty);
  for (const part of circuit.parts.values()) if (!part.card.carrier) g.part(part);
  if (circuit.controller) g.pins(circuit.controller);
  g.legs(ohms);
  return g;
}
