/** What hangs on a net: terminals of parts, the pin of the controller, and the middle of a divider. */
import { labelOf } from './label.ts';
import type { LevelFigure } from '../card/figure.ts';
import type { Card } from '../card/card.ts';
import type { Signal } from '../card/card-shape.ts';
import type { Ask } from '../card/protocol.ts';
import { toInterval } from '../card/to-interval.ts';
import { exact, spread, type Interval } from '../quantity/interval.ts';
import type { LegOf } from '../plan/helpers.ts';
import { PIN_CAPACITANCE } from '../standard/bus-timing.ts';
import { RESISTOR_TOLERANCE } from '../standard/common-practice.ts';
import type { Levels, NetEnd, PartNode, Power, PullDown, PullUp } from './model.ts';
import { levelVolts } from './level.ts';
import { powerOf, type PowerGraph } from './power.ts';
import type { Trunk } from './trunks.ts';
import { tells, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface CircuitEndsSays {
  readonly ground: null;
  readonly insideController: null;
  readonly divider: { above: Text };
}

const tell = tells<CircuitEndsSays>('circuit/ends');

type Electrical = Omit<Signal, 'id' | 'terminal' | 'kind' | 'fittedPullUp'>;

/**
 * Outputs as they stand with what hangs on the line: the levels of a sheet hold at a stated current, and with less an output is
 * pulled less far from its rail. The transistor behind it bends towards the rail, so a straight line between the two is on the
 * safe side (common practice). Where an end does not say what it takes - a light, a base, an input without its leakage - the
 * level of the sheet stands.
 */
export function lightlyLoaded(
  ends: readonly NetEnd[],
  parts: ReadonlyMap<string, PartNode>,
  pullUps: readonly PullUp[],
  pullDowns: readonly PullDown[],
): NetEnd[] {
  const unsaid = ({ part, signal, kind, controller, divider }: NetEnd): boolean => {
    const card = parts.get(part)?.card;
    const says = controller ? card?.controller?.io.leakage : card?.signals.find(({ id }) => id === signal)?.leakage;
    return kind === 'led' || divider || card?.driver?.bipolar !== undefined || says === undefined;
  };
  return ends.map((end) => {
    const { outputHigh, outputLow, outputLoad } = end.levels;
    const supply = end.power.voltage;
    const others = ends.filter((other) => other !== end);
    if (!outputLoad || !supply || others.some(unsaid)) return end;
    const leaks = others.reduce((sum, { leakage }) => sum + leakage, 0);
    const given = pullDowns.reduce((sum, { ohms }) => sum + supply.max / ohms.min, leaks) / outputLoad;
    const sunk =
      pullUps.reduce((sum, { ohms, voltage }) => sum + (voltage?.max ?? supply.max) / ohms.min, leaks) / outputLoad;
    const rails = [supply.min, supply.max];
    const lost = outputHigh && Math.max(0, ...rails.map((v) => v - levelVolts(outputHigh, 'min', v)));
    const left = outputLow && Math.max(0, ...rails.map((v) => levelVolts(outputLow, 'max', v)));
    return {
      ...end,
      levels: {
        ...end.levels,
        ...(outputHigh && lost !== undefined && outputHigh.max === undefined && given < 1
          ? { outputHigh: { min: -lost * given, unit: 'offset', source: outputHigh.source } }
          : {}),
        ...(outputLow && left !== undefined && sunk < 1
          ? { outputLow: { max: left * sunk, unit: 'V', source: outputLow.source } }
          : {}),
      },
    };
  });
}

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
export function tiedEnd(
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

export function controllerEnd(controller: PartNode, trunk: Trunk, power: PowerGraph): NetEnd {
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

/** The pull-up inside the controller's pin, where it is switched on. */
export function weakPullUp(controller: PartNode, trunk: Trunk, power: PowerGraph): PullUp | null {
  const io = controller.card.controller?.io;
  if (!trunk.weakPull || !trunk.pin || !io?.weakPull) return null;
  const on = powerOf(power, controller, io.reference);
  return {
    ohms: toInterval(io.weakPull),
    rail: on.rail ?? '',
    voltage: on.voltage,
    root: on.rail ?? '',
    source: on.source,
    switches: on.switches,
    helper: null,
    fitted: null,
    label: tell('insideController'),
    figure: { card: controller.card.id, source: io.weakPull.source },
  };
}

/**
 * Share of the voltage that a divider lets through, both resistors with their tolerance.
 * @param source Ω of the output above it, which it hangs on; nothing where the card does not say
 * @param tolerance of both, a share
 */
export function dividerShare(
  { upper, lower }: Pick<LegOf<'divider'>, 'upper' | 'lower'>,
  source: Interval | null = null,
  tolerance = RESISTOR_TOLERANCE,
): Interval {
  const [u, l] = [spread(upper, tolerance), spread(lower, tolerance)];
  const r = source ?? exact(0);
  return {
    min: l.min / (l.min + u.max + r.max),
    typ: lower / (lower + upper + r.typ),
    max: l.max / (l.max + u.min + r.min),
  };
}

/** The resistance of the output that a divider hangs on, Ω; null where the card does not say. */
export function outputOhms(
  card: Card | undefined,
  { port, line }: Pick<LegOf<'divider'>, 'port' | 'line'>,
): Interval | null {
  const id = card?.ports.find((p) => p.id === port)?.lines[line];
  const stated = card?.signals.find((signal) => signal.id === id)?.outputResistance;
  return stated ? toInterval(stated) : null;
}

/**
 * The middle of a divider, seen from the pin: an output with the levels of the one above it, scaled, and the two resistors
 * side by side as its resistance. The levels are volts at the part's own supply, each at its worst.
 */
export function dividerEnd(leg: LegOf<'divider'>, above: NetEnd, tolerance: number): NetEnd {
  const share = dividerShare(leg, above.resistance, tolerance);
  const supply = above.power.voltage;
  const scaled = (
    level: LevelFigure | undefined,
    bound: 'min' | 'max',
    at: number | undefined,
    by: number,
  ): LevelFigure | undefined =>
    level && at !== undefined
      ? { [bound]: levelVolts(level, bound, at) * by, unit: 'V', source: level.source }
      : undefined;
  const highest = (supply?.max ?? 0) * share.max;
  const high = scaled(above.levels.outputHigh, 'min', supply ? supply.min - above.power.drop : undefined, share.min);
  return {
    ...above,
    part: leg.helper,
    label: tell('divider', { above: above.label }),
    signal: leg.line,
    terminal: '',
    kind: above.kind === 'analog-out' ? 'analog-out' : 'push-pull',
    levels: {
      outputHigh: high && { ...high, max: highest },
      outputLow: scaled(above.levels.outputLow, 'max', supply?.max, share.max),
      sink: null,
      sinkSource: null,
    },
    leakage: 0,
    capacitance: 0,
    resistance: dividerResistance(leg, above.resistance, tolerance),
    divider: true,
  };
}

function dividerResistance(leg: LegOf<'divider'>, source: Interval | null, tolerance: number): Interval {
  const [u, l] = [spread(leg.upper, tolerance), spread(leg.lower, tolerance)];
  const beside = (a: number, b: number) => (a * b) / (a + b);
  return {
    min: beside(u.min + (source?.min ?? 0), l.min),
    typ: beside(u.typ + (source?.typ ?? 0), l.typ),
    max: beside(u.max + (source?.max ?? 0), l.max),
  };
}
