/** What can hardly be computed, and is looked at instead: a list to tick, only where the build has it. Common practice. */
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { THICKEST_JUMPER } from '../circuit/contacts.ts';
import { placeOf } from '../circuit/place.ts';
import { JUMPER_GAUGE } from '../standard/practice.ts';

/** A lead from this on is pulled at some day, m. */
const PULLED = 0.5;

const named = (parts: readonly PartNode[]): string => {
  const labels = [...new Set(parts.map(({ label }) => label))];
  return labels.length < 2 ? (labels[0] ?? '') : `${labels.slice(0, -1).join(', ')} and ${labels.at(-1)}`;
};

const hazardous = ({ card }: PartNode, hazard: string): boolean =>
  card.cautions?.some((caution) => caution.hazard === hazard) ?? false;

/** Each line of what it is about: the parts that have it, and what is said of them. */
export function checklistOf(circuit: Circuit): string[] {
  const { plan } = circuit;
  const parts = [...circuit.parts.values()];
  const beside = plan.helpers.flatMap((h) =>
    h.kind === 'capacitor' || h.kind === 'filter' ? (circuit.parts.get(h.part) ?? []) : [],
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
  const lines: (readonly [readonly PartNode[], string])[] = [
    [beside, 'its capacitor stands within 20 mm of the pin that it is for'],
    [pulled, 'its lead is held where it comes in, so that a pull never reaches its ends'],
    [
      thick,
      'its supply leads are too thick for a spring: they are screwed or clamped to the source itself, where the plan shows a hole of its strip',
    ],
    [
      relays,
      'between what its contact switches and everything else is a way of 6 mm and more; mains is left to a licensed electrician',
    ],
    [
      switched,
      'the program switches it off when a reading is missing or stands still, after a longest time on, and when it starts anew',
    ],
    [outside, 'its lead hangs in a drip loop below where it goes in, and the entry is sealed'],
    [radios, 'its antenna is free of copper, metal and leads for 15 mm around'],
    [cells, 'its ends are covered until the last step, and it goes in the right way round'],
    [hot, 'nothing that melts or burns touches it, and nobody can'],
  ];
  return lines.flatMap(([about, says]) => (about.length > 0 ? [`${named(about)}: ${says}.`] : []));
}
