/** A part as it lies on the table, as far as it is known: its outline and where each pin is, m from its upper left corner. */
import { entryKey } from '../card/path.ts';
import { placesOf, type Tree, valueAt, wordAt } from './tree.ts';

export interface SeenPin {
  readonly id: string;
  readonly label: string;
  readonly role: string;
  readonly header: string;
  readonly kind: string;
  /** Place along its header, from 1. */
  readonly position: number;
  readonly x: number;
  readonly y: number;
  /** Towards which side of the part there is room for its name. */
  readonly inward: 'up' | 'down';
  readonly colour: string | null;
}

export interface SeenPart {
  readonly length: number;
  readonly width: number;
  /** Whether anybody said how large it is. */
  readonly measured: boolean;
  readonly pins: readonly SeenPin[];
}

const PITCH = 2.54e-3;
/** m, from the middle of a pin to the edge of the board. */
const EDGE = 1.6e-3;
/** m, of a board that nobody measured: so wide that the names of its pins can be read. */
const PLAIN_WIDTH = 13e-3;
/** m, between two rows of pins of which nobody said how far apart they are. */
const APART = 17.78e-3;
const LEAST = 6e-3;

const numberAt = (node: unknown, place: string): number | undefined => {
  const value = valueAt(node, place);
  return typeof value === 'number' ? value : undefined;
};

const sideOf = (tree: Tree, side: 'length' | 'width'): number | undefined =>
  numberAt(tree, `body/size/${side}/typ`) ??
  numberAt(tree, `body/size/${side}/max`) ??
  numberAt(tree, `body/size/${side}`);

export function seenFromAbove(tree: Tree): SeenPart {
  const headers = placesOf(tree, 'headers/*').map(({ value }, i) => ({
    id: entryKey('headers', value),
    kind: wordAt(value, 'kind'),
    rows: numberAt(value, 'rows') ?? 1,
    pitch: numberAt(value, 'pitch') ?? PITCH,
    across: i === 0 ? 0 : (numberAt(value, 'across') ?? APART * i),
  }));
  const farthest = Math.max(0, ...headers.map(({ across }) => across));
  const terminals = placesOf(tree, 'terminals/*').map(({ value }) => value);
  const raw = terminals.flatMap((value) => {
    const header = headers.find(({ id }) => id === wordAt(value, 'header'));
    const position = numberAt(value, 'position') ?? 1;
    if (!header) return [];
    const row = (position - 1) % header.rows;
    return [
      {
        id: wordAt(value, 'id'),
        label: wordAt(value, 'label'),
        role: wordAt(value, 'role'),
        header: header.id,
        kind: header.kind,
        position,
        x: Math.floor((position - 1) / header.rows) * header.pitch,
        // The first header lies along the lower edge, the others above it.
        y: farthest - header.across - row * header.pitch,
        inward: header.across === 0 ? ('up' as const) : ('down' as const),
        colour: wordAt(value, 'lead/colour') || null,
      },
    ];
  });
  const span = Math.max(0, ...raw.map(({ x }) => x));
  const [length, width] = [sideOf(tree, 'length'), sideOf(tree, 'width')];
  const needed = { length: span + 2 * EDGE, width: farthest + 2 * EDGE };
  const size = {
    length: Math.max(length ?? LEAST, needed.length),
    width: Math.max(width ?? PLAIN_WIDTH, needed.width),
  };
  const left = (size.length - span) / 2;
  const low = size.width - EDGE - (headers.length > 1 ? (size.width - needed.width) / 2 : 0);
  return {
    ...size,
    measured: length !== undefined && width !== undefined,
    pins: raw.map((pin) => ({ ...pin, x: left + pin.x, y: low - farthest + pin.y })),
  };
}
