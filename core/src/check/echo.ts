/** One cause, one finding: what is left unsaid while another finding says it. */
import type { Result } from './result.ts';

interface Echo {
  readonly quiet: string;
  readonly beside: string;
  /** Whether the two are about the same thing. */
  readonly same: (quiet: Result, beside: Result) => boolean;
}

const ECHOES: readonly Echo[] = [
  // The error on the way to the counts is a term of the error of the reading.
  {
    quiet: 'analog/resolution',
    beside: 'need/accuracy',
    same: (quiet, beside) => quiet.subjects[0] === beside.subjects[0],
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
