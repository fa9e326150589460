/** Where a new need begins: a range and an accuracy that a part on sale keeps; and, where none does, which comes nearest. */
import type { Card } from '../card/card.ts';
import { errorOver, measureFor, rangeMargin, shortestInterval } from '../check/sense-error.ts';
import type { Measure } from '../card/measure.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { disqualifies, type Setting } from './qualify.ts';
import { quantityOf, tells, type Quantity, type Text, type Message, wordOf } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface CompareUsualNeedSays {
  readonly missesRange: { margin: Quantity };
  readonly ask: { from: number; to: Quantity };
  readonly withinNot: { total: Quantity; accuracy: Quantity };
  readonly askWithin: { accuracy: Quantity };
  readonly readsEveryBest: { least: Quantity };
  readonly askEvery: { least: Quantity };
  readonly all: { misses: readonly Text[] };
  readonly steps: { steps: readonly Text[] };
  readonly statesNoAccuracyThere: null;
  readonly fails: { reason: Text };
}

const tell = tells<CompareUsualNeedSays>('compare/usual-need');

type Asked = Pick<SenseNeed, 'from' | 'to' | 'accuracy' | 'interval'>;
type Kind = Pick<SenseNeed, 'quantity' | 'unit'>;

/** s */
const EVERY = 60;

/** Up to the next 1, 2 or 5 of its decade, as people ask. @example roundUp(0.43) === 0.5 */
function roundUp(value: number): number {
  const decade = 10 ** Math.floor(Math.log10(value));
  const found = [1, 2, 5, 10].find((n) => n * decade >= value * (1 - 1e-9)) ?? 10;
  return Number((found * decade).toPrecision(3));
}

/** A card's own range, or the middle of it, as exactly as it keeps that over its life and as often as it can. */
function keptBy(card: Card, measure: Measure, middle: number, asked: Kind, setting: Setting): SenseNeed | null {
  const { from, to } = measure.range;
  const cut = ((to - from) * (1 - middle)) / 2;
  const wanted = { from: Number((from + cut).toPrecision(4)), to: Number((to - cut).toPrecision(4)) };
  const sum = errorOver(card, measure, wanted, setting.years, setting.front);
  if (!sum) return null;
  const accuracy = roundUp(sum.total > 0 ? sum.total : (to - from) / 100);
  const interval = Math.max(EVERY, shortestInterval(measure).seconds);
  return { id: 'need', kind: 'sense', place: 'somewhere', ...asked, ...wanted, accuracy, interval };
}

/** How many steps of its accuracy a need has. */
const fineness = ({ from, to, accuracy }: SenseNeed): number => (to - from) / accuracy;

/** Where a part states no accuracy at its very ends, the middle of its range is asked. */
const MIDDLES = [1, 0.8, 0.5];

/**
 * What is often asked of a quantity: of the ranges that the cards have, as exactly as each keeps its own, those that half of the
 * cards keep, and of these the one of the most steps. Null where no card measures it.
 */
export function usualNeed(cards: Iterable<Card>, asked: Kind, setting: Setting): Asked | null {
  const able = [...cards].flatMap((card) => {
    const measure = measureFor(card, asked);
    return measure ? [{ card, measure }] : [];
  });
  const where = { years: setting.years, place: undefined, front: setting.front };
  const needs = MIDDLES.flatMap((middle) =>
    able.flatMap(({ card, measure }) => {
      const need = keptBy(card, measure, middle, asked, setting);
      if (!need) return [];
      const met = able.filter((other) => disqualifies(other.card, need, where) === null).length;
      return met > 0 ? [{ need, met }] : [];
    }),
  );
  const most = Math.max(0, ...needs.map(({ met }) => met));
  const common = needs.filter(({ met }) => met >= Math.min(most, Math.max(2, Math.ceil(able.length / 2))));
  const [best] = common.toSorted((a, b) => fineness(b.need) - fineness(a.need) || b.met - a.met);
  if (!best) return null;
  const { from, to, accuracy, interval } = best.need;
  return { from, to, accuracy, interval };
}

export interface NearMiss {
  readonly card: Card;
  /** "misses 4 °C of the range" */
  readonly says: Message;
  /** The need as this card would meet it, and how that is said. */
  readonly step: { readonly says: Message; readonly need: Partial<Asked> } | null;
}

/** How far a card is from a need, as a share of what is asked; its worst miss counts. */
function missOf(card: Card, need: SenseNeed, setting: Setting): (NearMiss & { by: number }) | null {
  const measure = measureFor(card, need);
  if (!measure) return null;
  const say = (value: number) => quantityOf(value, need.unit, 3);
  const misses: (NearMiss & { by: number })[] = [];
  const { margin } = rangeMargin(measure, need);
  const span = need.to - need.from;
  const { from, to } = measure.range;
  const inside = { from: Math.max(need.from, from), to: Math.min(need.to, to) };
  if (margin < 0)
    misses.push({
      card,
      by: -margin / span,
      says: tell('missesRange', { margin: say(-margin) }),
      step:
        inside.from < inside.to ? { says: tell('ask', { from: inside.from, to: say(inside.to) }), need: inside } : null,
    });
  const sum = errorOver(card, measure, margin < 0 ? inside : need, setting.years, setting.front);
  if (inside.from < inside.to && sum && sum.total > need.accuracy) {
    const accuracy = roundUp(sum.total);
    misses.push({
      card,
      by: sum.total / need.accuracy - 1,
      says: tell('withinNot', { total: say(sum.total), accuracy: say(need.accuracy) }),
      step: { says: tell('askWithin', { accuracy: say(accuracy) }), need: { accuracy } },
    });
  }
  const least = shortestInterval(measure).seconds;
  if (least > need.interval)
    misses.push({
      card,
      by: least / need.interval - 1,
      says: tell('readsEveryBest', { least: quantityOf(least, 's') }),
      step: { says: tell('askEvery', { least: quantityOf(least, 's') }), need: { interval: least } },
    });
  const reason = misses.length === 0 ? disqualifies(card, need, setting) : null;
  if (reason)
    misses.push({
      card,
      by: 10,
      says: reason === 'accuracy' ? tell('statesNoAccuracyThere') : tell('fails', { reason: wordOf('reason', reason) }),
      step: null,
    });
  const [worst] = misses.toSorted((a, b) => b.by - a.by);
  if (!worst) return null;
  const steps = misses.flatMap(({ step }) => step ?? []);
  const whole = steps.length === misses.length;
  return {
    ...worst,
    says: tell('all', { misses: misses.map(({ says }) => says) }),
    step: whole
      ? {
          says: tell('steps', { steps: steps.map(({ says }) => says) }),
          need: Object.assign({}, ...steps.map((step) => step.need)) as Partial<Asked>,
        }
      : null,
  };
}

/** Of the cards that measure what a need asks for and do not meet it, the one that misses least. */
export function nearestMiss(cards: Iterable<Card>, need: SenseNeed, setting: Setting): NearMiss | null {
  const all = [...cards].flatMap((card) => missOf(card, need, setting) ?? []);
  const [nearest] = all.toSorted((a, b) => Number(a.step === null) - Number(b.step === null) || a.by - b.by);
  return nearest ? { card: nearest.card, says: nearest.says, step: nearest.step } : null;
}
