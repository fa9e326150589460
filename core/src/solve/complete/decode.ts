/** What was decided, put back into the plan. What did not have to change stays as it is. */
import { addHelper, changeBus, changePart, changePort, setPin } from '../../plan/edits.ts';
import { removeBus, removeHelper, removePart } from '../../plan/remove.ts';
import { helpersOf, type Helper } from '../../plan/helpers.ts';
import type { Plan } from '../../plan/plan.ts';
import { ABSENT, CHOICE, isThere, readPlaced } from './making.ts';
import type { Encoding } from './encode.ts';
import { busPort } from './encode-parts.ts';
import { settlePullUps, type Taken } from './settle-pull-ups.ts';

/** @param taken index of the option of each choice */
export function decode(encoding: Encoding, taken: readonly number[]): Plan {
  const ids = new Map(
    encoding.problem.choices.map(({ id, options }, c) => [id, options[taken[c] ?? -1]?.id ?? ABSENT] as const),
  );
  const of: Taken = (choice) => ids.get(choice) ?? null;
  let plan = fedStanding(encoding);
  plan = addParts(encoding, of, plan);
  plan = addSegments(encoding, of, plan);
  plan = placeParts(encoding, of, plan);
  plan = setTranslators(encoding, of, plan);
  plan = setPins(encoding, of, plan);
  return dropEmpty(encoding, settlePullUps(encoding, of, plan));
}

/** Sources, regulators and the controller are fed as they were found to be. */
function fedStanding({ bench }: Encoding): Plan {
  return bench.standing.plan.parts.reduce((plan, part) => {
    const old = plan.parts.find(({ id }) => id === part.id);
    if (!old) return { ...plan, parts: [...plan.parts, part] };
    return JSON.stringify(old.feeds) !== JSON.stringify(part.feeds)
      ? changePart(plan, part.id, (p) => ({ ...p, feeds: part.feeds }))
      : plan;
  }, bench.circuit.plan);
}

function addParts({ bench, newSwitch }: Encoding, of: Taken, plan: Plan): Plan {
  const extras = bench.standing.extras.filter(({ part }) => of(CHOICE.extra(part.id)) === 'there');
  const parts = extras.map(({ part }) => part);
  const address = newSwitch && of(CHOICE.newSwitch);
  if (newSwitch && address && isThere(address)) {
    const { card, id, rail, upstream } = newSwitch;
    const [supply] = card.supplies;
    parts.push({
      id,
      card: card.id,
      label: card.name,
      needs: [],
      feeds: supply ? { [supply.id]: rail } : {},
      ports: { [card.busSwitch?.port ?? '']: { bus: upstream, address: Number(address) } },
      opened: card.signals.flatMap((s) => (s.fittedPullUp?.removable === 'jumper' ? [s.id] : [])),
    });
  }
  return { ...plan, parts: [...plan.parts, ...parts] };
}

function addSegments({ segments }: Encoding, of: Taken, plan: Plan): Plan {
  return segments.reduce((p, { bus, isNew }) => {
    const option = of(CHOICE.bus(bus.id));
    if (!option || !isThere(option)) return p;
    const clock = Number(option);
    if (isNew) return { ...p, buses: [...p.buses, bus.clock === undefined ? bus : { ...bus, clock }] };
    return Number.isFinite(clock) && clock !== bus.clock ? changeBus(p, bus.id, (b) => ({ ...b, clock })) : p;
  }, plan);
}

function placeParts(encoding: Encoding, of: Taken, plan: Plan): Plan {
  return encoding.parts.reduce((p, part) => {
    const option = of(CHOICE.part(part.choice.id));
    const placed = option === null ? null : readPlaced(option);
    const way = placed && part.ways[placed.way];
    if (!placed || !way) return removePart(p, part.choice.id);
    const { wired } = way;
    let next = changePart(p, part.choice.id, (old) => ({ ...old, feeds: { ...wired.feeds } }));
    next = takeHelpers(next, wired.helpers);
    for (const [port, choice] of Object.entries(wired.part.ports)) {
      if (choice.noHold) next = changePort(next, part.choice.id, port, (old) => ({ ...old, noHold: true }));
    }
    const port = busPort(part);
    if (port && placed.bus !== null) {
      const { bus, address } = placed;
      next = changePort(next, part.choice.id, port.id, (old) => ({
        ...old,
        bus,
        ...(address === null ? {} : { address }),
      }));
    }
    return next;
  }, plan);
}

/** The part's own helpers as they came out of its trial, under names that are free. */
function takeHelpers(plan: Plan, helpers: readonly Helper[]): Plan {
  const known = new Map(plan.helpers.map((h) => [h.id, h]));
  return helpers.reduce((p, helper) => {
    const old = known.get(helper.id);
    if (old) {
      return old === helper ? p : { ...p, helpers: p.helpers.map((h) => (h.id === helper.id ? helper : h)) };
    }
    const taken = new Set([...p.helpers, ...p.parts, ...p.buses, ...p.needs].map(({ id }) => id));
    let id = helper.id;
    for (let n = 2; taken.has(id); n++) id = `${helper.id}-${n}`;
    return addHelper(p, { ...helper, id });
  }, plan);
}

/** Who is behind which translator; one that nobody is behind goes. */
function setTranslators(encoding: Encoding, of: Taken, plan: Plan): Plan {
  const users = new Map<string, { part: string; port: string }[]>();
  for (const part of encoding.parts) {
    const option = of(CHOICE.part(part.choice.id));
    const placed = option === null ? null : readPlaced(option);
    const through = placed && part.ways[placed.way]?.wired.through;
    if (!placed || !through) continue;
    const slot = placed.slot ?? of(CHOICE.side(placed.bus ?? '', through.far));
    if (slot)
      users.set(slot, [
        ...(users.get(slot) ?? []),
        ...part.node.card.ports.map(({ id }) => ({ part: part.choice.id, port: id })),
      ]);
  }
  const decided = new Set(encoding.parts.map(({ choice }) => choice.id));
  return encoding.slots.reduce((p, slot) => {
    const mine = users.get(slot.id) ?? [];
    const old = helpersOf(p, 'translator').find(({ id }) => id === slot.id);
    // Ports of parts that are not decided stay behind it.
    const others = old?.ports.filter(({ part }) => !decided.has(part)) ?? [];
    const ports = [...others, ...mine];
    if (ports.length === 0) return old ? removeHelper(p, slot.id) : p;
    if (old) {
      const same =
        old.ports.length === ports.length &&
        ports.every((x) => old.ports.some((y) => x.part === y.part && x.port === y.port));
      return same ? p : { ...p, helpers: p.helpers.map((h) => (h.id === slot.id ? { ...old, ports } : h)) };
    }
    return addHelper(p, {
      id: slot.id,
      kind: 'translator',
      card: slot.card.id,
      near: slot.near,
      far: slot.far,
      ports,
    });
  }, plan);
}

function setPins(encoding: Encoding, of: Taken, plan: Plan): Plan {
  return encoding.wishes.reduce((p, wish) => {
    const pin = of(CHOICE.line(wish.id));
    if (pin === null || !isThere(pin) || pin === wish.pin) return p;
    return setPin(p, wish.of, wish.line, { pin, locked: false, ...(wish.weakPull ? { weakPull: true } : {}) });
  }, plan);
}

/** A bus that was added for nothing is not there. */
function dropEmpty({ segments }: Encoding, plan: Plan): Plan {
  return segments.reduce((p, { bus, isNew }) => {
    const used = p.parts.some((part) => Object.values(part.ports).some((choice) => choice.bus === bus.id));
    return isNew && !used && p.buses.some(({ id }) => id === bus.id) ? removeBus(p, bus.id) : p;
  }, plan);
}
