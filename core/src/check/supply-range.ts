import { toInterval } from '../card/to-interval.ts';
import type { Supply } from '../card/card-shape.ts';
import type { Cells } from '../card/power.ts';
import { circleOf } from '../circuit/circle.ts';
import type { Circuit, Feed, Rail } from '../circuit/model.ts';
import { isLeadAssumed } from '../circuit/assumed.ts';
import type { Interval } from '../quantity/interval.ts';
import { NEARLY_FED } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { subtract } from '../quantity/sum.ts';
import { keyOf } from '../plan/ref.ts';
import { overFeeds } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyRangeSays {
  readonly hangsRailNothingFeeds: { terminal: Text; label: Text };
  readonly circle: { terminal: Text; label: Text; way: readonly Text[] };
  readonly nothingFeedsWants: { terminal: Text; label: Text; range: Quantity; upTo: Quantity };
  readonly meaning: null;
  readonly danger: { label: Text; max: Quantity; terminal: Text; absolute: Quantity };
  readonly sinks: { label: Text; max: Quantity; min: Quantity; terminal: Text; range: Quantity };
  readonly nearly: {
    label: Text;
    voltage: Quantity;
    terminal: Text;
    min: Quantity;
    max: Quantity;
    range: Quantity;
    upTo: Quantity;
  };
  readonly broken: { label: Text; min: Quantity; max: Quantity; terminal: Text; range: Quantity; upTo: Quantity };
  readonly holds: { label: Text; min: Quantity; max: Quantity; range: Quantity; upTo: Quantity };
  readonly outsideRangePartReads: null;
  readonly rail: null;
  readonly to: { voltage: Quantity; otherVoltage: Quantity };
  readonly lostLeads: null;
  readonly lowestPart: null;
  readonly distanceBelow: null;
  readonly distanceAbove: null;
}

const tell = tells<SupplyRangeSays>('supply/range');

const meta = {
  id: 'supply/range',
  station: 'power',
  breaks: 'fault',
  scope: 'part',
  answeredBy: 'voltage',
  reads: [
    'cable/contacts',
    'controller/io/outputHigh',
    'controller/usb/drop',
    'controller/usb/voltage',
    'diode/drop',
    'rails/*/from/drop',
    'rails/*/voltage',
    'supplies/*/range',
  ],
} as const satisfies CheckMeta;

/** V: sums of floating-point numbers that mean the same may differ by this. */
const TOLERANCE = 1e-9;

const V = (x: number) => quantityOf(x, 'V', 4);

/** The cells at the beginning of a rail that follows their voltage; undefined for any other rail. */
const cellsBehind = (circuit: Circuit, rail: Rail | undefined): Cells | undefined =>
  rail && circuit.rails.get(rail.root)?.offer.cells;

/**
 * Whether a supply gets what it asks for. Cells sink until they are empty: of them it is enough that they feed it when fresh and at
 * their usual voltage; how long they do so is the runtime's to say.
 */
export function isFed(circuit: Circuit, feed: Feed): boolean {
  return feed.voltage !== null && standing(circuit, feed, feed.voltage) !== 'outside';
}

/** Whether a rail could feed a supply at all, whatever its leads lose: what is then lost is for the check to say. */
export function mightFeed(circuit: Circuit, rail: Rail, supply: Supply): boolean {
  if (!rail.voltage) return false;
  const voltage = rail.voltage;
  const feed: Feed = {
    part: '',
    supply,
    rail: rail.ref,
    drop: 0,
    dropSum: '',
    lift: 0,
    peak: 0,
    lead: { length: 0, gauge: 0 },
    by: 'leads',
    voltage,
  };
  return standing(circuit, feed, voltage) !== 'outside';
}

type Standing = 'inside' | 'sinks' | 'nearly' | 'outside';

function standing(circuit: Circuit, feed: Feed, { min, typ, max }: Interval): Standing {
  const range = toInterval(feed.supply.range);
  if (min >= range.min - TOLERANCE && max <= range.max + TOLERANCE) return 'inside';
  const usual = typ - feed.drop;
  const cells = cellsBehind(circuit, circuit.rails.get(feed.rail ?? ''));
  if (cells && max <= range.max + TOLERANCE && usual >= range.min) return 'sinks';
  const { marginalSupplies } = circuit.plan.rules;
  const little = min >= range.min * (1 - NEARLY_FED) && max <= range.max * (1 + NEARLY_FED);
  const absolute = feed.supply.absoluteMax ? toInterval(feed.supply.absoluteMax).max : Infinity;
  return marginalSupplies === 'working' && little && usual >= range.min && typ <= range.max && max <= absolute
    ? 'nearly'
    : 'outside';
}

function unfed(circuit: Circuit, feed: Feed, label: Text, terminal: string): Result {
  const range = toInterval(feed.supply.range);
  const circle = circleOf(circuit, feed);
  return result(circuit, meta, {
    subjects: [keyOf(feed.part, feed.supply.id)],
    severity: 'fault',
    limit: range.min,
    unit: 'V',
    message: circle
      ? tell('circle', { terminal, label, way: circle.map(({ label: rail }) => rail) })
      : feed.rail
        ? tell('hangsRailNothingFeeds', { terminal, label })
        : tell('nothingFeedsWants', { terminal, label, range: V(range.min), upTo: V(range.max) }),
    meaning: tell('meaning'),
    rests: [[circuit.parts.get(feed.part)?.card.id ?? '', feed.supply.range.source]],
  });
}

function judge(circuit: Circuit, feed: Feed): Result {
  const part = circuit.parts.get(feed.part);
  const label = part?.label ?? feed.part;
  const card = part?.card.id ?? '';
  const range = toInterval(feed.supply.range);
  const subjects = [keyOf(feed.part, feed.supply.id)];
  const terminal = part?.card.terminals.find(({ id }) => id === feed.supply.terminal)?.label ?? feed.supply.id;
  if (!feed.voltage) return unfed(circuit, feed, label, terminal);
  const { min, max } = feed.voltage;
  const absolute = feed.supply.absoluteMax && toInterval(feed.supply.absoluteMax).max;
  const low = min - range.min;
  const high = range.max - max;
  const useHigh = high < low;
  const margin = Math.min(low, high);
  const measured = useHigh ? max : min;
  const limit = useHigh ? range.max : range.min;
  const rail = circuit.rails.get(feed.rail ?? '');
  const danger = absolute !== undefined && max > absolute;
  const how = standing(circuit, feed, feed.voltage);
  const sinks = !danger && how === 'sinks';
  const nearly = !danger && how === 'nearly';
  return result(circuit, meta, {
    subjects,
    // Accepted by the rule it is another thing to say, so that the rule ends the fault.
    ...(nearly ? { keyed: [...subjects, 'accepted'] } : {}),
    severity: danger ? 'danger' : sinks || nearly ? 'caution' : margin < -TOLERANCE ? 'fault' : null,
    measured,
    limit: danger ? absolute : limit,
    unit: 'V',
    margin: danger ? absolute - max : margin,
    assumed: feed.by === 'leads' && isLeadAssumed(circuit, feed.part),
    message: danger
      ? tell('danger', { label, max: V(max), terminal, absolute: V(absolute) })
      : sinks
        ? tell('sinks', { label, max: V(max), min: V(min), terminal, range: V(range.min) })
        : nearly
          ? tell('nearly', {
              label,
              voltage: V(feed.voltage.typ - feed.drop),
              terminal,
              min: V(min),
              max: V(max),
              range: V(range.min),
              upTo: V(range.max),
            })
          : margin < -TOLERANCE
            ? tell('broken', { label, min: V(min), max: V(max), terminal, range: V(range.min), upTo: V(range.max) })
            : tell('holds', { label, min: V(min), max: V(max), range: V(range.min), upTo: V(range.max) }),
    meaning: tell('outsideRangePartReads'),
    workings: [
      {
        name: rail?.label ?? tell('rail'),
        sum: tell('to', { voltage: V(rail?.voltage?.min ?? 0), otherVoltage: V(rail?.voltage?.max ?? 0) }),
      },
      { name: tell('lostLeads'), sum: feed.dropSum, value: feed.drop, unit: 'V' },
      {
        name: tell('lowestPart'),
        sum: subtract(V(rail?.voltage?.min ?? 0), quantityOf(feed.drop, 'V')),
        value: min,
        unit: 'V',
      },
      { name: tell('distanceBelow'), sum: subtract(V(min), V(range.min)), value: low, unit: 'V' },
      { name: tell('distanceAbove'), sum: subtract(V(range.max), V(max)), value: high, unit: 'V' },
    ],
    rests: [
      [card, feed.supply.range.source],
      [circuit.parts.get(rail?.part ?? '')?.card.id ?? '', rail?.offer.voltage?.source],
    ],
  });
}

/** A part that lives on its data line has its supply terminal on ground: wire/budget judges it. */
const livesOnLine = (circuit: Circuit, feed: Feed): boolean =>
  feed.rail === null &&
  Object.values(circuit.parts.get(feed.part)?.choice?.ports ?? {}).some(({ parasite }) => parasite === true);

export const supplyRange = {
  meta,
  ...overFeeds((circuit, feed) => (livesOnLine(circuit, feed) ? [] : [judge(circuit, feed)])),
} satisfies Check;
