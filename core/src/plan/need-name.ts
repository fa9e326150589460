import { quantityName } from '../card/quantities.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';
import type { Need, Plan, SenseNeed } from './plan.ts';

export interface PlanNeedNameSays {
  readonly sense: { quantity: Text; place: string };
  readonly above: { quantity: Text; level: Quantity };
  readonly below: { quantity: Text; level: Quantity };
  readonly reading: null;
}

const tell = tells<PlanNeedNameSays>('plan/need-name');

/** The sensing need that a trigger watches. */
export const watched = (plan: Pick<Plan, 'needs'>, id: string): SenseNeed | undefined =>
  plan.needs.find((need): need is SenseNeed => need.id === id && need.kind === 'sense');

/** A need in a few words: air humidity at top shelf, air temperature above 18 °C, or what it is called. */
export function needName(plan: Pick<Plan, 'needs'>, need: Need): Text {
  if (need.kind === 'sense') return tell('sense', { quantity: quantityName(need.quantity), place: need.place });
  if (need.kind !== 'trigger') return need.what;
  const of = watched(plan, need.of);
  const quantity = of ? quantityName(of.quantity) : tell('reading');
  return tell(need.when, { quantity, level: quantityOf(need.level, of?.unit ?? '') });
}
