/** A part while it is entered: what was typed of it, what is proposed from that, and what was settled. Every change gives a new draft. */
import type { Card } from '../card/card.ts';
import type { Source } from '../card/figure.ts';
import { type Answer, type Answers, answersOf } from './answers.ts';
import { type Built, cardOf } from './build.ts';
import { classFor } from './class-for.ts';
import type { ClassId } from '../card/part-class.ts';
import { merged } from './merge.ts';
import { readPinTable } from './pin-table/read.ts';
import { printedOf } from './printed-of.ts';
import { type PrintedHeader, proposeController, proposeParts } from './propose.ts';
import { type Question, withAnswer, withAssumed } from './questions.ts';

export interface Draft {
  readonly cls: ClassId;
  /** What is printed along each header. */
  readonly headers: readonly PrintedHeader[];
  /** A table of pins, as it was pasted. */
  readonly table: string;
  readonly answers: Answers;
  /** Places of proposals that were looked at. */
  readonly confirmed: ReadonlySet<string>;
  /** Places of which it was said that there is nothing. */
  readonly none: ReadonlySet<string>;
}

const EMPTY_HEADER: PrintedHeader = { kind: 'male', text: '' };

const proposed = ({ cls, headers, table }: Pick<Draft, 'cls' | 'headers' | 'table'>): Answers => {
  const printed = headers.filter(({ text }) => text.trim() !== '');
  return cls === 'controller' ? proposeController(printed, readPinTable(table)) : proposeParts(cls, printed);
};

export function beginDraft(cls: ClassId): Draft {
  const begun = { cls, headers: [EMPTY_HEADER], table: '' };
  return { ...begun, answers: proposed(begun), confirmed: new Set(), none: new Set() };
}

/** A card in the form in which it would have been entered. */
export function openDraft(card: Card): Draft {
  const answers = answersOf(card);
  const headers = printedOf(card);
  return {
    cls: classFor(card),
    headers: headers.length > 0 ? headers : [EMPTY_HEADER],
    table: '',
    answers,
    confirmed: new Set(answers.keys()),
    none: new Set(),
  };
}

/** The draft with something else printed on the part, or another table of its pins: what the maker changed of the proposals stays. */
export function withPrint(draft: Draft, print: Partial<Pick<Draft, 'headers' | 'table'>>): Draft {
  const next = { ...draft, ...print };
  return { ...next, answers: merged(proposed(draft), draft.answers, proposed(next)) };
}

export function withSaid(draft: Draft, question: Pick<Question, 'places'>, answer: Answer): Draft {
  const none = new Set(draft.none);
  for (const place of question.places) none.delete(place);
  return {
    ...draft,
    answers: withAnswer(draft.answers, question, answer),
    confirmed: new Set([...draft.confirmed, ...question.places]),
    none,
  };
}

/** The draft in which it is said that there is nothing of the kind, or that it is to be left open. @param is false: it is open again */
export function withNone(draft: Draft, { places }: Question, is: boolean): Draft {
  const answers = new Map(draft.answers);
  const none = new Set(draft.none);
  for (const place of places) {
    answers.delete(place);
    if (is) none.add(place);
    else none.delete(place);
  }
  return { ...draft, answers, none };
}

export const withConfirmed = (draft: Draft, places: readonly string[]): Draft => ({
  ...draft,
  confirmed: new Set([...draft.confirmed, ...places]),
});

export type Standing = 'open' | 'proposed' | 'said' | 'none';

/** Where a question stands: proposed from the print until it is confirmed. */
export function standingOf({ answers, confirmed, none }: Draft, { places }: Question): Standing {
  if (places.every((place) => none.has(place))) return 'none';
  if (places.some((place) => !answers.has(place))) return 'open';
  return places.every((place) => confirmed.has(place) || answers.get(place)?.source !== undefined)
    ? 'said'
    : 'proposed';
}

/**
 * The card as it would be now: where nobody knows, what such parts have.
 * @param unsaid where something is from of which nobody said it
 * @param typical title of the source of what such parts have
 */
export function cardFrom(draft: Draft, id: string, revision: number, unsaid: Source, typical: string): Built {
  return cardOf(withAssumed(draft.cls, draft.answers, typical, draft.none), id, revision, unsaid);
}
