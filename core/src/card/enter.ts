/** From accepted figures to a card: they take the places of a template, and what they do not fill stays on trust. */
import type { Card } from './card.ts';
import type { Port, Signal, Supply, Terminal } from './card-shape.ts';
import type { Source } from './figure.ts';
import type { Measure } from './measure.ts';
import { roleOf } from './reader/terminals.ts';
import type { Proposal } from './reader/proposal.ts';

/** A figure that a person looked at and took. */
export type Accepted = Omit<Proposal, 'sureness' | 'doubts'>;

export interface Entered {
  readonly card: Card;
  /** What found no place, and why. */
  readonly left: readonly { readonly figure: Accepted; readonly why: string }[];
}

/** A card of the same class with everything on trust, under a new name. */
export function cloneTemplate(template: Card, id: string, name: string): Card {
  const sources = Object.fromEntries(
    Object.entries(template.sources).map(([key, { kind }]): [string, Source] => [
      key,
      { kind: kind === 'memory' ? 'memory' : 'class-typical', title: `taken over from ${template.name}`.slice(0, 160) },
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
  const left: { figure: Accepted; why: string }[] = [];
  const rank = (f: Accepted) => (ORDER.indexOf(f.slot) + ORDER.length + 1) % (ORDER.length + 1);
  const taken = new Set<string>();
  for (const { slot, quantity } of figures)
    if (slot === 'measure.accuracy' && quantity) taken.add(`stated ${quantity.quantity}`);
  let card = template;
  for (const f of [...figures].sort((a, b) => rank(a) - rank(b))) {
    const key = `page-${f.page}`;
    const withSource: Card = { ...card, sources: { ...card.sources, [key]: sourceOf(f.page) } };
    const next = enter(withSource, f, key, taken);
    if (typeof next === 'string') left.push({ figure: f, why: next });
    else card = next;
  }
  return { card: withoutUnusedSources(card), left };
}

const bounds = ({ min, typ, max, conditions }: Accepted) => ({
  ...(min === undefined ? {} : { min }),
  ...(typ === undefined ? {} : { typ }),
  ...(max === undefined ? {} : { max }),
  ...(conditions ? { conditions: conditions.slice(0, 160) } : {}),
});

const LOGIC: Readonly<
  Record<
    string,
    'inputHigh' | 'inputLow' | 'outputHigh' | 'outputLow' | 'absoluteMax' | 'sinkCurrent' | 'leakage' | 'capacitance'
  >
> = {
  'logic.inputHigh': 'inputHigh',
  'logic.inputLow': 'inputLow',
  'logic.outputHigh': 'outputHigh',
  'logic.outputLow': 'outputLow',
  'logic.absoluteMax': 'absoluteMax',
  'logic.sinkCurrent': 'sinkCurrent',
  'logic.leakage': 'leakage',
  'logic.capacitance': 'capacitance',
};

const DRIVES: ReadonlySet<Signal['kind']> = new Set(['push-pull', 'bidirectional', 'open-drain']);
const LISTENS: ReadonlySet<Signal['kind']> = new Set(['input', 'bidirectional', 'open-drain']);

function suits(field: string, { kind }: Signal): boolean {
  if (field === 'outputHigh') return kind === 'push-pull' || kind === 'bidirectional';
  if (field === 'outputLow' || field === 'sinkCurrent') return DRIVES.has(kind);
  if (field === 'inputHigh' || field === 'inputLow') return LISTENS.has(kind);
  return DRIVES.has(kind) || LISTENS.has(kind) || kind === 'analog-out';
}

/** @returns the card with the figure, or why it has no place */
function enter(card: Card, f: Accepted, source: string, taken: Set<string>): Card | string {
  const logic = LOGIC[f.slot];
  if (logic) {
    const unit = f.unit as 'V';
    if (!card.signals.some((s) => suits(logic, s))) return 'no signal of the card has such a level';
    return {
      ...card,
      signals: card.signals.map((s) => (suits(logic, s) ? { ...s, [logic]: { ...bounds(f), unit, source } } : s)),
    };
  }
  if (f.slot.startsWith('supply.')) return enterSupply(card, f, source);
  if (f.slot.startsWith('measure.')) return enterMeasure(card, f, source, taken);
  if (f.slot.startsWith('rail.')) return enterRail(card, f, source);
  switch (f.slot) {
    case 'logic.pullUp': {
      const to = card.supplies[0]?.id;
      const shared = new Set(
        card.ports
          .filter(({ protocol }) => protocol === 'i2c' || protocol === 'onewire')
          .flatMap(({ lines }) => Object.values(lines)),
      );
      if (to === undefined || shared.size === 0) return 'no bus line of the card could carry a pull-up';
      const fittedPullUp = (s: Signal) => ({
        value: { ...bounds(f), unit: 'Ω' as const, source },
        to,
        removable: s.fittedPullUp?.removable ?? ('solder' as const),
      });
      return {
        ...card,
        signals: card.signals.map((s) => (shared.has(s.id) ? { ...s, fittedPullUp: fittedPullUp(s) } : s)),
      };
    }
    case 'port.clock':
    case 'port.address':
    case 'port.identity':
      return enterPort(card, f, source, taken);
    case 'body.ambient':
      return { ...card, body: { ...card.body, ambient: { ...bounds(f), unit: '°C', source } } };
    case 'body.size': {
      const [length, width, height] = f.size ?? [];
      if (length === undefined || width === undefined) return 'a size needs a length and a width';
      return {
        ...card,
        body: { ...card.body, size: { length, width, ...(height === undefined ? {} : { height }), source } },
      };
    }
    case 'terminal':
      return enterTerminal(card, f, source, taken);
    default:
      return 'the card has no such place';
  }
}

function enterSupply(card: Card, f: Accepted, source: string): Card | string {
  const [first, ...others] = card.supplies;
  if (!first) return 'the card has no supply';
  const volts = { ...bounds(f), unit: 'V' as const, source };
  const amps = { ...bounds(f), unit: 'A' as const, source };
  const changed: Supply =
    f.slot === 'supply.range'
      ? { ...first, range: volts }
      : f.slot === 'supply.absoluteMax'
        ? { ...first, absoluteMax: { ...volts, ...(f.max === undefined ? {} : { max: f.max }) } }
        : { ...first, current: { ...first.current, [f.slot.slice('supply.'.length)]: amps } };
  return { ...card, supplies: [changed, ...others] };
}

function enterRail(card: Card, f: Accepted, source: string): Card | string {
  const [first, ...others] = card.rails ?? [];
  if (!first) return 'the card offers no rail';
  const figure = { ...bounds(f), source };
  if (f.slot === 'rail.voltage')
    return { ...card, rails: [{ ...first, voltage: { ...figure, unit: 'V' } }, ...others] };
  if (f.slot === 'rail.limit') return { ...card, rails: [{ ...first, limit: { ...figure, unit: 'A' } }, ...others] };
  if (!first.from) return 'the rail is made from no supply';
  return { ...card, rails: [{ ...first, from: { ...first.from, dropout: { ...figure, unit: 'V' } } }, ...others] };
}

/** Accuracy that grows with the reading is kept as steps, each as wide as its upper end. */
const STEPS = 8;

function accuracyOf(f: Accepted, range: { from: number; to: number }, source: string): Measure['accuracy'] {
  const { from, to } = f.over ?? range;
  const error = f.max ?? f.typ ?? 0;
  const conditions = f.conditions ? { conditions: f.conditions.slice(0, 160) } : {};
  const share = f.ofReading;
  if (share === undefined) return [{ from, to, error, ...conditions, source }];
  const step = (to - from) / STEPS;
  return Array.from({ length: STEPS }, (_, i) => {
    const upper = from + (i + 1) * step;
    return {
      from: from + i * step,
      to: upper,
      error: error + share * Math.max(Math.abs(upper), Math.abs(from + i * step)),
      ...conditions,
      source,
    };
  });
}

function enterMeasure(card: Card, f: Accepted, source: string, taken: Set<string>): Card | string {
  const quantity = f.quantity;
  if (!quantity) return 'which quantity is not said';
  const known = card.measures.find((m) => m.quantity === quantity.quantity);
  // Without an accuracy a range alone proves nothing, so no measure is made of it.
  if (!known && !taken.has(`stated ${quantity.quantity}`)) return `no accuracy of ${quantity.quantity} was taken`;
  if (!known && f.slot !== 'measure.range' && !(f.slot === 'measure.accuracy' && f.over))
    return `no range of ${quantity.quantity} was taken`;
  const range = known?.range ?? { from: f.min ?? f.over?.from ?? 0, to: f.max ?? f.over?.to ?? 0, source };
  // The first accuracy replaces this band; figures are entered range first.
  const base: Measure = known ?? {
    quantity: quantity.quantity,
    unit: quantity.unit,
    range,
    accuracy: [{ from: range.from, to: range.to, error: 0, source }],
  };
  const seconds = { ...bounds(f), unit: 's' as const, source };
  const plain = f.max ?? f.typ ?? 0;
  const change = (): Measure => {
    switch (f.slot) {
      case 'measure.range':
        return { ...base, range: { from: f.min ?? 0, to: f.max ?? 0, source } };
      case 'measure.accuracy': {
        // The first stated band ends what the template took for granted.
        const bands = accuracyOf(f, base.range, source);
        const first = !taken.has(`accuracy ${base.quantity}`);
        taken.add(`accuracy ${base.quantity}`);
        const kept = first ? [] : base.accuracy.filter((a) => !bands.some((b) => b.from === a.from && b.to === a.to));
        return { ...base, accuracy: [...kept, ...bands].slice(-24) };
      }
      case 'measure.resolution':
        return { ...base, resolution: { value: plain, source } };
      case 'measure.drift':
        return { ...base, driftPerYear: { value: plain, source } };
      case 'measure.interval':
        return { ...base, interval: seconds };
      case 'measure.conversion':
        return { ...base, conversion: seconds };
      default:
        return { ...base, warmUp: seconds };
    }
  };
  const changed = change();
  return {
    ...card,
    measures: known ? card.measures.map((m) => (m === known ? changed : m)) : [...card.measures, changed],
  };
}

function enterPort(card: Card, f: Accepted, source: string, taken: Set<string>): Card | string {
  const bus = card.ports.find(({ protocol }) => protocol === 'i2c');
  if (!bus) return 'the card has no I²C port';
  const put = (changed: Port): Card => ({ ...card, ports: card.ports.map((p) => (p === bus ? changed : p)) });
  const value = f.typ ?? f.max ?? f.min;
  if (f.slot === 'port.clock') return put({ ...bus, clock: { ...bounds(f), unit: 'Hz', source } });
  if (value === undefined) return 'it has no value';
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

const slug = (label: string): string =>
  label
    .toLowerCase()
    .replace(/\+/g, 'plus')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
/** Other names for one thing, so that a datasheet's label finds the template's terminal. */
const ALIKE: readonly (readonly string[])[] = [
  ['sda', 'dat', 'data', 'dq', 'sdi', 'out', 'do', 'sig', 's'],
  ['scl', 'clk', 'sck', 'clock', 'sck'],
  ['tx', 'txd'],
  ['rx', 'rxd'],
];

function enterTerminal(card: Card, f: Accepted, source: string, taken: Set<string>): Card | string {
  const label = f.label ?? '';
  const position = f.typ ?? 0;
  if (label === '' || !Number.isInteger(position) || position < 1) return 'a terminal needs a label and a position';
  const role = roleOf(label, f.conditions);
  const id = slug(label) || `pin-${position}`;
  const free = card.terminals.filter((t) => !taken.has(`terminal ${t.id}`));
  const named = (t: Terminal) => t.id === id || slug(t.label) === id || (t.names ?? []).some((n) => slug(n) === id);
  const match =
    free.find((t) => named(t) && t.role === role) ??
    free.find((t) => t.role === role && (role === 'supply' || role === 'ground')) ??
    free.find((t) => t.role === role && ALIKE.some((group) => group.includes(id) && group.includes(t.id)));
  const header = match?.header ?? card.headers[0]?.id;
  if (header === undefined) return 'the card has no header';
  if (match) {
    taken.add(`terminal ${match.id}`);
    return {
      ...card,
      terminals: card.terminals.map((t) => (t === match ? { ...t, label: label.slice(0, 24), position, source } : t)),
    };
  }
  let own = id;
  for (let n = 2; card.terminals.some((t) => t.id === own); n++) own = `${id}-${n}`;
  taken.add(`terminal ${own}`);
  return {
    ...card,
    terminals: [...card.terminals, { id: own, label: label.slice(0, 24), role, header, position, source }],
  };
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
