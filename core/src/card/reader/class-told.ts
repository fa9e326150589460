/** What class a part is of, as far as its sheet tells. */
import { CLASS_WORDS } from './class-words.ts';
import { CLASS_IDS, type ClassId } from '../part-class.ts';

/** Characters at the beginning, where a sheet says what it is of. */
const OPENING = 400;
/** A word at the beginning counts as so many anywhere. */
const AT_FIRST = 5;
/** What a part is called weighs at least so much. */
const A_NAME = 4;
/** Less than this says nothing. */
const LEAST = 4;

/**
 * @param text of the whole sheet, its first page first
 * @returns the classes that it can be of, the likeliest first; none where nothing tells
 */
export function classToldBy(text: string): ClassId[] {
  const opening = text.slice(0, OPENING);
  const scores = new Map<ClassId, number>();
  for (const [cls, weight, words] of CLASS_WORDS) {
    const times = words.test(opening) ? AT_FIRST : words.test(text) ? 1 : 0;
    scores.set(cls, (scores.get(cls) ?? 0) + weight * times);
  }
  return CLASS_IDS.filter((cls) => (scores.get(cls) ?? 0) >= LEAST).sort(
    (a, b) => (scores.get(b) ?? 0) - (scores.get(a) ?? 0),
  );
}

/**
 * The class by whose words a sheet is read: only what its opening calls the part, since a sensor's sheet has a regulator in it as well.
 * @returns null where the opening calls it nothing
 */
export function titledClass(text: string): ClassId | null {
  const [cls] = classToldBy(text);
  const opening = text.slice(0, OPENING);
  const isCalled = CLASS_WORDS.some(([of, weight, words]) => of === cls && weight >= A_NAME && words.test(opening));
  return cls !== undefined && isCalled ? cls : null;
}
