/** Work that one tab alone may change at a time. */

/**
 * Holds a name for this tab until it lets go, or is closed.
 * @returns what lets go; null where another tab holds it
 */
export function hold(name: string): Promise<(() => void) | null> {
  return new Promise((answer) => {
    void navigator.locks.request(name, { ifAvailable: true }, (lock) => {
      if (!lock) {
        answer(null);
        return undefined;
      }
      return new Promise<void>((letGo) => {
        answer(letGo);
      });
    });
  });
}
