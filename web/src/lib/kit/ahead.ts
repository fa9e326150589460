/** Keys pressed while the box they are meant for is still on its way to the screen. */
const keys: string[] = [];

/** Keeps a key for the box that is opening; others mean nothing to it. */
export function typeAhead(key: string): boolean {
  if (key !== 'Enter' && key !== 'Backspace' && key.length !== 1) return false;
  keys.push(key);
  return true;
}

/** What was typed so far, and whether it was entered; they are given out once. */
export function typedAhead(): { text: string; entered: boolean } {
  const pressed = keys.splice(0);
  const entered = pressed.includes('Enter');
  let text = '';
  for (const key of entered ? pressed.slice(0, pressed.indexOf('Enter')) : pressed)
    text = key === 'Backspace' ? text.slice(0, -1) : text + key;
  return { text, entered };
}
