/** What a contact may switch: "10 A 250 VAC, 10 A 30 VDC" in the orders and signs in which it is written. */
import type { ClassId } from '../part-class.ts';
import type { Draft } from './proposal.ts';
import type { SlotId } from './slots.ts';
import { plainText } from './units.ts';
import { boxOf } from './page.ts';
import type { Line } from './words.ts';

const AMPS = String.raw`(?<a>\d+(?:[.,]\d+)?)\s*A(?:mps?)?\b`;
const VOLTS = String.raw`(?<v>\d+(?:[.,]\d+)?)\s*V`;
const KIND = String.raw`(?<k>AC|DC|~|⎓|=)`;
const BETWEEN = String.raw`\s*(?:at|@|\/|,|×|x)?\s*`;
/** "10 A 250 VAC", "10 A at 250 V AC"; "AC 250 V / 10 A"; "250 VAC / 10 A". */
const FORMS = [
  new RegExp(`${AMPS}${BETWEEN}${VOLTS}\\s*${KIND}`, 'gi'),
  new RegExp(`${KIND}\\s*${VOLTS}${BETWEEN}${AMPS}`, 'gi'),
  new RegExp(`${VOLTS}\\s*${KIND}${BETWEEN}${AMPS}`, 'gi'),
];

/** Words by which a line, or the heading over it, is about a contact. */
const ABOUT =
  /\bcontacts?\b|switch(?:ing|ed)? (?:capacity|load|power|rating)|rated load|max\w*\.? (?:load|switch)|\brelay\b|output side/i;

interface Rating {
  readonly amps: number;
  readonly volts: number;
  readonly alternating: boolean;
}

const numberOf = (text = ''): number => Number(text.replace(',', '.'));

/** @returns the ratings that stand in a text, in its order */
export function ratingsIn(text: string): Rating[] {
  const plain = plainText(text);
  for (const form of FORMS) {
    const found = [...plain.matchAll(form)].map(({ groups = {} }) => ({
      amps: numberOf(groups['a']),
      volts: numberOf(groups['v']),
      alternating: /^(?:AC|~)$/i.test(groups['k'] ?? ''),
    }));
    // What reads as one form may hold more in another: the form that fits first is that of the line.
    if (found.length > 0) return found;
  }
  return [];
}

const SLOTS: Readonly<Record<'direct' | 'alternating', { readonly volts: SlotId; readonly amps: SlotId }>> = {
  direct: { volts: 'contact.directVoltage', amps: 'contact.directCurrent' },
  alternating: { volts: 'contact.alternatingVoltage', amps: 'contact.alternatingCurrent' },
};

/** @returns drafts of the ratings in these lines, and which lines hold one */
export function contactRatings(
  lines: readonly Line[],
  isForeign: (line: number) => boolean,
  sectionAt: (line: number) => string,
  cls: ClassId | null,
): { readonly drafts: Draft[]; readonly at: ReadonlySet<number> } {
  const at = new Set<number>();
  const drafts = lines.flatMap((line, i): Draft[] => {
    if (isForeign(i) || !ABOUT.test(`${line.text} ; ${sectionAt(i)}`)) return [];
    const ratings = ratingsIn(line.text);
    if (ratings.length > 0) at.add(i);
    return ratings.flatMap(({ amps, volts, alternating }) => {
      const { volts: voltage, amps: current } = SLOTS[alternating ? 'alternating' : 'direct'];
      const said = {
        conditions: '',
        name: line.text.slice(0, 80),
        said: line.text,
        box: boxOf(line.words),
        doubts: [],
        // On other sheets a load at a voltage may be that of something else.
        ...(cls === 'relay' || cls === 'contact' ? {} : { weak: true }),
      };
      return [
        { slot: voltage, max: volts, unit: 'V', ...said },
        { slot: current, max: amps, unit: 'A', ...said },
      ];
    });
  });
  return { drafts, at };
}
