/** Contacts on the way of a feed. */
import type { Plan } from '../plan/plan.ts';
import { CONTACT_OHMS, FEED_CONTACTS } from '../standard/common-practice.ts';

/** The thickest lead whose end goes into a spring of a board or a crimp for its pins. Common practice. */
export const THICKEST_JUMPER = 22;

/**
 * What the contacts of a feed by leads add there and back, Ω: springs and crimps on a board; next to nothing without one, or
 * for leads that are too thick for a spring, which are screwed or clamped.
 */
export const contactOhms = ({ boards }: Pick<Plan, 'boards'>, gauge: number): number =>
  boards.length > 0 && gauge >= THICKEST_JUMPER ? FEED_CONTACTS * CONTACT_OHMS.max : 0;
