/** Changes of a plan. Each takes a plan and gives a new one; none looks at anything but its arguments. */
import type { Card } from '../card/card.ts';
import { toInterval } from '../card/to-interval.ts';
import { SPRING_CURRENT } from '../standard/common-practice.ts';
import type { HouseRules } from './house-rules.ts';
import { isBusLine, PORT_LINES, PROTOCOL_NAME, type SharedProtocol } from '../card/protocol.ts';
import { DEFAULT_RULES } from './default-rules.ts';
import type { Bus, Helper, Need, PartChoice, PinChoice, Plan, PortChoice, Run, Spot } from './plan.ts';
import { keyOf, ownerOf, parseRef } from './ref.ts';

export function emptyPlan(id: string, name: string): Plan {
  return {
    id,
    name,
    needs: [],
    places: [],
    lifeYears: 2,
    parts: [],
    revisions: {},
    controller: null,
    buses: [],
    helpers: [],
    rules: DEFAULT_RULES,
    boards: [],
    leads: [],
    resistors: null,
    joint: null,
    stock: {},
    done: [],
  };
}

/** A part as it is bought, under an id made of `wish`: what is not said here is not wired yet. */
export const newPart = (
  plan: Plan,
  card: Pick<Card, 'id' | 'supplies'>,
  wish: string,
  label: string,
  feeds: Record<string, string> = {},
): PartChoice => ({
  id: freeId(plan, wish),
  card: card.id,
  label: label.slice(0, 60),
  needs: [],
  feeds,
  ports: {},
  opened: [],
  ...(isHeavy(card) ? { gauge: HEAVY_GAUGE } : {}),
});

/** Leads for what is too much for a spring of a board, or nearly. */
export const HEAVY_GAUGE = 20;

/** Whether a part takes more at its peak than half of what a spring of a board carries. */
export const isHeavy = ({ supplies }: Pick<Card, 'supplies'>): boolean =>
  supplies.some(({ current: { active, peak } }) => toInterval(peak ?? active).max > SPRING_CURRENT / 2);

/** An id made of `wish` that nothing in the plan has yet. @example freeId(plan, 'Top shelf') === 'top-shelf' */
export function freeId(plan: Plan, wish: string): string {
  const taken = new Set([plan.needs, plan.parts, plan.buses, plan.helpers].flatMap((list) => list.map(({ id }) => id)));
  const cleaned = wish
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);
  const base = cleaned || 'item';
  if (!taken.has(base)) return base;
  for (let n = 2; ; n++) if (!taken.has(`${base}-${n}`)) return `${base}-${n}`;
}

const replace = <T extends { id: string }>(list: readonly T[], id: string, change: (item: T) => T): T[] =>
  list.map((item) => (item.id === id ? change(item) : item));
const without = <T extends { id: string }>(list: readonly T[], id: string): T[] =>
  list.filter((item) => item.id !== id);

export const changePart = (plan: Plan, id: string, change: (part: PartChoice) => PartChoice): Plan => ({
  ...plan,
  parts: replace(plan.parts, id, change),
});

export const changePort = (plan: Plan, part: string, port: string, change: (choice: PortChoice) => PortChoice): Plan =>
  changePart(plan, part, (p) => ({ ...p, ports: { ...p.ports, [port]: change(p.ports[port] ?? {}) } }));

export const setFeed = (plan: Plan, part: string, supply: string, rail: string): Plan =>
  changePart(plan, part, (p) => ({ ...p, feeds: { ...p.feeds, [supply]: rail } }));

export const setAddress = (plan: Plan, part: string, port: string, address: number): Plan =>
  changePort(plan, part, port, (choice) => ({ ...choice, address }));

export const setBus = (plan: Plan, part: string, port: string, bus: string): Plan =>
  changePort(plan, part, port, (choice) => ({ ...choice, bus }));

/** Disconnects (`open`) or connects a pull-up that a breakout carries. */
export const setOpened = (plan: Plan, part: string, signal: string, open: boolean): Plan =>
  changePart(plan, part, (p) => ({
    ...p,
    opened: open ? [...new Set([...p.opened, signal])].sort() : p.opened.filter((id) => id !== signal),
  }));

/** The line of a pin that feeds a supply. */
export const FEED_LINE = 'feed';

/** The line of a pin that is the ground of a part. */
export const GROUND_LINE = 'ground';

/** Puts the ground of a part on a pin of the controller, or (null) back on the one that all share. */
export const setGround = (plan: Plan, part: string, pin: string | null): Plan =>
  changePart(plan, part, ({ ground: _old, ...rest }) =>
    pin !== null && plan.controller !== null ? { ...rest, ground: keyOf(plan.controller, pin) } : rest,
  );

/** Sets the pin of a line of a bus, or of "part.port". */
export function setPin(plan: Plan, of: string, line: string, choice: PinChoice): Plan {
  const { part: id, own: port } = parseRef(of);
  if (plan.helpers.some((h) => h.id === id)) {
    return changeHelper(plan, id, (h) => (h.kind === 'translator' ? { ...h, gate: choice } : h));
  }
  if (port === GROUND_LINE && line === GROUND_LINE) return setGround(plan, id, choice.pin);
  if (port && line === FEED_LINE)
    return choice.pin && plan.controller ? setFeed(plan, id, port, keyOf(plan.controller, choice.pin)) : plan;
  if (port) {
    return changePort(plan, id, port, (old) => ({ ...old, lines: { ...old.lines, [line]: choice } }));
  }
  return {
    ...plan,
    buses: replace(plan.buses, id, (bus) => ({ ...bus, lines: { ...bus.lines, [line]: choice } })),
  };
}

/** Wires a part for another of its modes; what was chosen for the ports of the others is kept for when it comes back. */
export const setMode = (plan: Plan, part: string, mode: number): Plan =>
  changePart(plan, part, ({ mode: _old, ...rest }) => (mode === 0 ? rest : { ...rest, mode }));

/** Lets a part read in so many bits; null for all that it has. */
export const setBits = (plan: Plan, part: string, bits: number | null): Plan =>
  changePart(plan, part, ({ bits: _old, ...rest }) => (bits === null ? rest : { ...rest, bits }));

export const changeBus = (plan: Plan, id: string, change: (bus: Bus) => Bus): Plan => ({
  ...plan,
  buses: replace(plan.buses, id, change),
});

export const addNeed = (plan: Plan, need: Need): Plan => ({ ...plan, needs: [...plan.needs, need] });
export const changeNeed = (plan: Plan, id: string, change: (need: Need) => Need): Plan => ({
  ...plan,
  needs: replace(plan.needs, id, change),
});
export const removeNeed = (plan: Plan, id: string): Plan => ({
  ...plan,
  needs: without(plan.needs, id)
    .filter((need) => !(need.kind === 'trigger' && need.of === id))
    .map((need) => (need.kind === 'trigger' ? { ...need, sets: need.sets.filter((set) => set !== id) } : need)),
  parts: plan.parts.map((part) => ({ ...part, needs: part.needs.filter((need) => need !== id) })),
});

/** Says which parts serve a need. */
export const serveNeed = (plan: Plan, need: string, part: string, serves: boolean): Plan =>
  changePart(plan, part, (p) => ({
    ...p,
    needs: serves ? [...new Set([...p.needs, need])] : p.needs.filter((id) => id !== need),
  }));

export const addHelper = (plan: Plan, helper: Helper): Plan => ({ ...plan, helpers: [...plan.helpers, helper] });
export const changeHelper = (plan: Plan, id: string, change: (helper: Helper) => Helper): Plan => ({
  ...plan,
  helpers: replace(plan.helpers, id, change),
});

/** Puts a capacitor of that card across a supply of a part, in place of what is there; null takes it away. */
export function setCapacitor(plan: Plan, part: string, supply: string, card: Card | null): Plan {
  const there = plan.helpers.find((h) => h.kind === 'capacitor' && h.part === part && h.supply === supply);
  const without = there ? removeHelper(plan, there.id) : plan;
  if (!card?.capacitor) return without;
  const { farads, polar } = card.capacitor;
  const id = there?.id ?? freeId(plan, `${part} capacitor`);
  return addHelper(without, { id, kind: 'capacitor', part, supply, farads, polar, card: card.id });
}

/** Takes a helper away; what stood on a translator's far side comes back to the near one. */
export const removeHelper = (plan: Plan, id: string): Plan =>
  keepSpots({
    ...plan,
    helpers: without(plan.helpers, id).filter((h) => !(h.kind === 'pull-up' && h.beyond === id)),
  });

/** Nothing stands where it stood once it is gone. */
function keepSpots({ spots, ...plan }: Plan): Plan {
  const there = new Set([...plan.parts, ...plan.helpers].map(({ id }) => id));
  const left = Object.entries(spots ?? {}).filter(([id]) => there.has(id.split('/')[0] ?? ''));
  return left.length > 0 ? { ...plan, spots: Object.fromEntries(left) } : plan;
}

/** Puts a part or helper down by hand, or (null) lets it be placed again. */
export function setSpot({ spots, ...plan }: Plan, id: string, spot: Spot | null): Plan {
  const next = Object.fromEntries(Object.entries(spots ?? {}).filter(([other]) => other !== id));
  if (spot) next[id] = spot;
  return Object.keys(next).length > 0 ? { ...plan, spots: next } : plan;
}

/** Takes over where everything stands, so that only what comes later is placed. */
export const setSpots = ({ spots: _old, ...plan }: Plan, spots: Plan['spots'] | null): Plan =>
  spots && Object.keys(spots).length > 0 ? { ...plan, spots } : plan;

/** Plugs a part into a socket of another, header on header, or (null) out of it. */
export const setOn = (plan: Plan, part: string, on: PartChoice['on'] | null): Plan =>
  changePart(plan, part, ({ on: _old, ...rest }) => (on ? { ...rest, on } : rest));

/** What was measured on the built thing; null for nothing. */
export const setMeasured = ({ measured: _old, ...plan }: Plan, measured: Plan['measured'] | null): Plan =>
  measured ? { ...plan, measured } : plan;

export const setBoards = (plan: Plan, boards: readonly string[]): Plan => ({ ...plan, boards: [...boards] });

export const addBus = (plan: Plan, bus: Bus): Plan => ({ ...plan, buses: [...plan.buses, bus] });

/** Adds a bus without parts; its lines have no pins yet. A second of its kind is numbered. */
export function addEmptyBus(plan: Plan, protocol: SharedProtocol): { plan: Plan; bus: string } {
  const bus = freeId(plan, protocol === 'onewire' ? 'one-wire' : protocol);
  const count = plan.buses.filter((b) => b.protocol === protocol).length;
  const name = count === 0 ? PROTOCOL_NAME[protocol] : `${PROTOCOL_NAME[protocol]} ${count + 1}`;
  const lines = Object.fromEntries(
    Object.keys(PORT_LINES[protocol])
      .filter((line) => isBusLine(protocol, line))
      .map((line) => [line, { pin: null, locked: false }]),
  );
  const clock = protocol === 'onewire' ? {} : { clock: protocol === 'i2c' ? 100e3 : 1e6 };
  return { plan: addBus(plan, { id: bus, name, protocol, lines, ...clock }), bus };
}

/** Hangs a bus on a channel of a bus switch, where it has no pins of its own, or back on the controller. */
export const hangBus = (plan: Plan, id: string, behind: Bus['behind'] | null): Plan =>
  changeBus(plan, id, (bus) => {
    const { behind: _old, ...plain } = bus;
    return behind ? { ...forgetBusPins(plain), behind } : plain;
  });

/**
 * A part that lives on its data line has its supply terminals on ground; otherwise they are fed.
 * @param supplies of its card
 * @param rail null: it lives on the line
 */
export function feedByLine(
  plan: Plan,
  part: string,
  port: string,
  supplies: readonly { id: string }[],
  rail: string | null,
): Plan {
  const changed = changePort(plan, part, port, ({ parasite: _old, ...rest }) =>
    rail === null ? { ...rest, parasite: true } : rest,
  );
  return changePart(changed, part, (choice) => {
    const others = Object.entries(choice.feeds).filter(([supply]) => !supplies.some(({ id }) => id === supply));
    const fed = rail === null ? [] : supplies.map(({ id }) => [id, rail] as const);
    return { ...choice, feeds: Object.fromEntries([...others, ...fed]) };
  });
}

/** Takes a bus away with its pull-ups; parts that hung on it hang on none. */
export const removeBus = (plan: Plan, id: string): Plan => ({
  ...plan,
  buses: without(plan.buses, id),
  helpers: plan.helpers.filter((h) => !(h.kind === 'pull-up' && h.of === id)),
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
  const helpers = plan.helpers.flatMap((helper): Helper[] => {
    if (helper.kind === 'pull-up') return gone(helper.of) || gone(helper.to) ? [] : [helper];
    if (helper.kind === 'guard') return helper.part === id || gone(helper.rail) ? [] : [helper];
    if (helper.kind === 'fixed') return helper.part === id || gone(helper.to) ? [] : [helper];
    if (helper.kind === 'translator') {
      const ports = helper.ports.filter(({ part }) => part !== id);
      return ports.length === 0 || gone(helper.near) || gone(helper.far) ? [] : [{ ...helper, ports }];
    }
    return helper.part === id ? [] : [helper];
  });
  const kept = new Set(helpers.map((h) => h.id));
  const { unused, ...rest } = plan;
  return keepSpots({
    ...rest,
    ...(unused && plan.controller !== id ? { unused } : {}),
    controller: plan.controller === id ? null : plan.controller,
    buses: (plan.controller === id ? plan.buses.map(forgetBusPins) : plan.buses).map((bus) => leaveSwitch(bus, id)),
    helpers: helpers
      .filter((h) => !(h.kind === 'pull-up' && h.beyond && !kept.has(h.beyond)))
      .map((h) => (plan.controller === id ? forgetGate(h) : h)),
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

/** The pin that switches a translator. */
export const forgetGate = (helper: Helper): Helper =>
  helper.kind === 'translator' && helper.gate
    ? { ...helper, gate: { ...helper.gate, pin: null, locked: false } }
    : helper;

/** Pins belong to a controller: without it they mean nothing. */
export function forgetPins<T extends { lines?: Record<string, PinChoice> | undefined }>(owner: T): T {
  if (!owner.lines) return owner;
  const lines = Object.fromEntries(
    // What a converter reads is on none of them.
    Object.entries(owner.lines).map(([line, c]) => [line, c.on === undefined ? { ...c, pin: null, locked: false } : c]),
  );
  return { ...owner, lines };
}

/** Changes when and how a part is at work; what is undefined is forgotten. */
export const setRun = (plan: Plan, part: string, change: Partial<Run>): Plan =>
  changePart(plan, part, ({ run, ...rest }) => {
    const next = Object.fromEntries(Object.entries({ ...run, ...change }).filter(([, value]) => value !== undefined));
    return Object.keys(next).length > 0 ? { ...rest, run: next } : rest;
  });

/** Puts a part beside another, m apart, or (null) away from all. */
export const setBeside = (plan: Plan, part: string, beside: PartChoice['beside'] | null): Plan =>
  changePart(plan, part, ({ beside: _old, ...rest }) => (beside ? { ...rest, beside } : rest));

/** Says that a feature of the controller is used, or that it stays off. */
export function setUsed(plan: Plan, feature: string, used: boolean): Plan {
  const { unused = [], ...rest } = plan;
  const next = used ? unused.filter((id) => id !== feature) : [...new Set([...unused, feature])].sort();
  return next.length > 0 ? { ...rest, unused: next } : rest;
}

/** Says that a part stays as it is wired, or may be wired otherwise. */
export const setLocked = (plan: Plan, part: string, locked: boolean): Plan =>
  changePart(plan, part, ({ locked: _old, ...rest }) => (locked ? { ...rest, locked } : rest));

export const setRules = (plan: Plan, rules: Partial<HouseRules>): Plan => ({
  ...plan,
  rules: { ...plan.rules, ...rules },
});

export const setDone = (plan: Plan, step: string, done: boolean): Plan => ({
  ...plan,
  done: done ? [...new Set([...plan.done, step])] : plan.done.filter((key) => key !== step),
});

/** Ticks the sentence of a hazard off as read, or takes the tick back. */
export function setAcknowledged(plan: Plan, says: string, read: boolean): Plan {
  const { acknowledged = [], ...rest } = plan;
  const kept = acknowledged.filter((sentence) => sentence !== says);
  const list = read ? [...kept, says] : kept;
  return list.length > 0 ? { ...rest, acknowledged: list } : rest;
}

export const setStock = (plan: Plan, card: string, pieces: number): Plan => ({
  ...plan,
  stock: Object.fromEntries(Object.entries({ ...plan.stock, [card]: pieces }).filter(([, count]) => count > 0)),
});

/** Which side of a contact a load is on. */
export const setContact = (plan: Plan, part: string, port: string, contact: 'open' | 'closed'): Plan =>
  changePort(plan, part, port, (choice) => ({ ...choice, contact }));
