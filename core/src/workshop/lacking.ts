/** What a card still lacks, by the question that would settle it. */
import { type Message, type Text, tells } from '../quantity/message.ts';
import type { Built } from './build.ts';
import { treeOf } from './build.ts';
import type { Draft } from './draft.ts';
import { moreOf, type Question, questionsOf } from './questions.ts';
import type { ColumnId } from './facts.ts';
import { columnTitle, titleOf } from './titles.ts';

interface Lack {
  readonly place: string;
  readonly title: Message;
  readonly question: Question;
}

export interface Lacking {
  readonly lacks: readonly Lack[];
  /** What is wrong and belongs to no question. */
  readonly others: readonly { readonly place: string; readonly says: Message; readonly question?: Question }[];
}

export interface LackingSays {
  /** A blank cell in a row of a table. */
  readonly cell: { column: Text };
}
const tell = tells<LackingSays>('workshop/lacking');

const NOBODY = { kind: 'memory', title: '-' } as const;

const isAbove = (one: string, other: string): boolean => one === other || other.startsWith(`${one}/`);

/** The question that asks for a place: for that very one, for what it is in, or for something in it. */
function nearest(all: readonly Question[], place: string): Question | undefined {
  const above = all
    .flatMap((question) => question.places.filter((at) => isAbove(at, place)).map((at) => ({ question, at })))
    .sort((a, b) => b.at.length - a.at.length);
  return above[0]?.question ?? all.find(({ places }) => places.some((at) => isAbove(place, at)));
}

/** The column of a table that a place in it names, where a cell of it is blank. */
function columnIn({ how, places }: Question, place: string): Message | null {
  const whole = places.find((one) => place.startsWith(`${one}/`));
  if (!('rows' in how) || whole === undefined) return null;
  const [, ...steps] = place.slice(whole.length + 1).split('/');
  const column = Object.keys(how.rows).find((name) => name === steps.join('/'));
  return column === undefined ? null : columnTitle(column as ColumnId);
}

/** @returns what a card cannot be without, each as the question that asks for it */
export function lackingIn(draft: Pick<Draft, 'cls' | 'answers'>, built: Built): Lacking {
  if (built.ok) return { lacks: [], others: [] };
  const { tree } = treeOf(draft.answers, NOBODY);
  const all = [...questionsOf(draft.cls, draft.answers), ...moreOf(draft.cls, draft.answers)];
  const lacks: Lack[] = [];
  const others: { place: string; says: Message; question?: Question }[] = [];
  for (const { place, says } of built.missing) {
    const asked = nearest(all, place);
    // A thing that is there and leads nowhere is wrong, not missing.
    const isAnswered = asked?.places.some((one) => draft.answers.has(one)) ?? false;
    const column = asked && isAnswered ? columnIn(asked, place) : null;
    if (asked && column) {
      const [whole = place] = asked.places.filter((one) => isAbove(one, place));
      const already = others.some((other) => other.place === whole && other.says.id === 'cell');
      if (!already) others.push({ place: whole, says: tell('cell', { column }), question: asked });
    } else if (!asked || isAnswered) others.push({ place, says, ...(asked ? { question: asked } : {}) });
    else if (!lacks.some(({ question }) => question === asked))
      lacks.push({ place, title: titleOf(asked, tree), question: asked });
  }
  return { lacks, others };
}
