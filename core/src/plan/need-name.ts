import { formatQuantity } from '../quantity/engineering.ts';
import type { Need, Plan, SenseNeed } from './plan.ts';

/** The sensing need that a trigger watches. */
export const watched = (plan: Pick<Plan, 'needs'>, id: string): SenseNeed | undefined =>
  plan.needs.find((need): need is SenseNeed => need.id === id && need.kind === 'sense');

/** A need in a few words. @example "air humidity at top shelf", "air temperature above 18 °C" */
export function needName(plan: Pick<Plan, 'needs'>, need: Need): string {
  if (need.kind === 'sense') return `${need.quantity} at ${need.place}`;
  if (need.kind !== 'trigger') return need.what;
  const of = watched(plan, need.of);
  return `${of?.quantity ?? 'a reading'} ${need.when} ${formatQuantity(need.level, of?.unit ?? '')}`;
}
