/** What is written on a drawing of the boards: as much of each word as has room, none on another. */
import { overlaps, type Box } from '../board/footprint.ts';
import type { Point } from '../board/grid.ts';
import type { Drawing, DrawnLead, DrawnPart } from '../deliver/board-drawing.ts';
import { PIN_HALF, pointBox } from './boxes.ts';
import { fitted, widthOf, type Face } from '../drawing/letter-widths.ts';
import { say } from '../say/say.ts';

/** Words on the map: in steps of the grid, around the middle, on their base line. */
export interface MapText extends Point {
  readonly says: string;
  readonly size: number;
  readonly face: Face;
  /** What it is the name of: a part, the pin of one, a row, a strip, a joint, two legs. */
  readonly is: 'part' | 'pin' | 'row' | 'strip' | 'joint' | 'value';
  /** Id of the part, key of the legs. */
  readonly of: string;
  /** The name of a part beside the boards, uncut, and the width that it may take: seen from afar it is written larger. */
  readonly grows?: { readonly full: string; readonly room: number };
  readonly box: Box;
}

/** Height of capitals and figures, and how far letters hang below their line, as shares of the size. */
const RISES = 0.74;
const HANGS = 0.2;
const SMALL = 0.95;
const VALUE = 1;

type Words = Omit<MapText, 'box'>;

const laid = (words: Words): MapText => {
  const half = widthOf(words.says, words.size, words.face) / 2;
  return {
    ...words,
    box: {
      left: words.x - half,
      right: words.x + half,
      top: words.y - words.size * RISES,
      bottom: words.y + words.size * HANGS,
    },
  };
};

/** Room left free beside the words in a part. */
const MARGIN = 0.4;
/** Where the name of a part in the board may stand: from the middle of its body, in shares of its height, and of its width. */
const ACROSS = [0, -0.22, 0.22, -0.34, 0.34];
const ALONG = [
  { at: 0, room: 1 },
  { at: -0.25, room: 0.5 },
  { at: 0.25, room: 0.5 },
  { at: -0.34, room: 0.32 },
  { at: 0.34, room: 0.32 },
];

/** The name of a part, clear of what lies over it; null where there is no room for any of it. */
function nameOf({ part, label, box, pins, seated, name }: DrawnPart, over: readonly Box[]): MapText | null {
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  const full = say(label);
  const covered = [...over, ...pins.map(({ x, y }) => pointBox(x, y, PIN_HALF))];
  const sizes = [name.size, 1.3, 1.1].filter((size) => size <= name.size);
  // The whole name, smaller if need be; else as much of it as has room.
  for (const isWhole of [true, false])
    for (const { at, room } of seated ? ALONG : ALONG.slice(0, 1))
      for (const size of isWhole ? sizes : sizes.slice(-1))
        for (const share of seated ? ACROSS : [0]) {
          const says = fitted(full, width * room - 2 * MARGIN, size, 'strong');
          if (isWhole ? says !== full : says.length < Math.min(4, full.length)) continue;
          const [x, y] = [name.x + at * width, name.y + share * height];
          const text = laid({
            is: 'part',
            of: part,
            says,
            size,
            face: 'strong',
            x,
            y,
            ...(seated ? {} : { grows: { full, room: width - 2 * MARGIN } }),
          });
          if (!covered.some((one) => overlaps(one, text.box))) return text;
        }
  return null;
}

function pinNames({ part, pins, box }: DrawnPart): MapText[] {
  const room = box.right - box.left - 2 * MARGIN;
  const pitch = Math.min(room, ...pins.slice(1).map((pin, i) => Math.abs(pin.x - (pins[i]?.x ?? 0))));
  return pins.flatMap((pin) => {
    const says = fitted(pin.label, pitch - 0.1, SMALL, 'mono');
    const y = pin.y + (box.top < 0 ? -0.75 : 1.5);
    return says === '' || says === '…'
      ? []
      : [laid({ is: 'pin', of: part, says, size: SMALL, face: 'mono', x: pin.x, y })];
  });
}

/**
 * What stands on the drawing whatever is shown: names of rows and strips that no part lies on, of parts, pins and joints.
 * @param over what lies over the parts
 */
export function standingTexts(drawing: Drawing, over: readonly Box[]): MapText[] {
  const lying = [...drawing.parts.map(({ box }) => box), ...over];
  const bare = ({ box }: MapText) => !lying.some((one) => overlaps(one, box));
  const rows = drawing.letters.map(({ text, x, y }) =>
    laid({ is: 'row', of: text, says: text, size: SMALL, face: 'mono', x, y: y + 0.35 }),
  );
  const strips = drawing.strips.map(({ label, from, plus }) =>
    // Outside of its strip, clear of the first hole.
    laid({
      is: 'strip',
      of: label,
      says: label,
      size: SMALL,
      face: 'mono',
      x: from.x - 0.5,
      y: from.y + (plus ? 0.3 : 0.4),
    }),
  );
  const joints = drawing.joints.map(({ text, x, y }) =>
    laid({ is: 'joint', of: text, says: text, size: SMALL, face: 'mono', x, y: y + 0.35 }),
  );
  const names = drawing.parts.flatMap((part) => [
    ...[nameOf(part, over) ?? []].flat(),
    ...(part.seated ? [] : pinNames(part)),
  ]);
  return [...rows.filter(bare), ...strips.filter(bare), ...names, ...joints];
}

/** Where the value of two legs may stand, from their middle, in steps: nearest first. */
const BESIDE = [0.95, 1.45, 1.95, 2.45];

/**
 * The value of two legs beside their body, where there is room for it.
 * @param a @param b ends of the body
 * @param taken what nothing may stand on
 */
export function valueText(
  { key, kind, value }: DrawnLead,
  [a, b]: readonly [Point, Point],
  taken: readonly Box[],
): MapText | null {
  if (kind !== 'resistor' && kind !== 'capacitor') return null;
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  const says = say(value);
  const half = widthOf(says, VALUE, 'mono') / 2;
  const flat = Math.abs(b.x - a.x) >= Math.abs(b.y - a.y);
  const places = BESIDE.flatMap((away) => {
    const [up, down] = [
      { x: middle.x, y: middle.y - away + 0.35 },
      { x: middle.x, y: middle.y + away + 0.35 },
    ];
    const [left, right] = [
      { x: middle.x - half - away + 0.4, y: middle.y + 0.35 },
      { x: middle.x + half + away - 0.4, y: middle.y + 0.35 },
    ];
    return flat ? [up, down, left, right] : [right, left, up, down];
  });
  for (const at of places) {
    const text = laid({ is: 'value', of: key, says, size: VALUE, face: 'mono', ...at });
    if (!taken.some((box) => overlaps(box, text.box))) return text;
  }
  return null;
}

/** How large the name of a part beside the boards may become: its pins are named below it. */
const LARGEST = 1.75;

/**
 * How words are written at a scale, so that they can be read.
 * @param scale pixels to a step
 * @param least size that can be read, pixels
 * @returns null where they would be too small
 */
export function readAt(text: MapText, scale: number, least: number): Pick<MapText, 'says' | 'size'> | null {
  // Half a hundredth of a pixel is not seen.
  const size = Math.max(text.size, (least - 0.005) / scale);
  if (size <= text.size) return text;
  if (!text.grows || size > LARGEST) return null;
  const says = fitted(text.grows.full, text.grows.room, size, text.face);
  return says.length < 3 ? null : { says, size };
}
