/**
 * What is read while something is worked out. Whatever can be asked for by name notes that it was asked for; so what was worked out once holds
 * for as long as nothing of those names is different, and is not worked out again.
 */

let open: Set<string> | null = null;

/** Says that what has this name was read; nothing happens where nobody wants to know. */
export function noteRead(name: string): void {
  open?.add(name);
}

/** Whether somebody wants to know what is read. */
export const isNoting = (): boolean => open !== null;

/** Works something out and tells the names that were read for it. Whoever works something larger out around it has read them as well. */
export function noting<T>(work: () => T): { readonly value: T; readonly reads: ReadonlySet<string> } {
  const around = open;
  const reads = new Set<string>();
  open = reads;
  try {
    return { value: work(), reads };
  } finally {
    open = around;
    if (around) for (const name of reads) around.add(name);
  }
}

/** Notes again what was read for something that is remembered. */
export function noteReads(reads: ReadonlySet<string>): void {
  if (open) for (const name of reads) open.add(name);
}

/** Works something out of which others read only pieces: what they read they note themselves. */
export function unnoted<T>(work: () => T): T {
  const around = open;
  open = null;
  try {
    return work();
  } finally {
    open = around;
  }
}
