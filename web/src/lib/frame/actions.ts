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

/** The pins as a file for the software, marked with the plan that it was made of. */
export async function savePins(as: 'c' | 'python' | 'overlay'): Promise<void> {
  const ending = { c: 'h', python: 'py', overlay: 'dts' }[as];
  const name = fileName(workbench.plan?.name ?? 'plan', ending).replace(/[-\s](?=[^.]*\.(?:py|h)$)/g, '_');
  if (workbench.plan) saveFile(name, await workbench.pinSheet(as), 'text/plain');
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
