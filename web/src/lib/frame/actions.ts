/** What can be done from several places: menu, find box, keys. */
import { fileName, saveFile } from '../kit/save-file';
import { view } from '../state/view.svelte';
import { workbench } from '../state/workbench.svelte';

export async function startPlan(): Promise<void> {
  await workbench.create('New plan');
  view.goTo('need');
}

export async function doExport(): Promise<void> {
  if (workbench.plan) saveFile(fileName(workbench.plan.name, 'json'), await workbench.exported(), 'application/json');
}

export async function saveCsv(of: 'wiring' | 'parts'): Promise<void> {
  if (workbench.plan) saveFile(fileName(`${workbench.plan.name} ${of}`, 'csv'), await workbench.csv(of), 'text/csv');
}

/** Puts every line that is not locked on its best pin. */
export async function assignRest(): Promise<void> {
  const done = await workbench.assignPins();
  if (!done) return;
  if (done.solution.ok) {
    workbench.edit(done.plan, 'assign the rest of the pins');
    view.say('Pins assigned. Locked ones stayed.');
  } else view.say(done.solution.explanation);
}
