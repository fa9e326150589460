/** Keys that work everywhere, except while something is being typed. */
import { exportAll } from '../kit/actions';
import { typeAhead, typedAhead } from '../kit/ahead';
import { view } from '../state/view.svelte';
import { workbench } from '../state/workbench.svelte';

const isField = (target: EventTarget | null): target is HTMLInputElement | HTMLTextAreaElement =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement && !/^(checkbox|radio|range|file|button)$/.test(target.type));

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    /^(INPUT|TEXTAREA)$/.test(target.tagName) ||
    // A list that is open has the keys.
    (target.role === 'combobox' && target.ariaExpanded === 'true'));

const inDialog = (target: EventTarget | null): boolean =>
  target instanceof Element && target.closest('[role="dialog"]') !== null;

/** What keys mean to the plan that is open; put here with the rest of its screen. */
let onPlanKey: ((event: KeyboardEvent) => boolean) | null = null;
export const setPlanKeys = (keys: typeof onPlanKey): void => void (onPlanKey = keys);

function plain(event: KeyboardEvent): boolean {
  if (event.key === 'Escape') return view.back();
  if (event.key !== 'x') return onPlanKey?.(event) ?? false;
  void exportAll();
  return true;
}

/** What stood in a field when it was gone to, or since it was last taken. */
const stood = new WeakMap<HTMLElement, string>();
/** What a field held when the key that is under way was pressed. */
let held = '';

export function onFocus({ target }: Event): void {
  if (isField(target)) stood.set(target, target.value);
}

/** Before the field itself sees the key. */
export function onKeyFirst({ target }: KeyboardEvent): void {
  if (isField(target)) held = target.value;
}

/** Escape takes back what was typed; where nothing was, it leads back to where one was. */
function escapeField(field: HTMLInputElement | HTMLTextAreaElement): void {
  // A field that knows better has done so itself.
  if (field.value !== held) return;
  const before = stood.get(field);
  if (before === undefined || before === field.value) {
    field.blur();
    view.back();
    return;
  }
  field.value = before;
  field.dispatchEvent(new InputEvent('input', { bubbles: true }));
}

export function onKey(event: KeyboardEvent): void {
  if (event.defaultPrevented) return;
  const inSheet = view.sheet !== null || workbench.refusal !== null;
  if (event.key === 'Escape' && isField(event.target) && !inSheet && !view.listOpen) {
    escapeField(event.target);
    event.preventDefault();
    return;
  }
  const command = event.ctrlKey || event.metaKey;
  if (view.sheet === 'find' && !command && !event.altKey && !inDialog(event.target)) {
    if (typeAhead(event.key)) event.preventDefault();
    return;
  }
  if (inSheet || view.listOpen) return;
  const key = event.key.toLowerCase();
  if (command && (key === 'z' || key === 'y')) {
    if (typing(event.target)) return;
    event.preventDefault();
    if (key === 'y' || event.shiftKey) workbench.redo();
    else workbench.undo();
    return;
  }
  if (command || event.altKey || typing(event.target)) return;
  if (event.key === '/') {
    typedAhead();
    view.sheet = 'find';
  } else if (event.key === '?') view.sheet = 'keys';
  else if (!plain(event)) return;
  event.preventDefault();
}
