/** Keys that work everywhere, except while something is being typed. */
import { mending } from '../state/mending.svelte';
import { STATIONS, view } from '../state/view.svelte';
import { workbench } from '../state/workbench.svelte';

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Things that Enter already means something to. */
const activates = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('button, a, summary, [role="menuitem"], [role="option"]') !== null;

function plain(event: KeyboardEvent): boolean {
  const station = STATIONS.find(({ key }) => key === event.key);
  if (station) view.goTo(station.id);
  else if (event.key === '/') view.sheet = 'find';
  else if (event.key === '?') view.sheet = 'keys';
  else if (event.key === 'm') void mending.open();
  else if (event.key === ']') walk(1);
  else if (event.key === '[') walk(-1);
  else if (event.key === 'Enter' && !activates(event.target)) {
    document.querySelector<HTMLButtonElement>('[data-remedy="0"]')?.click();
  } else return false;
  return true;
}

function walk(step: 1 | -1): void {
  view.walk(step);
  view.trayOpen = true;
}

export function onKey(event: KeyboardEvent): void {
  if (view.sheet !== null || workbench.refusal !== null) return;
  const command = event.ctrlKey || event.metaKey;
  const key = event.key.toLowerCase();
  if (command && (key === 'z' || key === 'y')) {
    if (typing(event.target)) return;
    event.preventDefault();
    if (key === 'y' || event.shiftKey) workbench.redo();
    else workbench.undo();
    return;
  }
  if (command || event.altKey || typing(event.target)) return;
  if (plain(event)) event.preventDefault();
}
