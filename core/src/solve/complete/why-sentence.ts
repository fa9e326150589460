/** Why something cannot be had, as data: over what its parts quarrel. */
import type { Circuit, PinWish } from '../../circuit/model.ts';
import { ownerOf } from '../../plan/ref.ts';
import { type Message, wordOf } from '../../quantity/message.ts';
import { isPossible } from '../joint/exclusion.ts';
import type { Member, Problem } from '../joint/problem.ts';
import type { Encoding } from './encode.ts';
import { ABSENT, CHOICE } from './names.ts';
import { whatIsWrong } from './nearest-way.ts';
import { tell } from './why-says.ts';

/** Kinds of resources that parts quarrel over, by the beginning of their names, and how that is said. */
const QUARRELS: readonly (readonly [prefix: string, says: Message])[] = [
  ['pin:', tell('controllerHasTooFew')],
  ['unit:', tell('tooFewPeripherals')],
  ['channel:', tell('tooFewPwmChannels')],
  ['address:', tell('theirAddressesCannotBe')],
  ['current:', tell('railsCannotGiveCurrent')],
  ['group:', tell('pinsCannotCarryCurrent')],
  ['load:', tell('busCannotLiftCapacitance')],
  ['channels:', tell('translatorsHaveTooFew')],
];

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

export function sentenceOf({ bench, problem, parts }: Encoding, members: readonly Member[]): Message {
  const names = members.map(({ label }) => label);
  const on = bench.circuit.controller?.label ?? tell('controller');
  const why = quarrels(problem, members);
  const [only] = members;
  const name = only?.label ?? '';
  const part = parts.find(({ choice }) => `part:${choice.id}` === only?.id);
  const pinless = part && unservedLine(problem, bench.circuit, part.choice.id);
  if (names.length === 1 && part && part.ways.length === 0) {
    // Only what was tried is said: every rail of the plan and those that could be added, straight and through translators.
    const wrong = whatIsWrong(bench, part.node);
    return tell('noWayWiringWas', { name, on, wrong: wrong ? tell('nearest', { wrong }) : '' });
  }
  if (names.length === 1 && pinless) return tell('cannotBeHadNo', { name, on, askname: wordOf('ask', pinless.ask) });
  const reason = why[0] ?? null;
  if (names.length === 1) return tell('cannotBeHad', { name, on, reason });
  return tell('cannotAllBeHad', { names, on, reason });
}

/** A line of a part that no pin can carry, whatever else is given up. */
export function unservedLine(problem: Problem, circuit: Circuit, part: string): PinWish | undefined {
  return circuit.wishes.find(
    ({ id, of }) =>
      ownerOf(of) === part &&
      problem.choices.find((choice) => choice.id === CHOICE.line(id))?.options.every((o) => o.id === ABSENT),
  );
}
