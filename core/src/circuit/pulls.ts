/** What pulls a line besides resistors of the plan: on parts and boards, and inside the controller's pin. */
import { toInterval } from '../card/to-interval.ts';
import { keyOf } from '../plan/ref.ts';
import { tells, type Text } from '../quantity/message.ts';
import { boardPullUps } from './board-pull-ups.ts';
import { powerOf } from './ends.ts';
import type { NetEnd, PartNode, PowerGraph, PullDown, PullUp } from './model.ts';
import type { Trunk } from './trunks.ts';

/** What is said here, by the data that it takes. */
export interface PullsSays {
  readonly on: { part: Text };
  readonly insideController: null;
}
const tell = tells<PullsSays>('circuit/pulls');

/** A resistor to ground on a part. */
export function fittedPullDown(end: NetEnd, parts: ReadonlyMap<string, PartNode>): PullDown[] {
  const part = parts.get(end.part);
  const fitted = end.controller ? undefined : part?.card.signals.find(({ id }) => id === end.signal)?.fittedPullDown;
  if (!part || !fitted) return [];
  const figure = { card: part.card.id, source: fitted.source };
  return [{ ohms: toInterval(fitted), helper: null, label: tell('on', { part: part.label }), figure }];
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

function onBoard(
  terminal: string,
  parts: ReadonlyMap<string, PartNode>,
  power: PowerGraph,
  controller: PartNode,
): PullUp[] {
  return boardPullUps(parts, controller, terminal).map(({ part, signal, value, to, removable }) => {
    const on = powerOf(power, controller, to);
    return {
      ohms: toInterval(value),
      rail: on.rail ?? keyOf(controller.id, to),
      voltage: on.voltage,
      root: on.rail ?? keyOf(controller.id, to),
      source: on.source,
      switches: on.switches,
      helper: null,
      fitted: { part: part.id, signal, removable },
      label: tell('on', { part: part.label }),
      figure: { card: part.card.id, source: value.source },
    };
  });
}

/** A pull-up on a part, or on the board at a pin of the controller. */
export function fittedPullUp(
  end: NetEnd,
  parts: ReadonlyMap<string, PartNode>,
  power: PowerGraph,
  controller: PartNode | null,
): PullUp[] {
  if (end.controller) return controller ? onBoard(end.terminal, parts, power, controller) : [];
  const part = parts.get(end.part);
  const fitted = part?.card.signals.find(({ id }) => id === end.signal)?.fittedPullUp;
  if (!part || !fitted || part.choice?.opened.includes(end.signal)) return [];
  const on = powerOf(power, part, fitted.to);
  return [
    {
      ohms: toInterval(fitted.value),
      rail: on.rail ?? keyOf(part.id, fitted.to),
      voltage: on.voltage,
      root: on.rail ?? keyOf(part.id, fitted.to),
      source: on.source,
      switches: on.switches,
      helper: null,
      fitted: { part: part.id, signal: end.signal, removable: fitted.removable },
      label: tell('on', { part: part.label }),
      figure: { card: part.card.id, source: fitted.value.source },
    },
  ];
}
