/**
 * How a thing of a part is named in a plan and in what is said of it: by the part and its own id in the part's card - a rail, a supply, a
 * terminal, a signal, a port; a line of a port has a third. This file alone knows what stands between them.
 */

const BETWEEN = '.';

/** A part's own rail, supply, terminal, signal or port, or a line of a port. Of a part alone there is no `own`. */
export interface Ref {
  readonly part: string;
  readonly own: string | undefined;
  readonly line: string | undefined;
}

/** @returns the name that `parseRef` reads; ids of cards and plans have no separator in them (their schemas hold that) */
export function keyOf(part: string | null | undefined, own: string | null | undefined, line?: string): string {
  const key = `${part}${BETWEEN}${own}`;
  return line === undefined ? key : `${key}${BETWEEN}${line}`;
}

/** @returns a part named '' where there is nothing to read: no part is called so */
export function parseRef(key: string | null | undefined): Ref {
  const [part = '', own, line] = key?.split(BETWEEN) ?? [];
  return { part, own, line };
}

/** Whether a name is that of a thing or of something of it. @example isOf('scale.data.data', 'scale') */
export const isOf = (key: string, thing: string): boolean => key === thing || key.startsWith(`${thing}${BETWEEN}`);

/** The net that a line becomes on the far side of a helper. */
export const beyondOf = (net: string, helper: string | null | undefined): string => (helper ? `${net}@${helper}` : net);

/** The part whose rail, supply, terminal, signal or port it is. */
export const ownerOf = (key: string | null | undefined): string => parseRef(key).part;

const LEG = '/';
/** One piece of a helper that has several: "divider/upper". */
export const legKey = (helper: string, leg: string): string => `${helper}${LEG}${leg}`;
/** The helper that a piece is of; a helper of one piece is its own. */
export const legOwner = (id: string): string => id.split(LEG)[0] ?? id;

const PLACE = 'place:';
/** A place of the plan, as a finding names it: a place has a name of the maker's, which could be that of a part. */
export const placeKey = (name: string): string => `${PLACE}${name}`;
/** The name in it; null where it is no place. */
export const placeIn = (key: string | undefined): string | null =>
  key?.startsWith(PLACE) ? key.slice(PLACE.length) : null;
