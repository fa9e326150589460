/** Why a plan cannot be completed, in words: what excludes each other, over what, and what would help at which cost. */
import { piecesCost } from '../../buy/cost.ts';
import { toInterval } from '../../card/to-interval.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import type { Circuit } from '../../circuit/model.ts';
import { documentOf } from '../../plan/document.ts';
import { setLocked, setPin } from '../../plan/edits.ts';
import type { Plan } from '../../plan/plan.ts';
import { keyOf } from '../../plan/ref.ts';
import { removePart } from '../../plan/remove.ts';
import { swapCard } from '../../plan/swap.ts';
import { type Message, quantityOf, wordOf } from '../../quantity/message.ts';
import { rivals } from '../../remedy/rivals.ts';
import { type Exclusion, exclusionOf } from '../joint/exclusion.ts';
import type { Goals, Member } from '../joint/problem.ts';
import type { Encoding } from './encode.ts';
import { waysOf } from './ways.ts';
import { tell } from './why-says.ts';
import { sentenceOf, unservedLine } from './why-sentence.ts';

export interface Relaxation {
  readonly label: Message;
  /** The plan with this given up, and nothing else changed. */
  readonly plan: Plan;
  /** Whether everything else can be had then; null where it was not asked. */
  readonly isEnough: boolean | null;
  /** What a whole solution comes to then; null where there is none, or it was not worked out. */
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
  return exclusion.relaxations.map(({ member, isEnough, goals }) => {
    const plan = givenUp(circuit.plan, circuit, member);
    const label =
      member.kind === 'lock' ? tell('open', { member: member.label }) : tell('leaveOut', { member: member.label });
    return { label, plan, isEnough, goals, cost: piecesCost(plan, library) - before };
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
    found.push({ label, plan, isEnough: null, goals: null, cost: piecesCost(plan, library) - before });
  }
  return found;
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
        sentence: tell('noPinServes', { label, on, askname: wordOf('ask', wish.ask) }),
        members: [{ id: `part:${id}`, kind: 'part', label }],
        relaxations: [{ label: tell('leavePartOut', { label }), plan, isEnough: null, goals: null, cost }],
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
