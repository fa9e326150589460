/**
 * Which plan failed when it was opened: the next start leaves it on the shelf. One that brings the page down leaves no word of
 * that, so that beginnings without an end are counted; a page that is closed meanwhile leaves one as well.
 */
import { setSetting, setting } from './db';

const BEGUN = 'opening';
/** So many beginnings without an end are a failure. */
const MOST = 2;

async function begun(): Promise<{ id: string; times: number }> {
  const [times = '0', id = ''] = String((await setting(BEGUN)) ?? '').split(' ');
  return { id, times: Number(times) || 0 };
}

export async function beginsToOpen(id: string): Promise<void> {
  const before = await begun();
  await setSetting(BEGUN, `${before.id === id ? before.times + 1 : 1} ${id}`);
}

/** It was worked out: what was counted against it counts no more. */
export async function openedWell(): Promise<void> {
  await setSetting(BEGUN, '');
}

export async function failedToOpen(id: string): Promise<void> {
  await setSetting(BEGUN, `${MOST} ${id}`);
}

export async function hasFailed(id: unknown): Promise<boolean> {
  const before = await begun();
  return before.id === id && before.times >= MOST;
}
