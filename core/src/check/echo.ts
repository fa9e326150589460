/** One cause, one finding: what is left unsaid while another finding says it. */
import type { Result } from './result.ts';
import { ownerOf } from '../plan/ref.ts';

interface Echo {
  readonly quiet: string;
  readonly beside: string;
  /** Whether the two are about the same thing. */
  readonly same: (quiet: Result, beside: Result) => boolean;
}

const partOf = ({ subjects }: Result): string => ownerOf(subjects[0]);

const ECHOES: readonly Echo[] = [
  // The error on the way to the counts is a term of the error of the reading.
  {
    quiet: 'analog/resolution',
    beside: 'need/accuracy',
    same: (quiet, beside) => quiet.subjects[0] === beside.subjects[0],
  },
  // Cells that sink leave the range of a board and what its regulator needs at about the same charge.
  {
    quiet: 'supply/dropout',
    beside: 'supply/range',
    same: (quiet, beside) =>
      quiet.severity === 'caution' && beside.severity === 'caution' && partOf(quiet) === partOf(beside),
  },
  // What a pin does not stand it need not be able to read.
  {
    quiet: 'analog/range',
    beside: 'level/over-voltage',
    same: (quiet, beside) => quiet.subjects[0] === beside.subjects[1],
  },
];

/** Findings that only say again what another says; they count again as soon as that one is ended. */
export function echoesAmong(findings: readonly Result[]): Set<Result> {
  return new Set(
    ECHOES.flatMap(({ quiet, beside, same }) => {
      const sayers = findings.filter(({ check }) => check === beside);
      return findings.filter((finding) => finding.check === quiet && sayers.some((sayer) => same(finding, sayer)));
    }),
  );
}
