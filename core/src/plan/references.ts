import { SOCKET, SOCKET_RAIL } from '../card/kinds.ts';
import { isBusLine } from '../card/protocol.ts';
import type { Card } from '../card/card.ts';
import { openable } from '../card/openable.ts';
import { libraryOf } from '../card/library.ts';
import type { PlanDocument } from './document.ts';
import type { PartChoice, Plan } from './plan.ts';
import { keyOf, parseRef } from './ref.ts';

export interface Problem {
  /** Where in the file, as /plan/parts/3/card. */
  readonly path: string;
  readonly message: string;
}

/** Everything a schema cannot see: doubled ids and names that lead nowhere. Empty when the plan holds together. */
export function referenceProblems({ plan, cards }: PlanDocument): Problem[] {
  const problems: Problem[] = [];
  const say = (path: string, message: string) => problems.push({ path: `/plan/${path}`, message });
  const library = libraryOf(cards);
  doubledIds(plan, say);
  const parts = new Map(plan.parts.map((part) => [part.id, part]));
  const needs = new Set(plan.needs.map(({ id }) => id));
  const buses = new Map(plan.buses.map((bus) => [bus.id, bus]));
  const rails = new Set<string>();
  for (const part of plan.parts) {
    const card = library.get(part.card);
    for (const rail of card?.rails ?? []) rails.add(keyOf(part.id, rail.id));
    // What a socket passes on is a rail of the board while something is plugged into it.
    if (card?.controller?.usb && part.feeds[SOCKET] !== undefined) rails.add(keyOf(part.id, SOCKET_RAIL));
  }
  const cardAt = (id: string | null, path: string): Card | undefined => {
    const card = id === null ? undefined : library.get(id);
    if (id !== null && !card) say(path, `expected a card of this file, found “${id}”`);
    return card;
  };
  const known = (has: { has(key: string): boolean }, what: string, id: string, path: string) => {
    if (!has.has(id)) say(path, `expected ${what} of this plan, found “${id}”`);
  };

  plan.needs.forEach((need, i) => {
    if (need.kind !== 'trigger') return;
    if (!plan.needs.some(({ id, kind }) => id === need.of && kind === 'sense'))
      say(`needs/${i}/of`, `expected a sensing need of this plan, found “${need.of}”`);
    need.sets.forEach((id, k) => known(needs, 'a need', id, `needs/${i}/sets/${k}`));
  });

  const pins = new Set<string>();
  if (plan.controller !== null) {
    known(parts, 'a part', plan.controller, 'controller');
    const controller = library.get(parts.get(plan.controller)?.card ?? '')?.controller;
    if (parts.has(plan.controller) && !controller)
      say('controller', `expected a controller, found “${plan.controller}”`);
    for (const pin of controller?.pins ?? []) pins.add(pin.terminal);
  }
  const knownPin = (pin: string | null, path: string) => {
    if (pin !== null && !pins.has(pin)) say(path, `expected a pin of the controller, found “${pin}”`);
  };

  const knownInput = (on: string, pin: string | null, path: string) => {
    const card = library.get(parts.get(on)?.card ?? '');
    if (!card?.converter) say(`${path}/on`, `expected a converter of this plan, found “${on}”`);
    else if (pin !== null && !card.converter.inputs.some((id) => inputTerminal(card, id) === pin))
      say(`${path}/pin`, `expected an input of card “${card.id}”, found “${pin}”`);
  };

  // A pin of the controller can feed a part, too.
  for (const pin of pins) rails.add(keyOf(plan.controller, pin));

  plan.parts.forEach((part, i) => {
    const at = `parts/${i}`;
    const card = cardAt(part.card, `${at}/card`);
    if (part.fittedOn !== undefined) known(parts, 'a part', part.fittedOn, `${at}/fittedOn`);
    part.needs.forEach((id, k) => known(needs, 'a need', id, `${at}/needs/${k}`));
    for (const [supply, rail] of Object.entries(part.feeds)) {
      const socket = supply === SOCKET && card?.controller?.usb;
      if (card && !socket && !card.supplies.some(({ id }) => id === supply)) {
        say(`${at}/feeds/${supply}`, `expected a supply of card “${card.id}”, found “${supply}”`);
      }
      known(rails, 'a rail', rail, `${at}/feeds/${supply}`);
    }
    if (part.on) {
      known(parts, 'a part', part.on.part, `${at}/on/part`);
      if (part.on.part === part.id) say(`${at}/on/part`, `expected another part, found “${part.id}” itself`);
    }
    if (part.ground !== undefined) {
      const { part: owner, own: pin = '' } = parseRef(part.ground);
      if (owner !== plan.controller || !pins.has(pin))
        say(`${at}/ground`, `expected a pin of the controller, found “${part.ground}”`);
    }
    if (part.beside) {
      known(parts, 'a part', part.beside.part, `${at}/beside/part`);
      if (part.beside.part === part.id) say(`${at}/beside/part`, `expected another part, found “${part.id}” itself`);
    }
    for (const [supply, rail] of Object.entries(part.also ?? {})) {
      if (card && !card.supplies.some(({ id }) => id === supply))
        say(`${at}/also/${supply}`, `expected a supply of card “${card.id}”, found “${supply}”`);
      known(rails, 'a rail', rail, `${at}/also/${supply}`);
    }
    if (card) {
      portProblems(part, card, at);
      tieProblems(part, card, at);
    }
  });

  function tieProblems(part: PartChoice, card: Card, at: string) {
    for (const [id, to] of Object.entries(part.ties ?? {})) {
      const terminal = card.terminals.find((t) => t.id === id);
      if (terminal?.role !== 'unused') say(`${at}/ties/${id}`, `expected a terminal of card “${card.id}” that is free`);
      if (to !== 'ground' && !card.supplies.some((supply) => supply.id === to))
        say(`${at}/ties/${id}`, `expected ground or a supply of card “${card.id}”, found “${to}”`);
    }
  }

  function portProblems(part: PartChoice, card: Card, at: string) {
    for (const [portId, choice] of Object.entries(part.ports)) {
      const path = `${at}/ports/${portId}`;
      const port = card.ports.find(({ id }) => id === portId);
      if (!port) {
        say(path, `expected a port of card “${card.id}”, found “${portId}”`);
        continue;
      }
      if (choice.bus !== undefined) {
        const bus = buses.get(choice.bus);
        if (!bus) say(`${path}/bus`, `expected a bus of this plan, found “${choice.bus}”`);
        else if (bus.protocol !== port.protocol) {
          say(`${path}/bus`, `expected a ${port.protocol} bus, found “${bus.id}” which is ${bus.protocol}`);
        }
      }
      if (choice.driver !== undefined) known(parts, 'a part', choice.driver, `${path}/driver`);
      for (const [line, { pin, on, tied }] of Object.entries(choice.lines ?? {})) {
        if (!Object.hasOwn(port.lines, line) || isBusLine(port.protocol, line)) {
          say(`${path}/lines/${line}`, `expected a line of its own of port “${portId}”, found “${line}”`);
        }
        if (tied !== undefined && tied !== 'ground') known(rails, 'a rail', tied, `${path}/lines/${line}/tied`);
        if (on === undefined) knownPin(pin, `${path}/lines/${line}/pin`);
        else knownInput(on, pin, `${path}/lines/${line}`);
      }
    }
    part.opened.forEach((signal, k) => {
      if (!openable(card).includes(signal)) {
        say(`${at}/opened/${k}`, `expected a signal of card “${card.id}” with a fitted pull-up, found “${signal}”`);
      }
    });
  }

  plan.buses.forEach((bus, i) => {
    for (const [line, { pin }] of Object.entries(bus.lines)) knownPin(pin, `buses/${i}/lines/${line}/pin`);
    knownPin(bus.configuredPin ?? null, `buses/${i}/configuredPin`);
    if (!bus.behind) return;
    const channels = library.get(parts.get(bus.behind.part)?.card ?? '')?.busSwitch?.channels;
    if (!channels) say(`buses/${i}/behind/part`, `expected a bus switch of this plan, found “${bus.behind.part}”`);
    else if (bus.behind.channel >= channels.length)
      say(
        `buses/${i}/behind/channel`,
        `expected a channel from 0 to ${channels.length - 1}, found ${bus.behind.channel}`,
      );
  });
  const portOf = (partId: string, portId: string, path: string) => {
    const part = parts.get(partId);
    if (!part) say(path, `expected a part of this plan, found “${partId}”`);
    const card = part && library.get(part.card);
    if (card && !card.ports.some(({ id }) => id === portId))
      say(path, `expected a port of card “${card.id}”, found “${portId}”`);
  };
  const translators = new Set(plan.helpers.filter((h) => h.kind === 'translator').map(({ id }) => id));
  plan.helpers.forEach((helper, i) => {
    const at = `helpers/${i}`;
    if ('card' in helper) cardAt(helper.card, `${at}/card`);
    if (helper.kind === 'pull-up') {
      known(rails, 'a rail', helper.to, `${at}/to`);
      const { part: of, own: port } = parseRef(helper.of);
      if (port) portOf(of, port, `${at}/of`);
      else known(buses, 'a bus', of, `${at}/of`);
      if (helper.beyond) known(translators, 'a translator', helper.beyond, `${at}/beyond`);
    } else if (
      helper.kind === 'series' ||
      helper.kind === 'divider' ||
      helper.kind === 'pull-down' ||
      helper.kind === 'filter'
    )
      portOf(helper.part, helper.port, `${at}/part`);
    else if (helper.kind === 'fixed') {
      portOf(helper.part, helper.port, `${at}/part`);
      known(rails, 'a rail', helper.to, `${at}/to`);
    } else if (helper.kind === 'guard') {
      known(parts, 'a part', helper.part, `${at}/part`);
      known(rails, 'a rail', helper.rail, `${at}/rail`);
    } else if (helper.kind === 'diode' || helper.kind === 'capacitor')
      known(parts, 'a part', helper.part, `${at}/part`);
    else {
      known(rails, 'a rail', helper.near, `${at}/near`);
      known(rails, 'a rail', helper.far, `${at}/far`);
      if (library.has(helper.card) && !library.get(helper.card)?.translator) {
        say(`${at}/card`, `expected the card of a translator, found “${helper.card}”`);
      }
      knownPin(helper.gate?.pin ?? null, `${at}/gate/pin`);
      helper.ports.forEach(({ part, port }, k) => portOf(part, port, `${at}/ports/${k}`));
    }
  });
  plan.boards.forEach((id, i) => cardAt(id, `boards/${i}`));
  const helpers = new Set(plan.helpers.map(({ id }) => id));
  for (const id of Object.keys(plan.spots ?? {}))
    if (!parts.has(id) && !helpers.has(id.split('/')[0] ?? ''))
      say(`spots/${id}`, 'expected a part or helper of this plan');
  cardAt(plan.resistors, 'resistors');
  cardAt(plan.joint, 'joint');
  plan.leads.forEach((id, i) => cardAt(id, `leads/${i}`));
  return problems;
}

const inputTerminal = (card: Card, signal: string): string | undefined =>
  card.signals.find(({ id }) => id === signal)?.terminal;

/** Parts, buses, helpers and needs share one set of names, so that a subject is never ambiguous. */
function doubledIds(plan: Plan, say: (path: string, message: string) => void): void {
  const seen = new Map<string, string>();
  for (const list of ['needs', 'parts', 'buses', 'helpers'] as const) {
    plan[list].forEach(({ id }, i) => {
      const first = seen.get(id);
      if (first) say(`${list}/${i}/id`, `expected an id used once, found “${id}” which ${first} has`);
      else seen.set(id, `${list}/${i}`);
    });
  }
}
