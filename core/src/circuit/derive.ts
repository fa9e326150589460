import { libraryOf } from '../card/library.ts';
import { toInterval } from '../card/to-interval.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import type { Card } from '../card/card.ts';
import type { PartChoice, TranslatorHelper } from '../plan/plan.ts';
import type { PlanDocument } from '../plan/document.ts';
import type { Circuit, Net, PartNode } from './circuit.ts';
import { deriveBuses } from './buses.ts';
import { deriveNets, nearIsLow } from './nets.ts';
import { derivePower, type ExtraLoad, type PowerGraph } from './power.ts';

/** The enable of a translator as a port, where it is on a pin. */
function gatePort(card: Card, helper: TranslatorHelper): PartChoice['ports'] {
  const port = card.ports.find(({ id }) => id === card.translator?.enable);
  const [line] = Object.keys(port?.lines ?? {});
  return port && line && helper.gate ? { [port.id]: { lines: { [line]: helper.gate } } } : {};
}

/**
 * Derives the circuit of a plan. Parts whose card is missing are left out: `referenceProblems` names those, and a
 * document is checked before it comes here.
 */
export function deriveCircuit({ plan, cards }: PlanDocument): Circuit {
  const library = libraryOf(cards);
  const parts = new Map<string, PartNode>();
  for (const choice of plan.parts) {
    const card = library.get(choice.card);
    if (card) parts.set(choice.id, { id: choice.id, label: choice.label, card, choice, helper: null });
  }
  // A translator stands between two rails; which of its sides is which needs their voltages.
  const bare = derivePower(parts, () => []);
  for (const helper of plan.helpers) {
    const card = helper.kind === 'translator' ? library.get(helper.card) : undefined;
    if (helper.kind !== 'translator' || !card?.translator) continue;
    const [low, high] = nearIsLow(helper, bare) ? [helper.near, helper.far] : [helper.far, helper.near];
    const feeds = { [card.translator.lowSupply]: low, [card.translator.highSupply]: high };
    const choice = {
      id: helper.id,
      card: card.id,
      label: `translator for ${[...new Set(helper.ports.map(({ part }) => parts.get(part)?.label ?? part))].join(', ')}`,
      needs: [],
      feeds,
      ports: gatePort(card, helper),
      opened: [],
    };
    parts.set(helper.id, { id: helper.id, label: choice.label, card, choice, helper });
  }
  const controller = (plan.controller !== null && parts.get(plan.controller)) || null;
  // What pull-ups and lights draw is known with the nets, and their voltages with what they draw: so twice.
  const hasTranslators = [...parts.values()].some(({ helper }) => helper !== null);
  const draft = hasTranslators ? derivePower(parts, () => []) : bare;
  const first = deriveNets(plan, parts, controller, draft);
  const extra = extraLoads(first.nets);
  const power: PowerGraph = extra.length === 0 ? draft : derivePower(parts, () => extra);
  const { nets, wishes } = extra.length === 0 ? first : deriveNets(plan, parts, controller, power);
  return {
    plan,
    cards: library,
    parts,
    controller,
    rails: power.rails,
    feeds: power.feeds,
    buses: deriveBuses(plan, parts, power),
    nets,
    wishes,
  };

  /** Pull-ups held low, and lights that a pin drives. */
  function extraLoads(all: readonly Net[]): ExtraLoad[] {
    const loads: ExtraLoad[] = [];
    for (const net of all) {
      for (const pullUp of net.pullUps) {
        const on = draft.rails.get(pullUp.rail) ? pullUp.rail : null;
        if (!pullUp.voltage || !on) continue;
        const peak = pullUp.voltage.max / pullUp.ohms.min;
        loads.push({
          rail: on,
          subject: pullUp.helper ?? pullUp.fitted?.part ?? net.id,
          label: `pull-up of ${net.label} (${pullUp.label})`,
          typical: pullUp.voltage.typ / pullUp.ohms.typ / 2,
          peak,
          sum: `${formatQuantity(pullUp.voltage.max, 'V')} ÷ ${formatQuantity(pullUp.ohms.min, 'Ω')} held low`,
        });
      }
      loads.push(...lightLoad(net));
    }
    return loads;
  }

  function lightLoad(net: Net): ExtraLoad[] {
    const light = net.ends.find(({ kind }) => kind === 'led');
    const pin = net.ends.find((end) => end.controller);
    const forward = light && parts.get(light.part)?.card.ports.find(({ protocol }) => protocol === 'led')?.forward;
    const rail = pin?.power.rail;
    const ohms = net.series.reduce((sum, { ohms }) => sum + ohms, 0);
    if (!light || !pin?.power.voltage || !forward || !rail || ohms === 0) return [];
    const drop = toInterval(forward.voltage);
    const peak = Math.max(0, (pin.power.voltage.max - drop.min) / ohms);
    return [
      {
        rail,
        subject: light.part,
        label: parts.get(light.part)?.label ?? light.part,
        typical: Math.max(0, (pin.power.voltage.typ - drop.typ) / ohms),
        peak,
        sum: `(${formatQuantity(pin.power.voltage.max, 'V')} − ${formatQuantity(drop.min, 'V')}) ÷ ${formatQuantity(ohms, 'Ω')}`,
      },
    ];
  }
}
