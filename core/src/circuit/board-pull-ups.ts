/** Pull-ups that sit on the board of the controller, or on a carrier or terminal adapter on it, beside the pin that they pull. */
import type { Pin } from '../card/controller.ts';
import type { PartNode } from './model.ts';

export interface BoardPullUp {
  /** The part that it sits on, and by what it is opened there: a pin, or a printed name. */
  readonly part: PartNode;
  readonly signal: string;
  readonly value: NonNullable<Pin['fittedPullUp']>['value'];
  /** Rail or supply of the controller. */
  readonly to: string;
  readonly removable: 'jumper' | 'solder' | 'no';
}

/** All that sit at one pin of the controller, opened or not. */
function allAt(parts: ReadonlyMap<string, PartNode>, controller: PartNode, pin: string): BoardPullUp[] {
  const own = controller.card.controller?.pins.find(({ terminal }) => terminal === pin)?.fittedPullUp;
  const found: BoardPullUp[] = own ? [{ ...own, part: controller, signal: pin }] : [];
  for (const part of parts.values()) {
    const names = part.card.carrier?.fits[controller.card.id];
    for (const { name, ...pull } of part.card.carrier?.pullUps ?? [])
      if (names?.[name] === pin) found.push({ ...pull, part, signal: name.toLowerCase() });
  }
  return found;
}

/** Those at one pin of the controller that are not opened. */
export const boardPullUps = (parts: ReadonlyMap<string, PartNode>, controller: PartNode, pin: string): BoardPullUp[] =>
  allAt(parts, controller, pin).filter(({ part, signal }) => !part.choice?.opened.includes(signal));

/** Those that a jumper connects, opened or not. */
export const jumpersAt = (parts: ReadonlyMap<string, PartNode>, controller: PartNode, pin: string): BoardPullUp[] =>
  allAt(parts, controller, pin).filter(({ removable }) => removable === 'jumper');
