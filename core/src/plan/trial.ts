/** A document as it would be with another value somewhere: what a slider tries before anything is taken. */
import type { Card } from '../card/card.ts';
import type { PlanDocument } from './document.ts';
import { changeBus, changeHelperOf, changePart } from './edits.ts';
import type { Plan } from './plan.ts';
import { parseRef } from './ref.ts';

export interface Trial {
  /** Pull-up helpers -> Ω. */
  readonly ohms?: Readonly<Record<string, number>>;
  /** Part -> length of its leads, m. */
  readonly lead?: Readonly<Record<string, number>>;
  /** Bus -> Hz. */
  readonly clock?: Readonly<Record<string, number>>;
  /** "part.rail" -> V, exactly. */
  readonly volts?: Readonly<Record<string, number>>;
}

/** What of a trial can be taken into the plan: all but voltages, which are the cards'. */
export function withTrial(plan: Plan, { ohms = {}, lead = {}, clock = {} }: Trial): Plan {
  let next = plan;
  for (const [id, value] of Object.entries(ohms)) next = withOhms(next, id, value);
  for (const [id, length] of Object.entries(lead)) next = changePart(next, id, (part) => ({ ...part, lead: length }));
  for (const [id, hertz] of Object.entries(clock)) next = changeBus(next, id, (bus) => ({ ...bus, clock: hertz }));
  return next;
}

/** A resistor to a rail with another value. */
const withOhms = (plan: Plan, id: string, ohms: number): Plan =>
  changeHelperOf(
    changeHelperOf(plan, id, 'pull-up', (h) => ({ ...h, ohms })),
    id,
    'fixed',
    (h) => ({ ...h, ohms }),
  );

/** The document of a trial. A rail's voltage is tried on a copy of its card under another id, so that only that part has it. */
export function tried({ plan, cards }: PlanDocument, trial: Trial): PlanDocument {
  let next = withTrial(plan, trial);
  const all = [...cards];
  for (const [ref, volts] of Object.entries(trial.volts ?? {})) {
    const { part: partId, own: railId } = parseRef(ref);
    const part = next.parts.find(({ id }) => id === partId);
    const card = all.find(({ id }) => id === part?.card);
    if (!part || !card) continue;
    const id = `${card.id}-tried-${part.id}`;
    const copy: Card = {
      ...card,
      id,
      rails: card.rails?.map((rail) =>
        rail.id === railId && rail.voltage
          ? { ...rail, voltage: { min: volts, typ: volts, max: volts, unit: 'V', source: rail.voltage.source } }
          : rail,
      ),
    };
    all.push(copy);
    next = changePart(next, part.id, (p) => ({ ...p, card: id }));
  }
  return { plan: next, cards: all };
}
