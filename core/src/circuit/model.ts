/** What plan and cards make together. Derived once per change; plain data, so that it can cross to a worker. */
import type { Sum, Text } from '../quantity/message.ts';
import type { Card } from '../card/card.ts';
import type { RailOffer } from '../card/power.ts';
import type { Signal, Supply } from '../card/card-shape.ts';
import type { STAGES } from '../card/power.ts';
import type { Library } from '../card/library.ts';
import type { Figure, LevelFigure } from '../card/figure.ts';
import type { Ask, Protocol, SharedProtocol } from '../card/protocol.ts';
import type { Interval } from '../quantity/interval.ts';
import type { PartChoice, Plan, RestState } from '../plan/plan.ts';
import type { LegOf, HelperOf } from '../plan/helpers.ts';

/** The cable between an outlet and a board's socket. */
export interface CableRun {
  /** The cable of the plan; null where the outlet brings its own, or the plan has none that fits. */
  readonly card: Card | null;
  /** Set where the source's figures hold at the plug. */
  readonly own: boolean;
  /** m, and American gauge. */
  readonly length: number;
  readonly gauge: number;
  /** There and back with its contacts, Ω. */
  readonly ohms: number;
}

export type Doing = RestState | 'warm-up' | 'active' | (typeof STAGES)[number];

/** A stretch of one round, s from its beginning. */
export interface Phase {
  readonly doing: Doing;
  readonly from: number;
  readonly to: number;
}

export interface Rhythm {
  /** s from one piece of work to the next; null for what follows no clock. */
  readonly every: number | null;
  /** Share of the time at work, where `every` is null. */
  readonly duty: number;
  /** s after the beginning of the round; null where the program keeps to no order. */
  readonly after: number | null;
  /** In order, from the beginning of the work. */
  readonly phases: readonly Phase[];
  /** The same when everything takes its longest. */
  readonly longest: readonly Phase[];
  readonly rest: RestState;
}

/** A part of the plan, or a translator helper, which takes part in the circuit like one. */
export interface PartNode {
  readonly id: string;
  readonly label: Text;
  readonly card: Card;
  readonly choice: PartChoice | null;
  readonly helper: HelperOf<'translator'> | null;
}

export interface Load {
  /** A part's own draw, the board's own on the rail that it makes, a rail below, or resistors and lights. */
  readonly kind: 'part' | 'board' | 'rail' | 'small';
  /** The part, helper or rail that draws. */
  readonly subject: string;
  readonly label: Text;
  /** A on the average, usual currents and times. */
  readonly typical: number;
  /** A on the average, at its most. */
  readonly most: number;
  /** A that flow long enough to heat. */
  readonly lasting: number;
  /** A, the most for a moment. */
  readonly peak: number;
  readonly sum: Sum;
}

/** What a rail gives. Of a socket and of a pin the name is not on a card. */
export type NamedOffer = Omit<RailOffer, 'name'> & { readonly name: Text };

export interface Rail {
  /** "part.rail" */
  readonly ref: string;
  readonly part: string;
  readonly label: Text;
  readonly offer: NamedOffer;
  /** The rail whose voltage this is: itself, or the one it passes through. */
  readonly root: string;
  /** The part at the beginning: a wall adapter, a battery. */
  readonly source: string;
  /** Parts that switch it on and off, on the way from the source. */
  readonly switches: readonly string[];
  /** Null when nothing feeds it, or it feeds itself. */
  readonly voltage: Interval | null;
  readonly loads: readonly Load[];
  /** True for a pin of the controller that feeds a part. */
  readonly pin: boolean;
  readonly typical: number;
  readonly most: number;
  readonly lasting: number;
  /** The highest that the loads make together: those that keep to no order at their highest at once. */
  readonly peak: number;
  /** Of that, what never changes: resistors and lights. */
  readonly still: { readonly typical: number; readonly most: number; readonly peak: number };
}

/** How a part's supply is fed. */
export interface Feed {
  readonly part: string;
  readonly supply: Supply;
  readonly rail: string | null;
  /** Lost in the leads at the part's peak, V. */
  readonly drop: number;
  readonly dropSum: Sum;
  /** Of that, how far the ground of the part stands above the common one, V: where a pin is its ground. */
  readonly lift: number;
  /** Through those leads, A, rails that are made of it included. */
  readonly peak: number;
  /** m, and American gauge. */
  readonly lead: { readonly length: number; readonly gauge: number };
  /** By leads, by a cable in the socket, or inside the part from a rail of its own. */
  readonly by: 'leads' | 'cable' | 'inside';
  /** At the part's terminals. */
  readonly voltage: Interval | null;
}

/** What a level of a signal is resolved on. */
export interface Power {
  /** The root rail; null when not fed. */
  readonly rail: string | null;
  readonly source: string | null;
  /** Parts that can switch it off. */
  readonly switches: readonly string[];
  readonly voltage: Interval | null;
  /** Lost between rail and part, V: the part sees anything from voltage − drop to voltage. */
  readonly drop: number;
  /** V, how far its ground may stand above the common one. */
  readonly lift: number;
}

export interface Levels {
  readonly outputHigh?: LevelFigure | undefined;
  readonly outputLow?: LevelFigure | undefined;
  /** A at which they hold; null where the card does not say. */
  readonly outputLoad?: number | null | undefined;
  readonly inputHigh?: LevelFigure | undefined;
  readonly inputLow?: LevelFigure | undefined;
  /** Where the input usually takes a high for a high, where the card says it. */
  readonly usualHigh?: LevelFigure | undefined;
  readonly absoluteMax?: LevelFigure | undefined;
  /** With its own supply off. */
  readonly unpoweredMax?: Figure<'V'> | undefined;
  /** A, what the open drain or output sinks at its low level. */
  readonly sink: number | null;
  readonly sinkSource: string | null;
}

type EndKind = Signal['kind'];

/** One terminal on a net. */
export interface NetEnd {
  readonly part: string;
  readonly label: Text;
  /** The signal of the card; for the controller, the pin's terminal. */
  readonly signal: string;
  readonly terminal: string;
  readonly kind: EndKind;
  readonly power: Power;
  readonly levels: Levels;
  /** A at most into the pin. */
  readonly leakage: number;
  /** F */
  readonly capacitance: number;
  /** Ω in series with its output; null where nothing is said. */
  readonly resistance: Interval | null;
  readonly card: string;
  /** True for the controller's own pin. */
  readonly controller: boolean;
  /** True for the middle of a divider; its part is the helper. */
  readonly divider: boolean;
}

export interface PullUp {
  readonly ohms: Interval;
  readonly rail: string;
  /** Voltage it pulls to. */
  readonly voltage: Interval | null;
  readonly root: string;
  /** Where that voltage comes from, and what can switch it off. */
  readonly source: string | null;
  readonly switches: readonly string[];
  readonly helper: string | null;
  readonly fitted: { part: string; signal: string; removable: 'jumper' | 'solder' | 'no' } | null;
  readonly label: Text;
  readonly figure: { card: string; source: string } | null;
}

export interface Net {
  /** "bus.line", "part.port.line", with "@translator" on a far side. */
  readonly id: string;
  /** The net on the controller's side of all its translators. */
  readonly trunk: string;
  /** The rail that the line is tied to in place of a pin, or ground. */
  readonly tied: string | null;
  /** The net on the other side of the bus switch that it hangs on. */
  readonly upstream: string | null;
  readonly label: Text;
  /** What `NetOf` of the plan names. */
  readonly of: string;
  readonly bus: string | null;
  readonly line: string;
  readonly protocol: Protocol;
  readonly beyond: string | null;
  readonly ends: readonly NetEnd[];
  readonly pullUps: readonly PullUp[];
  /** The controller's own, where it is switched on. */
  readonly weak: PullUp | null;
  /** The resistor to a rail that makes a divider with a part whose resistance is the reading. */
  readonly fixed: (PullUp & { readonly helper: string }) | null;
  /** Resistors to ground, of the plan or on a part. */
  readonly pullDowns: readonly PullDown[];
  /** Capacitors from the line to ground, F. */
  readonly filters: readonly LegOf<'line-capacitor'>[];
  /** Resistors in series on the way to the part, Ω. */
  readonly series: readonly LegOf<'in-line'>[];
  /** F, the most. */
  readonly capacitance: number;
  /** By what brings it; `part` where that is a pin or lead of a part. */
  readonly capacitanceTerms: readonly { part: string | null; label: Text; farads: number }[];
  readonly clock: number | null;
  /** Nobody drives it high: it needs a pull-up. */
  readonly openDrain: boolean;
}

export interface PullDown {
  readonly ohms: Interval;
  readonly helper: string | null;
  readonly label: Text;
  readonly figure: { card: string; source: string } | null;
}

/** A line that wants a pin of the controller. */
export interface PinWish {
  /** "bus.line" or "part.port.line" */
  readonly id: string;
  readonly of: string;
  readonly line: string;
  readonly label: Text;
  readonly ask: Ask;
  readonly pin: string | null;
  readonly locked: boolean;
  readonly weakPull: boolean;
  /** The maker means what a button or switch does there at the start. */
  readonly meant: boolean;
  /** For a PWM line: the frequencies that its load takes, Hz. */
  readonly frequency: Interval | null;
  /** Lines of one group must be on one instance of the peripheral. */
  readonly group: string | null;
  readonly net: string;
}

/** A port of a part on a bus. */
export interface Member {
  readonly part: string;
  readonly label: Text;
  readonly port: string;
  readonly address: number | null;
  readonly options: readonly { value: number; setting: string }[];
  readonly beyond: string | null;
  /** What can take it off the bus: gated translators, channels of bus switches, supply switches. */
  readonly selectors: readonly Selector[];
}

/** A part that takes others off a bus; of a bus switch the channel, "all" where the program keeps those in use on at once. */
export interface Selector {
  readonly part: string;
  readonly channel: number | 'all' | null;
}

export interface BusNode {
  readonly id: string;
  readonly name: string;
  readonly protocol: SharedProtocol;
  /** Hz; that of the bus above where it is a segment without one. */
  readonly clock: number | null;
  readonly behind: { readonly part: string; readonly channel: number } | null;
  /** The bus with pins that it belongs to: itself, unless it is a segment. */
  readonly root: string;
  readonly members: readonly Member[];
}

/** A diode or switch in a feed. */
export interface Guard {
  readonly helper: string;
  readonly by: 'diode' | 'switch';
  readonly card: string;
  /** V that it takes at its most. */
  readonly drop: number;
  readonly part: string;
  readonly supply: string;
  readonly rail: string;
}

export interface Circuit {
  readonly plan: Plan;
  readonly cards: Library;
  readonly parts: ReadonlyMap<string, PartNode>;
  readonly controller: PartNode | null;
  /** Of the resistors of the plan, as a share. */
  readonly tolerance: number;
  readonly rails: ReadonlyMap<string, Rail>;
  /** By "part.supply". */
  readonly feeds: ReadonlyMap<string, Feed>;
  readonly rhythms: ReadonlyMap<string, Rhythm>;
  readonly guards: readonly Guard[];
  /** By part: the cable in its socket. */
  readonly cables: ReadonlyMap<string, CableRun>;
  readonly buses: readonly BusNode[];
  readonly nets: readonly Net[];
  readonly wishes: readonly PinWish[];
}

/** A draw on a rail that no supply terminal stands for: a pull-up held low, a light on a pin. */
export interface ExtraLoad extends Omit<Load, 'lasting' | 'kind'> {
  readonly rail: string;
}

/** Rails by "part.rail" and feeds by "part.supply". */
export interface PowerGraph {
  readonly rails: ReadonlyMap<string, Rail>;
  readonly feeds: ReadonlyMap<string, Feed>;
}
