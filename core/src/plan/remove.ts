/** Taking things out of a plan, with everything that only made sense for them. */
import { type Helper, renamed } from './helpers.ts';
import type { PinChoice } from './pin-choice.ts';
import type { Bus, PartChoice, Plan, PortChoice } from './plan.ts';
import { legOwner, ownerOf } from './ref.ts';

const without = <T extends { id: string }>(list: readonly T[], id: string): T[] =>
  list.filter((item) => item.id !== id);

/** Takes a helper away; what stood on a translator's far side comes back to the near one. */
export const removeHelper = (plan: Plan, id: string): Plan =>
  keepSpots({
    ...plan,
    helpers: without(plan.helpers, id).flatMap(
      (h) => renamed(h, { helper: (name) => (name === id ? null : name) }) ?? [],
    ),
  });

/** Nothing stands where it stood once it is gone. */
function keepSpots({ spots, ...plan }: Plan): Plan {
  const there = new Set([...plan.parts, ...plan.helpers].map(({ id }) => id));
  const left = Object.entries(spots ?? {}).filter(([id]) => there.has(legOwner(id)));
  return left.length > 0 ? { ...plan, spots: Object.fromEntries(left) } : plan;
}

/** Takes a bus away with its pull-ups; parts that hung on it hang on none. */
export const removeBus = (plan: Plan, id: string): Plan => ({
  ...plan,
  buses: without(plan.buses, id),
  helpers: plan.helpers.flatMap((h) => renamed(h, { net: (of) => (of === id ? null : of) }) ?? []),
  parts: plan.parts.map((part) => ({
    ...part,
    ports: Object.fromEntries(
      Object.entries(part.ports).map(([port, { bus, ...rest }]) => [
        port,
        bus === id || !bus ? rest : { ...rest, bus },
      ]),
    ),
  })),
});

/** Takes a part away with everything that only made sense for it. */
export function removePart(plan: Plan, id: string): Plan {
  const gone = (ref: string) => ownerOf(ref) === id;
  const unless = (ref: string) => (gone(ref) ? null : ref);
  const left = plan.helpers.flatMap(
    (helper) =>
      renamed(helper, {
        part: unless,
        port: (name) => (name.part === id ? null : name),
        rail: unless,
        net: unless,
        pin: plan.controller === id ? withoutPin : (choice) => choice,
      }) ?? [],
  );
  const kept = new Set(left.map((h) => h.id));
  const helpers = left.flatMap((h) => renamed(h, { helper: (name) => (kept.has(name) ? name : null) }) ?? []);
  const { unused, ...rest } = plan;
  return keepSpots({
    ...rest,
    ...(unused && plan.controller !== id ? { unused } : {}),
    controller: plan.controller === id ? null : plan.controller,
    buses: (plan.controller === id ? plan.buses.map(forgetBusPins) : plan.buses).map((bus) => leaveSwitch(bus, id)),
    helpers,
    parts: without(plan.parts, id).map((part) => ({
      ...leaveSide(part, id),
      feeds: Object.fromEntries(Object.entries(part.feeds).filter(([, rail]) => !gone(rail))),
      ports: Object.fromEntries(
        Object.entries(part.ports).map(([port, choice]) => {
          const { driver, ...rest } = choice;
          const kept = untied(plan.controller === id ? forgetPins(rest) : rest, gone);
          return [port, driver && driver !== id ? { ...kept, driver } : kept];
        }),
      ),
    })),
  });
}

/** Lines that were tied to what is gone want a pin again. */
function untied(choice: PortChoice, gone: (ref: string) => boolean): PortChoice {
  if (!choice.lines) return choice;
  const lines = Object.fromEntries(
    Object.entries(choice.lines).map(([line, { tied, ...rest }]) => [
      line,
      tied === undefined || gone(tied) ? rest : { ...rest, tied },
    ]),
  );
  return { ...choice, lines };
}

/** Nothing stands beside a part that is gone, and nothing more comes from it. */
function leaveSide({ beside, also, on, ground, ...part }: PartChoice, id: string): PartChoice {
  const left = Object.entries(also ?? {}).filter(([, rail]) => ownerOf(rail) !== id);
  return {
    ...part,
    ...(beside && beside.part !== id ? { beside } : {}),
    ...(on && on.part !== id ? { on } : {}),
    ...(ground && ownerOf(ground) !== id ? { ground } : {}),
    ...(left.length > 0 ? { also: Object.fromEntries(left) } : {}),
  };
}

/** A segment whose bus switch is gone is a bus of its own, without pins yet. */
function leaveSwitch(bus: Bus, part: string): Bus {
  if (bus.behind?.part !== part) return bus;
  const { behind: _gone, ...rest } = bus;
  return rest;
}

/** The pins of a bus, and the one that the system was told. */
export function forgetBusPins(bus: Bus): Bus {
  const { configuredPin: _told, ...rest } = forgetPins(bus);
  return rest;
}

const withoutPin = (choice: PinChoice): PinChoice => ({ ...choice, pin: null, locked: false });

/** A helper on no pin any more. */
export const forgetGate = (helper: Helper): Helper => renamed(helper, { pin: withoutPin }) ?? helper;

/** Pins belong to a controller: without it they mean nothing. */
export function forgetPins<T extends { lines?: Record<string, PinChoice> | undefined }>(owner: T): T {
  if (!owner.lines) return owner;
  const lines = Object.fromEntries(
    // What a converter reads is on none of them.
    Object.entries(owner.lines).map(([line, c]) => [line, c.on === undefined ? withoutPin(c) : c]),
  );
  return { ...owner, lines };
}
