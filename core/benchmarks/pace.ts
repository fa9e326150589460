/**
 * What a maker waits for, as multiples of one verdict on the demo plan in the same run, beside what it was in the run before: machines differ and
 * are busy with other things, the multiples move only where the program does. Times are those of a program that has run for a while.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import type { Card } from '../src/card/card.ts';
import type { Offer } from '../src/card/card-shape.ts';
import { isFound } from '../src/card/find.ts';
import { verify } from '../src/check/verify.ts';
import { deriveCircuit } from '../src/circuit/derive.ts';
import { qualify, settingOf } from '../src/compare/qualify.ts';
import { layBuild } from '../src/layout/lay.ts';
import { documentOf, type PlanDocument } from '../src/plan/document.ts';
import { setBoards } from '../src/plan/edits.ts';
import { reportOf } from '../src/report/report.ts';
import { interval } from '../src/quantity/interval.ts';
import { complete } from '../src/solve/complete/complete.ts';
import { setProblem } from '../src/solve/sets/problem.ts';
import { searchSets } from '../src/solve/sets/search.ts';
import { demo, library } from '../test/support/demo.ts';
import { manyCards } from '../test/support/many-cards.ts';
import { manyParts } from '../test/support/many-parts.ts';
import { standingParts } from '../test/support/standing-parts.ts';
import { exponent, middleOf, ms } from './time.ts';

const KEPT = new URL('pace.json', import.meta.url);
/** Less than this share is no move. */
const NOISE = 0.25;
const CARDS = 5000;
const SIZES = [60, 120, 250];
const reportOfMany = (count: number): string => `report, ${count} parts`;

/** The first controller that somebody sells, and its offer. */
function sold(cards: readonly Card[]): [Card, Offer] {
  const card = cards.find(({ kind, offers }) => kind === 'controller' && offers.length > 0);
  const offer = card?.offers[0];
  if (!card || !offer) throw new Error('the catalogue has no controller that is sold');
  return [card, offer];
}

/** Every run has a copy that nothing is remembered of. */
const afresh = (document: PlanDocument): PlanDocument => structuredClone(document);

/** ms, the middle of some runs. */
function timed(run: () => unknown, times: number): number {
  return middleOf(
    Array.from({ length: times }, () => {
      const began = performance.now();
      run();
      return performance.now() - began;
    }),
  );
}

/** What is waited for, with how often it is run. */
function waits(): Readonly<Record<string, readonly [run: () => unknown, times: number]>> {
  const draft = demo('cupboard-first-draft');
  const report = (document: PlanDocument) => () => reportOf(afresh(document), library);
  const mend = (document: PlanDocument) => () => complete(deriveCircuit(afresh(document)), library);
  const full = setBoards(standingParts(5, 40).plan, ['board-full', 'board-full']);
  const cards = [...manyCards(CARDS).values()];
  const { plan } = demo('cupboard-verified');
  return {
    'report, the first draft': [report(draft), 7],
    ...Object.fromEntries(SIZES.map((count) => [reportOfMany(count), [report(manyParts(1, count)), 3]] as const)),
    'mend all, the first draft': [mend(draft), 5],
    'mend all, 40 parts': [mend(manyParts(1, 40)), 3],
    'mend all, 40 parts that cannot be': [mend(manyParts(3, 40)), 1],
    'lay out, the first draft': [() => layBuild(deriveCircuit(afresh(draft))), 3],
    'lay out, 40 parts': [() => layBuild(deriveCircuit(documentOf(full, [], library))), 3],
    [`find among ${CARDS} cards`]: [() => cards.filter((card) => isFound(card, 'humid 3.3v i2c')), 15],
    [`whole sets of ${CARDS} cards on one controller`]: [
      () => searchSets([setProblem(plan, cards, ...sold(cards), [interval(4.9, 5, 5.1)])]),
      1,
    ],
    [`qualify ${CARDS} cards for ${plan.needs.length} needs`]: [
      () => plan.needs.map((need) => qualify(cards, need, settingOf(plan, need))),
      7,
    ],
  };
}

const kept = (): Readonly<Record<string, number>> => {
  try {
    return JSON.parse(readFileSync(KEPT, 'utf8')) as Record<string, number>;
  } catch {
    return {};
  }
};

export function benchPace(): void {
  const before = kept();
  const draft = demo('cupboard-first-draft');
  const verdict = () => timed(() => verify(deriveCircuit(afresh(draft))), 9);
  timed(verdict, 5);
  console.log('\nWhat is waited for, in verdicts on the demo plan that are worked out afresh beside it');
  const now: Record<string, number> = {};
  const points: [number, number][] = [];
  for (const [name, [run, times]] of Object.entries(waits())) {
    // The machine may be busy with other things at any time: a verdict is timed on both sides.
    const first = verdict();
    const time = timed(run, times);
    const ratio = Number((time / ((first + verdict()) / 2)).toFixed(2));
    now[name] = ratio;
    const size = SIZES.find((count) => reportOfMany(count) === name);
    if (size !== undefined) points.push([size, ratio]);
    console.log(`  ${name}: ${ms(time)}, ${ratio} verdicts (${moved(before[name], ratio)})`);
  }
  console.log(`  growth exponent of a report between 60 and 250 parts: ${exponent(points).toFixed(2)}`);
  writeFileSync(KEPT, `${JSON.stringify(now, null, 2)}\n`);
}

function moved(was: number | undefined, ratio: number): string {
  if (was === undefined) return 'new';
  const by = ratio / was - 1;
  return Math.abs(by) < NOISE ? `was ${was}` : `WAS ${was}: ${by > 0 ? '+' : ''}${(100 * by).toFixed(0)} %`;
}
if (process.argv[1]?.endsWith('pace.ts')) benchPace();
