/** Why a plan cannot be completed, in words: what excludes each other, over what, and what would help at which cost. */
import { carrierOf, printedNames } from '../../circuit/carrier.ts';
import { toInterval } from '../../card/to-interval.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import type { Circuit, PinWish } from '../../circuit/model.ts';
import { piecesCost } from '../../buy/cost.ts';
import { documentOf } from '../../plan/document.ts';
import { setLocked, setPin } from '../../plan/edits.ts';
import { removePart } from '../../plan/remove.ts';
import type { Plan } from '../../plan/plan.ts';
import { swapCard } from '../../plan/swap.ts';
import { rivals } from '../../remedy/rivals.ts';
import { exclusionOf, isPossible, type Exclusion } from '../joint/exclusion.ts';
import type { Goals, Member, Problem } from '../joint/problem.ts';
import type { Encoding } from './encode.ts';
import { ABSENT, CHOICE } from './making.ts';
import { waysOf, whatIsWrong } from './ways.ts';
import { quantityOf, tells, wordOf, type Message, type Text, type Quantity } from '../../quantity/message.ts';
import { keyOf, ownerOf } from '../../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface SolveCompleteWhyNotSays {
  readonly controllerHasTooFew: null;
  readonly controllerHasTooFew2: null;
  readonly controllerHasTooFew3: null;
  readonly theirAddressesCannotBe: null;
  readonly railsCannotGiveCurrent: null;
  readonly pinsCannotCarryCurrent: null;
  readonly busCannotLiftCapacitance: null;
  readonly translatorsHaveTooFew: null;
  readonly controller: null;
  readonly nearest: { wrong: Text };
  readonly noWayWiringWas: { name: Text; on: Text; wrong: Text };
  readonly cannotBeHadNo: { name: Text; on: Text; askname: Text };
  readonly cannotBeHad: { name: Text; on: Text; reason: Text | null };
  readonly cannotAllBeHad: { names: readonly Text[]; on: Text; reason: Text | null };
  readonly open: { member: Text };
  readonly leaveOut: { member: Text };
  readonly takeAs: { card: Text; choice: Text };
  readonly hasNoPlaceWithout: { label: Text; card: Text };
  readonly planHasNoController: null;
  readonly nothingHereFeedsAsks: { controller: Text; min: Quantity; max: Quantity };
  readonly cannotBeHadNo2: { label: Text; on: Text; askname: Text };
  readonly leaveOut2: { label: Text };
}

const tell = tells<SolveCompleteWhyNotSays>('solve/complete-why-not');

/** Kinds of resources that parts quarrel over, by the beginning of their names, and how that is said. */
const QUARRELS: readonly (readonly [prefix: string, says: Message])[] = [
  ['pin:', tell('controllerHasTooFew')],
  ['unit:', tell('controllerHasTooFew2')],
  ['channel:', tell('controllerHasTooFew3')],
  ['address:', tell('theirAddressesCannotBe')],
  ['current:', tell('railsCannotGiveCurrent')],
  ['group:', tell('pinsCannotCarryCurrent')],
  ['load:', tell('busCannotLiftCapacitance')],
  ['channels:', tell('translatorsHaveTooFew')],
];

export interface Relaxation {
  readonly label: Message;
  /** The plan with this given up, and nothing else changed. */
  readonly plan: Plan;
  /** What a whole solution comes to then; null when this alone is not enough, or was not asked. */
  readonly goals: Goals | null;
  /** Difference of the piece prices. */
  readonly cost: number;
}

export interface WhyNot {
  readonly sentence: Message;
  /** All of these together cannot be; without any one of them they can. */
  readonly members: readonly Member[];
  readonly relaxations: readonly Relaxation[];
}

/** Exclusions that have nothing in common are told one after the other. */
const MAX_EXCLUSIONS = 4;
/** Other cards that are tried for a part that cannot be wired. */
const MAX_STAND_INS = 3;

/** The resources without whose limit the same members could all be had. */
function quarrels(problem: Problem, members: readonly Member[]): Message[] {
  const kept = new Set(members.map((member) => problem.members.findIndex(({ id }) => id === member.id)));
  return QUARRELS.flatMap(([prefix, says]) => {
    const plenty: Problem = {
      ...problem,
      resources: problem.resources.map((r) => (r.id.startsWith(prefix) ? { ...r, capacity: 1e9 } : r)),
    };
    return isPossible(plenty, kept) ? [says] : [];
  });
}

function sentenceOf({ bench, problem, parts }: Encoding, members: readonly Member[]): Message {
  const names = members.map(({ label }) => label);
  const on = bench.circuit.controller?.label ?? tell('controller');
  const why = quarrels(problem, members);
  const [only] = members;
  const name = only?.label ?? '';
  const part = parts.find(({ choice }) => `part:${choice.id}` === only?.id);
  if (names.length === 1 && part && part.ways.length === 0) {
    // Only what was tried is said: every rail of the plan and those that could be added, straight and through translators.
    const wrong = whatIsWrong(bench, part.node);
    return tell('noWayWiringWas', { name, on, wrong: wrong ? tell('nearest', { wrong }) : '' });
  }
  const pinless = part && unservedLine(problem, bench.circuit, part.choice.id);
  if (names.length === 1 && pinless) return tell('cannotBeHadNo', { name, on, askname: wordOf('ask', pinless.ask) });
  const reason = why[0] ?? null;
  if (names.length === 1) return tell('cannotBeHad', { name, on, reason });
  return tell('cannotAllBeHad', { names, on, reason });
}

/** A line of a part that no pin can carry, whatever else is given up. */
function unservedLine(problem: Problem, circuit: Circuit, part: string): PinWish | undefined {
  return circuit.wishes.find(
    ({ id, of }) =>
      ownerOf(of) === part &&
      problem.choices.find((choice) => choice.id === CHOICE.line(id))?.options.every((o) => o.id === ABSENT),
  );
}

/** The plan without what a member asks for. */
function givenUp(plan: Plan, circuit: Circuit, { kind, of: name = '' }: Member): Plan {
  if (kind === 'part') return removePart(plan, name);
  const wish = circuit.wishes.find((w) => w.id === name);
  if (!wish) return setLocked(plan, name, false);
  return setPin(plan, wish.of, wish.line, {
    pin: wish.pin,
    locked: false,
    ...(wish.weakPull ? { weakPull: true } : {}),
  });
}

function relaxationsOf({ bench }: Encoding, exclusion: Exclusion): Relaxation[] {
  const { circuit, library } = bench;
  const before = piecesCost(circuit.plan, library);
  return exclusion.relaxations.map(({ member, goals }) => {
    const plan = givenUp(circuit.plan, circuit, member);
    const label =
      member.kind === 'lock' ? tell('open', { member: member.label }) : tell('leaveOut', { member: member.label });
    return { label, plan, goals, cost: piecesCost(plan, library) - before };
  });
}

/** Other cards that could be wired here in place of a part that cannot. */
function standIns({ bench, parts }: Encoding, members: readonly Member[]): Relaxation[] {
  const { circuit, library } = bench;
  const [only] = members;
  const part = members.length === 1 ? parts.find(({ choice }) => `part:${choice.id}` === only?.id) : undefined;
  if (!part) return [];
  const before = piecesCost(circuit.plan, library);
  const found: Relaxation[] = [];
  for (const card of rivals(circuit, library, part.node)) {
    if (found.length >= MAX_STAND_INS) break;
    const plan = swapCard(circuit.plan, part.choice.id, part.node.card, card);
    const swapped = deriveCircuit(documentOf(plan, circuit.cards.values(), library));
    const node = swapped.parts.get(part.choice.id);
    const ways = node && waysOf({ ...bench, circuit: swapped, pins: new Map() }, node, new Map());
    if (!ways || ways.ways.length === 0) continue;
    const label = tell('takeAs', { card: card.name, choice: part.choice.label });
    found.push({ label, plan, goals: null, cost: piecesCost(plan, library) - before });
  }
  return found;
}

/** @returns what is to be said where the carrier has no place for the controller */
export function carrierProblem(circuit: Circuit): WhyNot | null {
  const on = carrierOf(circuit);
  if (!on || !circuit.controller || printedNames(circuit)) return null;
  const label = circuit.parts.get(on.part)?.label ?? on.card.name;
  const sentence = tell('hasNoPlaceWithout', { label, card: circuit.controller.card.name });
  return { sentence, members: [{ id: `part:${on.part}`, kind: 'part', label }], relaxations: [] };
}

/** @returns what is to be said where there is no controller, or nothing feeds it */
export function notFed(circuit: Circuit): WhyNot | null {
  const controller = circuit.controller;
  if (!controller) return { sentence: tell('planHasNoController'), members: [], relaxations: [] };
  const wanting = controller.card.supplies.find(({ id }) => !circuit.feeds.get(keyOf(controller.id, id))?.voltage);
  if (!wanting) return null;
  const { min, max } = toInterval(wanting.range);
  const sentence = tell('nothingHereFeedsAsks', {
    controller: controller.label,
    min: quantityOf(min, 'V'),
    max: quantityOf(max, 'V'),
  });
  return { sentence, members: [], relaxations: [] };
}

/** Parts that stay as they are fed, and of which a line has no pin that can carry it. */
function stranded({ bench, problem, parts }: Encoding): WhyNot[] {
  const { circuit, library } = bench;
  const decided = new Set(parts.map(({ choice }) => choice.id));
  const kept = circuit.plan.parts.filter(({ id }) => !decided.has(id));
  return kept.flatMap(({ id, label }): WhyNot[] => {
    const wish = unservedLine(problem, circuit, id);
    if (!wish) return [];
    const on = circuit.controller?.label ?? tell('controller');
    const plan = removePart(circuit.plan, id);
    const cost = piecesCost(plan, library) - piecesCost(circuit.plan, library);
    return [
      {
        sentence: tell('cannotBeHadNo2', { label, on, askname: wordOf('ask', wish.ask) }),
        members: [{ id: `part:${id}`, kind: 'part', label }],
        relaxations: [{ label: tell('leaveOut2', { label }), plan, goals: null, cost }],
      },
    ];
  });
}

/** Every exclusion of a problem, each without what an earlier one gave up. Empty when everything can be had. */
export function whyNot(encoding: Encoding): WhyNot[] {
  const found: WhyNot[] = [];
  let given: ReadonlySet<number> = new Set();
  while (found.length < MAX_EXCLUSIONS) {
    const exclusion = exclusionOf(encoding.problem, given);
    const [first] = exclusion?.members ?? [];
    if (!exclusion || !first) break;
    found.push({
      sentence: sentenceOf(encoding, exclusion.members),
      members: exclusion.members,
      relaxations: [...standIns(encoding, exclusion.members), ...relaxationsOf(encoding, exclusion)],
    });
    given = new Set([...given, encoding.problem.members.findIndex(({ id }) => id === first.id)]);
  }
  return found.length > 0 ? found : stranded(encoding);
}
