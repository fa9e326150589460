/** A scan or a capture held against the plan: what should be there and is not, what is there and should not. */
import type { CaptureSummary } from '../capture/capture.ts';
import type { EdgeTimes } from '../capture/line-watch.ts';
import type { Circuit } from '../circuit/circuit.ts';
import { slowestRise } from '../physics/edge.ts';
import { eightBitOf, formatAddress } from '../quantity/address.ts';
import { formatQuantity } from '../quantity/engineering.ts';

export interface Held {
  /** Null where it cannot be told. */
  readonly good: boolean | null;
  readonly says: string;
  readonly subjects: readonly string[];
}

const listed = (values: readonly number[]): string => values.map(formatAddress).join(', ');

const membersAt = (circuit: Circuit, bus: string, address: number) =>
  circuit.buses.find(({ id }) => id === bus)?.members.filter((m) => m.address === address) ?? [];
const planned = (circuit: Circuit, bus: string): number[] =>
  (circuit.buses.find(({ id }) => id === bus)?.members ?? []).flatMap(({ address }) => address ?? []);

/** Addresses that were found, part by part. */
export function heldScan(circuit: Circuit, bus: string, found: readonly number[]): Held[] {
  const want = [...new Set(planned(circuit, bus))].sort((a, b) => a - b);
  const seen = new Set(found);
  const there = want.map((address): Held => {
    const parts = membersAt(circuit, bus, address);
    const labels = parts.map(({ label }) => label).join(' and ');
    return {
      good: seen.has(address),
      says: seen.has(address)
        ? `${formatAddress(address)} answers: ${labels}.`
        : `${formatAddress(address)} does not answer: ${labels}.`,
      subjects: parts.map(({ part }) => part),
    };
  });
  const extra = found
    .filter((address) => !want.includes(address))
    .map((address): Held => {
      const could = (circuit.buses.find(({ id }) => id === bus)?.members ?? []).filter(({ options }) =>
        options.some(({ value }) => value === address),
      );
      const half = want.find((one) => !seen.has(one) && one === eightBitOf(address, [one]));
      if (half !== undefined)
        return {
          good: null,
          says: `${formatAddress(address)} was read; it may be the 8-bit form of ${formatAddress(half)}, ${membersAt(
            circuit,
            bus,
            half,
          )
            .map(({ label }) => label)
            .join(' and ')}. Does the scanner print 8-bit addresses?`,
          subjects: membersAt(circuit, bus, half).map(({ part }) => part),
        };
      return {
        good: false,
        says:
          could.length > 0
            ? `${formatAddress(address)} answers, which nothing is set to: ${could.map(({ label }) => label).join(' or ')} can be, by its setting.`
            : `${formatAddress(address)} answers, which no card of the plan names: another part, or a clone.`,
        subjects: could.map(({ part }) => part),
      };
    });
  return [...there, ...extra];
}

/** Two scans, one with a part unplugged: which one that was. */
export function unplugged(circuit: Circuit, bus: string, before: readonly number[], after: readonly number[]): Held[] {
  const gone = before.filter((address) => !after.includes(address));
  const come = after.filter((address) => !before.includes(address));
  if (gone.length === 0 && come.length === 0)
    return [
      {
        good: false,
        says: 'The two scans are the same: nothing that has an address of its own left the bus.',
        subjects: [],
      },
    ];
  return [
    ...gone.map((address): Held => {
      const parts = membersAt(circuit, bus, address);
      return {
        good: parts.length === 1,
        says:
          parts.length > 0
            ? `${formatAddress(address)} left: ${parts.map(({ label }) => label).join(' or ')}.`
            : `${formatAddress(address)} left: a part that the plan has at no such address. That is its address.`,
        subjects: parts.map(({ part }) => part),
      };
    }),
    ...come.map((address): Held => ({
      good: false,
      says: `${formatAddress(address)} came in its place: a part changed its address, or was kept off the bus by the one that left.`,
      subjects: [],
    })),
  ];
}

/** What is known of an edge is no finer than the steps of the capture. */
function heldRise(
  label: string,
  { count, withinStep, middle, most }: EdgeTimes,
  allowed: number,
): Omit<Held, 'subjects'> {
  const [usual, longest, limit] = [middle, most, allowed].map((seconds) => formatQuantity(seconds, 's'));
  const coarse = 2 * withinStep > count;
  const good = most <= allowed ? true : coarse ? null : false;
  const seen = coarse ? `${label} rises within one step of the capture, ${usual}` : `${label} rises in ${usual}`;
  const why =
    good === null
      ? ': the capture is too coarse to tell; take it with a shorter step'
      : good
        ? ''
        : ': a pull-up is missing or too large, or the lead is longer than planned';
  return { good, says: `${seen}, ${longest} at most; the plan allows ${limit}${why}.` };
}

/** Levels, edges, clock and traffic of a capture. @param nets net of each line of the capture, by its name in the file */
export function heldCapture(
  circuit: Circuit,
  bus: string,
  capture: CaptureSummary,
  nets: Readonly<Record<string, string>>,
): Held[] {
  const said: Held[] = [];
  for (const line of capture.lines) {
    const net = circuit.nets.find(({ id }) => id === nets[line.name]);
    if (!net) continue;
    const allowed = slowestRise(circuit, net);
    const subjects = [net.id];
    if (line.high === null)
      said.push({
        good: false,
        says: `${net.label} never rises above 70 % of ${formatQuantity(line.supply, 'V')}.`,
        subjects,
      });
    if (line.low === null)
      said.push({
        good: false,
        says: `${net.label} never falls below 30 % of ${formatQuantity(line.supply, 'V')}.`,
        subjects,
      });
    if (line.rises && allowed !== null && line.supply !== 1) {
      said.push({ ...heldRise(net.label, line.rises, allowed), subjects });
    }
  }
  const { i2c } = capture;
  if (!i2c) return said;
  const clock = circuit.buses.find(({ id }) => id === bus)?.clock ?? null;
  if (i2c.period && clock !== null) {
    const runs = 1 / i2c.period.middle;
    const good = runs <= clock * 1.05;
    said.push({
      good,
      says: `The clock runs at ${formatQuantity(runs, 'Hz')}; ${formatQuantity(clock, 'Hz')} are planned.`,
      subjects: [bus],
    });
  }
  const answered = new Set(
    i2c.messages.flatMap((m) => (m.acknowledged === true && m.address !== null ? [m.address] : [])),
  );
  const refused = [
    ...new Set(i2c.messages.flatMap((m) => (m.acknowledged === false && m.address !== null ? [m.address] : []))),
  ].filter((a) => !answered.has(a));
  const want = new Set(planned(circuit, bus));
  for (const address of refused.filter((a) => want.has(a)))
    said.push({
      good: false,
      says: `${formatAddress(address)} is called and never answers: ${membersAt(circuit, bus, address)
        .map(({ label }) => label)
        .join(' and ')}.`,
      subjects: membersAt(circuit, bus, address).map(({ part }) => part),
    });
  const known = [...answered].filter((a) => want.has(a)).sort((a, b) => a - b);
  if (known.length > 0) said.push({ good: true, says: `Called and answered: ${listed(known)}.`, subjects: [bus] });
  const strange = [...answered].filter((a) => !want.has(a));
  if (strange.length > 0)
    said.push({ good: false, says: `Answers that the plan does not know: ${listed(strange)}.`, subjects: [bus] });
  if (i2c.stretches > 0)
    said.push({
      good: circuit.controller?.card.controller?.waitsForStretching?.waits !== false,
      says: `The clock is held low ${i2c.stretches} times, ${formatQuantity(i2c.longestLow, 's')} at most.`,
      subjects: [bus],
    });
  for (const { at, says } of i2c.faults.slice(0, 5))
    said.push({ good: false, says: `At ${formatQuantity(at, 's')}: ${says}.`, subjects: [bus] });
  return said;
}
