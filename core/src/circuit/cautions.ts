/** What can hurt someone in a build, each sentence once, and whether it was read. */
import { type Text } from '../quantity/message.ts';
import type { HAZARDS } from '../card/kinds.ts';
import type { Circuit } from './model.ts';
import { visits } from './programming.ts';

type Hazard = (typeof HAZARDS)[number];

export interface Caution {
  readonly hazard: Hazard;
  /** Labels of the parts that bring it. */
  readonly labels: readonly Text[];
  readonly parts: readonly string[];
  /** The first of its cards, and the source of the sentence there. */
  readonly source: { readonly card: string; readonly key: string };
  readonly says: string;
  /** It can kill or burn: nobody builds before it was read. */
  readonly asks: boolean;
  /** Ticked off in the plan. */
  readonly read: boolean;
}

/** Hazards whose sentence is acknowledged before a plan counts as verified. */
const ASKING: ReadonlySet<Hazard> = new Set(['mains', 'lithium', 'gas', 'heat']);

/** @param of the parts that are meant; all where nothing is said */
export function cautionsOf(circuit: Circuit, of: (part: string) => boolean = () => true): Caution[] {
  const ticked = new Set(circuit.plan.acknowledged);
  const byText = new Map<string, Caution>();
  // What visits while a program is loaded is no part of the build at work, and can hurt all the same.
  const visiting = circuit.plan.parts.filter(visits).flatMap((choice) => {
    const card = circuit.cards.get(choice.card);
    return card ? [{ id: choice.id, label: choice.label, card }] : [];
  });
  for (const part of [...circuit.parts.values(), ...visiting])
    for (const { hazard, says, source } of of(part.id) ? (part.card.cautions ?? []) : []) {
      const same = byText.get(says);
      byText.set(
        says,
        same
          ? {
              ...same,
              labels: [...same.labels, part.label],
              parts: [...same.parts, part.id],
              asks: same.asks || ASKING.has(hazard),
            }
          : {
              labels: [part.label],
              parts: [part.id],
              source: { card: part.card.id, key: source },
              hazard,
              says,
              asks: ASKING.has(hazard),
              read: ticked.has(says),
            },
      );
    }
  return [...byText.values()];
}

/** What has to be read before the build counts as verified. */
export const unreadCautions = (circuit: Circuit): Caution[] =>
  cautionsOf(circuit).filter(({ asks, read }) => asks && !read);
