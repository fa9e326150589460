/** Pins that are still free for a line, the least precious first. */
import type { Circuit, PinWish } from './model.ts';
import { instancesFor, pinUses, type PinUse } from './pin-function.ts';

/** A pin that is held at boot is given away when nothing else is left. */
const STRAP_COST = 100;
/** Drives by itself at the start: only for what does not mind. */
const NOISY_COST = 40;
/** Console and USB are wanted for programming. */
const RESERVED_COST = 400;

/** How much is lost by giving a pin away: the functions that it alone has, and the trouble that it can make at the start. */
export function pinPreciousness({ pin: { functions, strap, boot } }: Pick<PinUse, 'pin'>): number {
  return functions.length + (strap ? STRAP_COST : 0) + (boot && boot.drives !== 'nothing' ? NOISY_COST : 0);
}

/** The same in one number with what belongs to console and USB; pins of the flash are never given away. */
export function pinCost(use: Pick<PinUse, 'pin'>): number {
  const { reserved } = use.pin;
  return reserved?.by === 'flash' ? Infinity : pinPreciousness(use) + (reserved ? RESERVED_COST : 0);
}

/** True for pins that a line may be moved to without asking: no strap, no reservation. */
const unburdened = ({ pin, led }: PinUse): boolean => !pin.strap && !pin.reserved && led;

/** Free pins for one line that stands alone, cheapest first. */
export function freePinsFor(circuit: Circuit, wish: Pick<PinWish, 'ask'>): string[] {
  return pinUses(circuit)
    .filter((use) => use.wishes.length === 0 && unburdened(use) && instancesFor(use.functions, wish.ask).length > 0)
    .sort((a, b) => pinCost(a) - pinCost(b))
    .map(({ pin }) => pin.terminal);
}

/**
 * Free pins for the lines of one group, all on one instance that no other group of its kind uses.
 * @returns pin by line, or null when no instance is left
 */
export function freeGroupPins(
  circuit: Circuit,
  lines: readonly Pick<PinWish, 'ask' | 'line'>[],
  ownGroup: string | null,
): Record<string, string> | null {
  const uses = pinUses(circuit);
  const taken = new Set<string>();
  for (const { wishes, functions } of uses) {
    for (const wish of wishes) {
      if (wish.group && wish.group !== ownGroup)
        instancesFor(functions, wish.ask)
          .slice(0, 1)
          .forEach((i) => taken.add(i));
    }
  }
  const free = uses
    .filter((use) => unburdened(use) && use.wishes.every(({ group }) => group !== null && group === ownGroup))
    .sort((a, b) => pinCost(a) - pinCost(b));
  const instances = new Set(free.flatMap(({ functions }) => lines.flatMap(({ ask }) => instancesFor(functions, ask))));
  for (const instance of [...instances].sort()) {
    if (taken.has(instance)) continue;
    const found: Record<string, string> = {};
    for (const { line, ask } of lines) {
      const use = free.find(
        (u) => instancesFor(u.functions, ask).includes(instance) && !Object.values(found).includes(u.pin.terminal),
      );
      if (use) found[line] = use.pin.terminal;
    }
    if (Object.keys(found).length === lines.length) return found;
  }
  return null;
}
