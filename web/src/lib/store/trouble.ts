/** What can go wrong with the browser's store, by its kind; what the browser itself says goes with it. */

export type StoreTrouble = { readonly kind: 'full' | 'none' | 'newer' | 'blocked' | 'failed'; readonly says: string };

/** Another tab wrote the plan since it was read here. */
export class Overtaken extends Error {}

/** The plan was removed from the store since it was read here. */
export class Removed extends Error {}

/** The browser emptied the store, as when somebody clears what the site keeps. */
export class Emptied extends Error {}

/** The store was written by a newer version of the program. */
export class NewerStore extends Error {}

/** The store neither opened nor failed. */
export class StoreSilent extends Error {
  constructor(readonly blocked: boolean) {
    super('the store did not answer');
  }
}

/** Names that browsers give to a store that may not be used at all. */
const NEVER: ReadonlySet<string> = new Set([
  'MissingAPIError',
  'SecurityError',
  'InvalidStateError',
  'OpenFailedError',
]);

/** Dexie wraps what the browser threw. */
function namesOf(error: unknown): string[] {
  if (!(error instanceof Error)) return [];
  const inner: unknown = Reflect.get(error, 'inner');
  return [error.name, ...(inner === error ? [] : namesOf(inner))];
}

export function troubleOf(error: unknown): StoreTrouble {
  const says = error instanceof Error ? error.message : String(error);
  const names = namesOf(error);
  if (error instanceof NewerStore) return { kind: 'newer', says };
  if (error instanceof StoreSilent) return { kind: error.blocked ? 'blocked' : 'failed', says };
  if (names.includes('QuotaExceededError')) return { kind: 'full', says };
  return { kind: names.some((name) => NEVER.has(name)) ? 'none' : 'failed', says };
}
