/** What is wrong with a card by itself: figures far off their kind, figures that contradict each other, names that lead to the same thing. */
import type { Card } from '../card/card.ts';

import { figuresOf, type PlacedFigure } from '../card/places.ts';
import { quantityOf } from '../quantity/message.ts';
import { type Doubt, doubt } from './doubt.ts';
import { structureOf } from './judge-structure.ts';
import { type Usual, usualOf } from '../card/usual.ts';

const boundsOf = ({ min, typ, max }: PlacedFigure): number[] => [min, typ, max].filter((bound) => bound !== undefined);

const isUnusual = ({ from, to, least = 0 }: Usual, bound: number, isHighest: boolean): boolean =>
  bound < from || bound > to || (isHighest && bound !== 0 && Math.abs(bound) < least);

function unusual(card: Card, figure: PlacedFigure): Doubt[] {
  const usual = usualOf(card, figure.id, figure.place, figure.unit);
  const bounds = boundsOf(figure);
  const value = usual && bounds.find((bound, i) => isUnusual(usual, bound, i === bounds.length - 1));
  if (!usual || value === undefined || value === null) return [];
  const said = (of: number) => quantityOf(of, figure.unit);
  return [
    {
      place: figure.place,
      says: doubt('unusual', { figure: figure.title, value: said(value), from: said(usual.from), to: said(usual.to) }),
    },
  ];
}

/** What a part stands at most is judged by its upper end: the lower one is what it stands below ground. */
const byItsLimit = (figure: PlacedFigure): PlacedFigure =>
  figure.place.endsWith('/absoluteMax') && figure.max !== undefined ? { ...figure, min: undefined } : figure;

/** Figures of one thing of which the first is not above the second, both by their place in it. */
const ORDERS: readonly (readonly [lower: string, upper: string])[] = [
  ['current/sleep', 'current/idle'],
  ['current/idle', 'current/active'],
  ['current/active', 'current/peak'],
  ['ownLoad/sleep', 'ownLoad/idle'],
  ['ownLoad/idle', 'ownLoad/active'],
  ['ownLoad/active', 'ownLoad/peak'],
  ['range', 'absoluteMax'],
  ['inputLow', 'inputHigh'],
  ['outputLow', 'outputHigh'],
  ['pinCurrent/recommended', 'pinCurrent/absolute'],
  ['cells/cutOff', 'cells/full'],
  ['bipolar/saturation', 'bipolar/base'],
];

const BOUNDS = ['min', 'typ', 'max'] as const;

/** The bounds that are compared: the same of both; where they state different ones, the least against the most. */
function compared(lower: PlacedFigure, upper: PlacedFigure): (readonly [low: number, high: number])[] {
  const same = BOUNDS.flatMap((bound) => {
    const [low, high] = [lower[bound], upper[bound]];
    return low === undefined || high === undefined ? [] : [[low, high] as const];
  });
  return same.length > 0 ? same : [[Math.min(...boundsOf(lower)), Math.max(...boundsOf(upper))]];
}

function inOrder(lower: PlacedFigure | undefined, upper: PlacedFigure | undefined): Doubt[] {
  if (!lower || !upper || lower.unit !== upper.unit) return [];
  const wrong = compared(lower, upper).find(([one, other]) => one > other);
  if (!wrong) return [];
  const [low, high] = wrong;
  const data = {
    lower: lower.title,
    low: quantityOf(low, lower.unit),
    upper: upper.title,
    high: quantityOf(high, upper.unit),
  };
  return [{ place: lower.place, says: doubt('order', data) }];
}

function outOfOrder(figures: readonly PlacedFigure[]): Doubt[] {
  const byPlace = new Map(figures.map((figure) => [figure.place, figure]));
  return figures.flatMap((figure) =>
    ORDERS.flatMap(([lower, upper]) => {
      if (!figure.place.endsWith(`/${lower}`)) return [];
      return inOrder(figure, byPlace.get(`${figure.place.slice(0, -lower.length)}${upper}`));
    }),
  );
}

/** A figure by its upper bound alone. */
const mostOf = (figure: PlacedFigure | undefined): PlacedFigure | undefined =>
  figure && { ...figure, min: undefined, typ: undefined, max: Math.max(...boundsOf(figure)) };

/** A regulator that lowers gives no more than it is fed, and cells are not empty above the voltage that they have when full. */
function railDoubts(card: Card): Doubt[] {
  const figures = new Map(figuresOf(card).map((figure) => [figure.place, figure]));
  return (card.rails ?? []).flatMap((rail): Doubt[] => {
    const given = figures.get(`rails/${rail.id}/voltage`);
    const fed = figures.get(`supplies/${rail.from?.supply ?? ''}/range`);
    const full = rail.cells?.curve[0]?.volts;
    const empty = figures.get(`rails/${rail.id}/cells/cutOff`);
    // Above its own range only: a regulator may be fed less than it gives, and then gives less.
    const lowers = rail.from?.by === 'linear' ? inOrder(mostOf(given), mostOf(fed)) : [];
    const drained =
      empty && full !== undefined && Math.max(...boundsOf(empty)) > full
        ? [
            {
              place: empty.place,
              says: doubt('order', {
                lower: empty.title,
                low: quantityOf(Math.max(...boundsOf(empty)), 'V'),
                upper: given?.title ?? empty.title,
                high: quantityOf(full, 'V'),
              }),
            },
          ]
        : [];
    return [...lowers, ...drained];
  });
}

function measureDoubts({ measures }: Card): Doubt[] {
  return measures.flatMap(({ quantity, range, accuracy, resolution }): Doubt[] => {
    const place = `measures/${quantity}`;
    const of = quantity;
    const span = range.to - range.from;
    if (span <= 0) return [{ place: `${place}/range`, says: doubt('rangeUpsideDown', { of }) }];
    const wide = accuracy.some(({ error }) => error > span);
    const beside = accuracy.some(({ from, to }) => from >= range.to || to <= range.from || from > to);
    const coarse = resolution !== undefined && resolution.value > span / 2;
    return [
      ...(wide ? [{ place: `${place}/accuracy`, says: doubt('accuracyWide', { of }) }] : []),
      ...(beside ? [{ place: `${place}/accuracy`, says: doubt('accuracyBeside', { of }) }] : []),
      ...(coarse ? [{ place: `${place}/resolution/value`, says: doubt('stepWide', { of }) }] : []),
    ];
  });
}

/** @returns what a person who knows such parts would ask about, in the order of the card */
export function judge(card: Card): Doubt[] {
  const figures = figuresOf(card).map(byItsLimit);
  return [
    ...structureOf(card),
    ...figures.flatMap((figure) => unusual(card, figure)),
    ...outOfOrder(figures),
    ...railDoubts(card),
    ...measureDoubts(card),
  ];
}
