/** Opens the store, or says why it cannot be had: then everything lies in the memory of this tab, so that the rest of the program works as ever. */
import { lieIn, shelf, SHELF_VERSION } from './db';
import { NewerStore, StoreSilent, troubleOf, type StoreTrouble } from './trouble';

/** ms after which a store that neither opens nor fails is given up. Bringing a full shelf up to date takes seconds. */
const PATIENCE = 20_000;
/** The same where another tab holds it in an older version. */
const PATIENCE_BLOCKED = 4000;

/** Versions are counted in tenths inside the browser. */
const NATIVE_VERSION = SHELF_VERSION * 10;

/** @returns null where the browser keeps what is put there */
export async function openStore(): Promise<StoreTrouble | null> {
  try {
    // Before it is opened: opening would already change what a newer program has laid out.
    if (await isNewer()) throw new NewerStore();
    await Promise.race([shelf.open(), silence()]);
    return null;
  } catch (error) {
    const { IDBFactory, IDBKeyRange } = await import('fake-indexeddb');
    lieIn({ indexedDB: new IDBFactory(), IDBKeyRange });
    await shelf.open();
    return troubleOf(error);
  }
}

/** A store that a newer program has written is not written to by this one, which knows nothing of what is new there. */
async function isNewer(): Promise<boolean> {
  // Where the browser does not list its stores, or has none, opening says what is wrong.
  const store = (globalThis as { indexedDB?: Partial<IDBFactory> }).indexedDB;
  const listed = (await store?.databases?.().catch(() => [])) ?? [];
  return listed.some(({ name, version = 0 }) => name === shelf.name && version > NATIVE_VERSION);
}

/** Fails once nothing has come of opening for too long. */
function silence(): Promise<never> {
  return new Promise((_, fail) => {
    const giveUp = (blocked: boolean) => () => fail(new StoreSilent(blocked));
    setTimeout(giveUp(false), PATIENCE);
    shelf.on('blocked', () => void setTimeout(giveUp(true), PATIENCE_BLOCKED));
  });
}

/** Says when a newer program asks for the store, which it then has: from there on nothing is stored from here. */
export function onNewer(act: () => void): void {
  shelf.on('versionchange', ({ newVersion }) => {
    if (newVersion === null || newVersion <= NATIVE_VERSION) return true;
    // Closed for good: opened again it would change what the newer one has laid out.
    shelf.close({ disableAutoOpen: true });
    act();
    // What the store itself does then, which is to open again when it is next asked, is not done.
    return false;
  });
}
