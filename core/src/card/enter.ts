/** From accepted figures to a card: they take the places of a template, and what they do not fill stays on trust. */
import type { Message } from '../quantity/message.ts';
import { type Accepted, boundsOf, noPlace } from './accepted.ts';
import type { Card } from './card.ts';
import type { Signal } from './card-shape.ts';
import type { Port } from './port.ts';
import { enterMeasure, measureTrouble } from './enter-measure.ts';
import { enterTerminal } from './enter-terminal.ts';
import type { Source } from './figure.ts';
import { FIGURE_OF_SLOT } from './figures.ts';
import { placeOf } from './path.ts';
import { placeFigure } from './with-figure.ts';

export interface Entered {
  readonly card: Card;
  /** What found no place, and why. */
  readonly left: readonly { readonly figure: Accepted; readonly why: Message }[];
}

/** A card of the same class with everything on trust, under a new name. */
export function cloneTemplate(template: Card, id: string, name: string): Card {
  const sources = Object.fromEntries(
    Object.entries(template.sources).map(([key, { kind }]): [string, Source] => [
      key,
      { kind: kind === 'memory' ? 'memory' : 'class-typical', title: template.name },
    ]),
  );
  return { ...template, id, name, revision: 1, sources, offers: [] };
}

/** Order in which figures are entered: a range must stand before its accuracy. */
const ORDER = ['terminal', 'supply.range', 'measure.range', 'measure.accuracy'];

/**
 * @param template a clone of a class template
 * @param sourceOf where a page's figures come from
 */
export function enterFigures(
  template: Card,
  figures: readonly Accepted[],
  sourceOf: (page: number) => Source,
): Entered {
  const left: { figure: Accepted; why: Message }[] = [];
  const rank = (f: Accepted) => (ORDER.indexOf(f.slot) + ORDER.length + 1) % (ORDER.length + 1);
  const taken = new Set<string>();
  for (const { slot, quantity } of figures)
    if (slot === 'measure.accuracy' && quantity) taken.add(`stated ${quantity.quantity}`);
  let card = template;
  for (const f of [...figures].sort((a, b) => rank(a) - rank(b))) {
    const key = `page-${f.page}`;
    const withSource: Card = { ...card, sources: { ...card.sources, [key]: sourceOf(f.page) } };
    const next = enter(withSource, f, key, taken);
    if (!('topic' in next)) card = next;
    else left.push({ figure: f, why: next });
  }
  return { card: withoutUnusedSources(card), left };
}

/** @returns the card with the figure, or why it has no place */
function enter(card: Card, f: Accepted, source: string, taken: Set<string>): Card | Message {
  switch (f.slot) {
    case 'terminal':
      return enterTerminal(card, f, source, taken);
    case 'body.size':
      return enterSize(card, f, source);
    case 'logic.pullUp':
      return enterPullUp(card, f, source);
    case 'measure.range':
    case 'measure.accuracy':
      return enterMeasure(card, f, source, taken);
    case 'port.address':
    case 'port.identity':
      return enterWord(card, f, source, taken);
    default:
      return measureTrouble(card, f, taken) ?? enterPlain(card, f, source);
  }
}

/** What to say where a card has nothing that a slot could fill, by the first word of the slot. */
const NOTHING_TO_FILL = [
  ['supply', 'noSupply'],
  ['rail', 'noRail'],
  ['logic', 'noSignal'],
  ['port', 'noBus'],
] as const;

/** A figure that goes to its place as it is, in one thing of the card or in several. */
function enterPlain(card: Card, f: Accepted, source: string): Card | Message {
  const row = FIGURE_OF_SLOT.get(f.slot);
  const owners = row?.slot.into(card, f.quantity?.quantity) ?? [];
  if (!row || owners.length === 0)
    return noPlace(NOTHING_TO_FILL.find(([group]) => f.slot.startsWith(group))?.[1] ?? 'noPlace');
  const { conditions, ...bounds } = boundsOf(f);
  const rest = { ...(conditions === undefined ? {} : { conditions }), unit: f.unit };
  let made: Card = card;
  for (const owner of owners) {
    const next = placeFigure(made, placeOf(row.id, owner), bounds, rest, source);
    if (!next) return noPlace('noPlace');
    made = next;
  }
  return made;
}

function enterSize(card: Card, f: Accepted, source: string): Card | Message {
  const [length, width, height] = f.size ?? [];
  if (length === undefined || width === undefined) return noPlace('sizeIncomplete');
  return {
    ...card,
    body: { ...card.body, size: { length, width, ...(height === undefined ? {} : { height }), source } },
  };
}

/** A breakout's pull-up stands on every line that it shares with others. */
function enterPullUp(card: Card, f: Accepted, source: string): Card | Message {
  const to = card.supplies[0]?.id;
  const shared = new Set(FIGURE_OF_SLOT.get(f.slot)?.slot.into(card, undefined));
  if (to === undefined || shared.size === 0) return noPlace('noSharedLine');
  const fittedPullUp = (s: Signal) => ({
    value: { ...boundsOf(f), unit: 'Ω' as const, source },
    to,
    removable: s.fittedPullUp?.removable ?? ('solder' as const),
  });
  return {
    ...card,
    signals: card.signals.map((s) => (shared.has(s.id) ? { ...s, fittedPullUp: fittedPullUp(s) } : s)),
  };
}

/** Addresses and words of identification are lists that each one adds to. */
function enterWord(card: Card, f: Accepted, source: string, taken: Set<string>): Card | Message {
  const bus = card.ports.find(({ id }) => id === FIGURE_OF_SLOT.get(f.slot)?.slot.into(card, undefined)[0]);
  if (!bus) return noPlace('noBus');
  const put = (changed: Port): Card => ({ ...card, ports: card.ports.map((p) => (p === bus ? changed : p)) });
  const value = f.typ ?? f.max ?? f.min;
  if (value === undefined) return noPlace('noValue');
  if (f.slot === 'port.address') {
    const kept = taken.has('address') ? (bus.addresses ?? []).filter((a) => a.value !== value) : [];
    taken.add('address');
    return put({ ...bus, addresses: [...kept, { value, setting: (f.label || 'fixed').slice(0, 60), source }] });
  }
  const kept = (bus.identity ?? []).filter((word) => word.register !== f.register);
  return put({
    ...bus,
    identity: [...kept, { register: f.register ?? 0, bits: f.bits ?? 8, value, source }].slice(-8),
  });
}

/** Sources that nothing rests on any more. */
function withoutUnusedSources(card: Card): Card {
  const used = new Set<string>();
  const walk = (value: unknown): void => {
    if (Array.isArray(value)) value.forEach(walk);
    else if (value !== null && typeof value === 'object')
      for (const [key, item] of Object.entries(value)) {
        if (key === 'source' && typeof item === 'string') used.add(item);
        else walk(item);
      }
  };
  walk({ ...card, sources: {} });
  const first = Object.keys(card.sources)[0];
  return {
    ...card,
    sources: Object.fromEntries(
      Object.entries(card.sources).filter(([key]) => used.has(key) || (used.size === 0 && key === first)),
    ),
  };
}
