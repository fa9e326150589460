/** Where parts were decided to be, put into the plan. */
import { addHelper, changePart, changePort } from '../../plan/edits.ts';
import type { Helper } from '../../plan/helpers.ts';
import type { Plan } from '../../plan/plan.ts';
import { removePart } from '../../plan/remove.ts';
import type { Decided } from './decided.ts';
import type { Encoding } from './encode.ts';
import { busPort } from './places.ts';

export function placeParts(encoding: Encoding, { placed: places }: Decided, plan: Plan): Plan {
  return encoding.parts.reduce((p, part) => {
    const placed = places.get(part.choice.id);
    const way = placed && part.ways[placed.way];
    if (!placed || !way) return removePart(p, part.choice.id);
    const { wired } = way;
    let next = changePart(p, part.choice.id, (old) => ({ ...old, feeds: { ...wired.feeds } }));
    next = takeHelpers(next, wired.helpers);
    for (const [port, choice] of Object.entries(wired.part.ports)) {
      if (choice.noHold) next = changePort(next, part.choice.id, port, (old) => ({ ...old, noHold: true }));
    }
    const port = busPort(part);
    if (port && placed.bus !== null) {
      const { bus, address } = placed;
      next = changePort(next, part.choice.id, port.id, (old) => ({
        ...old,
        bus,
        ...(address === null ? {} : { address }),
      }));
    }
    return next;
  }, plan);
}

/** The part's own helpers as they came out of its trial, under names that are free. */
function takeHelpers(plan: Plan, helpers: readonly Helper[]): Plan {
  const known = new Map(plan.helpers.map((h) => [h.id, h]));
  return helpers.reduce((p, helper) => {
    const old = known.get(helper.id);
    if (old) {
      return old === helper ? p : { ...p, helpers: p.helpers.map((h) => (h.id === helper.id ? helper : h)) };
    }
    const taken = new Set([...p.helpers, ...p.parts, ...p.buses, ...p.needs].map(({ id }) => id));
    let id = helper.id;
    for (let n = 2; taken.has(id); n++) id = `${helper.id}-${n}`;
    return addHelper(p, { ...helper, id });
  }, plan);
}
