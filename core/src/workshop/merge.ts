/** Proposals taken up again, without losing what the maker changed of those before. */
import type { Answer, Answers } from './answers.ts';

/** By table: the column that tells its rows apart. */
const KEYS: Readonly<Record<string, number>> = {
  headers: 0,
  terminals: 5,
  supplies: 0,
  rails: 0,
  signals: 0,
  ports: 0,
  'controller/pins': 0,
};

type Rows = readonly (readonly string[])[];

const isSame = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);

/** Row by row and cell by cell: what the maker changed stays, what they did not touch follows the proposal. */
function mergedRows(key: number, base: Rows, mine: Rows, theirs: Rows): Rows {
  const find = (rows: Rows, of: readonly string[]) => rows.find((row) => row[key] === of[key]);
  const followed = theirs.flatMap((row): Rows => {
    const own = find(mine, row);
    const before = find(base, row);
    // A row that was proposed and is gone was taken out by hand.
    if (!own) return before ? [] : [row];
    if (!before) return [own];
    return [row.map((cell, i) => (own[i] === before[i] ? cell : (own[i] ?? cell)))];
  });
  const added = mine.filter((row) => !find(base, row) && !find(theirs, row));
  return [...followed, ...added];
}

function mergedAnswer(place: string, base: Answer | undefined, mine: Answer, theirs: Answer | undefined): Answer[] {
  if (isSame(base?.said, theirs?.said)) return [mine];
  if (isSame(base?.said, mine.said)) return theirs ? [{ ...mine, said: theirs.said }] : base ? [] : [mine];
  const key = KEYS[place];
  if (key === undefined || typeof mine.said === 'string' || !theirs || typeof theirs.said === 'string') return [mine];
  const before = base && typeof base.said !== 'string' ? base.said : [];
  return [{ ...mine, said: mergedRows(key, before, mine.said, theirs.said) }];
}

/**
 * @param base what was proposed before
 * @param mine what stands
 * @param theirs what is proposed now
 */
export function merged(base: Answers, mine: Answers, theirs: Answers): Answers {
  const kept = [...mine].flatMap(([place, answer]) =>
    mergedAnswer(place, base.get(place), answer, theirs.get(place)).map((one) => [place, one] as const),
  );
  const fresh = [...theirs].filter(([place]) => !mine.has(place) && !base.has(place));
  return new Map([...kept, ...fresh]);
}
