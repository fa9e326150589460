/** Everything about a plan that a schema cannot see: doubled ids, and names that lead nowhere. */
import type { Card } from '../card/card.ts';
import { SOCKET, SOCKET_RAIL } from '../card/kinds.ts';
import { type Library, libraryOf } from '../card/library.ts';
import { openable } from '../card/openable.ts';
import { isBusLine } from '../card/protocol.ts';
import type { Message } from '../quantity/message.ts';
import type { Problem } from '../quantity/problem.ts';
import type { PlanDocument } from './document.ts';
import { circlesIn } from './circles.ts';
import { helpersOf, type Helper, renamed } from './helpers.ts';
import type { PinChoice } from './pin-choice.ts';
import type { Bus, PartChoice, Plan, PortChoice } from './plan.ts';
import { expected } from './problem.ts';
import { keyOf, legOwner, parseRef } from './ref.ts';

type Found = (found: { found: string }) => Message;

/** What a plan has that can be named, and the problems that were found on the way. */
class Names {
  readonly problems: Problem[] = [];
  readonly parts: ReadonlyMap<string, PartChoice>;
  readonly buses: ReadonlyMap<string, Bus>;
  readonly needs: ReadonlySet<string>;
  readonly translators: ReadonlySet<string>;
  readonly pins: ReadonlySet<string>;
  readonly rails: ReadonlySet<string>;

  constructor(
    readonly plan: Plan,
    readonly library: Library,
  ) {
    this.parts = new Map(plan.parts.map((part) => [part.id, part]));
    this.buses = new Map(plan.buses.map((bus) => [bus.id, bus]));
    this.needs = new Set(plan.needs.map(({ id }) => id));
    this.translators = new Set(helpersOf(plan, 'translator').map(({ id }) => id));
    this.pins = new Set(this.cardOf(plan.controller)?.controller?.pins.map(({ terminal }) => terminal));
    this.rails = new Set([
      ...plan.parts.flatMap((part) => railsOf(part, library.get(part.card))),
      // A pin of the controller can feed a part, too.
      ...[...this.pins].map((pin) => keyOf(plan.controller, pin)),
    ]);
  }

  say(path: string, message: Message): void {
    this.problems.push({ path: `/plan/${path}`, message });
  }

  cardOf(part: string | null): Card | undefined {
    return this.library.get(this.parts.get(part ?? '')?.card ?? '');
  }

  card(id: string | null, path: string): Card | undefined {
    const card = id === null ? undefined : this.library.get(id);
    if (id !== null && !card) this.say(path, expected('card', { found: id }));
    return card;
  }

  private known(has: { has(key: string): boolean }, found: Found, id: string, path: string): void {
    if (!has.has(id)) this.say(path, found({ found: id }));
  }
  part = (id: string, path: string) => this.known(this.parts, (found) => expected('part', found), id, path);
  need = (id: string, path: string) => this.known(this.needs, (found) => expected('need', found), id, path);
  rail = (ref: string, path: string) => this.known(this.rails, (found) => expected('rail', found), ref, path);
  bus = (id: string, path: string) => this.known(this.buses, (found) => expected('bus', found), id, path);
  translator = (id: string, path: string) =>
    this.known(this.translators, (found) => expected('translator', found), id, path);

  pin(pin: string | null, path: string): void {
    if (pin !== null) this.known(this.pins, (found) => expected('pin', found), pin, path);
  }

  supply(card: Card | undefined, id: string, path: string): void {
    if (card && !card.supplies.some((supply) => supply.id === id))
      this.say(path, expected('supply', { card: card.id, found: id }));
  }

  /** A port of a part, by the card of that part. */
  port(part: string, port: string, path: string): void {
    this.part(part, path);
    const card = this.cardOf(part);
    if (card && !card.ports.some(({ id }) => id === port))
      this.say(path, expected('port', { card: card.id, found: port }));
  }
}

function railsOf(part: PartChoice, card: Card | undefined): string[] {
  const own = (card?.rails ?? []).map(({ id }) => keyOf(part.id, id));
  // What a socket passes on is a rail of the board while something is plugged into it.
  const plugged = card?.controller?.usb && part.feeds[SOCKET] !== undefined;
  return plugged ? [...own, keyOf(part.id, SOCKET_RAIL)] : own;
}

/** Everything a schema cannot see. Empty when the plan holds together. */
export function referenceProblems({ plan, cards }: PlanDocument): Problem[] {
  const names = new Names(plan, libraryOf(cards));
  doubledIds(names);
  doubledNumbers(names);
  needProblems(names);
  controllerProblems(names);
  plan.parts.forEach((part, i) => partProblems(names, part, `parts/${i}`));
  plan.buses.forEach((bus, i) => busProblems(names, bus, `buses/${i}`));
  plan.helpers.forEach((helper, i) => helperProblems(names, helper, `helpers/${i}`));
  purchaseProblems(names);
  for (const { path, way } of circlesIn(plan, names.library)) names.say(path, expected('circle', { way }));
  return names.problems;
}

/** Parts, buses, helpers and needs share one set of names, so that a subject is never ambiguous. */
function doubledIds(names: Names): void {
  const seen = new Map<string, string>();
  for (const list of ['needs', 'parts', 'buses', 'helpers'] as const) {
    names.plan[list].forEach(({ id }, i) => {
      const first = seen.get(id);
      if (first) names.say(`${list}/${i}/id`, expected('idOnce', { found: id, first }));
      else seen.set(id, `${list}/${i}`);
    });
  }
}

/** No two parts have one number. */
function doubledNumbers(names: Names): void {
  const seen = new Map<string, string>();
  names.plan.parts.forEach(({ ports }, i) => {
    for (const [port, { number }] of Object.entries(ports)) {
      if (number === undefined) continue;
      const at = `parts/${i}/ports/${port}`;
      const first = seen.get(number);
      if (first) names.say(`${at}/number`, expected('numberOnce', { found: number, first }));
      else seen.set(number, at);
    }
  });
}

function needProblems(names: Names): void {
  names.plan.needs.forEach((need, i) => {
    if (need.kind !== 'trigger') return;
    if (!names.plan.needs.some(({ id, kind }) => id === need.of && kind === 'sense'))
      names.say(`needs/${i}/of`, expected('sensingNeed', { found: need.of }));
    need.sets.forEach((id, k) => names.need(id, `needs/${i}/sets/${k}`));
  });
}

function controllerProblems(names: Names): void {
  const { controller } = names.plan;
  if (controller === null) return;
  names.part(controller, 'controller');
  if (names.parts.has(controller) && !names.cardOf(controller)?.controller)
    names.say('controller', expected('controller', { found: controller }));
}

function partProblems(names: Names, part: PartChoice, at: string): void {
  const card = names.card(part.card, `${at}/card`);
  if (part.fittedOn !== undefined) names.part(part.fittedOn, `${at}/fittedOn`);
  part.needs.forEach((id, k) => names.need(id, `${at}/needs/${k}`));
  feedProblems(names, part, card, at);
  for (const side of ['on', 'beside'] as const) {
    const other = part[side]?.part;
    if (other === undefined) continue;
    names.part(other, `${at}/${side}/part`);
    if (other === part.id) names.say(`${at}/${side}/part`, expected('otherPart', { found: part.id }));
  }
  if (part.ground !== undefined) {
    const { part: owner, own: pin = '' } = parseRef(part.ground);
    if (owner !== names.plan.controller || !names.pins.has(pin))
      names.say(`${at}/ground`, expected('pin', { found: part.ground }));
  }
  if (!card) return;
  for (const [port, choice] of Object.entries(part.ports)) portProblems(names, card, port, choice, at);
  part.opened.forEach((signal, k) => {
    if (!openable(card).includes(signal))
      names.say(`${at}/opened/${k}`, expected('openSignal', { card: card.id, found: signal }));
  });
  tieProblems(names, part, card, at);
}

function feedProblems(names: Names, part: PartChoice, card: Card | undefined, at: string): void {
  for (const [supply, rail] of Object.entries(part.feeds)) {
    if (supply !== SOCKET || !card?.controller?.usb) names.supply(card, supply, `${at}/feeds/${supply}`);
    names.rail(rail, `${at}/feeds/${supply}`);
  }
  for (const [supply, rail] of Object.entries(part.also ?? {})) {
    names.supply(card, supply, `${at}/also/${supply}`);
    names.rail(rail, `${at}/also/${supply}`);
  }
}

function tieProblems(names: Names, part: PartChoice, card: Card, at: string): void {
  for (const [id, to] of Object.entries(part.ties ?? {})) {
    const terminal = card.terminals.find((t) => t.id === id);
    if (terminal?.role !== 'unused') names.say(`${at}/ties/${id}`, expected('freeTerminal', { card: card.id }));
    if (to !== 'ground' && !card.supplies.some((supply) => supply.id === to))
      names.say(`${at}/ties/${id}`, expected('groundOrSupply', { card: card.id, found: to }));
  }
}

function portProblems(names: Names, card: Card, id: string, choice: PortChoice, at: string): void {
  const path = `${at}/ports/${id}`;
  const port = card.ports.find((p) => p.id === id);
  if (!port) {
    names.say(path, expected('port', { card: card.id, found: id }));
    return;
  }
  if (choice.bus !== undefined) {
    const bus = names.buses.get(choice.bus);
    names.bus(choice.bus, `${path}/bus`);
    if (bus && bus.protocol !== port.protocol)
      names.say(
        `${path}/bus`,
        expected('busOfProtocol', { protocol: port.protocol, found: bus.id, its: bus.protocol }),
      );
  }
  if (choice.driver !== undefined) names.part(choice.driver, `${path}/driver`);
  for (const [line, pin] of Object.entries(choice.lines ?? {})) {
    if (!Object.hasOwn(port.lines, line) || isBusLine(port.protocol, line))
      names.say(`${path}/lines/${line}`, expected('ownLine', { port: id, found: line }));
    lineProblems(names, pin, `${path}/lines/${line}`);
  }
}

function lineProblems(names: Names, { pin, on, tied }: PinChoice, at: string): void {
  if (tied !== undefined && tied !== 'ground') names.rail(tied, `${at}/tied`);
  if (on === undefined) {
    names.pin(pin, `${at}/pin`);
    return;
  }
  const card = names.cardOf(on);
  if (!card?.converter) names.say(`${at}/on`, expected('converter', { found: on }));
  else if (pin !== null && !card.converter.inputs.some((id) => inputTerminal(card, id) === pin))
    names.say(`${at}/pin`, expected('input', { card: card.id, found: pin }));
}

const inputTerminal = (card: Card, signal: string): string | undefined =>
  card.signals.find(({ id }) => id === signal)?.terminal;

function busProblems(names: Names, bus: Bus, at: string): void {
  for (const [line, { pin }] of Object.entries(bus.lines)) names.pin(pin, `${at}/lines/${line}/pin`);
  names.pin(bus.configuredPin ?? null, `${at}/configuredPin`);
  if (!bus.behind) return;
  const channels = names.cardOf(bus.behind.part)?.busSwitch?.channels;
  if (!channels) names.say(`${at}/behind/part`, expected('busSwitch', { found: bus.behind.part }));
  else if (bus.behind.channel >= channels.length)
    names.say(`${at}/behind/channel`, expected('channel', { last: channels.length - 1, found: bus.behind.channel }));
}

/** A helper says of itself what it names. */
function helperProblems(names: Names, helper: Helper, at: string): void {
  renamed(helper, {
    card(id, field) {
      names.card(id, `${at}/${field}`);
      if (names.translators.has(helper.id) && names.library.has(id) && !names.library.get(id)?.translator)
        names.say(`${at}/${field}`, expected('translatorCard', { found: id }));
      return id;
    },
    part(id, field) {
      names.part(id, `${at}/${field}`);
      return id;
    },
    port(name, field) {
      names.port(name.part, name.port, `${at}/${field}`);
      return name;
    },
    rail(ref, field) {
      names.rail(ref, `${at}/${field}`);
      return ref;
    },
    net(of, field) {
      const { part, own: port } = parseRef(of);
      if (port) names.port(part, port, `${at}/${field}`);
      else names.bus(part, `${at}/${field}`);
      return of;
    },
    helper(id, field) {
      names.translator(id, `${at}/${field}`);
      return id;
    },
    pin(choice, field) {
      names.pin(choice.pin, `${at}/${field}`);
      return choice;
    },
  });
}

/** What the build is laid out on and bought as. */
function purchaseProblems(names: Names): void {
  const { plan } = names;
  plan.boards.forEach((id, i) => names.card(id, `boards/${i}`));
  const helpers = new Set(plan.helpers.map(({ id }) => id));
  for (const id of Object.keys(plan.spots ?? {}))
    if (!names.parts.has(id) && !helpers.has(legOwner(id))) names.say(`spots/${id}`, expected('partOrHelper'));
  names.card(plan.resistors, 'resistors');
  names.card(plan.joint, 'joint');
  plan.leads.forEach((id, i) => names.card(id, `leads/${i}`));
}
