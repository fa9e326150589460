import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/cut-off',
  title: 'Something stops before the cells are harmed',
  station: 'power',
  rule: 'Lithium and rechargeable cells: the pack cuts itself off (its card says at what), or the least input of everything that hangs on it is at or above the voltage at which they are empty.',
  source: 'common practice',
  breaks: 'fault',
};

const V = (x: number) => formatQuantity(x, 'V');

function judge(circuit: Circuit, rail: Rail): Result[] {
  const { cells } = rail.offer;
  if (!cells || cells.chemistry === 'primary') return [];
  const card = circuit.parts.get(rail.part)?.card.id ?? '';
  const label = circuit.parts.get(rail.part)?.label ?? rail.part;
  const empty = toInterval(cells.cutOff).typ;
  const subjects = [rail.ref];
  if (cells.protection) {
    const cuts = toInterval(cells.protection.cutsAt).min;
    return [
      result(circuit, meta, {
        subjects,
        severity: null,
        measured: cuts,
        unit: 'V',
        ranked: false,
        message: `${label} cuts itself off at ${V(cuts)} or above.`,
        rests: [[card, cells.protection.source]],
      }),
    ];
  }
  const loads = [...circuit.feeds.values()].filter(
    ({ part, supply, rail: own }) =>
      own === rail.ref || circuit.parts.get(part)?.choice?.also?.[supply.id] === rail.ref,
  );
  const [last] = loads.toSorted((a, b) => toInterval(a.supply.range).min - toInterval(b.supply.range).min);
  if (!last) return [];
  const least = toInterval(last.supply.range).min;
  const name = circuit.parts.get(last.part)?.label ?? last.part;
  const broken = least < empty;
  const lithium = cells.chemistry === 'lithium';
  return [
    result(circuit, meta, {
      subjects,
      severity: !broken ? null : lithium ? 'danger' : 'fault',
      measured: least,
      limit: empty,
      unit: 'V',
      margin: least - empty,
      ranked: false,
      message: broken
        ? `Nothing cuts ${label} off: ${name} works on down to ${V(least)}, and the cells are empty at ${V(empty)}.${lithium ? ' A lithium cell that is drained so can burn when it is charged again.' : ' Cells that are drained so are reversed by the stronger ones, and leak.'}`
        : `${name}, the last on ${label}, stops at ${V(least)}; the cells are empty at ${V(empty)}.`,
      meaning:
        'A pack with a protection of its own, or a regulator that stops in time, ends the draw before the cells do.',
      workings: loads.map((feed) => ({
        name: circuit.parts.get(feed.part)?.label ?? feed.part,
        sum: 'works down to',
        value: toInterval(feed.supply.range).min,
        unit: 'V',
      })),
      rests: [
        [card, cells.cutOff.source],
        [circuit.parts.get(last.part)?.card.id ?? '', last.supply.range.source],
      ],
    }),
  ];
}

export const supplyCutOff: Check = {
  meta,
  run: (circuit) => [...circuit.rails.values()].flatMap((rail) => judge(circuit, rail)),
};
