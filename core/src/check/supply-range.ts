import { toInterval } from '../card/to-interval.ts';
import type { Supply } from '../card/card.ts';
import type { Cells } from '../card/power.ts';
import type { Circuit, Feed, Rail } from '../circuit/circuit.ts';
import { isLeadAssumed } from '../circuit/assumed.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import type { Interval } from '../quantity/interval.ts';
import { NEARLY_FED } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/range',
  title: 'Every part is fed inside its range',
  station: 'power',
  rule: 'Rail(min) − peak current × 2 × lead × Ω/m, to rail(max), lies inside the supply range; beyond the absolute maximum is danger. Cells, which sink, must reach it fresh and at their usual voltage; where they leave it before they are empty is a caution, and supply/runtime counts down to there. Under the rule “working” a supply that is usually inside and at the worst short of it by 5 % is a caution.',
  source: 'the cards; lead resistance ASTM B258 and IEC 60028 (from memory)',
  breaks: 'fault',
};

/** V: sums of floating-point numbers that mean the same may differ by this. */
const TOLERANCE = 1e-9;

const V = (x: number) => formatQuantity(x, 'V', 4);

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

function judge(circuit: Circuit, feed: Feed): Result {
  const part = circuit.parts.get(feed.part);
  const label = part?.label ?? feed.part;
  const card = part?.card.id ?? '';
  const range = toInterval(feed.supply.range);
  const subjects = [`${feed.part}.${feed.supply.id}`];
  const terminal = part?.card.terminals.find(({ id }) => id === feed.supply.terminal)?.label ?? feed.supply.id;
  if (!feed.voltage) {
    return result(circuit, meta, {
      subjects,
      severity: 'fault',
      limit: range.min,
      unit: 'V',
      message: feed.rail
        ? `${terminal} of ${label} hangs on a rail that nothing feeds.`
        : `Nothing feeds ${terminal} of ${label}; it wants ${V(range.min)} to ${V(range.max)}.`,
      meaning: 'A part without supply is fed backwards through its signal pins, or not at all.',
      rests: [[card, feed.supply.range.source]],
    });
  }
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
      ? `${label} gets up to ${V(max)} at ${terminal}; ${V(absolute)} is the most it stands. It can be destroyed.`
      : sinks
        ? `The cells feed ${label} with ${V(max)} when fresh and sink to ${V(min)} at ${terminal}; it works down to ${V(range.min)}. It stops there, with charge left in them: how long that takes is counted.`
        : nearly
          ? `${label} gets ${V(feed.voltage.typ - feed.drop)} at ${terminal} usually and ${V(min)} to ${V(max)} at the worst; it works from ${V(range.min)} to ${V(range.max)}. It is accepted by the rule for supplies.`
          : margin < -TOLERANCE
            ? `${label} gets ${V(min)} to ${V(max)} at ${terminal}; it works from ${V(range.min)} to ${V(range.max)}.`
            : `${label} gets ${V(min)} to ${V(max)}, inside ${V(range.min)} to ${V(range.max)}.`,
    meaning: 'Outside its range a part reads wrongly, resets, or breaks.',
    workings: [
      { name: `${rail?.label ?? 'rail'}`, sum: `${V(rail?.voltage?.min ?? 0)} to ${V(rail?.voltage?.max ?? 0)}` },
      { name: 'lost in the leads', sum: feed.dropSum, value: feed.drop, unit: 'V' },
      {
        name: 'lowest at the part',
        sum: `${V(rail?.voltage?.min ?? 0)} − ${formatQuantity(feed.drop, 'V')}`,
        value: min,
        unit: 'V',
      },
      { name: 'distance below', sum: `${V(min)} − ${V(range.min)}`, value: low, unit: 'V' },
      { name: 'distance above', sum: `${V(range.max)} − ${V(max)}`, value: high, unit: 'V' },
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

export const supplyRange: Check = {
  meta,
  run: (circuit) =>
    [...circuit.feeds.values()].filter((feed) => !livesOnLine(circuit, feed)).map((feed) => judge(circuit, feed)),
};
