/**
 * The boards as a draughtsman shows them: leads run in channels between the holes, never over words, parts or each other. A lead
 * for which no way clear of the others is found is a numbered stub at both its ends; the number is that of the lead in the steps.
 */
import { distance, type Point } from '../board/grid.ts';
import type { Drawing, DrawnLead } from '../deliver/board-drawing.ts';
import type { WiringStep } from '../deliver/step.ts';
import { PIN_HALF, placeKey, pointBox } from './boxes.ts';
import { groundOf } from './ground.ts';
import { standingTexts, valueText } from './labels.ts';
import type { Lattice } from './lattice.ts';
import { bodyBoxes, layLegs, legBoxes } from './legs.ts';
import type { BoardMap } from './model.ts';
import { enlarged, narrowTag, tagBox } from './tags.ts';

const isWire = ({ kind }: DrawnLead): boolean => kind === 'lead' || kind === 'own';

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
  const pins = drawing.parts.flatMap((part) => part.pins);
  const pinBoxes = (list: readonly Point[]) => list.map(({ x, y }) => pointBox(x, y, PIN_HALF));
  const legs = layLegs(drawing, straight, allTags, texts);
  const wires = all.filter(isShown);
  const ends = wires.flatMap(endsOf);
  const own = new Set(ends.map(({ at }) => placeKey(at)));
  const lying = [...texts.map(({ box }) => box), ...legs.flatMap(legBoxes)];
  // A pin that a lead ends at is under its tag.
  const tags = enlarged(ends, [...lying, ...pinBoxes(pins.filter((pin) => !own.has(placeKey(pin))))]);
  const taken = [...lying, ...tags.map(tagBox), ...pinBoxes(pins)];
  for (const { lead, body } of legs) {
    const text = isShown(lead) ? valueText(lead, body, taken) : null;
    if (!text) continue;
    texts.push(text);
    taken.push(text.box);
  }
  const ways = routed(wires, () => groundOf(drawing, tags, legs, texts));
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
