/** Findings on the things that they are about. */
import { SEVERITIES, type Result } from '../check/result.ts';
import { isOf } from '../plan/ref.ts';
import type { Mark } from './model.ts';

const rank = ({ severity }: Result): number => (severity ? SEVERITIES.indexOf(severity) : SEVERITIES.length);

/** One mark for several findings: the worst one, and how many more. */
function markOf(findings: readonly Result[]): Mark | null {
  const [worst] = [...findings].sort((a, b) => rank(a) - rank(b));
  if (!worst?.severity) return null;
  const { severity, key, measured, limit, unit } = worst;
  return { severity, key, measured, limit, unit, more: findings.length - 1 };
}

/** Hands each finding out once: to the first thing that asks for it by name, so the most telling things ask first. */
export class Findings {
  private readonly left: Set<Result>;

  constructor(findings: readonly Result[]) {
    this.left = new Set(findings.filter(({ severity }) => severity !== null));
  }

  /** @param things all of which a finding must name @param only true: and nothing else */
  take(things: readonly string[], only = false): Mark | null {
    const found = [...this.left].filter(({ subjects }) => {
      const named = things.every((thing) => subjects.some((subject) => isOf(subject, thing)));
      return named && (!only || subjects.every((subject) => things.some((thing) => isOf(subject, thing))));
    });
    for (const one of found) this.left.delete(one);
    return markOf(found);
  }

  /** What nothing in the picture is named by: needs, buying, the plan as a whole. */
  get rest(): readonly Result[] {
    return [...this.left];
  }
}
