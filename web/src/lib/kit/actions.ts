import { counted, say } from '@idle-breadboard/core/words';
/** What can be done from several places: menu, find box, keys. */
import { fileName, saveBlob, saveFile } from './save-file';
import type { PaperSize } from '../paper/pdf-page';
import type { BuildFile } from '../worker/lay';
import { storedDocument } from '../state/history.svelte';
import { keeping } from '../state/keeping.svelte';
import { laying } from '../state/laying.svelte';
import { telling } from '../state/telling.svelte';
import { view } from '../state/view.svelte';
import { workbench } from '../state/workbench.svelte';

export async function startPlan(): Promise<void> {
  // Before it is stored: whoever goes on meanwhile is not taken back.
  view.station = 'need';
  await workbench.create('New plan');
}

export async function doExport(): Promise<void> {
  if (workbench.plan) saveFile(fileName(workbench.plan.name, 'json'), await workbench.exported(), 'application/json');
}

/** What is stored of a plan, as it is: nothing is computed for it. */
export async function exportStored(id: string, name: string): Promise<void> {
  const { writePlan } = await import('@idle-breadboard/core/files');
  const document = await storedDocument(id);
  if (document) saveFile(fileName(name, 'json'), writePlan(document), 'application/json');
  else telling.say(`Nothing is stored of ${name} but its name.`);
}

/** Everything that the browser keeps, as one file. */
export async function exportAll(): Promise<void> {
  // What was changed a moment ago belongs to it.
  await workbench.saving.done;
  const { bytes, at } = await keeping.archive();
  saveBlob(
    `idle-breadboard-${at.toISOString().slice(0, 10)}.zip`,
    new Blob([bytes.slice()], { type: 'application/zip' }),
  );
  await keeping.wasExported(at);
}

/** Takes a file that was chosen: a plan, or a whole shelf. */
export async function takeFile(file: File): Promise<void> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  // Every ZIP begins with these letters.
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) {
    const taken = await workbench.importFile(file.name, new TextDecoder().decode(bytes));
    if (taken) telling.say(`${workbench.plan?.name ?? 'The plan'} imported.`);
    return;
  }
  const taken = await keeping.take(bytes);
  if ('plans' in taken) {
    const same = taken.same > 0 ? `; ${counted(taken.same, 'plan')} lay here just so` : '';
    telling.say(`${counted(taken.plans, 'plan')} taken, with what belongs to them${same}.`);
  } else workbench.refusal = { file: file.name, problems: taken };
}

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
