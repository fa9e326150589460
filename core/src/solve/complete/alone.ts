/**
 * A part alone with the controller: the same checks as for the whole plan, on the smallest plan that has it. What holds there
 * holds in any plan in which it is wired the same way, as far as these checks look at one part at a time.
 */
import { piecesCost } from '../../buy/cost.ts';
import type { Library } from '../../card/library.ts';
import { isShared } from '../../card/protocol.ts';
import { toInterval } from '../../card/to-interval.ts';
import { CHECKS, metaOf } from '../../check/registry.ts';
import { isBlocking, type Result } from '../../check/result.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import type { Circuit } from '../../circuit/model.ts';
import { documentOf } from '../../plan/document.ts';
import { addEmptyBus, addHelper, freeId } from '../../plan/edits.ts';
import type { Helper } from '../../plan/helpers.ts';
import { isHelperOf, isOwn } from '../../plan/helpers.ts';
import type { PartChoice, Plan, PortChoice } from '../../plan/plan.ts';
import { isOf } from '../../plan/ref.ts';
import { forgetPins } from '../../plan/remove.ts';
import { perOwner } from '../../quantity/memo.ts';
import { candidatesFor } from '../../remedy/propose.ts';
import { addPullUp, logicRail } from '../../remedy/pull-up.ts';
import type { Goals } from '../joint/problem.ts';
import { type PinSolution, pinModel, solvePins, withPins } from '../pins.ts';
import type { Standing } from './standing.ts';

/** Checks that look at one part and the controller. */
const LOCAL = CHECKS.filter(({ meta }) => meta.scope === 'part');
/** Changes that concern the part alone: what it needs beside it. */
const OWN_REMEDY = /^(series|diode|pull-up|pull-down|fixed|divider|no-hold):/;
/** Small parts that one part may need, one after the other. */
const MAX_OWN = 4;

/** How a part is wired, tried alone. */
export interface Wired {
  readonly feeds: Readonly<Record<string, string>>;
  readonly through: { readonly card: string; readonly far: string; readonly near: string } | null;
  /** The part with its own helpers, as they came out. */
  readonly part: PartChoice;
  readonly helpers: readonly Helper[];
  readonly goals: Partial<Goals>;
  /** A drawn at the peak from each rail, upstream rails included. */
  readonly loads: ReadonlyMap<string, number>;
  readonly circuit: Circuit;
}

export interface Bench {
  readonly circuit: Circuit;
  readonly library: Library;
  readonly standing: Standing;
  /** True where ways that break a house rule are thought of, too. */
  readonly againstRules: boolean;
  /** Pins of trials, by the lines that want some. */
  readonly pins: Map<string, PinSolution>;
}

/** What is wrong with the standing parts by themselves is no fault of the part that is tried. */
const baselineOf = perOwner(
  (standing: Standing): ReadonlySet<string> => new Set(judge(standing.wide).map(({ key }) => key)),
);

const judge = (circuit: Circuit): Result[] =>
  LOCAL.flatMap((check) => check.run(circuit).filter((r) => r.severity !== null));

const isTranslator = isHelperOf('translator');
const ownHelpers = (plan: Plan, part: string): Helper[] => plan.helpers.filter((helper) => isOwn(helper, part));

/** The part's bus, with a pair of resistors of the house rule's value where nothing else pulls. */
function busesOf(plan: Plan, part: PartChoice, bench: Bench): { plan: Plan; part: PartChoice } {
  const card = bench.circuit.parts.get(part.id)?.card;
  let next = plan;
  let its = part;
  for (const port of card?.ports ?? []) {
    if (!isShared(port.protocol)) continue;
    const made = addEmptyBus(next, port.protocol);
    const clock = bench.circuit.plan.buses.find(({ id }) => id === part.ports[port.id]?.bus)?.clock;
    next = {
      ...made.plan,
      buses: made.plan.buses.map((bus) => (bus.id === made.bus && clock !== undefined ? { ...bus, clock } : bus)),
    };
    const choice: PortChoice = { ...part.ports[port.id], bus: made.bus };
    its = { ...its, ports: { ...its.ports, [port.id]: choice } };
  }
  return { plan: next, part: its };
}

const jumpersOf = (bench: Bench, part: string): string[] =>
  (bench.circuit.parts.get(part)?.card.signals ?? []).flatMap(({ id, fittedPullUp }) =>
    fittedPullUp?.removable === 'jumper' ? [id] : [],
  );

/** The pins of a part's lines, the same for every way of wiring it: quiet ones that bind nothing. */
function onPins(plan: Plan, circuit: Circuit, memory: Map<string, PinSolution>): Plan {
  const key = circuit.wishes.map(({ id, ask, weakPull }) => `${id} ${ask} ${weakPull}`).join();
  let solution = memory.get(key);
  if (!solution) memory.set(key, (solution = solvePins(pinModel(circuit))));
  return solution.ok ? withPins(circuit, solution) : plan;
}

export interface Try {
  readonly feeds: Readonly<Record<string, string>>;
  readonly through: Wired['through'];
  /** Jumpers of its own pull-ups closed, and no other resistors on its bus. */
  readonly ownPullUps: boolean;
}

/**
 * Tries one way of wiring a part. Small parts that it then needs (a resistor, a diode, a divider) are added.
 * @returns null where danger or fault is left
 */
export const tryAlone = (bench: Bench, id: string, way: Try): Wired | null => tried(bench, id, way).wired;

/** A part on the bench: wired in one way, with what was added for it. */
interface OnTrial {
  readonly plan: Plan;
  readonly circuit: Circuit;
  /** Helpers that the plan had of it before. */
  readonly before: number;
  /** Resistors that stand for those of the whole plan: who pulls a bus is decided later. */
  readonly ideal: ReadonlySet<string>;
}

/** The same with what is wrong, where something is. */
export function tried(bench: Bench, id: string, way: Try): { wired: Wired | null; wrong: readonly Result[] } {
  const { circuit, library, standing } = bench;
  const choice = circuit.plan.parts.find((part) => part.id === id);
  const card = circuit.parts.get(id)?.card;
  if (!choice || !card) return { wired: null, wrong: [] };
  const derive = (plan: Plan) => deriveCircuit(documentOf(plan, circuit.cards.values(), library));
  const driver = Object.values(choice.ports).flatMap((port) => port.driver ?? [])[0];
  const drivers = circuit.plan.parts.filter((part) => part.id === driver).map((part) => ({ ...part, needs: [] }));
  const others = [...drivers, ...readersOf(bench, choice)];
  const trial = onTrial(bench, asTried(bench, choice, way), way, others, derive);
  const baseline = baselineOf(standing);
  const names = (name: string) => (subject: string) => isOf(subject, name);
  // What is wrong with the driver of a load, or with what reads it, is found when that is tried.
  const isOthers = ({ subjects }: Result) =>
    others.some((other) => subjects.some(names(other.id))) && !subjects.some(names(id));
  const judged = (of: Circuit) => judge(of).filter((finding) => !baseline.has(finding.key) && !isOthers(finding));
  let { plan, circuit: now } = trial;
  let findings = judged(now);
  for (let round = 0; round < MAX_OWN && findings.some(isBlocking); round++) {
    const mended = mendOwn(now, findings.filter(isBlocking), library, (next) => judged(derive(next)));
    if (!mended) break;
    plan = mended;
    now = derive(plan);
    findings = judged(now);
  }
  const wrong = findings.filter(isBlocking);
  if (wrong.length > 0) return { wired: null, wrong };
  return { wired: wiredAs(bench, choice, way, { ...trial, plan, circuit: now }, findings, derive), wrong };
}

/** The part as it is tried: on no pins yet, with its own pull-ups on or off. */
function asTried(bench: Bench, choice: PartChoice, way: Try): PartChoice {
  const jumpers = jumpersOf(bench, choice.id);
  return {
    ...forgetOwnPins(choice),
    feeds: { ...way.feeds },
    opened: way.ownPullUps
      ? choice.opened.filter((s) => !jumpers.includes(s))
      : [...new Set([...choice.opened, ...jumpers])],
  };
}

/** Puts the part beside what stands and the others that it needs, wired that way. */
function onTrial(
  bench: Bench,
  own: PartChoice,
  way: Try,
  others: readonly PartChoice[],
  derive: (plan: Plan) => Circuit,
): OnTrial {
  const { plan: whole } = bench.circuit;
  const standing = bench.standing.wide.plan;
  const beside = [...standing.parts, ...others];
  const base: Plan = { ...standing, needs: whole.needs, helpers: ownHelpers(whole, own.id), buses: [] };
  const bussed = busesOf({ ...base, parts: [...beside, own] }, own, bench);
  let plan: Plan = { ...bussed.plan, parts: [...beside, bussed.part] };
  const before = plan.helpers.length;
  if (way.through)
    plan = slowedFor(addHelper(plan, translatorOf(plan, bench, own.id, way.through)), bench, way.through.card);
  plan = onPins(plan, derive(plan), bench.pins);
  const ideal = new Set<string>();
  const circuit = derive(plan);
  if (way.ownPullUps) return { plan, circuit, before, ideal };
  const bare = circuit.nets.filter((net) => net.bus !== null && net.openDrain && net.pullUps.length === 0);
  for (const net of bare) {
    const pulled = addPullUp(circuit, plan, net);
    if (!pulled) continue;
    for (const helper of pulled.helpers) if (!plan.helpers.includes(helper)) ideal.add(helper.id);
    plan = pulled;
  }
  return { plan, circuit: ideal.size > 0 ? derive(plan) : circuit, before, ideal };
}

/** What came of a trial that holds. */
function wiredAs(
  bench: Bench,
  choice: PartChoice,
  way: Try,
  { plan, circuit, before, ideal }: OnTrial,
  findings: readonly Result[],
  derive: (plan: Plan) => Circuit,
): Wired | null {
  const part = plan.parts.find((p) => p.id === choice.id);
  if (!part) return null;
  const helpers = plan.helpers.filter((h) => !ideal.has(h.id) && !isTranslator(h));
  const added = Math.max(0, helpers.length - before);
  const had = ownHelpers(bench.circuit.plan, choice.id);
  const cents = piecesCost({ ...plan, helpers }, circuit.cards) - piecesCost({ ...plan, helpers: had }, circuit.cards);
  const changedFeeds = Object.entries(way.feeds).filter(([supply, rail]) => choice.feeds[supply] !== rail).length;
  const real = ideal.size === 0 ? circuit : derive({ ...plan, helpers: plan.helpers.filter((h) => !ideal.has(h.id)) });
  return {
    feeds: way.feeds,
    through: way.through,
    part,
    helpers,
    goals: {
      rules: findings.filter(({ check }) => metaOf(check)?.houseRule).length,
      parts: added,
      cents: Math.round(Math.max(0, cents) * 100),
      cautions: findings.filter(({ severity }) => severity === 'caution').length,
      changes: changedFeeds + added,
    },
    loads: loadsOf(bench.standing.wide, real),
    circuit,
  };
}

/** Converters that read a part, fed from the logic rail: what else they need is found when they are tried themselves. */
function readersOf({ circuit, standing }: Bench, { ports }: PartChoice): PartChoice[] {
  const ids = new Set(
    Object.values(ports).flatMap(({ lines }) => Object.values(lines ?? {}).flatMap(({ on }) => on ?? [])),
  );
  const rail = logicRail(standing.wide);
  return circuit.plan.parts
    .filter(({ id }) => ids.has(id))
    .map((part) => {
      const supply = circuit.parts.get(part.id)?.card.converter?.supply;
      return { ...part, needs: [], ports: {}, feeds: supply && rail ? { [supply]: rail } : part.feeds };
    });
}

/** Buses no faster than the translator follows: a bus of the plan is slowed likewise where the part is on it. */
function slowedFor(plan: Plan, { library }: Bench, card: string): Plan {
  const clock = library.get(card)?.translator?.clock;
  const most = clock ? toInterval(clock).max : Infinity;
  return {
    ...plan,
    buses: plan.buses.map((bus) => (bus.clock !== undefined && bus.clock > most ? { ...bus, clock: most } : bus)),
  };
}

function translatorOf(
  plan: Plan,
  bench: Bench,
  part: string,
  { card, far, near }: NonNullable<Wired['through']>,
): Helper {
  const ports = (bench.circuit.parts.get(part)?.card.ports ?? []).map(({ id }) => ({ part, port: id }));
  return { id: freeId(plan, 'translator'), kind: 'translator', card, near, far, ports };
}

/** The first small part that ends one of the findings and leaves fewer of them, as far as they concern the part alone. */
function mendOwn(
  circuit: Circuit,
  findings: readonly Result[],
  library: Library,
  judged: (plan: Plan) => readonly Result[],
): Plan | null {
  for (const finding of findings)
    for (const { id, plan } of candidatesFor({ circuit, finding, library })) {
      if (!OWN_REMEDY.test(id)) continue;
      const after = judged(plan).filter(isBlocking);
      if (after.length < findings.length && after.every(({ key }) => key !== finding.key)) return plan;
    }
  return null;
}

/** What a part adds to each rail, A at the peak. */
function loadsOf(without: Circuit, withPart: Circuit): Map<string, number> {
  return new Map(
    [...withPart.rails].flatMap(([ref, { peak }]) => {
      const more = peak - (without.rails.get(ref)?.peak ?? 0);
      return more > 1e-9 ? [[ref, more] as const] : [];
    }),
  );
}

/** Lines without pins, for a trial on pins of its own; weak pulls stay wished for. */
const forgetOwnPins = (part: PartChoice): PartChoice => ({
  ...part,
  ports: Object.fromEntries(Object.entries(part.ports).map(([port, choice]) => [port, forgetPins(choice)])),
});
