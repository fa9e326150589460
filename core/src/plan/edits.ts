/** Changes of a plan. Each takes a plan and gives a new one; none looks at anything but its arguments. */
import type { Card } from '../card/card.ts';
import { toInterval } from '../card/to-interval.ts';
import { SPRING_CURRENT } from '../standard/common-practice.ts';
import type { HouseRules } from './house-rules.ts';
import { isBusLine, PORT_LINES, type SharedProtocol } from '../card/protocol.ts';
import { DEFAULT_RULES } from './default-rules.ts';
import type { Bus, Need, PartChoice, Plan, PortChoice, Run, Spot } from './plan.ts';
import { type Helper, helpersOf, type HelperOf, isHelperOf } from './helpers.ts';
import type { PinChoice } from './pin-choice.ts';
import { keyOf, parseRef } from './ref.ts';
import { forgetBusPins, removeHelper } from './remove.ts';
import { slug } from '../quantity/slug.ts';

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
  const base = slug(wish) || 'item';
  if (!taken.has(base)) return base;
  for (let n = 2; ; n++) if (!taken.has(`${base}-${n}`)) return `${base}-${n}`;
}

const replace = <T extends { id: string }>(list: readonly T[], id: string, change: (item: T) => T): T[] =>
  list.map((item) => (item.id === id ? change(item) : item));

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
    return changeHelperOf(plan, id, 'translator', (h) => ({ ...h, gate: choice }));
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
  needs: plan.needs
    .filter((need) => need.id !== id)
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
/** Changes a helper that is of a kind; one of another kind stays as it is. */
export const changeHelperOf = <Kind extends Helper['kind']>(
  plan: Plan,
  id: string,
  kind: Kind,
  change: (helper: HelperOf<Kind>) => Helper,
): Plan => {
  const isOfKind = isHelperOf(kind);
  return { ...plan, helpers: replace<Helper>(plan.helpers, id, (h) => (isOfKind(h) ? change(h) : h)) };
};

/** Puts a capacitor of that card across a supply of a part, in place of what is there; null takes it away. */
export function setCapacitor(plan: Plan, part: string, supply: string, card: Card | null): Plan {
  const there = helpersOf(plan, 'capacitor').find((h) => h.part === part && h.supply === supply);
  const without = there ? removeHelper(plan, there.id) : plan;
  if (!card?.capacitor) return without;
  const { farads, polar } = card.capacitor;
  const id = there?.id ?? freeId(plan, `${part} capacitor`);
  return addHelper(without, { id, kind: 'capacitor', part, supply, farads, polar, card: card.id });
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

/** What a bus is called until the maker calls it otherwise: by its published name. */
const BUS_NAME: Readonly<Record<SharedProtocol, string>> = { i2c: 'I²C', onewire: 'one-wire', spi: 'SPI' };

/** Adds a bus without parts; its lines have no pins yet. A second of its kind is numbered. */
export function addEmptyBus(plan: Plan, protocol: SharedProtocol): { plan: Plan; bus: string } {
  const bus = freeId(plan, protocol === 'onewire' ? 'one-wire' : protocol);
  const count = plan.buses.filter((b) => b.protocol === protocol).length;
  const name = count === 0 ? BUS_NAME[protocol] : `${BUS_NAME[protocol]} ${count + 1}`;
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
