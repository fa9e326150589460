/** What can be done from several places, whether a plan is open or not: menu, find box, keys. */
import { counted } from '@idle-breadboard/core/words';
import { fileName, saveBlob, saveFile } from './save-file';
import { storedDocument } from '../state/history.svelte';
import { keeping } from '../state/keeping.svelte';
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
