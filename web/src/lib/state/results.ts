/** Everything that is said of the plan in hand: by the checks, and by the reader of the wiring as soon as it is laid out. */
import { isBlocking, type Result } from '@idle-breadboard/core/verify';
import { laying } from './laying.svelte';
import { workbench } from './workbench.svelte';

const broken = ({ severity }: Result): boolean => severity !== null;

/** Worst first: what the reader of the wiring finds stands above all else. */
export const findings = (): readonly Result[] => [
  ...laying.results.filter(broken),
  ...(workbench.study?.verdict.findings ?? []),
];

export const passes = (): readonly Result[] => [
  ...(workbench.study?.verdict.passes ?? []),
  ...laying.results.filter((result) => !broken(result)),
];

/** Those that keep a plan from being verified. */
export const toSettle = (): readonly Result[] => findings().filter(isBlocking);
