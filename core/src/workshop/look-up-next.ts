/** Which of the assumed figures of a part a verdict hangs on most. */
import { ASSUMED } from '../card/evidence.ts';
import type { Card } from '../card/card.ts';
import { figuresOf, type PlacedFigure } from '../card/places.ts';
import { asksFor } from '../check/asks.ts';
import type { Result } from '../check/result.ts';
import { ownerOf } from '../plan/ref.ts';
import { relativeMargin, type Verdict } from '../check/standing.ts';

export interface Assumed {
  readonly figure: PlacedFigure;
  /** The proof with the least margin that asks for it; null where none of this build does. */
  readonly tightest: Result | null;
}

const isAbout = ({ subjects }: Result, part: string): boolean => subjects.some((subject) => ownerOf(subject) === part);

const marginOf = (result: Result | null): number =>
  result === null ? Infinity : result.severity === null ? relativeMargin(result) : -Infinity;

/** @param part the id of the part in the plan of the verdict @returns what is assumed of it, that first which a proof comes nearest to */
export function lookUpNext(card: Card, verdict: Pick<Verdict, 'findings' | 'passes'>, part: string): Assumed[] {
  const results = [...verdict.findings, ...verdict.passes].filter((result) => isAbout(result, part));
  const all = figuresOf(card)
    .filter(({ source }) => source !== undefined && ASSUMED.has(source.kind))
    .map((figure): Assumed => {
      const asked = new Set<string>(asksFor(figure.id));
      const [tightest = null] = results
        .filter(({ check }) => asked.has(check))
        .sort((a, b) => marginOf(a) - marginOf(b));
      return { figure, tightest };
    })
    .sort((a, b) => marginOf(a.tightest) - marginOf(b.tightest));
  // Lines that are alike are looked up together: the first of them stands for all.
  const isAlike = (one: Assumed, other: Assumed) =>
    one.figure.id === other.figure.id && marginOf(one.tightest) === marginOf(other.tightest);
  return all.filter((one, i) => all.findIndex((other) => isAlike(one, other)) === i);
}
