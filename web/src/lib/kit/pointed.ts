/** What may be pressed next: pointed at, under the finger, or with the focus. */
import { workbench } from '../state/workbench.svelte';

/** Attributes that work out ahead what a handler would make of the plan; none where there is no handler that does nothing but edit. */
export function pointedAt(handler: (() => unknown) | undefined) {
  if (!handler) return {};
  const ahead = () => workbench.rehearse(handler);
  return { onpointerenter: ahead, onpointerdown: ahead, onfocus: ahead };
}
