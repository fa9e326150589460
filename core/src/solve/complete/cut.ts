/** When the checks of the whole plan refuse a solution: the same problem without it. */
import type { Result } from '../../check/result.ts';
import type { Circuit } from '../../circuit/model.ts';
import { isSame } from '../../plan/same.ts';
import { keyOf } from '../../plan/ref.ts';
import type { Problem } from '../joint/problem.ts';
import type { Encoding } from './encode.ts';
import { CHOICE } from './names.ts';
import { type Placed, readPlaced } from './places.ts';

/** Of a rail that came out overdrawn: a hair more than the excess is taken from what may be planned. */
const HAIR = 1e-3;

/** Choices that a finding about a bus depends on: who is on it, what pulls it, and how fast it is. */
function busChoices(encoding: Encoding, circuit: Circuit, subjects: readonly string[]): string[] {
  const [subject = ''] = subjects;
  const net = circuit.nets.find(({ id }) => id === subject);
  const bus = circuit.buses.find(({ id }) => id === (net?.bus ?? subject));
  if (!bus) return [];
  const fars = [...new Set(encoding.slots.map(({ far }) => far))];
  return [
    CHOICE.bus(bus.id),
    CHOICE.pull(bus.id, null),
    ...fars.flatMap((far) => [CHOICE.pull(bus.id, far), CHOICE.side(bus.id, far)]),
    ...bus.members.map(({ part }) => CHOICE.part(part)),
  ];
}

/** True for an option that puts a part on the same side of the same bus: rail and address do not move its edges. */
function isAlike(encoding: Encoding, choice: string, a: string, b: string): boolean {
  const part = encoding.parts.find(({ choice: { id } }) => CHOICE.part(id) === choice);
  if (!part) return a === b;
  const [one, other] = [readPlaced(a), readPlaced(b)];
  if (!one || !other) return a === b;
  const side = (placed: Placed) => {
    const way = part.ways[placed.way];
    return [placed.bus, way?.wired.through?.far ?? null].join();
  };
  return side(one) === side(other);
}

/** The same, fed in the same way as well: what resistors of its own pull to is its feed. */
function isAlikeFed(encoding: Encoding, choice: string, a: string, b: string): boolean {
  const ways = encoding.parts.find(({ choice: { id } }) => CHOICE.part(id) === choice)?.ways;
  const feeds = (option: string) => ways?.[readPlaced(option)?.way ?? -1]?.wired.feeds;
  return isAlike(encoding, choice, a, b) && isSame(feeds(a), feeds(b));
}

/** Parts that cannot meet so on one side of a bus: resistors that one carries lift the other too high. */
function lifting(circuit: Circuit, { check, subjects, limit }: Result): (readonly [string, string])[] {
  if (!check.startsWith('level/') || limit === null) return [];
  const net = circuit.nets.find(({ id, bus }) => bus !== null && subjects.includes(id));
  const hurt = net?.ends.filter(({ part, signal }) => subjects.includes(keyOf(part, signal))) ?? [];
  return (net?.pullUps ?? []).flatMap(({ fitted, voltage }) =>
    fitted && voltage && voltage.max > limit
      ? hurt.filter(({ part }) => part !== fitted.part).map(({ part }) => [fitted.part, part] as const)
      : [],
  );
}

/** No solution takes all of these options, or ones that are alike, again. */
function forbid(
  encoding: Encoding,
  problem: Problem,
  taken: readonly number[],
  ids: ReadonlySet<string>,
  alike = isAlike,
): Problem {
  const members = problem.choices.flatMap(({ id }, c) => (ids.has(id) ? [c] : []));
  const resource = problem.resources.length;
  return {
    ...problem,
    resources: [...problem.resources, { id: `cut:${resource}`, capacity: members.length - 1 }],
    choices: problem.choices.map((choice, c) =>
      members.includes(c)
        ? {
            ...choice,
            options: choice.options.map((option) =>
              alike(encoding, choice.id, option.id, choice.options[taken[c] ?? -1]?.id ?? '')
                ? { ...option, uses: [...option.uses, { resource, amount: 1 }] }
                : option,
            ),
          }
        : choice,
    ),
  };
}

/** The rail has less to plan with than it seemed: leads and regulators take their share with the current. */
function tighten(problem: Problem, rail: string, milliamperes: number): Problem {
  return {
    ...problem,
    resources: problem.resources.map((resource) =>
      resource.id === `current:${rail}`
        ? { ...resource, capacity: Math.max(0, resource.capacity - milliamperes - HAIR) }
        : resource,
    ),
  };
}

/**
 * @returns the problem without what the findings are about; null when none of them is about something that it decides
 */
export function withoutThis(
  encoding: Encoding,
  problem: Problem,
  taken: readonly number[],
  circuit: Circuit,
  findings: readonly Result[],
): Problem | null {
  let next: Problem | null = null;
  for (const finding of findings) {
    const { check, subjects, measured, limit } = finding;
    const isCurrent = check === 'supply/rail-current' || check === 'supply/source-current';
    if (isCurrent && measured !== null && limit !== null) {
      const rail = subjects[0] ?? '';
      if (problem.resources.some(({ id, capacity }) => id === `current:${rail}` && capacity > 0))
        next = tighten(next ?? problem, rail, (measured - limit) * 1e3);
      continue;
    }
    const known = new Set(problem.choices.map(({ id }) => id));
    const pairs = lifting(circuit, finding)
      .map((pair) => pair.map(CHOICE.part).filter((id) => known.has(id)))
      .filter((pair) => pair.length > 0);
    for (const pair of pairs) next = forbid(encoding, next ?? problem, taken, new Set(pair), isAlikeFed);
    if (pairs.length > 0) continue;
    const ids = busChoices(encoding, circuit, subjects).filter((id) => known.has(id));
    if (ids.length > 1) next = forbid(encoding, next ?? problem, taken, new Set(ids));
  }
  return next;
}
