/** Several sources of one figure: which of them the card stands on, and what the others say beside it. */
import { type Evidence, EVIDENCE } from '../card/evidence.ts';
import type { Source } from '../card/figure.ts';
import { kindAt } from '../card/path.ts';
import { ReadError } from '../quantity/read-error.ts';
import { type Answer, readFigureAt } from './answers.ts';
import { type Draft, withSaid } from './draft.ts';
import type { Json } from './form.ts';
import type { Question } from './questions.ts';
import { valueAt } from './tree.ts';

export interface Beside {
  readonly says: string;
  readonly kind: Evidence;
  readonly from: string;
}

const BESIDES = 'besides';
const MOST_FROM = 200;

const rowsOf = (draft: Draft): readonly (readonly string[])[] => {
  const said = draft.answers.get(BESIDES)?.said ?? [];
  return typeof said === 'string' ? [] : said;
};

const isEvidence = (word: string | undefined): word is Evidence =>
  (EVIDENCE as readonly (string | undefined)[]).includes(word);

/** @returns what else is known of a figure, from other sources than the one that stands */
export const besidesAt = (draft: Draft, place: string): Beside[] =>
  rowsOf(draft).flatMap(([at, says = '', kind, from = '']) =>
    at === place && isEvidence(kind) ? [{ says, kind, from }] : [],
  );

const fromOf = ({ title, page }: Source): string =>
  (page === undefined ? title : `${title}, p. ${page}`).slice(0, MOST_FROM);

const boundAt = (value: Json, bound: string): number | undefined => {
  const found = valueAt(value, bound);
  return typeof found === 'number' ? found : undefined;
};

/** What is on the one piece that lies there: the print of a whole series says nothing better. */
const OF_THE_PIECE = /(?:fittedPullUp\/value|fittedPullDown|addresses|shunt)$/;

/**
 * Whether what was measured on one piece stands before what a sheet says of all: of what is fitted on it always; else where the sheet
 * says only what is usual, or where the piece lies outside of what the sheet allows. A limit stays that of the sheet.
 */
export function outranks(place: string, measured: string, sheet: string): boolean {
  if (OF_THE_PIECE.test(place)) return true;
  const id = kindAt(place);
  if (id === undefined || /absoluteMax$|limit$|range$/.test(place)) return false;
  try {
    const [one, all] = [readFigureAt(id, measured), readFigureAt(id, sheet)];
    if (valueAt(one, 'unit') !== valueAt(all, 'unit')) return false;
    const value = boundAt(one, 'typ') ?? boundAt(one, 'max') ?? boundAt(one, 'min');
    const [least, most] = [boundAt(all, 'min'), boundAt(all, 'max')];
    if (value === undefined) return false;
    if (least === undefined && most === undefined) return true;
    return value < (least ?? -Infinity) || value > (most ?? Infinity);
  } catch (error) {
    if (error instanceof ReadError) return false;
    throw error;
  }
}

/** Guesses are replaced, not kept. */
const isGuess = (source: Source | undefined): boolean => source === undefined || source.kind === 'class-typical';

function stands(place: string, known: Answer, next: Answer): 'known' | 'next' {
  if (typeof known.said !== 'string' || typeof next.said !== 'string') return 'next';
  if (next.source?.kind === 'measured' && known.source?.kind !== 'measured')
    return outranks(place, next.said, known.said) ? 'next' : 'known';
  if (known.source?.kind === 'measured') return outranks(place, known.said, next.said) ? 'known' : 'next';
  return EVIDENCE.indexOf(next.source?.kind ?? 'memory') <= EVIDENCE.indexOf(known.source?.kind ?? 'memory')
    ? 'next'
    : 'known';
}

/** The draft with what one more source says of a figure. The same kind of source replaces what it said before; of two kinds both are kept. */
export function withSource(draft: Draft, question: Pick<Question, 'places'>, answer: Answer): Draft {
  const [place = ''] = question.places;
  const known = draft.answers.get(place);
  const isOther =
    known !== undefined &&
    !isGuess(known.source) &&
    !isGuess(answer.source) &&
    known.source?.kind !== answer.source?.kind;
  if (!isOther) return withSaid(draft, question, answer);
  const first = stands(place, known, answer);
  const [chief, other] = first === 'next' ? [answer, known] : [known, answer];
  const { source, said } = other;
  const rows = rowsOf(draft).filter(
    ([at, , kind]) => !question.places.includes(at ?? '') || (kind !== source?.kind && kind !== chief.source?.kind),
  );
  const row = (at: string) => [at, String(said), source?.kind ?? 'memory', source ? fromOf(source) : '-'];
  const kept = withSaid(draft, question, chief);
  return {
    ...kept,
    answers: new Map([...kept.answers, [BESIDES, { said: [...rows, ...question.places.map(row)] }]]),
  };
}
