/** What is said, in English. */
import type { Result } from '../check/result.ts';
import { type Datum, durationOf, isMessage } from '../quantity/message.ts';
import { ReadError } from '../quantity/read-error.ts';
import type { Problem } from '../quantity/problem.ts';
import { ENGLISH } from './english/index.ts';
import type { RuleWords } from './language.ts';
import { speaker } from './render.ts';

export const { say } = speaker(ENGLISH);

const RULES: Readonly<Record<string, { readonly rule?: RuleWords }>> = ENGLISH;

/** What a check is called and how it goes. */
export function ruleOf(check: string): RuleWords {
  const words = RULES[check]?.rule;
  if (!words) throw new Error(`no words for the rule ${check}`);
  return words;
}

/** A result in words: its sentence, what it means, and its sum step by step. */
export interface SaidResult {
  readonly message: string;
  readonly meaning: string;
  readonly workings: readonly {
    readonly name: string;
    readonly sum: string;
    readonly value?: number;
    readonly unit?: string;
  }[];
}

export const sayResult = ({ message, meaning, workings }: Result): SaidResult => ({
  message: say(message),
  meaning: say(meaning),
  workings: workings.map(({ name, sum, ...rest }) => ({ ...rest, name: say(name), sum: say(sum) })),
});

/** A problem of a file in words. */
export interface SaidProblem {
  readonly path: string;
  readonly message: string;
}
export const sayProblems = (problems: readonly Problem[]): SaidProblem[] =>
  problems.map(({ path, message }) => ({ path, message: say(message) }));

/** The same data with every message, figure and amount in it as words. */
export function sayDeep(value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  if (isMessage(value as Datum) || 'digits' in value) return say(value as Datum);
  if (Array.isArray(value)) return value.map(sayDeep);
  return Object.fromEntries(Object.entries(value).map(([name, inner]) => [name, sayDeep(inner)]));
}

/** Why something could not be read. */
export const sayError = (error: unknown): string =>
  error instanceof ReadError ? say(error.says) : error instanceof Error ? error.message : String(error);

/** A span of time as people say it. @example formatSpan(5400) === '1.5 hours' */
export const formatSpan = (seconds: number): string => say(durationOf(seconds));

/** What is still to be done about the hazards of a plan. */
export const sayUnread = (count: number): string => say(wordsOfCount(count));

const wordsOfCount = (count: number) => ({ topic: 'check/verify', id: 'unread', data: { count } });
