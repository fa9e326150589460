/** How much is said of plans that are mended: findings by grade, and what is said twice. Run with a number of plans. */
import { complete } from '../src/solve/complete/complete.ts';
import { deriveCircuit } from '../src/circuit/derive.ts';
import { documentOf } from '../src/plan/document.ts';
import type { Verdict } from '../src/check/standing.ts';
import { verify } from '../src/check/verify.ts';
import type { Plan } from '../src/plan/plan.ts';
import { randomFrom } from '../src/quantity/random.ts';
import { MATRIX, planOf } from '../test/support/matrix.ts';
import { demo, library, PLANS } from '../test/support/demo.ts';

const GRADES = ['danger', 'fault', 'caution', 'note'] as const;
const plans = Number(process.argv[2] ?? 200);

/** A board, its feed and one to four parts that somebody might put together, mended. */
function mended(seed: number): Plan {
  const random = randomFrom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const first = pick(MATRIX);
  const others = MATRIX.filter((cell) => cell.controller.id === first.controller.id && cell.by === first.by);
  const all = [first, ...Array.from({ length: Math.floor(random() * 4) }, () => pick(others))];
  const base = planOf(first);
  const plan: Plan = {
    ...base,
    needs: all.flatMap((cell, i) => planOf(cell).needs.map((need) => ({ ...need, id: `need-${i}` }))),
    parts: [
      ...base.parts.filter(({ id }) => id !== 'part'),
      ...all.flatMap((cell, i) =>
        planOf(cell)
          .parts.filter(({ id }) => id === 'part')
          .map((part) => ({ ...part, id: `part-${i}`, label: `${cell.card.name} ${i + 1}`, needs: [`need-${i}`] })),
      ),
    ],
  };
  return complete(deriveCircuit(documentOf(plan, [], library)), library).plan;
}

function said(verdicts: readonly Verdict[]): string {
  const all = verdicts.flatMap(({ findings }) => findings);
  const twice = verdicts.reduce((sum, { findings }) => {
    const messages = findings.map(({ message }) => message);
    return sum + messages.length - new Set(messages).size;
  }, 0);
  const counts = GRADES.map((grade) => `${all.filter(({ severity }) => severity === grade).length} ${grade}`);
  return `${counts.join(', ')}; ${(all.length / verdicts.length).toFixed(2)} a plan, ${twice} said twice`;
}

const judge = (plan: Plan): Verdict => verify(deriveCircuit(documentOf(plan, [], library)));
for (const name of PLANS) console.log(`${name}: ${said([verify(deriveCircuit(demo(name)))])}`);
const verdicts = Array.from({ length: plans }, (_, i) => judge(mended(i + 1)));
console.log(`${plans} random mended plans: ${said(verdicts)}`);
const by = new Map<string, number>();
for (const { findings } of verdicts)
  for (const { check, severity } of findings) by.set(`${severity} ${check}`, (by.get(`${severity} ${check}`) ?? 0) + 1);
for (const [what, count] of [...by].toSorted((a, b) => b[1] - a[1])) console.log(`  ${count} ${what}`);
