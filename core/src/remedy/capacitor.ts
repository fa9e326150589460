/** Capacitors across a supply, for gusts that leads bring too slowly. */
import type { Card } from '../card/card.ts';
import type { Library } from '../card/library.ts';
import type { Circuit } from '../circuit/model.ts';
import { setCapacitor } from '../plan/edits.ts';
import type { Candidate, Proposer } from './remedy.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyCapacitorSays {
  readonly putAcrossSupply: { card: Text; label: Text };
}

const tell = tells<RemedyCapacitorSays>('remedy/capacitor');

/** Capacitors of the library, smallest first. */
const capacitors = (library: Library): Card[] =>
  [...library.values()]
    .filter(({ capacitor }) => capacitor)
    .toSorted((a, b) => (a.capacitor?.farads ?? 0) - (b.capacitor?.farads ?? 0));

function across(circuit: Circuit, library: Library, part: string, supply: string): Candidate[] {
  const label = circuit.parts.get(part)?.label ?? part;
  return capacitors(library).map((card) => ({
    id: `capacitor:${keyOf(part, supply)}:${card.id}`,
    title: tell('putAcrossSupply', { card: card.name, label }),
    plan: setCapacitor(circuit.plan, part, supply, card),
  }));
}

/** At what takes the gust: the part that the finding names, or the part on the rail that takes most. */
export const capacitorRemedies: Proposer = ({ circuit, finding, library }) => {
  const named = circuit.parts.get(finding.subjects[0] ?? '');
  const rail = circuit.rails.get(finding.subjects[1] ?? '');
  if (finding.check !== 'supply/dip') {
    const [supply] = named?.card.supplies ?? [];
    return named && supply ? across(circuit, library, named.id, supply.id) : [];
  }
  const [largest] = [...circuit.feeds.values()]
    .filter((feed) => feed.rail === rail?.ref)
    .toSorted((a, b) => b.peak - a.peak);
  return largest ? across(circuit, library, largest.part, largest.supply.id) : [];
};
