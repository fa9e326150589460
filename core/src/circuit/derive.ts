import { libraryOf, type Library } from '../card/library.ts';
import type { Card } from '../card/card.ts';
import { toInterval } from '../card/to-interval.ts';
import { legsIn, type LegOf, helpersOf, type HelperOf } from '../plan/helpers.ts';
import type { PartChoice, Plan } from '../plan/plan.ts';
import type { PlanDocument } from '../plan/document.ts';
import { FEED_LINE, GROUND_LINE } from '../plan/edits.ts';
import type { Circuit, Guard, PartNode, PinWish } from './model.ts';
import { deriveBuses } from './buses.ts';
import { cableRun } from './cable.ts';
import type { CableRun } from './model.ts';
import { contactOhms } from './contacts.ts';
import { deriveNets, nearIsLow } from './nets.ts';
import { busyShare } from './draw.ts';
import { smallLoads } from './ledger.ts';
import { derivePower, sketchPower, type PowerGraph } from './power.ts';
import { pinGroundId, pinGrounds } from './pin-ground.ts';
import { inMode } from './mode.ts';
import { visits } from './programming.ts';
import { asPlaced } from './place.ts';
import { asFed } from './socket.ts';
import { SOCKET } from '../card/kinds.ts';
import { GUARD_DROP, RESISTOR_TOLERANCE } from '../standard/common-practice.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf, ownerOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface CircuitDeriveSays {
  readonly supply: { part: Text };
  readonly ground: { part: Text };
  readonly translator: { parts: readonly Text[] };
}

const tell = tells<CircuitDeriveSays>('circuit/derive');

/** The enable of a translator as a port, where it is on a pin. */
function gatePort(card: Card, helper: HelperOf<'translator'>): PartChoice['ports'] {
  const port = card.ports.find(({ id }) => id === card.translator?.enable);
  const [line] = Object.keys(port?.lines ?? {});
  return port && line && helper.gate ? { [port.id]: { lines: { [line]: helper.gate } } } : {};
}

/** Pins that feed a part are taken like those of a line; they are chosen with the feed, so they stay. */
function feedWishes(
  parts: ReadonlyMap<string, PartNode>,
  controller: PartNode | null,
  { rails, feeds }: PowerGraph,
): PinWish[] {
  return [...feeds.values()].flatMap(({ part, supply, rail }) =>
    rail !== null && controller && rails.get(rail)?.pin
      ? [
          {
            id: keyOf(part, supply.id, FEED_LINE),
            of: keyOf(part, supply.id),
            line: FEED_LINE,
            label: tell('supply', { part: parts.get(part)?.label ?? part }),
            ask: 'out' as const,
            pin: rails.get(rail)?.offer.terminal ?? null,
            locked: true,
            weakPull: false,
            meant: false,
            frequency: null,
            group: null,
            net: rail,
          },
        ]
      : [],
  );
}

/** A pin that is the ground of a part is taken, too; several parts may stand on one. */
const groundWishes = (parts: ReadonlyMap<string, PartNode>, controller: PartNode | null): PinWish[] =>
  pinGrounds(parts, controller).map(({ part, pin }) => ({
    id: keyOf(part.id, GROUND_LINE, GROUND_LINE),
    of: keyOf(part.id, GROUND_LINE),
    line: GROUND_LINE,
    label: tell('ground', { part: part.label }),
    ask: 'out' as const,
    pin,
    locked: true,
    weakPull: false,
    meant: false,
    frequency: null,
    group: null,
    net: pinGroundId(pin),
  }));

function guardOf(leg: LegOf<'in-feed'>, card: Card | undefined): Guard {
  const by = card?.kind === 'diode' ? 'diode' : 'switch';
  const drop = by === 'switch' ? 0 : card?.diode?.drop ? toInterval(card.diode.drop).max : GUARD_DROP;
  return { ...leg, by, drop };
}

/** By part: what joins its socket with its source. */
function cableRuns(plan: Plan, cards: Library, parts: ReadonlyMap<string, PartNode>): Map<string, CableRun> {
  const runs = new Map<string, CableRun>();
  for (const part of parts.values()) {
    const source = parts.get(ownerOf(part.choice?.feeds[SOCKET]))?.card;
    const run = cableRun(plan, cards, part, source);
    if (run) runs.set(part.id, run);
  }
  return runs;
}

/**
 * Derives the circuit of a plan. Parts whose card is missing are left out: `referenceProblems` names those, and a
 * document is checked before it comes here.
 */
export function deriveCircuit({ plan, cards }: PlanDocument): Circuit {
  const library = libraryOf(cards);
  const tolerance = library.get(plan.resistors ?? '')?.assortment?.tolerance ?? RESISTOR_TOLERANCE;
  const parts = new Map<string, PartNode>();
  for (const choice of plan.parts) {
    // What visits is no part of the build at work.
    if (visits(choice)) continue;
    const card = library.get(choice.card);
    if (card)
      parts.set(choice.id, {
        id: choice.id,
        label: choice.label,
        ...asFed(inMode(card, choice), asPlaced(plan, card, choice)),
        helper: null,
      });
  }
  // A translator stands between two rails; which of its sides is which needs their voltages.
  const controller = (plan.controller !== null && parts.get(plan.controller)) || null;
  const guards = legsIn(plan, 'in-feed').map((leg) => guardOf(leg, library.get(leg.card)));
  const bare = sketchPower(plan, parts, controller);
  for (const helper of helpersOf(plan, 'translator')) {
    const card = library.get(helper.card);
    if (!card?.translator) continue;
    const [low, high] = nearIsLow(helper, bare) ? [helper.near, helper.far] : [helper.far, helper.near];
    const feeds = { [card.translator.lowSupply]: low, [card.translator.highSupply]: high };
    const choice = {
      id: helper.id,
      card: card.id,
      label: '',
      needs: [],
      feeds,
      ports: gatePort(card, helper),
      opened: [],
    };
    const label = tell('translator', {
      parts: [...new Set(helper.ports.map(({ part }) => parts.get(part)?.label ?? part))],
    });
    parts.set(helper.id, { id: helper.id, label, card, choice, helper });
  }
  // What pull-ups and lights draw is known with the nets, and their voltages with what they draw: so twice.
  const hasTranslators = [...parts.values()].some(({ helper }) => helper !== null);
  const draft = hasTranslators ? sketchPower(plan, parts, controller) : bare;
  const first = deriveNets(plan, parts, controller, draft, tolerance);
  const rhythm = controller && draft.rhythms.get(controller.id);
  // The lines of a bus are low half of the time while the controller is awake, and high while it sleeps.
  const awake = rhythm?.rest === 'sleep' ? busyShare(rhythm) : { usual: 1, most: 1 };
  const extra = smallLoads({ plan, parts, awake, tolerance }, first.nets, (ref) => draft.rails.has(ref));
  const cables = cableRuns(plan, library, parts);
  const power: PowerGraph = derivePower(draft.rhythms, parts, controller, extra, guards, cables, (gauge) =>
    contactOhms(plan, gauge),
  );
  const { nets, wishes } = deriveNets(plan, parts, controller, power, tolerance);
  return {
    plan,
    cards: library,
    parts,
    controller,
    tolerance,
    rails: power.rails,
    feeds: power.feeds,
    rhythms: power.rhythms,
    guards,
    cables,
    buses: deriveBuses(plan, parts, power),
    nets,
    wishes: [...wishes, ...feedWishes(parts, controller, power), ...groundWishes(parts, controller)],
  };
}
