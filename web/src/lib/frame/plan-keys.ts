/** Keys that mean something while a plan is open. They come with it. */
import { mending } from '../state/mending.svelte';
import { remedying } from '../state/remedying.svelte';
import { onStationKey } from '../state/station-keys';
import { STATIONS } from '../state/view-ids';
import { view } from '../state/view.svelte';

/** Things that Enter already means something to. */
const activates = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('button, a, summary, [role="menuitem"], [role="option"]') !== null;

/** At a finding that is open, digits choose among its remedies. */
function choose(event: KeyboardEvent): boolean {
  if (!/^[1-9]$/.test(event.key) || !(event.target instanceof Element)) return false;
  const detail = event.target.closest('[data-detail]');
  const remedy = detail?.querySelector<HTMLButtonElement>(`[data-remedy="${Number(event.key) - 1}"]`);
  remedy?.click();
  return detail !== null;
}

/** @returns whether the key meant something */
export function onPlanKey(event: KeyboardEvent): boolean {
  const station = STATIONS.find(({ key }) => key === event.key);
  if (choose(event) || onStationKey(event.key)) return true;
  if (station) view.goTo(station.id);
  else if (event.key === 'm') void mending.open();
  else if (event.key === 'f') view.listOpen = true;
  else if (event.key === ']') view.walk(1);
  else if (event.key === '[') view.walk(-1);
  else if (event.key === 'Enter' && !activates(event.target)) {
    const [first] = remedying.remedies;
    if (first) remedying.take(first);
  } else return false;
  return true;
}
