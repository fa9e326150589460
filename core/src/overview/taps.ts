/** A part as it hangs on a row: its address, its feed, its tightest margin, and what stands before it. */
import { relativeMargin, type Verdict } from '../check/standing.ts';
import { placeOf } from '../circuit/place.ts';
import type { Circuit, PartNode, PinWish } from '../circuit/model.ts';
import { isOf, keyOf, ownerOf } from '../plan/ref.ts';
import { strokesOf } from './feeds.ts';
import type { Findings } from './marks.ts';
import type { Gate, Tap } from './model.ts';
import { tellOverview } from './says.ts';

/** What every tap is made from. */
export interface Seen {
  readonly circuit: Circuit;
  readonly verdict: Verdict;
  readonly findings: Findings;
  /** Lines that want a pin, by the part that they are of; those of buses are not among them. */
  readonly wishes: ReadonlyMap<string, readonly PinWish[]>;
}

/** The label of a pin of the controller; '' where none is chosen. */
export function pinLabel({ controller }: Circuit, pin: string | null): string {
  return pin === null ? '' : (controller?.card.terminals.find(({ id }) => id === pin)?.label ?? pin);
}

function tightest({ passes }: Verdict, part: string): Tap['margin'] {
  const own = passes.filter(
    ({ subjects, margin }) => margin !== null && subjects.some((subject) => isOf(subject, part)),
  );
  const [least] = own.sort((a, b) => relativeMargin(a) - relativeMargin(b));
  return least && least.margin !== null && Number.isFinite(relativeMargin(least))
    ? { value: least.margin, unit: least.unit }
    : null;
}

function feedOf(circuit: Circuit, { id, card }: PartNode): Tap['feed'] {
  for (const supply of card.supplies) {
    const feed = circuit.feeds.get(keyOf(id, supply.id));
    if (feed && feed.rail !== null)
      return { rail: feed.rail, volts: feed.voltage?.typ ?? null, strokes: strokesOf(feed.voltage) };
  }
  return null;
}

export const gateOf = (
  { circuit, findings }: Seen,
  kind: Gate['kind'],
  part: string,
  channel: number | null = null,
): Gate => ({
  kind,
  part,
  label: circuit.parts.get(part)?.label ?? tellOverview('divider'),
  channel,
  mark: findings.take([part]),
});

/** Translators and dividers on the lines of a part that are no bus. */
export function gatesOn(seen: Seen, part: string): Gate[] {
  const { circuit } = seen;
  const trunks = new Set((seen.wishes.get(part) ?? []).map(({ net }) => net));
  const found = new Set(
    circuit.nets.flatMap(({ trunk, beyond }) => (trunks.has(trunk) && beyond !== null ? [beyond] : [])),
  );
  return [...found].map((id) => gateOf(seen, circuit.parts.get(id)?.helper ? 'translator' : 'divider', id));
}

/** @param gates between the row and the part @param row that it hangs on: findings that name both are on the tap */
export function tapOf(
  seen: Seen,
  part: PartNode,
  address: number | null,
  gates: readonly Gate[],
  row: string | null,
): Tap {
  const { circuit, verdict, findings, wishes } = seen;
  const onRow = row === null || ownerOf(row) === part.id ? null : findings.take([row, part.id], true);
  const own = findings.take([part.id]);
  const mark = onRow && own ? { ...onRow, more: onRow.more + own.more + 1 } : (onRow ?? own);
  return {
    part: part.id,
    label: part.label,
    place: placeOf(circuit, part.id),
    address,
    feed: feedOf(circuit, part),
    margin: tightest(verdict, part.id),
    gates,
    stubs:
      row !== null && ownerOf(row) !== part.id
        ? (wishes.get(part.id) ?? []).map(({ pin }) => pinLabel(circuit, pin))
        : [],
    mark,
  };
}
