/**
 * The boards as a draughtsman shows them: leads run in channels between the holes, never over words, parts or each other. A lead
 * that would have to cross is a numbered stub at both its ends; the number is that of the lead in the steps.
 */
import { overlaps, type Box } from '../board/footprint.ts';
import { distance, type Point } from '../board/grid.ts';
import type { Drawing, DrawnLead } from '../deliver/board-drawing.ts';
import { crossings } from '../layout/crossings.ts';
import { widthOf } from '../drawing/letter-widths.ts';
import type { WiringStep } from '../deliver/step.ts';
import { Lattice } from './lattice.ts';
import { standingTexts, valueText, type MapText } from './labels.ts';

/** The number of a lead at an end of it: around its middle, in steps. */
export interface MapTag extends Point {
  readonly half: { readonly width: number; readonly height: number };
  /** Of the figures. */
  readonly size: number;
}

/** A lead with the numbered tags at its ends. */
export interface MapLead {
  readonly lead: DrawnLead;
  /** The tags with its number; a joint is marked by itself. */
  readonly tags: readonly MapTag[];
  /** From 1, in the order in which leads are put in. */
  readonly number: number;
  /** Corners of its way, ends among them; null where it is a stub at both its ends. */
  readonly way: readonly Point[] | null;
}

export interface MapLegs {
  readonly lead: DrawnLead;
  /** Straight from hole to hole, or round what would be covered. */
  readonly way: readonly Point[];
  /** Ends of the body. */
  readonly body: readonly [Point, Point];
}

export interface BoardMap {
  readonly drawing: Drawing;
  readonly texts: readonly MapText[];
  /** Leads to be seen. */
  readonly leads: readonly MapLead[];
  /** Parts with two legs; they stand in the board from their step on. */
  readonly legs: readonly MapLegs[];
}

/** Half of a tag that stands between others in every hole around it, and of one that has room. */
const NARROW = { width: 0.48, height: 0.46 };
const TALL = 0.54;
const SMALL_FIGURES = 0.74;
const LARGE_FIGURES = 1.25;
const figures = (number: number, size: number) => widthOf(String(number), size, 'mono');

/** The tag that fits everywhere. */
function narrowTag({ x, y }: Point, number: number): MapTag {
  const size = Math.min(SMALL_FIGURES, (2 * NARROW.width - 0.06) / figures(number, 1));
  return { x, y, half: NARROW, size };
}

/** The tag that can be read from further away. */
const wideTag = ({ x, y }: Point, number: number): MapTag => ({
  x,
  y,
  half: { width: figures(number, LARGE_FIGURES) / 2 + 0.14, height: TALL },
  size: LARGE_FIGURES,
});

export const tagBox = ({ x, y, half }: MapTag): Box => ({
  left: x - half.width,
  right: x + half.width,
  top: y - half.height,
  bottom: y + half.height,
});

/** Every tag as large as what stands around it allows. @param taken what no tag may reach */
function enlarged(ends: readonly { number: number; at: Point }[], taken: readonly Box[]): MapTag[] {
  const tags = ends.map(({ number, at }) => narrowTag(at, number));
  ends.forEach(({ number, at }, i) => {
    const tag = wideTag(at, number);
    const box = tagBox(tag);
    const free =
      !taken.some((one) => overlaps(one, box)) && !tags.some((other, k) => k !== i && overlaps(tagBox(other), box));
    if (free) tags[i] = tag;
  });
  return tags;
}

const isWire = ({ kind }: DrawnLead): boolean => kind === 'lead' || kind === 'own';

const placeKey = ({ x, y }: Point): string => `${x} ${y}`;

/** Width of a drawn lead on either side of its middle, in steps. */
export const LEAD_HALF = 0.2;
/** Room between a lead and words. */
const CLEAR = LEAD_HALF + 0.05;
/** Half the width of the body of two legs, with its margin, in steps. */
const BODY_HALF = 0.55;
/** Half the width of a joint, in steps. */
const JOINT = 0.8;
/** To run over a part that stands in the board: only where there is no other way that is so much shorter. */
const OVER_PART = 3;

/** The leads of all steps, numbered as they are put in. */
export const leadNumbers = (steps: readonly WiringStep[]): ReadonlyMap<string, number> =>
  new Map(steps.flatMap(({ leads }) => leads).map(({ key, number }) => [key, number]));

/** @param shown keys of leads; null for all */
export function boardMap(
  drawing: Drawing,
  numbers: ReadonlyMap<string, number>,
  shown: ReadonlySet<string> | null = null,
): BoardMap {
  const isShown = ({ key }: DrawnLead) => shown === null || shown.has(key);
  const numberOf = ({ key }: DrawnLead) => numbers.get(key) ?? 0;
  const joints = new Set(drawing.joints.map(placeKey));
  const endsOf = (lead: DrawnLead) =>
    [lead.a, lead.b].filter((end) => !joints.has(placeKey(end))).map((at) => ({ number: numberOf(lead), at }));
  const all = spread(drawing.leads.filter(isWire), joints);
  const allTags = all.flatMap(endsOf).map(({ at, number }) => narrowTag(at, number));
  const straight = drawing.leads.filter((lead) => !isWire(lead));
  // Names stand still from step to step: they make room for all that comes.
  const texts = standingTexts(drawing, [...straight.flatMap(({ a, b }) => bodyBoxes([a, b])), ...allTags.map(tagBox)]);
  const legs = layLegs(drawing, straight, allTags, texts);
  const wires = all.filter(isShown);
  const ends = wires.flatMap(endsOf);
  const own = new Set(ends.map(({ at }) => placeKey(at)));
  // A pin that a lead ends at is under its tag.
  const pins = drawing.parts.flatMap((part) => part.pins.filter((pin) => !own.has(placeKey(pin))));
  const lying = [...texts.map(({ box }) => box), ...legs.flatMap(legBoxes)];
  const tags = enlarged(ends, [...lying, ...pins.map(({ x, y }) => pointBox(x, y, 0.35))]);
  const taken = [...lying, ...tags.map(tagBox)];
  for (const { lead, body } of legs) {
    const text = isShown(lead) ? valueText(lead, body, taken) : null;
    if (!text) continue;
    texts.push(text);
    taken.push(text.box);
  }
  const ways = routed(wires, () => emptyLattice(drawing, tags, legs, texts));
  const tagAt = new Map(tags.map((tag) => [placeKey(tag), tag]));
  return {
    drawing,
    texts,
    legs,
    leads: wires.map((lead) => ({
      lead,
      number: numberOf(lead),
      tags: endsOf(lead).flatMap(({ at }) => tagAt.get(placeKey(at)) ?? []),
      way: ways.get(lead.key) ?? null,
    })),
  };
}

const pointBox = (x: number, y: number, half: number): Box => ({
  left: x - half,
  right: x + half,
  top: y - half,
  bottom: y + half,
});

/** Legs go straight from hole to hole; those that would lie over the end of a lead, or over other legs, go round. */
function layLegs(
  drawing: Drawing,
  straight: readonly DrawnLead[],
  tags: readonly MapTag[],
  texts: readonly MapText[],
): MapLegs[] {
  const ends = [...tags, ...straight.flatMap(({ a, b }) => [a, b])];
  const bends = (lead: DrawnLead) =>
    ends.some((end) => end !== lead.a && end !== lead.b && offLine(end, lead) < 0.5) ||
    texts.some(({ box }) => bodyBoxes([lead.a, lead.b]).some((piece) => overlaps(piece, box))) ||
    crossings([lead, ...straight.filter((other) => other !== lead)]) >
      crossings(straight.filter((other) => other !== lead));
  const done: MapLegs[] = straight.filter((lead) => !bends(lead)).map((lead) => legsAlong(lead, [lead.a, lead.b]));
  for (const lead of straight.filter(bends)) {
    const way = emptyLattice(drawing, tags, done, texts, BODY_HALF).way(lead.a, lead.b);
    done.push(legsAlong(lead, way ?? [lead.a, lead.b]));
  }
  return done;
}

/** How far a point lies off the line between two ends, in steps. */
function offLine({ x, y }: Point, { a, b }: DrawnLead): number {
  const length = distance(a, b) || 1;
  const share = Math.min(1, Math.max(0, ((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / length ** 2));
  return distance({ x, y }, { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share });
}

/** The body sits on the longest straight piece, and leaves as much of it bare at either end. */
function legsAlong(lead: DrawnLead, way: readonly Point[]): MapLegs {
  const longest = piecesOfWay(way).reduce((one, other) => (distance(...other) > distance(...one) ? other : one), [
    way[0] ?? lead.a,
    way[1] ?? lead.b,
  ] as const);
  return { lead, way, body: bodyOf(longest) };
}

function bodyOf([a, b]: readonly [Point, Point]): readonly [Point, Point] {
  const at = (share: number) => ({ x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share });
  return [at(0.25), at(0.75)];
}

const piecesOfWay = (way: readonly Point[]) => way.slice(1).map((b, i) => [way[i] ?? b, b] as const);

/** What legs and their body cover. */
const legBoxes = ({ way, body }: Pick<MapLegs, 'way' | 'body'>): Box[] => [
  ...piecesOfWay(way).flatMap((piece) => lineBoxes(piece, 0.12)),
  ...lineBoxes(body, BODY_HALF),
];

/** Several wires in one terminal: their tags stand one before the other. */
function spread(wires: readonly DrawnLead[], joints: ReadonlySet<string>): DrawnLead[] {
  const at = new Map<string, number>();
  const placed = (end: Point, other: Point): Point => {
    const key = placeKey(end);
    if (joints.has(key)) return end;
    const nth = at.get(key) ?? 0;
    at.set(key, nth + 1);
    return nth === 0 ? end : { x: end.x, y: end.y + Math.sign(other.y - end.y || 1) * nth };
  };
  return wires.map((lead) => ({ ...lead, a: placed(lead.a, lead.b), b: placed(lead.b, lead.a) }));
}

/** What a straight line of some width covers, in boxes. */
export function lineBoxes([a, b]: readonly [Point, Point], half: number): Box[] {
  const pieces = Math.max(1, Math.ceil(distance(a, b) * 2));
  return Array.from({ length: pieces + 1 }, (_, i) => {
    const [x, y] = [a.x + ((b.x - a.x) * i) / pieces, a.y + ((b.y - a.y) * i) / pieces];
    return { left: x - half, right: x + half, top: y - half, bottom: y + half };
  });
}

/** What straight legs with their body in the middle cover. */
const bodyBoxes = (ends: readonly [Point, Point]): Box[] => legBoxes({ way: ends, body: bodyOf(ends) });

/** The drawing with nothing in it yet but what stands. */
function emptyLattice(
  drawing: Drawing,
  tags: readonly MapTag[],
  legs: readonly MapLegs[],
  texts: readonly MapText[],
  clear = CLEAR,
): Lattice {
  const { left, right, top, bottom } = drawing.box;
  const lattice = new Lattice({
    left: Math.floor(left),
    right: Math.ceil(right),
    top: Math.floor(top),
    bottom: Math.ceil(bottom),
  });
  for (const { box, seated } of drawing.parts) if (seated) lattice.weigh(box, OVER_PART);
  for (const { box, seated } of drawing.parts) if (!seated) lattice.close(box);
  for (const { x, y } of drawing.holes) lattice.close({ left: x, right: x, top: y, bottom: y });
  for (const { box, is } of texts) if (is !== 'joint') lattice.close(box, clear);
  for (const { x, y } of drawing.joints) lattice.reserve(pointBox(x, y, JOINT), { x, y });
  for (const { way, body } of legs) for (const [a, b] of [...piecesOfWay(way), body]) lattice.closeLine(a, b);
  for (const tag of tags) lattice.reserve(tagBox(tag), tag);
  return lattice;
}

/** How often leads are laid anew with those first that had no way. */
const TRIES = 4;
/** Where more than this have no way, another order does not help. */
const MANY = 4;

/** As many leads as can be laid without a crossing, short ones first; those that found no way go first the next time. */
function routed(wires: readonly DrawnLead[], empty: () => Lattice): ReadonlyMap<string, readonly Point[]> {
  let best = new Map<string, readonly Point[]>();
  let order = wires.toSorted((a, b) => distance(a.a, a.b) - distance(b.a, b.b));
  for (let i = 0; i < TRIES; i++) {
    const lattice = empty();
    const ways = new Map<string, readonly Point[]>();
    for (const lead of order) {
      const way = lattice.way(lead.a, lead.b);
      if (!way) continue;
      lattice.take(way);
      ways.set(lead.key, way);
    }
    if (ways.size > best.size) best = ways;
    const failed = order.filter(({ key }) => !ways.has(key));
    if (failed.length === 0 || failed.length > MANY) break;
    order = [...failed, ...order.filter(({ key }) => ways.has(key))];
  }
  return best;
}

/** Room around what is shown, and the least that is shown, in steps. */
const AROUND = 1.8;
const LEAST = { width: 24, height: 12 };

/** The part of the drawing that a step is about. @param parts ids of the parts of the step; null for the whole */
export function frameOf(
  { drawing, leads, legs }: BoardMap,
  keys: ReadonlySet<string>,
  parts: ReadonlySet<string>,
): Box {
  const points = [
    ...leads.filter(({ lead }) => keys.has(lead.key)).flatMap(({ lead, way }) => way ?? [lead.a, lead.b]),
    ...legs.filter(({ lead }) => keys.has(lead.key)).flatMap(({ way }) => way),
  ];
  const boxes = [
    ...points.map(({ x, y }) => ({ left: x, right: x, top: y, bottom: y })),
    ...drawing.parts.filter(({ part }) => parts.has(part)).map(({ box }) => box),
  ];
  if (boxes.length === 0) return drawing.box;
  const span = (low: number, high: number, least: number, from: number, to: number) => {
    const size = Math.min(to - from, Math.max(least, high - low + 2 * AROUND));
    const start = Math.min(Math.max(from, (low + high - size) / 2), to - size);
    return [start, start + size] as const;
  };
  const { box } = drawing;
  const [left, right] = span(
    Math.min(...boxes.map((b) => b.left)),
    Math.max(...boxes.map((b) => b.right)),
    LEAST.width,
    box.left,
    box.right,
  );
  const [top, bottom] = span(
    Math.min(...boxes.map((b) => b.top)),
    Math.max(...boxes.map((b) => b.bottom)),
    LEAST.height,
    box.top,
    box.bottom,
  );
  return { left, right, top, bottom };
}

/** On paper a long board is shown in pieces, so that what is written on it can be read. @param most steps across */
export function piecesOf({ drawing: { box } }: BoardMap, most: number): Box[] {
  const count = Math.max(1, Math.ceil((box.right - box.left) / most));
  const width = (box.right - box.left) / count;
  return Array.from({ length: count }, (_, i) => ({
    ...box,
    left: box.left + i * width,
    right: box.left + (i + 1) * width,
  }));
}
