/** Translators as parts: which of their sides is the low one follows from the rails that they stand between. */
import type { Card } from '../card/card.ts';
import type { Library } from '../card/library.ts';
import { type HelperOf, helpersOf } from '../plan/helpers.ts';
import type { PartChoice, Plan } from '../plan/plan.ts';
import { tells, type Text } from '../quantity/message.ts';
import type { PartNode } from './model.ts';
import { powerTree } from './power-tree.ts';
import { voltages } from './rail-voltage.ts';
import { fewOfOwner } from '../quantity/memo.ts';

/** What is said here, by the data that it takes. */
export interface TranslatorNodeSays {
  readonly translator: { parts: readonly Text[] };
}
const tell = tells<TranslatorNodeSays>('circuit/translator-node');

/** The enable of a translator as a port, where it is on a pin. */
function gatePort(card: Card, helper: HelperOf<'translator'>): PartChoice['ports'] {
  const port = card.ports.find(({ id }) => id === card.translator?.enable);
  const [line] = Object.keys(port?.lines ?? {});
  return port && line && helper.gate ? { [port.id]: { lines: { [line]: helper.gate } } } : {};
}

const nodeOf = fewOfOwner(
  (helper: HelperOf<'translator'>, [card, nearIsLow, ...parts]: readonly [Card, boolean, ...Text[]]): PartNode => {
    const [low, high] = nearIsLow ? [helper.near, helper.far] : [helper.far, helper.near];
    const { lowSupply = '', highSupply = '' } = card.translator ?? {};
    const feeds = { [lowSupply]: low, [highSupply]: high };
    const ports = gatePort(card, helper);
    const choice = { id: helper.id, card: card.id, label: '', needs: [], feeds, ports, opened: [] };
    return { id: helper.id, label: tell('translator', { parts }), card, choice, helper };
  },
);

/** @returns the parts with the translators of the plan among them */
export function withTranslators(
  plan: Plan,
  library: Library,
  parts: ReadonlyMap<string, PartNode>,
  controller: PartNode | null,
): ReadonlyMap<string, PartNode> {
  const helpers = helpersOf(plan, 'translator');
  if (helpers.length === 0) return parts;
  const all = new Map(parts);
  const known = helpers.flatMap((helper) => {
    const card = library.get(helper.card);
    return card?.translator ? [{ helper, card }] : [];
  });
  const volts = voltages(powerTree(parts, controller), () => 0);
  for (const { helper, card } of known) {
    const nearIsLow = (volts(helper.near)?.typ ?? 0) <= (volts(helper.far)?.typ ?? 0);
    const names = [...new Set(helper.ports.map(({ part }) => all.get(part)?.label ?? part))];
    all.set(helper.id, nodeOf(helper, [card, nearIsLow, ...names]));
  }
  return all;
}
