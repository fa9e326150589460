/** Units of a controller that pins share: converters, counters of PWM channels, peripherals. */
import type { Feature, PwmGroup } from '../card/controller.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Interval } from '../quantity/interval.ts';
import type { Circuit, PinWish } from './model.ts';
import { featuresInUse, functionsOf, groupInstances, pinByTerminal, unitOf } from './pin-function.ts';
import { peripheralOf } from '../card/protocol.ts';

/** The feature that takes every converter of a pin away; null where one is left. */
export function converterTakenBy(functions: readonly string[], features: readonly Feature[]): Feature | null {
  const units = functions.filter((f) => f.startsWith('adc')).map(unitOf);
  const taker = (unit: string | null) => features.find(({ takes }) => unit !== null && takes.includes(unit));
  const [first] = units;
  return units.length > 0 && units.every((unit) => taker(unit)) ? (taker(first ?? null) ?? null) : null;
}

/** The numbered PWM channel of a pin; null where the chip gives any pin a channel of its own. */
export const pwmChannel = (functions: readonly string[]): string | null =>
  functions.find((f) => /^pwm\d/.test(f)) ?? null;

/** PWM lines with their channel, by counter; a channel that shares with none stands alone. */
export function pwmLines(circuit: Circuit): { group: PwmGroup | null; lines: { wish: PinWish; channel: string }[] }[] {
  const card = circuit.controller?.card;
  if (!card?.controller) return [];
  const byCounter = new Map<string, { group: PwmGroup | null; lines: { wish: PinWish; channel: string }[] }>();
  for (const wish of circuit.wishes) {
    const pin = wish.ask === 'pwm' && wish.pin ? pinByTerminal(card, wish.pin) : undefined;
    const channel = pin && pwmChannel(functionsOf(card, pin));
    if (!channel) continue;
    const group = card.controller.pwmGroups?.find(({ channels }) => channels.includes(channel)) ?? null;
    const key = group?.id ?? channel;
    const entry = byCounter.get(key) ?? { group, lines: [] };
    entry.lines.push({ wish, channel });
    byCounter.set(key, entry);
  }
  return [...byCounter.values()];
}

/** The frequencies that suit every line and the counter's own purpose; null where nothing is stated. */
export function commonFrequency(group: PwmGroup | null, wishes: readonly PinWish[]): Interval | null {
  const all = [
    ...(group?.fixed ? [toInterval(group.fixed)] : []),
    ...wishes.flatMap(({ frequency }) => frequency ?? []),
  ];
  if (all.length === 0) return null;
  const min = Math.max(...all.map((f) => f.min));
  const max = Math.min(...all.map((f) => f.max));
  return { min, typ: Math.min(min, max), max };
}

/**
 * Gives each group of lines a peripheral of its own, from those that its pins allow and that no feature takes.
 * @returns the groups that are left without one, and the instance of every other
 */
export function spreadInstances(circuit: Circuit): { given: Map<string, string>; left: string[] } {
  const taken = new Set(featuresInUse(circuit).flatMap(({ takes }) => takes));
  const kinds = new Map<string, string>();
  for (const { group, ask } of circuit.wishes) if (group) kinds.set(group, peripheralOf(ask));
  const holder = new Map<string, string>();
  const options = new Map<string, string[]>();
  for (const [group, kind] of kinds)
    options.set(
      group,
      groupInstances(circuit, group)
        .map((instance) => `${kind}${instance}`)
        .filter((unit) => !taken.has(unit)),
    );
  const place = (group: string, seen: Set<string>): boolean => {
    for (const unit of options.get(group) ?? []) {
      if (seen.has(unit)) continue;
      seen.add(unit);
      const other = holder.get(unit);
      if (other !== undefined && !place(other, seen)) continue;
      holder.set(unit, group);
      return true;
    }
    return false;
  };
  const left = [...options].flatMap(([group, units]) => (units.length === 0 || place(group, new Set()) ? [] : [group]));
  return { given: new Map([...holder].map(([unit, group]) => [group, unit])), left };
}
