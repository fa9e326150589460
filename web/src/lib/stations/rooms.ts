/** The stations by what they have in common, each fetched once, when it is gone to or paper is made of it. */
const once = <Room>(fetch: () => Promise<Room>): (() => Promise<Room>) => {
  let room: Promise<Room> | undefined;
  // What could not be fetched is asked for again.
  return () =>
    (room ??= fetch().catch((error: unknown) => {
      room = undefined;
      throw error;
    }));
};

export const overview = once(() => import('./Overview.svelte'));
export const need = once(() => import('./Need.svelte'));
export const choosing = once(() => import('./choosing'));
export const electric = once(() => import('./electric'));
export const delivering = once(() => import('./delivering'));
export const bringingUp = once(() => import('./bringing-up'));
