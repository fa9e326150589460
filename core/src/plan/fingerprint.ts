import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { Card } from '../card/card.ts';
import { usedCards, type PlanDocument } from './document.ts';
import type { PartChoice } from './plan.ts';
import { canonical } from '../quantity/canonical.ts';
import { perKey, perOwner } from '../quantity/memo.ts';

/** Cards are never changed in place and are the larger part of a plan file: each is written out once. */
const cardText = perOwner((card: Card) => canonical(card));

/** The cards come first and stay the same from edit to edit: the hash goes on from there. */
const ofCards = perKey(2, (text: string) => sha256.create().update(utf8ToBytes(text)));

/** Nor are the things of a plan: of an edit one is another. */
const thingText = perOwner((thing: object) => canonical(thing));
const isThing = (value: unknown): value is object => typeof value === 'object' && value !== null;
/** The same as `canonical` of it. */
const listText = (value: unknown): string =>
  Array.isArray(value) && value.every(isThing) ? `[${value.map(thingText).join(',')}]` : canonical(value);

const withoutNumbers = perOwner((part: PartChoice): PartChoice => {
  if (!Object.values(part.ports).some(({ number }) => number !== undefined)) return part;
  const ports = Object.entries(part.ports).map(([port, { number: _, ...choice }]) => [port, choice] as const);
  return { ...part, ports: Object.fromEntries(ports) };
});

/**
 * Sixteen hexadecimal digits over everything a verdict rests on. What says nothing about the hardware is left
 * out: the plan's id, name and note, the steps and hazards ticked off, what was measured, which number a part on one wire has, and
 * cards that the plan does not use.
 */
export function fingerprint({ plan, cards }: PlanDocument): string {
  const { id: _id, name: _name, note: _note, done: _done, measured: _measured, acknowledged: _read, ...rest } = plan;
  const used = new Set(usedCards(plan));
  const sorted = cards.filter(({ id }) => used.has(id)).sort((a, b) => (a.id < b.id ? -1 : 1));
  const hardware = { ...rest, parts: rest.parts.map(withoutNumbers) };
  const begun = ofCards(`{"cards":[${sorted.map(cardText).join(',')}],"plan":`);
  const fields = Object.entries(hardware)
    .filter(([, value]) => value !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, value]) => `${JSON.stringify(key)}:${listText(value)}`);
  const whole = begun.clone().update(utf8ToBytes(`{${fields.join(',')}}}`));
  return bytesToHex(whole.digest()).slice(0, 16);
}
