/** Translators and pins as they were decided, put into the plan. */
import { addHelper, setPin } from '../../plan/edits.ts';
import { helpersOf } from '../../plan/helpers.ts';
import type { Plan } from '../../plan/plan.ts';
import { removeHelper } from '../../plan/remove.ts';
import type { Decided } from './decided.ts';
import type { Encoding } from './encode.ts';
import { CHOICE } from './names.ts';

/** Who is behind which translator; one that nobody is behind goes. */
export function setTranslators(encoding: Encoding, { of, placed: places }: Decided, plan: Plan): Plan {
  const users = new Map<string, { part: string; port: string }[]>();
  for (const part of encoding.parts) {
    const placed = places.get(part.choice.id);
    const through = placed && part.ways[placed.way]?.wired.through;
    if (!placed || !through) continue;
    const slot = placed.slot ?? of(CHOICE.side(placed.bus ?? '', through.far));
    if (slot)
      users.set(slot, [
        ...(users.get(slot) ?? []),
        ...part.node.card.ports.map(({ id }) => ({ part: part.choice.id, port: id })),
      ]);
  }
  const decided = new Set(encoding.parts.map(({ choice }) => choice.id));
  return encoding.slots.reduce((p, slot) => {
    const mine = users.get(slot.id) ?? [];
    const old = helpersOf(p, 'translator').find(({ id }) => id === slot.id);
    // Ports of parts that are not decided stay behind it.
    const others = old?.ports.filter(({ part }) => !decided.has(part)) ?? [];
    const ports = [...others, ...mine];
    if (ports.length === 0) return old ? removeHelper(p, slot.id) : p;
    if (old) {
      const same =
        old.ports.length === ports.length &&
        ports.every((x) => old.ports.some((y) => x.part === y.part && x.port === y.port));
      return same ? p : { ...p, helpers: p.helpers.map((h) => (h.id === slot.id ? { ...old, ports } : h)) };
    }
    return addHelper(p, {
      id: slot.id,
      kind: 'translator',
      card: slot.card.id,
      near: slot.near,
      far: slot.far,
      ports,
    });
  }, plan);
}

export function setPins(encoding: Encoding, { of }: Decided, plan: Plan): Plan {
  return encoding.wishes.reduce((p, wish) => {
    const pin = of(CHOICE.line(wish.id));
    if (pin === null || pin === wish.pin) return p;
    return setPin(p, wish.of, wish.line, { pin, locked: false, ...(wish.weakPull ? { weakPull: true } : {}) });
  }, plan);
}
