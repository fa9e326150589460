/** Translators that are there or may be added. */
import { freeId } from '../../plan/edits.ts';
import type { Card } from '../../card/card.ts';
import { type HelperOf, helpersOf } from '../../plan/helpers.ts';
import type { Bench } from './alone.ts';
import type { PartOptions } from './ways.ts';

/** A translator that is there or may be added. */
export interface Slot {
  readonly id: string;
  readonly card: Card;
  readonly near: string;
  readonly far: string;
  /** The helper of the plan; null for one that may be added. */
  readonly helper: HelperOf<'translator'> | null;
  /** The new slot that must be there before this one. */
  readonly after: string | null;
}

/** New translators of one kind that are thought of. */
const MAX_SLOTS = 2;

export function slotsOf(bench: Bench, parts: readonly PartOptions[]): Slot[] {
  const slots: Slot[] = [];
  const cards = new Map(bench.library);
  for (const helper of helpersOf(bench.circuit.plan, 'translator')) {
    const card = bench.circuit.cards.get(helper.card);
    if (!helper.gate && card)
      slots.push({ id: helper.id, card, near: helper.near, far: helper.far, helper, after: null });
  }
  const wanted = new Map<string, { card: string; near: string; far: string; users: number }>();
  for (const { ways } of parts) {
    const mine = new Set<string>();
    for (const { wired } of ways) {
      if (!wired.through) continue;
      const key = `${wired.through.card} ${wired.through.near} ${wired.through.far}`;
      wanted.set(key, { ...wired.through, users: (wanted.get(key)?.users ?? 0) + Number(!mine.has(key)) });
      mine.add(key);
    }
  }
  let plan = bench.circuit.plan;
  for (const { card: id, near, far, users } of wanted.values()) {
    const card = bench.circuit.cards.get(id) ?? cards.get(id);
    let after: string | null = null;
    for (let k = 0; card && k < Math.min(MAX_SLOTS, users); k++) {
      const name = freeId(plan, 'translator');
      plan = { ...plan, helpers: [...plan.helpers, { id: name, kind: 'translator', card: id, near, far, ports: [] }] };
      slots.push({ id: name, card, near, far, helper: null, after });
      after = name;
    }
  }
  return slots;
}
