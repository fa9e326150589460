/** Parts whose ground is a pin of the controller that the program holds low. */
import { type Text } from '../quantity/message.ts';
import { labelOf } from './label.ts';
import { toInterval } from '../card/to-interval.ts';
import type { PartNode } from './model.ts';
import { parseRef } from '../plan/ref.ts';

export interface PinGround {
  readonly part: PartNode;
  /** Terminal of the controller. */
  readonly pin: string;
  /** As it is printed there. */
  readonly label: Text;
}

/** The net of a pin that is a ground. */
export const pinGroundId = (pin: string): string => `ground:pin:${pin}`;

/** Every part that stands on a pin of that controller. */
export function pinGrounds(parts: ReadonlyMap<string, PartNode>, controller: PartNode | null): PinGround[] {
  if (!controller) return [];
  return [...parts.values()].flatMap((part): PinGround[] => {
    const { part: owner, own: pin } = parseRef(part.choice?.ground);
    if (owner !== controller.id || pin === undefined) return [];
    const label = controller.card.terminals.find(({ id }) => id === pin)?.label ?? pin;
    return [{ part, pin, label: labelOf(controller.label, label) }];
  });
}

/**
 * The resistance of a pin that is held low, Ω: the highest low of its card at the current at which it holds. Null where the card
 * does not say both.
 */
export function lowOhms(controller: PartNode): number | null {
  const io = controller.card.controller?.io;
  if (io?.outputLow?.unit !== 'V' || !io.outputLoad) return null;
  const amps = toInterval(io.outputLoad).min;
  return amps > 0 ? toInterval(io.outputLow).max / amps : null;
}

/**
 * How far each part that stands on a pin is above ground at its peak, V.
 * @param peak into all supplies of a part, A
 */
export function groundLifts(
  parts: ReadonlyMap<string, PartNode>,
  controller: PartNode | null,
  peak: (part: PartNode) => number,
): Map<string, number> {
  const ohms = controller && lowOhms(controller);
  return new Map(pinGrounds(parts, controller).map(({ part }) => [part.id, (ohms ?? 0) * peak(part)]));
}
