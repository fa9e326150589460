/** What stands in a feed and keeps another source out. */
import type { Library } from '../card/library.ts';
import { toInterval } from '../card/to-interval.ts';
import { legsIn } from '../plan/helpers.ts';
import type { Plan } from '../plan/plan.ts';
import { GUARD_DROP } from '../standard/common-practice.ts';
import type { Guard } from './model.ts';

export const guardsOf = (plan: Plan, library: Library): Guard[] =>
  legsIn(plan, 'in-feed').map((leg) => {
    const card = library.get(leg.card);
    const by = card?.kind === 'diode' ? 'diode' : 'switch';
    const drop = by === 'switch' ? 0 : card?.diode?.drop ? toInterval(card.diode.drop).max : GUARD_DROP;
    return { ...leg, by, drop };
  });
