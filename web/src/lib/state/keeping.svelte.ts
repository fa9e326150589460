/** How safe the shelf is: whether the browser keeps it, when it was last exported whole, and the way out and back. */
import type { Problem } from '@idle-breadboard/core/plan';
import { setSetting, setting } from '../store/db';
import { gather, putBack, type Taken } from '../store/whole';

const EXPORTED = 'exported';

class Keeping {
  /** Whether the browser may clear the shelf when space runs short; null where it does not say. */
  mayClear = $state<boolean | null>(null);
  /** When everything was exported last; null for never. */
  exported = $state.raw<Date | null>(null);

  async look(): Promise<void> {
    const kept = (await setting(EXPORTED)) ?? '';
    this.exported = kept === '' ? null : new Date(kept);
    // Only where the page came over a safe connection.
    const storage = (navigator as { storage?: StorageManager }).storage;
    this.mayClear = storage ? !(await storage.persisted()) : null;
  }

  /** Asks the browser to keep the shelf. @returns whether it does */
  async askToKeep(): Promise<boolean> {
    const keeps = await navigator.storage.persist();
    this.mayClear = !keeps;
    return keeps;
  }

  /** Everything as one archive. */
  async archive(): Promise<{ readonly bytes: Uint8Array; readonly at: Date }> {
    const { zipShelf } = await import('../store/shelf-zip');
    const at = new Date();
    return { bytes: await zipShelf(await gather(), at), at };
  }

  /** The archive was handed on. */
  async wasExported(at: Date): Promise<void> {
    this.exported = at;
    await setSetting(EXPORTED, at.toISOString());
  }

  /** Takes an archive back: all of it, or nothing. */
  async take(bytes: Uint8Array): Promise<Taken | readonly Problem[]> {
    const { unzipShelf } = await import('../store/shelf-zip');
    const read = await unzipShelf(bytes);
    return read.ok ? putBack(read.value) : read.problems;
  }
}

export const keeping = new Keeping();
