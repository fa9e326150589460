/** A scan or a capture held against the plan: what should be there and is not, what is there and should not. */
import type { CaptureSummary } from '../capture/capture.ts';
import type { EdgeTimes } from '../capture/line-watch.ts';
import type { Circuit } from '../circuit/model.ts';
import { slowestRise } from '../physics/edge.ts';
import { eightBitOf } from '../quantity/address.ts';
import {
  addressOf,
  quantityOf,
  tells,
  type BusAddress,
  type Text,
  type Quantity,
  type Message,
} from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface DeliverHeldAgainstSays {
  readonly answers: { address: BusAddress; labels: readonly Text[] };
  readonly doesNotAnswer: { address: BusAddress; labels: readonly Text[] };
  readonly wasReadMayBe: { address: BusAddress; half: BusAddress; membersAt: readonly Text[] };
  readonly answersWhichNothingSet: { address: BusAddress; could: readonly Text[] };
  readonly answersWhichNoCard: { address: BusAddress };
  readonly twoScansSameNothing: null;
  readonly left: { address: BusAddress; parts: readonly Text[] };
  readonly leftPartPlanHas: { address: BusAddress };
  readonly camePlacePartChanged: { address: BusAddress };
  readonly risesWithinOneStep: { label: Text; usual: Quantity };
  readonly rises: { label: Text; usual: Quantity };
  readonly captureTooCoarseTell: null;
  readonly pullUpMissingOr: null;
  readonly mostPlanAllows: { seen: Text; longest: Quantity; limit: Quantity; why: Text };
  readonly neverRisesAbove: { net: Text; supply: Quantity };
  readonly neverFallsBelow: { net: Text; supply: Quantity };
  readonly clockRunsPlanned: { runs: Quantity; clock: Quantity };
  readonly calledNeverAnswers: { address: BusAddress; membersAt: readonly Text[] };
  readonly calledAnswered: { listed: readonly BusAddress[] };
  readonly answersPlanDoesNot: { listed: readonly BusAddress[] };
  readonly clockHeldLowTimes: { stretches: number; longestLow: Quantity };
  readonly at: { at: Quantity; says: Text };
}

const tell = tells<DeliverHeldAgainstSays>('deliver/held-against');

export interface Held {
  /** Null where it cannot be told. */
  readonly good: boolean | null;
  readonly says: Message;
  readonly subjects: readonly string[];
}

const listed = (values: readonly number[]): BusAddress[] => values.map(addressOf);

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
    const labels = parts.map(({ label }) => label);
    return {
      good: seen.has(address),
      says: seen.has(address)
        ? tell('answers', { address: addressOf(address), labels })
        : tell('doesNotAnswer', { address: addressOf(address), labels }),
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
          says: tell('wasReadMayBe', {
            address: addressOf(address),
            half: addressOf(half),
            membersAt: membersAt(circuit, bus, half).map(({ label }) => label),
          }),
          subjects: membersAt(circuit, bus, half).map(({ part }) => part),
        };
      return {
        good: false,
        says:
          could.length > 0
            ? tell('answersWhichNothingSet', { address: addressOf(address), could: could.map(({ label }) => label) })
            : tell('answersWhichNoCard', { address: addressOf(address) }),
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
        says: tell('twoScansSameNothing'),
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
            ? tell('left', { address: addressOf(address), parts: parts.map(({ label }) => label) })
            : tell('leftPartPlanHas', { address: addressOf(address) }),
        subjects: parts.map(({ part }) => part),
      };
    }),
    ...come.map((address): Held => ({
      good: false,
      says: tell('camePlacePartChanged', { address: addressOf(address) }),
      subjects: [],
    })),
  ];
}

/** What is known of an edge is no finer than the steps of the capture. */
function heldRise(
  label: Text,
  { count, withinStep, middle, most }: EdgeTimes,
  allowed: number,
): Omit<Held, 'subjects'> {
  const usual = quantityOf(middle, 's');
  const longest = quantityOf(most, 's');
  const limit = quantityOf(allowed, 's');
  const coarse = 2 * withinStep > count;
  const good = most <= allowed ? true : coarse ? null : false;
  const seen = coarse ? tell('risesWithinOneStep', { label, usual }) : tell('rises', { label, usual });
  const why = good === null ? tell('captureTooCoarseTell') : good ? '' : tell('pullUpMissingOr');
  return { good, says: tell('mostPlanAllows', { seen, longest, limit, why }) };
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
        says: tell('neverRisesAbove', { net: net.label, supply: quantityOf(line.supply, 'V') }),
        subjects,
      });
    if (line.low === null)
      said.push({
        good: false,
        says: tell('neverFallsBelow', { net: net.label, supply: quantityOf(line.supply, 'V') }),
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
      says: tell('clockRunsPlanned', { runs: quantityOf(runs, 'Hz'), clock: quantityOf(clock, 'Hz') }),
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
      says: tell('calledNeverAnswers', {
        address: addressOf(address),
        membersAt: membersAt(circuit, bus, address).map(({ label }) => label),
      }),
      subjects: membersAt(circuit, bus, address).map(({ part }) => part),
    });
  const known = [...answered].filter((a) => want.has(a)).sort((a, b) => a - b);
  if (known.length > 0)
    said.push({ good: true, says: tell('calledAnswered', { listed: listed(known) }), subjects: [bus] });
  const strange = [...answered].filter((a) => !want.has(a));
  if (strange.length > 0)
    said.push({ good: false, says: tell('answersPlanDoesNot', { listed: listed(strange) }), subjects: [bus] });
  if (i2c.stretches > 0)
    said.push({
      good: circuit.controller?.card.controller?.waitsForStretching?.waits !== false,
      says: tell('clockHeldLowTimes', { stretches: i2c.stretches, longestLow: quantityOf(i2c.longestLow, 's') }),
      subjects: [bus],
    });
  for (const { at, says } of i2c.faults.slice(0, 5))
    said.push({ good: false, says: tell('at', { at: quantityOf(at, 's'), says }), subjects: [bus] });
  return said;
}
