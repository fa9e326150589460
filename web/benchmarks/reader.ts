/** How much of five hundred and ten drawn sheets is read, with the worst named. */
import { drawClass } from '../../fixtures/drawn/draw-class.mjs';
import { drawSheet } from '../../fixtures/drawn/draw-sheet.mjs';
import { drawTold } from '../../fixtures/drawn/draw-told.mjs';
import { scoreDrawn, totalOf } from '../test/drawn-score.ts';

const SHEETS = 170;
const WORST = 8;
const seed = Number(process.env['SHEET_SEED'] ?? Math.floor(Math.random() * 1e6));

for (const [kind, draw] of [
  ['with tables', drawSheet],
  ['without tables', drawTold],
  ['of parts that are no sensors', drawClass],
] as const) {
  const scores = await scoreDrawn(
    Array.from({ length: SHEETS }, (_, i) => seed + i),
    draw,
  );
  const { found, wanted, wrong, sure } = totalOf(scores);
  const share = ((100 * found) / wanted).toFixed(1);
  console.log(
    `${SHEETS} drawn sheets ${kind}, from seed ${seed}: ${found} of ${wanted} figures (${share} %), ${wrong} wrong, ${sure} of them sure`,
  );
  for (const one of scores.toSorted((a, b) => a.found / a.wanted - b.found / b.wanted).slice(0, WORST))
    console.log(
      `  ${one.seed} ${one.way}: ${one.found} of ${one.wanted}; missed ${one.missed.map(({ slot }) => slot).join(', ')}`,
    );
  for (const one of scores)
    for (const told of one.wrong.filter(({ sureness }) => sureness === 'sure'))
      console.log(`  ${one.seed} ${one.way}: wrong and sure: ${told.slot} from “${told.said.slice(0, 80)}”`);
}
