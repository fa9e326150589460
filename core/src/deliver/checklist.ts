import { legsIn } from '../plan/helpers.ts';
/** What can hardly be computed, and is looked at instead: a list to tick, only where the build has it. Common practice. */
import type { Circuit, PartNode } from '../circuit/model.ts';
import { THICKEST_JUMPER } from '../circuit/contacts.ts';
import { placeOf } from '../circuit/place.ts';
import { JUMPER_GAUGE } from '../standard/common-practice.ts';
import { tells, type Text, distinct, type Message } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface DeliverChecklistSays {
  readonly line: { parts: readonly Text[]; says: Message };
  readonly capacitorStandsWithinMm: null;
  readonly leadHeldWhereComes: null;
  readonly supplyLeadsTooThick: null;
  readonly betweenWhatContactSwitches: null;
  readonly programSwitchesOffWhen: null;
  readonly leadHangsDripLoop: null;
  readonly antennaFreeCopperMetal: null;
  readonly endsCoveredUntilLast: null;
  readonly nothingMeltsOrBurns: null;
}

const tell = tells<DeliverChecklistSays>('deliver/checklist');

/** A lead from this on is pulled at some day, m. */
const PULLED = 0.5;

const hazardous = ({ card }: PartNode, hazard: string): boolean =>
  card.cautions?.some((caution) => caution.hazard === hazard) ?? false;

/** Each line of what it is about: the parts that have it, and what is said of them. */
export function checklistOf(circuit: Circuit): Message[] {
  const { plan } = circuit;
  const parts = [...circuit.parts.values()];
  const beside = [...legsIn(plan, 'supply-capacitor'), ...legsIn(plan, 'line-capacitor')].flatMap(
    ({ part }) => circuit.parts.get(part) ?? [],
  );
  const pulled = parts.filter(
    ({ card, choice }) =>
      (choice?.lead ?? 0) >= PULLED || card.terminals.some(({ lead }) => (lead?.length ?? 0) >= PULLED),
  );
  const thick = parts.filter(({ choice }) => (choice?.gauge ?? JUMPER_GAUGE) < THICKEST_JUMPER);
  const relays = parts.filter(({ card }) => card.contact);
  const switched = parts.filter(
    ({ card, choice }) =>
      card.contact !== undefined || Object.values(choice?.ports ?? {}).some(({ driver }) => driver !== undefined),
  );
  const wet = plan.places.filter(({ outdoors, water }) => outdoors || water !== 'dry').map(({ name }) => name);
  const outside = parts.filter(({ id }) => wet.includes(placeOf(circuit, id) ?? ''));
  const radios = parts.filter(({ card }) => card.serves?.includes('radio'));
  const cells = parts.filter(({ card }) => card.rails?.some((rail) => rail.cells));
  const hot = parts.filter((part) => hazardous(part, 'heat'));
  const lines: (readonly [readonly PartNode[], Message])[] = [
    [beside, tell('capacitorStandsWithinMm')],
    [pulled, tell('leadHeldWhereComes')],
    [thick, tell('supplyLeadsTooThick')],
    [relays, tell('betweenWhatContactSwitches')],
    [switched, tell('programSwitchesOffWhen')],
    [outside, tell('leadHangsDripLoop')],
    [radios, tell('antennaFreeCopperMetal')],
    [cells, tell('endsCoveredUntilLast')],
    [hot, tell('nothingMeltsOrBurns')],
  ];
  return lines.flatMap(([about, says]) =>
    about.length > 0 ? [tell('line', { parts: distinct(about.map(({ label }) => label)), says })] : [],
  );
}
