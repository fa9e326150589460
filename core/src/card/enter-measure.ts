/** What was read of a quantity, into the measures of a card. */
import type { Message } from '../quantity/message.ts';
import { type Accepted, noPlace } from './accepted.ts';
import type { Card } from './card.ts';
import type { Measure } from './measure.ts';
import { quantityName } from './quantities.ts';

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

/** Why a figure of a quantity has no measure that it could go to; undefined of one that has, and of any other figure. */
export function measureTrouble(card: Card, f: Accepted, taken: ReadonlySet<string>): Message | undefined {
  if (!f.slot.startsWith('measure.')) return undefined;
  if (!f.quantity) return noPlace('noQuantity');
  const { quantity } = f.quantity;
  if (card.measures.some((m) => m.quantity === quantity)) return undefined;
  // Without an accuracy a range alone proves nothing, so no measure is made of it.
  if (!taken.has(`stated ${quantity}`)) return noPlace('noAccuracy', { quantity: quantityName(quantity) });
  if (f.slot === 'measure.range' || (f.slot === 'measure.accuracy' && f.over)) return undefined;
  return noPlace('noRange', { quantity: quantityName(quantity) });
}

/** Range and accuracy: what a measure is made of. */
export function enterMeasure(card: Card, f: Accepted, source: string, taken: Set<string>): Card | Message {
  const quantity = f.quantity;
  const trouble = measureTrouble(card, f, taken);
  if (trouble || !quantity) return trouble ?? noPlace('noQuantity');
  const known = card.measures.find((m) => m.quantity === quantity.quantity);
  const range = known?.range ?? { from: f.min ?? f.over?.from ?? 0, to: f.max ?? f.over?.to ?? 0, source };
  // The first accuracy replaces this band; figures are entered range first.
  const base: Measure = known ?? {
    quantity: quantity.quantity,
    unit: quantity.unit,
    range,
    accuracy: [{ from: range.from, to: range.to, error: 0, source }],
  };
  const changed =
    f.slot === 'measure.range'
      ? { ...base, range: { from: f.min ?? 0, to: f.max ?? 0, source } }
      : withAccuracy(base, f, source, taken);
  return {
    ...card,
    measures: known ? card.measures.map((m) => (m === known ? changed : m)) : [...card.measures, changed],
  };
}

function withAccuracy(base: Measure, f: Accepted, source: string, taken: Set<string>): Measure {
  // The first stated band ends what the template took for granted.
  const bands = accuracyOf(f, base.range, source);
  const first = !taken.has(`accuracy ${base.quantity}`);
  taken.add(`accuracy ${base.quantity}`);
  const kept = first ? [] : base.accuracy.filter((a) => !bands.some((b) => b.from === a.from && b.to === a.to));
  return { ...base, accuracy: [...kept, ...bands].slice(-24) };
}
