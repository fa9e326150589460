import type { Measure } from '../card/measure.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { quantityName } from '../card/quantities.ts';
import { add } from '../quantity/sum.ts';
import type { Card } from '../card/card.ts';
import { errorOver, measureFor, shortestInterval, unstated } from '../check/sense-error.ts';
import { figureCell, NOTHING, said, type Cell, type Comparing, type Line } from './cell.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface CompareMeasuringLinesSays {
  readonly notStatedFrom: { from: number; to: Quantity };
  readonly range: null;
  readonly to: { from: number; to: Quantity };
  readonly errorOverWantedRange: null;
  readonly from: { from: number; to: Quantity };
  readonly driftOverPlannedLife: null;
  readonly drift: null;
  readonly within: { error: Quantity };
  readonly listed: { others: readonly Text[] };
  readonly year: { drift: Quantity; years: number };
  readonly errorWayCounts: null;
  readonly spread: { worst: Quantity; rss: Quantity };
  readonly theirWorst: null;
  readonly added: null;
  readonly spreadWord: null;
  readonly rootSumSquares: null;
  readonly noConverterChosen: null;
  readonly noneDigital: null;
  readonly allErrorsTogether: null;
  readonly withSpread: { total: Quantity; rss: Quantity };
  readonly asIndependentErrors: null;
  readonly resolution: null;
  readonly alsoAnswers: null;
  readonly nothingStated: null;
  readonly shortestTimeBetweenReadings: null;
  readonly conversion: null;
  readonly warmUp: null;
}

const tell = tells<CompareMeasuringLinesSays>('compare/measuring-lines');

/** What the lines ask about the wanted quantity, over the wanted range only. */
interface Wanted {
  readonly need: SenseNeed;
  readonly setting: Comparing['setting'];
  readonly unit: string;
  show(value: number): Quantity;
  of(card: Card): Measure | undefined;
  sum(card: Card): ReturnType<typeof errorOver>;
  /** The cell of a card whose sheet says nothing of a stretch that is wanted. */
  gap(card: Card): Cell;
}

function wantedOf(need: SenseNeed, setting: Comparing['setting']): Wanted {
  const { unit } = need;
  const show = (value: number) => quantityOf(value, unit);
  const of = (card: Card) => measureFor(card, need);
  return {
    need,
    setting,
    unit,
    show,
    of,
    sum(card) {
      const measure = of(card);
      return measure ? errorOver(card, measure, need, setting.years, setting.front) : null;
    },
    gap(card) {
      const measure = of(card);
      const hole = measure && unstated(measure, need);
      return hole
        ? { ...NOTHING, text: tell('notStatedFrom', { from: hole.from, to: show(hole.to) }), breaks: true }
        : NOTHING;
    },
  };
}

const rangeLine = ({ need, unit, show, of }: Wanted): Line => ({
  id: 'range',
  title: tell('range'),
  group: 'measuring',
  unit,
  cell: (card) => {
    const measure = of(card);
    if (!measure) return NOTHING;
    const { from, to, source } = measure.range;
    return said(tell('to', { from, to: show(to) }), to - from, {
      range: { from, to },
      source: card.sources[source],
      breaks: from > need.from || to < need.to,
    });
  },
});

const errorLine = ({ unit, show, sum, gap }: Wanted): Line => ({
  id: 'error',
  title: tell('errorOverWantedRange'),
  group: 'measuring',
  unit,
  better: 'less',
  cell: (card) => {
    const found = sum(card);
    if (!found) return gap(card);
    return said(tell('within', { error: show(found.error) }), found.error, {
      source: card.sources[found.worst.source],
      conditions: found.worst.conditions ?? tell('from', { from: found.worst.from, to: show(found.worst.to) }),
    });
  },
});

const driftLine = ({ setting, unit, show, of }: Wanted): Line => ({
  id: 'drift',
  title: tell('driftOverPlannedLife'),
  group: 'measuring',
  unit,
  better: 'less',
  cell: (card) => {
    const drift = of(card)?.driftPerYear;
    if (!drift) return NOTHING;
    const total = drift.value * setting.years;
    return said(show(total), total, {
      source: card.sources[drift.source],
      workings: [
        {
          name: tell('drift'),
          sum: tell('year', { drift: show(drift.value), years: setting.years }),
          value: total,
          unit,
        },
      ],
    });
  },
});

const chainLine = ({ unit, show, of, sum }: Wanted): Line => ({
  id: 'chain',
  title: tell('errorWayCounts'),
  group: 'measuring',
  unit,
  better: 'less',
  cell: (card) => {
    const chain = sum(card)?.chain ?? null;
    if (chain)
      return said(tell('spread', { worst: show(chain.worst), rss: show(chain.rss) }), chain.worst, {
        workings: [
          ...chain.terms.map((term) => ({ name: term.name, sum: term.sum, value: term.error, unit })),
          { name: tell('theirWorst'), sum: tell('added'), value: chain.worst, unit },
          { name: tell('spreadWord'), sum: tell('rootSumSquares'), value: chain.rss, unit },
        ],
      });
    return of(card)?.analog ? { ...NOTHING, text: tell('noConverterChosen') } : said(tell('noneDigital'), 0);
  },
});

const totalLine = ({ need, unit, show, sum, gap }: Wanted): Line => ({
  id: 'total',
  title: tell('allErrorsTogether'),
  group: 'measuring',
  unit,
  better: 'less',
  cell: (card) => {
    const found = sum(card);
    if (!found) return gap(card);
    const parts = [found.error, found.drift, ...(found.chain ? [found.chain.worst] : [])];
    return said(tell('withSpread', { total: show(found.total), rss: show(found.rss) }), found.total, {
      breaks: found.total > need.accuracy + 1e-9,
      workings: [
        { name: tell('theirWorst'), sum: add(...parts.map(show)), value: found.total, unit },
        { name: tell('asIndependentErrors'), sum: tell('rootSumSquares'), value: found.rss, unit },
      ],
    });
  },
});

const resolutionLine = ({ unit, show, of }: Wanted): Line => ({
  id: 'resolution',
  title: tell('resolution'),
  group: 'measuring',
  unit,
  better: 'less',
  cell: (card) => {
    const resolution = of(card)?.resolution;
    return resolution
      ? said(show(resolution.value), resolution.value, { source: card.sources[resolution.source] })
      : NOTHING;
  },
});

const othersLine = ({ of }: Wanted): Line => ({
  id: 'others',
  title: tell('alsoAnswers'),
  group: 'measuring',
  cell: (card) => {
    const others = of(card)?.sensitiveTo ?? [];
    return said(
      others.length === 0
        ? tell('nothingStated')
        : tell('listed', { others: others.map(({ to }) => quantityName(to)) }),
      others.length,
      {
        source: others[0] && card.sources[others[0].source],
      },
    );
  },
});

const intervalLine = ({ need, of }: Wanted): Line => ({
  id: 'interval',
  title: tell('shortestTimeBetweenReadings'),
  group: 'time',
  unit: 's',
  better: 'less',
  cell: (card) => {
    const measure = of(card);
    const least = measure && shortestInterval(measure);
    if (!least || least.by === null) return NOTHING;
    return said(quantityOf(least.seconds, 's'), least.seconds, {
      source: least.source === null ? undefined : card.sources[least.source],
      breaks: least.seconds > need.interval,
    });
  },
});

const conversionLine = ({ of }: Wanted): Line => ({
  id: 'conversion',
  title: tell('conversion'),
  group: 'time',
  unit: 's',
  better: 'less',
  cell: (card) => figureCell(card, of(card)?.conversion),
});

const warmUpLine = ({ of }: Wanted): Line => ({
  id: 'warm-up',
  title: tell('warmUp'),
  group: 'time',
  unit: 's',
  better: 'less',
  cell: (card) => figureCell(card, of(card)?.warmUp),
});

const LINES = [
  rangeLine,
  errorLine,
  driftLine,
  chainLine,
  totalLine,
  resolutionLine,
  othersLine,
  intervalLine,
  conversionLine,
  warmUpLine,
];

/** What a card says about the wanted quantity. */
export const measuringLines = ({ need, setting }: Comparing): Line[] =>
  need ? LINES.map((line) => line(wantedOf(need, setting))) : [];
