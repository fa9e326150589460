/** What can be done with the open plan from several places: its stations, the find box. */
import { say } from '@idle-breadboard/core/words';
import type { PaperSize } from '../paper/pdf-page';
import { laying } from '../state/laying.svelte';
import { telling } from '../state/telling.svelte';
import { workbench } from '../state/workbench.svelte';
import type { BuildFile } from '../worker/lay';
import { fileName, saveBlob, saveFile } from './save-file';

/** A file of the build that is laid out: lists for spreadsheets, the board map, the sheet for the bench. */
export async function saveBuild(as: BuildFile): Promise<void> {
  const name = workbench.plan?.name;
  const text = name === undefined ? '' : await laying.file(as);
  if (name === undefined || text === '') {
    telling.say('There is no layout to write yet.');
    return;
  }
  const [what, ending, type] = BUILD_FILES[as];
  saveFile(fileName(`${name} ${what}`, ending), text, type);
}

/** The plan for the bench as a PDF. */
export async function savePdf(size: PaperSize): Promise<void> {
  const name = workbench.plan?.name ?? 'plan';
  const bytes = await laying.pdf(size);
  if (bytes) saveBlob(fileName(`${name} plan`, 'pdf'), new Blob([bytes.slice()], { type: 'application/pdf' }));
  else telling.say('There is no layout to write yet.');
}

const BUILD_FILES: Readonly<Record<BuildFile, readonly [string, string, string]>> = {
  'wiring.csv': ['wiring', 'csv', 'text/csv'],
  'parts.csv': ['parts', 'csv', 'text/csv'],
  svg: ['board', 'svg', 'image/svg+xml'],
  'svg-mono': ['board black and white', 'svg', 'image/svg+xml'],
  sheet: ['build sheet', 'md', 'text/markdown'],
};

/** The self-test of the plan, for the maker's own platform. */
export async function saveSelfTest(as: 'c' | 'python'): Promise<void> {
  const name = as === 'c' ? 'self_test.c' : 'self_test.py';
  if (workbench.plan) saveFile(name, await workbench.asks.programFile(`self-test-${as}`, []), 'text/plain');
}

/** Puts every line that is not locked on its best pin. */
export async function assignRest(): Promise<void> {
  const done = await workbench.assignPins();
  if (!done) return;
  if (done.solution.ok) {
    workbench.edit(done.plan, 'assign the rest of the pins');
    telling.say('Pins assigned. Locked ones stayed.');
  } else telling.say(say(done.solution.explanation));
}
