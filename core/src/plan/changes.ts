/** What makes one plan of another, piece by piece, so that it can be taken in part. */
import { isSame } from './same.ts';
import type { Bus, PartChoice, Plan, PortChoice } from './plan.ts';
import { type Helper, isHelperOf, namesOf } from './helpers.ts';
import type { PinChoice } from './pin-choice.ts';
import { addBus, addHelper, changeBus, changePart, changePort, setPin } from './edits.ts';
import { removeBus, removeHelper, removePart } from './remove.ts';
import { keyOf, ownerOf } from './ref.ts';

/** How a part stands and runs, apart from its wires. */
type Settings = Pick<
  PartChoice,
  | 'lead'
  | 'cable'
  | 'ties'
  | 'gauge'
  | 'place'
  | 'beside'
  | 'on'
  | 'run'
  | 'apart'
  | 'also'
  | 'ground'
  | 'bits'
  | 'mode'
>;

const settingsOf = ({
  lead,
  cable,
  ties,
  gauge,
  place,
  beside,
  on,
  run,
  apart,
  also,
  ground,
  bits,
  mode,
}: PartChoice): Settings =>
  Object.fromEntries(
    Object.entries({ lead, cable, ties, gauge, place, beside, on, run, apart, also, ground, bits, mode }).filter(
      ([, value]) => value !== undefined,
    ),
  );

function withSettings(part: PartChoice, to: Settings): PartChoice {
  const {
    lead: _l,
    cable: _w,
    ties: _t,
    gauge: _g,
    place: _p,
    beside: _b,
    on: _s,
    run: _r,
    apart: _a,
    also: _o,
    ground: _n,
    bits: _c,
    mode: _m,
    ...rest
  } = part;
  return { ...rest, ...to };
}

/** One piece, as data: it crosses to a worker and back. */
export type Piece =
  | { readonly kind: 'add-part'; readonly part: PartChoice }
  | { readonly kind: 'remove-part'; readonly part: string }
  | { readonly kind: 'card'; readonly part: PartChoice }
  | { readonly kind: 'feeds'; readonly part: string; readonly feeds: PartChoice['feeds'] }
  | { readonly kind: 'opened'; readonly part: string; readonly opened: PartChoice['opened'] }
  | { readonly kind: 'settings'; readonly part: string; readonly to: Settings }
  | { readonly kind: 'port'; readonly part: string; readonly port: string; readonly choice: Omit<PortChoice, 'lines'> }
  | { readonly kind: 'pin'; readonly of: string; readonly line: string; readonly choice: PinChoice }
  | { readonly kind: 'add-bus'; readonly bus: Bus }
  | { readonly kind: 'remove-bus'; readonly bus: string }
  | { readonly kind: 'bus'; readonly bus: string; readonly to: Omit<Bus, 'lines'> }
  | { readonly kind: 'add-helper'; readonly helper: Helper }
  | { readonly kind: 'helper'; readonly helper: Helper }
  | { readonly kind: 'remove-helper'; readonly helper: string }
  | { readonly kind: 'plan'; readonly to: Partial<Pick<Plan, 'controller' | WholeField>> };

/** What of a plan as a whole a change may be about, besides its controller. */
const WHOLE = ['unused', 'leads', 'rules', 'overlap', 'spots', 'boards'] as const;
type WholeField = (typeof WHOLE)[number];

export interface PlanChange {
  /** Stable: what is changed on what. */
  readonly id: string;
  readonly piece: Piece;
  /** Changes without which this one leads nowhere. */
  readonly needs: readonly string[];
}

/** Takes one piece into a plan. */
function applyPiece(plan: Plan, piece: Piece): Plan {
  switch (piece.kind) {
    case 'add-part':
      return { ...plan, parts: [...plan.parts, piece.part] };
    case 'remove-part':
      return removePart(plan, piece.part);
    case 'card':
      return changePart(plan, piece.part.id, () => piece.part);
    case 'feeds':
      return changePart(plan, piece.part, (part) => ({ ...part, feeds: piece.feeds }));
    case 'opened':
      return changePart(plan, piece.part, (part) => ({ ...part, opened: piece.opened }));
    case 'settings':
      return changePart(plan, piece.part, (part) => withSettings(part, piece.to));
    case 'port':
      return changePort(plan, piece.part, piece.port, ({ lines }) =>
        lines ? { ...piece.choice, lines } : piece.choice,
      );
    case 'pin':
      return setPin(plan, piece.of, piece.line, piece.choice);
    case 'add-bus':
      return addBus(plan, piece.bus);
    case 'remove-bus':
      return removeBus(plan, piece.bus);
    case 'bus':
      return changeBus(plan, piece.bus, ({ lines }) => ({ ...piece.to, lines }));
    case 'add-helper':
      return addHelper(plan, piece.helper);
    case 'helper':
      return { ...plan, helpers: plan.helpers.map((h) => (h.id === piece.helper.id ? piece.helper : h)) };
    case 'remove-helper':
      return removeHelper(plan, piece.helper);
    case 'plan':
      return { ...plan, ...piece.to };
  }
}

/** Takes the changes with the given ids, in their order; one whose needs are not taken is left out. */
export function applyChanges(plan: Plan, changes: readonly PlanChange[], wanted: ReadonlySet<string>): Plan {
  const taken = new Set<string>();
  return changes.reduce((p, { id, piece, needs }) => {
    if (!wanted.has(id) || !needs.every((need) => taken.has(need))) return p;
    taken.add(id);
    return applyPiece(p, piece);
  }, plan);
}

const byId = <T extends { id: string }>(list: readonly T[]) => new Map(list.map((item) => [item.id, item]));

/**
 * The pieces that make `after` of `before`, those first that others need. Names, notes, needs and stock are not looked at.
 * @returns an empty list for plans that are wired alike
 */
export function planChanges(before: Plan, after: Plan): PlanChange[] {
  const out: PlanChange[] = [];
  const added = new Map<string, string>();
  const put = (id: string, piece: Piece, ...refs: (string | null | undefined)[]) => {
    const needs = [...new Set(refs.flatMap((ref) => added.get(ownerOf(ref)) ?? []))];
    out.push({ id, piece, needs });
  };
  const olds = { parts: byId(before.parts), buses: byId(before.buses), helpers: byId(before.helpers) };
  const news = { parts: byId(after.parts), buses: byId(after.buses), helpers: byId(after.helpers) };

  for (const part of after.parts) {
    if (olds.parts.has(part.id)) continue;
    const id = `add:${part.id}`;
    // What stands on something that is added itself comes after it.
    put(id, { kind: 'add-part', part }, ...Object.values(part.feeds));
    added.set(part.id, id);
  }
  for (const bus of after.buses) {
    if (olds.buses.has(bus.id)) continue;
    put(`bus:${bus.id}`, { kind: 'add-bus', bus }, bus.behind?.part);
    added.set(bus.id, `bus:${bus.id}`);
  }
  for (const helper of after.helpers) {
    if (olds.helpers.has(helper.id) || !isSide(helper)) continue;
    put(`helper:${helper.id}`, { kind: 'add-helper', helper }, ...refsOf(helper));
    added.set(helper.id, `helper:${helper.id}`);
  }
  for (const part of after.parts) {
    const old = olds.parts.get(part.id);
    if (old) partPieces(old, part, put);
  }
  for (const bus of after.buses) {
    const old = olds.buses.get(bus.id);
    if (old) busPieces(old, bus, put);
  }
  for (const helper of before.helpers)
    if (!news.helpers.has(helper.id)) put(`helper:${helper.id}`, { kind: 'remove-helper', helper: helper.id });
  for (const helper of after.helpers) {
    const old = olds.helpers.get(helper.id);
    const refs = refsOf(helper);
    if (!old && !isSide(helper)) put(`helper:${helper.id}`, { kind: 'add-helper', helper }, ...refs);
    else if (old && !isSame(old, helper)) put(`helper:${helper.id}`, { kind: 'helper', helper }, ...refs);
  }
  for (const { id } of before.buses) if (!news.buses.has(id)) put(`bus:${id}`, { kind: 'remove-bus', bus: id });
  for (const { id } of before.parts) if (!news.parts.has(id)) put(`remove:${id}`, { kind: 'remove-part', part: id });
  if (before.controller !== after.controller)
    put('controller', { kind: 'plan', to: { controller: after.controller } }, after.controller);
  for (const field of WHOLE)
    if (!isSame(before[field] ?? null, after[field] ?? null))
      put(field, { kind: 'plan', to: { [field]: after[field] } });
  return out;
}

type Put = (id: string, piece: Piece, ...refs: (string | null | undefined)[]) => void;

const refsOf = (helper: Helper): readonly string[] => {
  const { nets, rails, helpers, parts } = namesOf(helper);
  // What a translator is before comes after it, with the pins.
  return isSide(helper) ? rails : [...nets, ...helpers, ...parts, ...rails];
};
const isSide = isHelperOf('translator');

function partPieces(old: PartChoice, part: PartChoice, put: Put): void {
  if (old.card !== part.card) {
    put(`card:${part.id}`, { kind: 'card', part }, ...Object.values(part.feeds));
    return;
  }
  if (!isSame(old.feeds, part.feeds))
    put(`feeds:${part.id}`, { kind: 'feeds', part: part.id, feeds: part.feeds }, ...Object.values(part.feeds));
  for (const [port, choice] of Object.entries(part.ports)) {
    const { lines: was = {}, ...plain } = old.ports[port] ?? {};
    const { lines = {}, ...now } = choice;
    if (!isSame(plain, now))
      put(`port:${keyOf(part.id, port)}`, { kind: 'port', part: part.id, port, choice: now }, now.bus, now.driver);
    for (const [line, pin] of Object.entries(lines))
      if (!isSame(was[line], pin))
        put(`pin:${keyOf(part.id, port, line)}`, { kind: 'pin', of: keyOf(part.id, port), line, choice: pin }, pin.on);
  }
  if (!isSame([...old.opened].sort(), [...part.opened].sort()))
    put(`opened:${part.id}`, { kind: 'opened', part: part.id, opened: part.opened });
  const to = settingsOf(part);
  if (!isSame(settingsOf(old), to))
    put(
      `settings:${part.id}`,
      { kind: 'settings', part: part.id, to },
      part.beside?.part,
      ...Object.values(part.also ?? {}),
    );
}

function busPieces(old: Bus, bus: Bus, put: Put): void {
  const { lines: was, ...plain } = old;
  const { lines, ...now } = bus;
  if (!isSame(plain, now)) put(`bus:${bus.id}`, { kind: 'bus', bus: bus.id, to: now }, now.behind?.part);
  for (const [line, pin] of Object.entries(lines))
    if (!isSame(was[line], pin)) put(`pin:${keyOf(bus.id, line)}`, { kind: 'pin', of: bus.id, line, choice: pin });
}
