import type { Card } from '../card/card.ts';
import { errorOver, measureFor, shortestInterval, unstated } from '../check/sense-error.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { figureCell, NOTHING, said, type Cell, type Comparing, type Line } from './cell.ts';

/** What a card says about the wanted quantity, over the wanted range only. */
export function measuringLines({ need, setting }: Comparing): Line[] {
  if (!need) return [];
  const unit = need.unit;
  const show = (v: number) => formatQuantity(v, unit);
  const of = (card: Card) => measureFor(card, need);
  const sum = (card: Card) => {
    const measure = of(card);
    return measure ? errorOver(card, measure, need, setting.years, setting.front) : null;
  };
  const gap = (card: Card): Cell => {
    const measure = of(card);
    const hole = measure && unstated(measure, need);
    return hole ? { ...NOTHING, text: `not stated from ${hole.from} to ${show(hole.to)}`, breaks: true } : NOTHING;
  };
  const chained = (card: Card) => sum(card)?.chain ?? null;
  return [
    {
      id: 'range',
      title: 'range',
      group: 'measuring',
      unit,
      cell: (card) => {
        const measure = of(card);
        if (!measure) return NOTHING;
        const { from, to, source } = measure.range;
        return said(`${from} to ${show(to)}`, to - from, {
          range: { from, to },
          source: card.sources[source],
          breaks: from > need.from || to < need.to,
        });
      },
    },
    {
      id: 'error',
      title: 'error over the wanted range',
      group: 'measuring',
      unit,
      better: 'less',
      cell: (card) => {
        const found = sum(card);
        if (!found) return gap(card);
        return said(`±${show(found.error)}`, found.error, {
          source: card.sources[found.worst.source],
          conditions: found.worst.conditions ?? `from ${found.worst.from} to ${show(found.worst.to)}`,
        });
      },
    },
    {
      id: 'drift',
      title: 'drift over the planned life',
      group: 'measuring',
      unit,
      better: 'less',
      cell: (card) => {
        const drift = of(card)?.driftPerYear;
        if (!drift) return NOTHING;
        const total = drift.value * setting.years;
        return said(show(total), total, {
          source: card.sources[drift.source],
          workings: [{ name: 'drift', sum: `${show(drift.value)} a year × ${setting.years}`, value: total, unit }],
        });
      },
    },
    {
      id: 'chain',
      title: 'error on the way to the counts',
      group: 'measuring',
      unit,
      better: 'less',
      cell: (card) => {
        const chain = chained(card);
        if (chain)
          return said(`±${show(chain.worst)}; spread ±${show(chain.rss)}`, chain.worst, {
            workings: [
              ...chain.terms.map((term) => ({ name: term.name, sum: term.sum, value: term.error, unit })),
              { name: 'at their worst', sum: 'added', value: chain.worst, unit },
              { name: 'spread', sum: 'root of the sum of the squares', value: chain.rss, unit },
            ],
          });
        return of(card)?.analog ? { ...NOTHING, text: 'no converter chosen' } : said('none, it is digital', 0);
      },
    },
    {
      id: 'total',
      title: 'all errors together',
      group: 'measuring',
      unit,
      better: 'less',
      cell: (card) => {
        const found = sum(card);
        if (!found) return gap(card);
        const parts = [found.error, found.drift, ...(found.chain ? [found.chain.worst] : [])];
        return said(`±${show(found.total)}; spread ±${show(found.rss)}`, found.total, {
          breaks: found.total > need.accuracy + 1e-9,
          workings: [
            { name: 'at their worst', sum: parts.map(show).join(' + '), value: found.total, unit },
            { name: 'as independent errors', sum: 'root of the sum of the squares', value: found.rss, unit },
          ],
        });
      },
    },
    {
      id: 'resolution',
      title: 'resolution',
      group: 'measuring',
      unit,
      better: 'less',
      cell: (card) => {
        const resolution = of(card)?.resolution;
        return resolution
          ? said(show(resolution.value), resolution.value, { source: card.sources[resolution.source] })
          : NOTHING;
      },
    },
    {
      id: 'others',
      title: 'also answers to',
      group: 'measuring',
      cell: (card) => {
        const others = of(card)?.sensitiveTo ?? [];
        return said(others.length === 0 ? 'nothing stated' : others.map(({ to }) => to).join(', '), others.length, {
          source: others[0] && card.sources[others[0].source],
        });
      },
    },
    {
      id: 'interval',
      title: 'shortest time between readings',
      group: 'time',
      unit: 's',
      better: 'less',
      cell: (card) => {
        const measure = of(card);
        const least = measure && shortestInterval(measure);
        if (!least || least.by === null) return NOTHING;
        return said(formatQuantity(least.seconds, 's'), least.seconds, {
          source: least.source === null ? undefined : card.sources[least.source],
          breaks: least.seconds > need.interval,
        });
      },
    },
    {
      id: 'conversion',
      title: 'conversion',
      group: 'time',
      unit: 's',
      better: 'less',
      cell: (card) => figureCell(card, of(card)?.conversion),
    },
    {
      id: 'warm-up',
      title: 'warm-up',
      group: 'time',
      unit: 's',
      better: 'less',
      cell: (card) => figureCell(card, of(card)?.warmUp),
    },
  ];
}
