/** Why a plan cannot be completed, in words: what excludes each other, over what, and what would help at which cost. */
import { carrierOf, printedNames } from '../../circuit/carrier.ts';
import { toInterval } from '../../card/to-interval.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import { ASK_NAME } from '../../check/pin-capability.ts';
import type { Circuit, PinWish } from '../../circuit/circuit.ts';
import { piecesCost } from '../../plan/cost.ts';
import { documentOf } from '../../plan/document.ts';
import { removePart, setLocked, setPin } from '../../plan/edits.ts';
import type { Plan } from '../../plan/plan.ts';
import { swapCard } from '../../plan/swap.ts';
import { formatQuantity } from '../../quantity/engineering.ts';
import { rivals } from '../../remedy/rivals.ts';
import { exclusionOf, isPossible, type Exclusion } from '../joint/exclusion.ts';
import type { Goals, Member, Problem } from '../joint/problem.ts';
import type { Encoding } from './encode.ts';
import { ABSENT, CHOICE } from './making.ts';
import { waysOf, whatIsWrong } from './ways.ts';

/** Kinds of resources that parts quarrel over, by the beginning of their names, and how that is said. */
const QUARRELS: readonly (readonly [prefix: string, says: string])[] = [
  ['pin:', 'the controller has too few pins that can carry their lines'],
  ['unit:', 'the controller has too few peripherals for their buses and serial pairs'],
  ['channel:', 'the controller has too few PWM channels'],
  ['address:', 'their addresses cannot be kept apart'],
  ['current:', 'the rails cannot give the current'],
  ['group:', 'the pins cannot carry the current together'],
  ['load:', 'the bus cannot lift the capacitance in time'],
  ['channels:', 'the translators have too few channels'],
];

export interface Relaxation {
  readonly label: string;
  /** The plan with this given up, and nothing else changed. */
  readonly plan: Plan;
  /** What a whole solution comes to then; null when this alone is not enough, or was not asked. */
  readonly goals: Goals | null;
  /** Difference of the piece prices. */
  readonly cost: number;
}

export interface WhyNot {
  readonly sentence: string;
  /** All of these together cannot be; without any one of them they can. */
  readonly members: readonly Member[];
  readonly relaxations: readonly Relaxation[];
}

/** Exclusions that have nothing in common are told one after the other. */
const MOST_EXCLUSIONS = 4;
/** Other cards that are tried for a part that cannot be wired. */
const MOST_STAND_INS = 3;

/** The resources without whose limit the same members could all be had. */
function quarrels(problem: Problem, members: readonly Member[]): string[] {
  const kept = new Set(members.map((member) => problem.members.findIndex(({ id }) => id === member.id)));
  return QUARRELS.flatMap(([prefix, says]) => {
    const plenty: Problem = {
      ...problem,
      resources: problem.resources.map((r) => (r.id.startsWith(prefix) ? { ...r, capacity: 1e9 } : r)),
    };
    return isPossible(plenty, kept) ? [says] : [];
  });
}

const list = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

function sentenceOf({ bench, problem, parts }: Encoding, members: readonly Member[]): string {
  const names = members.map(({ label }) => label);
  const on = bench.circuit.controller?.label ?? 'the controller';
  const why = quarrels(problem, members);
  const [only] = members;
  const part = parts.find(({ choice }) => `part:${choice.id}` === only?.id);
  if (names.length === 1 && part && part.ways.length === 0) {
    // Only what was tried is said: every rail of the plan and those that could be added, straight and through translators.
    const wrong = whatIsWrong(bench, part.node);
    return `No way of wiring ${names[0]} on ${on} was found, on the rails there are and those that could be added.${wrong ? ` The nearest: ${wrong}` : ''}`;
  }
  const pinless = part && unservedLine(problem, bench.circuit, part.choice.id);
  if (names.length === 1 && pinless)
    return `${names[0]} cannot be had on ${on}: no pin is left that can be ${ASK_NAME[pinless.ask]}.`;
  const reason = why.length > 0 ? `: ${why[0]}` : '';
  if (names.length === 1) return `${names[0]} cannot be had on ${on}${reason}.`;
  return `${list(names)} cannot all be had on ${on}${reason}. Without any one of them the rest can.`;
}

/** A line of a part that no pin can carry, whatever else is given up. */
function unservedLine(problem: Problem, circuit: Circuit, part: string): PinWish | undefined {
  return circuit.wishes.find(
    ({ id, of }) =>
      of.split('.')[0] === part &&
      problem.choices.find((choice) => choice.id === CHOICE.line(id))?.options.every((o) => o.id === ABSENT),
  );
}

/** The plan without what a member asks for. */
function givenUp(plan: Plan, circuit: Circuit, { id }: Member): Plan {
  const [kind = '', ...rest] = id.split(':');
  const name = rest.join(':');
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
    const label = member.kind === 'lock' ? `Open ${member.label}` : `Leave ${member.label} out`;
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
    if (found.length >= MOST_STAND_INS) break;
    const plan = swapCard(circuit.plan, part.choice.id, part.node.card, card);
    const swapped = deriveCircuit(documentOf(plan, circuit.cards.values(), library));
    const node = swapped.parts.get(part.choice.id);
    const ways = node && waysOf({ ...bench, circuit: swapped, pins: new Map() }, node, new Map());
    if (!ways || ways.ways.length === 0) continue;
    const label = `Take ${card.name} as ${part.choice.label}`;
    found.push({ label, plan, goals: null, cost: piecesCost(plan, library) - before });
  }
  return found;
}

/** @returns what is to be said where the carrier has no place for the controller */
export function carrierProblem(circuit: Circuit): WhyNot | null {
  const on = carrierOf(circuit);
  if (!on || !circuit.controller || printedNames(circuit)) return null;
  const label = circuit.parts.get(on.part)?.label ?? on.card.name;
  const sentence = `${label} has no place for ${circuit.controller.card.name}. Without it, or on a board that it fits, the plan can be completed.`;
  return { sentence, members: [{ id: `part:${on.part}`, kind: 'part', label }], relaxations: [] };
}

/** @returns what is to be said where there is no controller, or nothing feeds it */
export function notFed(circuit: Circuit): WhyNot | null {
  const controller = circuit.controller;
  if (!controller)
    return { sentence: 'The plan has no controller, so nothing can be wired to one.', members: [], relaxations: [] };
  const wanting = controller.card.supplies.find(({ id }) => !circuit.feeds.get(`${controller.id}.${id}`)?.voltage);
  if (!wanting) return null;
  const { min, max } = toInterval(wanting.range);
  const sentence = `Nothing here feeds ${controller.label}: it asks for ${formatQuantity(min, 'V')} to ${formatQuantity(max, 'V')}.`;
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
    const on = circuit.controller?.label ?? 'the controller';
    const plan = removePart(circuit.plan, id);
    const cost = piecesCost(plan, library) - piecesCost(circuit.plan, library);
    return [
      {
        sentence: `${label} cannot be had on ${on}: no pin is left that can be ${ASK_NAME[wish.ask]}.`,
        members: [{ id: `part:${id}`, kind: 'part', label }],
        relaxations: [{ label: `Leave ${label} out`, plan, goals: null, cost }],
      },
    ];
  });
}

/** Every exclusion of a problem, each without what an earlier one gave up. Empty when everything can be had. */
export function whyNot(encoding: Encoding): WhyNot[] {
  const found: WhyNot[] = [];
  let given: ReadonlySet<number> = new Set();
  while (found.length < MOST_EXCLUSIONS) {
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
