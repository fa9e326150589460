import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyCutOffSays {
  readonly cutsItselfOffOr: { label: Text; cuts: Quantity };
  readonly lithiumCellDrainedSo: null;
  readonly cellsDrainedSoReversed: null;
  readonly broken: { label: Text; name: Text; least: Quantity; empty: Quantity; lithium: Text };
  readonly holds: { name: Text; label: Text; least: Quantity; empty: Quantity };
  readonly meaning: null;
  readonly worksDown: null;
}

const tell = tells<SupplyCutOffSays>('supply/cut-off');

const meta = {
  id: 'supply/cut-off',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  reads: ['rails/*/cells/cutOff', 'rails/*/cells/protection/cutsAt', 'supplies/*/range'],
} as const satisfies CheckMeta;

const V = (x: number) => quantityOf(x, 'V');

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
        message: tell('cutsItselfOffOr', { label, cuts: V(cuts) }),
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
        ? tell('broken', {
            label,
            name,
            least: V(least),
            empty: V(empty),
            lithium: lithium ? tell('lithiumCellDrainedSo') : tell('cellsDrainedSoReversed'),
          })
        : tell('holds', { name, label, least: V(least), empty: V(empty) }),
      meaning: tell('meaning'),
      workings: loads.map((feed) => ({
        name: circuit.parts.get(feed.part)?.label ?? feed.part,
        sum: tell('worksDown'),
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

export const supplyCutOff = {
  meta,
  ...overRails(judge),
} satisfies Check;
