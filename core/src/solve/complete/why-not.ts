/** Why a plan cannot be completed, in words: what excludes each other, over what, and what would help. */
import type { Circuit } from '../../circuit/circuit.ts';
import { exclusionOf, isPossible, type Exclusion } from '../joint/exclusion.ts';
import type { Goals, Problem } from '../joint/problem.ts';

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

export interface WhyNot {
  readonly sentence: string;
  readonly members: readonly { readonly id: string; readonly kind: 'part' | 'lock' | 'need'; readonly label: string }[];
  /** What giving each of them up would come to; null where that alone is not enough. */
  readonly relaxations: readonly { readonly label: string; readonly goals: Goals | null }[];
}

/** The resources without whose limit the same members could all be had. */
function quarrels(problem: Problem, { members }: Exclusion): string[] {
  const kept = new Set(members.map((member) => problem.members.indexOf(member)));
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

function sentenceOf(circuit: Circuit, problem: Problem, exclusion: Exclusion): string {
  const names = exclusion.members.map(({ label }) => label);
  const on = circuit.controller?.label ?? 'the controller';
  const why = quarrels(problem, exclusion);
  const reason = why.length > 0 ? `: ${why[0]}` : '';
  if (names.length === 1) {
    return why.length > 0
      ? `${names[0]} cannot be had on ${on}${reason}.`
      : `${names[0]} cannot be wired on ${on}: no rail and no translator makes it safe and sure to be read.`;
  }
  return `${list(names)} cannot all be had on ${on}${reason}. Without any one of them the rest can.`;
}

/** @returns null when nothing excludes itself */
export function whyNot(circuit: Circuit, problem: Problem): WhyNot | null {
  const exclusion = exclusionOf(problem);
  if (!exclusion) return null;
  return {
    sentence: sentenceOf(circuit, problem, exclusion),
    members: exclusion.members,
    relaxations: exclusion.relaxations.map(({ member, goals }) => ({
      label: member.kind === 'lock' ? `Open ${member.label}` : `Leave ${member.label} out`,
      goals,
    })),
  };
}
