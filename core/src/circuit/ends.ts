/** What hangs on a net: terminals of parts, the pin of the controller, and the middle of a divider. */
import { labelOf } from './label.ts';
import type { LevelFigure } from '../card/figure.ts';
import type { Signal } from '../card/card-shape.ts';
import type { Ask } from '../card/protocol.ts';
import { toInterval } from '../card/to-interval.ts';
import { exact } from '../quantity/interval.ts';
import { keyOf } from '../plan/ref.ts';
import { PIN_CAPACITANCE } from '../standard/bus-timing.ts';
import type { Levels, NetEnd, PartNode, Power, PowerGraph } from './model.ts';
import { levelVolts } from './level.ts';
import type { Topology } from './topology.ts';
import type { Station, Trunk } from './trunks.ts';
import { tells } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface CircuitEndsSays {
  readonly ground: null;
}

const tell = tells<CircuitEndsSays>('circuit/ends');

type Electrical = Omit<Signal, 'id' | 'terminal' | 'kind' | 'fittedPullUp'>;

/** A threshold without what is only usual. */
function guaranteed(threshold: LevelFigure | undefined): LevelFigure | undefined {
  if (!threshold) return undefined;
  const { typ: _usual, ...rest } = threshold;
  // A card that states nothing else means that figure.
  return rest.min === undefined && rest.max === undefined ? threshold : rest;
}

const levelsOf = (e: Electrical): Levels => ({
  outputHigh: e.outputHigh,
  outputLow: e.outputLow,
  outputLoad: e.outputLoad ? toInterval(e.outputLoad).min : null,
  inputHigh: guaranteed(e.inputHigh),
  inputLow: guaranteed(e.inputLow),
  usualHigh: e.inputHigh?.typ === undefined ? undefined : e.inputHigh,
  absoluteMax: e.absoluteMax,
  unpoweredMax: e.unpoweredMax,
  sink: e.sinkCurrent ? toInterval(e.sinkCurrent).min : null,
  sinkSource: e.sinkCurrent?.source ?? null,
});

/** Levels of a part whose ground stands above the common one: its low and what it takes for a high are as much higher. */
function lifted(levels: Levels, { lift, voltage }: Power): Levels {
  if (lift === 0 || !voltage) return levels;
  const up = (level: LevelFigure | undefined, bound: 'min' | 'max'): LevelFigure | undefined =>
    level && { [bound]: levelVolts(level, bound, voltage.max) + lift, unit: 'V', source: level.source };
  return { ...levels, outputLow: up(levels.outputLow, 'max'), inputHigh: up(levels.inputHigh, 'max') };
}

export function signalEnd(part: PartNode, signalId: string | undefined, power: PowerGraph): NetEnd[] {
  const signal: Signal | undefined = part.card.signals.find(({ id }) => id === signalId);
  if (!signal) return [];
  const on = powerOf(power, part, signal.reference);
  return [
    {
      part: part.id,
      label: labelOf(part.label, part.card.terminals.find(({ id }) => id === signal.terminal)?.label ?? signal.id),
      signal: signal.id,
      terminal: signal.terminal,
      kind: signal.kind,
      power: on,
      levels: lifted(levelsOf(signal), on),
      leakage: signal.leakage ? toInterval(signal.leakage).max : 0,
      capacitance: signal.capacitance ? toInterval(signal.capacitance).max : PIN_CAPACITANCE,
      resistance: signal.outputResistance ? toInterval(signal.outputResistance) : null,
      card: part.card.id,
      controller: false,
      divider: false,
    },
  ];
}

/** A rail, or ground, as what drives a line that is tied to it: as high or low as it is, whatever flows. */
function tiedEnd(
  to: string,
  parts: ReadonlyMap<string, PartNode>,
  controller: PartNode | null,
  power: PowerGraph,
): NetEnd[] {
  const rail = power.rails.get(to);
  const ground = to === 'ground' ? (controller ?? [...parts.values()].find(hasGround)) : undefined;
  const part = rail ? parts.get(rail.part) : ground;
  const terminal = rail ? rail.offer.terminal : part?.card.terminals.find(({ role }) => role === 'ground')?.id;
  if (!part || terminal === undefined) return [];
  const source = Object.keys(part.card.sources)[0] ?? '';
  const on: Power = rail
    ? {
        rail: rail.voltage && rail.root,
        source: rail.source,
        switches: rail.switches,
        voltage: rail.voltage,
        drop: 0,
        lift: 0,
      }
    : { rail: null, source: null, switches: [], voltage: exact(0), drop: 0, lift: 0 };
  return [
    {
      part: part.id,
      label: rail ? rail.label : tell('ground'),
      signal: rail ? rail.offer.id : 'ground',
      terminal,
      kind: 'push-pull',
      power: on,
      levels: {
        ...(rail
          ? { outputHigh: { min: 0, max: 0, unit: 'offset', source } }
          : { outputLow: { min: 0, max: 0, unit: 'V', source } }),
        sink: null,
        sinkSource: null,
      },
      leakage: 0,
      capacitance: 0,
      resistance: null,
      card: part.card.id,
      controller: false,
      divider: false,
    },
  ];
}

const hasGround = ({ card }: PartNode): boolean => card.terminals.some(({ role }) => role === 'ground');

const CONTROLLER_KIND: Readonly<Record<Ask, NetEnd['kind']>> = {
  in: 'input',
  irq: 'input',
  adc: 'input',
  out: 'push-pull',
  pwm: 'push-pull',
  inout: 'open-drain',
  'i2c.sda': 'open-drain',
  'i2c.scl': 'open-drain',
  'spi.clk': 'push-pull',
  'spi.out': 'push-pull',
  'spi.in': 'input',
  'uart.tx': 'push-pull',
  'uart.rx': 'input',
};

function controllerEnd(controller: PartNode, trunk: Trunk, power: PowerGraph): NetEnd {
  const io = controller.card.controller?.io;
  const label = controller.card.terminals.find(({ id }) => id === trunk.pin)?.label ?? trunk.pin ?? '';
  const levels: Levels = io ? levelsOf(io) : { sink: null, sinkSource: null };
  return {
    part: controller.id,
    label: labelOf(controller.label, label),
    signal: trunk.pin ?? '',
    terminal: trunk.pin ?? '',
    kind: CONTROLLER_KIND[trunk.ask],
    power: powerOf(power, controller, io?.reference),
    // A converter has no thresholds: it reads every voltage in its range.
    levels:
      trunk.ask === 'adc' ? { ...levels, inputHigh: undefined, inputLow: undefined, usualHigh: undefined } : levels,
    leakage: io?.leakage ? toInterval(io.leakage).max : 0,
    capacitance: io?.capacitance ? toInterval(io.capacitance).max : PIN_CAPACITANCE,
    resistance: null,
    card: controller.card.id,
    controller: true,
    divider: false,
  };
}

const DEAD: Power = { rail: null, source: null, switches: [], voltage: null, drop: 0, lift: 0 };

/** The power that a supply or own rail of a part stands on. */
export function powerOf(graph: PowerGraph, part: PartNode, reference: string | undefined): Power {
  const id = reference ?? part.card.supplies[0]?.id ?? '';
  const own = graph.rails.get(keyOf(part.id, id));
  // A part without a supply has levels in volts only.
  if (!own && part.card.supplies.length === 0) return { ...DEAD, voltage: exact(0) };
  if (own)
    return {
      rail: own.voltage && own.root,
      source: own.source,
      switches: own.switches,
      voltage: own.voltage,
      drop: 0,
      lift: 0,
    };
  const feed = graph.feeds.get(keyOf(part.id, id));
  const rail = feed?.rail ? graph.rails.get(feed.rail) : undefined;
  if (!feed || !rail?.voltage) return DEAD;
  return {
    rail: rail.root,
    source: rail.source,
    switches: rail.switches,
    voltage: rail.voltage,
    drop: feed.drop,
    lift: feed.lift,
  };
}

/** What stands at the beginning of a line: a rail, a bus switch or converter, or a pin of the controller. */
export function firstEnds({ parts, controller }: Topology, trunk: Trunk, power: PowerGraph): NetEnd[] {
  if (trunk.tied !== null) return tiedEnd(trunk.tied, parts, controller, power);
  if (trunk.from) return signalEnd(trunk.from.part, trunk.from.signal, power);
  return controller && trunk.pin ? [controllerEnd(controller, trunk, power)] : [];
}

export const endsOf = (stations: readonly Station[], trunk: Trunk, power: PowerGraph): NetEnd[] =>
  stations.flatMap(({ part, port }) => signalEnd(part, port.lines[trunk.line], power));
