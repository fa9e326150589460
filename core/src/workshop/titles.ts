/** What a question is called. */
import { figureTitle } from '../card/places.ts';
import { namesAt, ownerOfPlace } from '../card/path.ts';
import { type FigureId, FIGURE_IDS } from '../card/figures.ts';
import { type Message, type Text, tells } from '../quantity/message.ts';
import type { ClassId } from '../card/part-class.ts';
import type { ColumnId, FactId } from './facts.ts';
import type { Form } from './form.ts';
import type { Question } from './questions.ts';
import type { Tree } from './tree.ts';

/** Facts by what they are called: of the supply, line, port … that they are of, or by themselves. */
export type FactSays = { readonly [Id in FactId]: Id extends `${string}*${string}` ? { readonly of: Text } : null };

/** What is said of a question beside what it is called. */
export interface PartFileSays {
  readonly askedBy: { title: Text; checks: string };
  readonly assumed: { said: string };
}

/** What the columns of the tables are called. */
export type ColumnSays = { readonly [Column in ColumnId]: null };
const tellColumn = tells<ColumnSays>('workshop/column');
export const columnTitle = (column: ColumnId): Message => tellColumn(column);

/** By form: how an answer is typed. */
export type HintSays = { readonly [Is in Exclude<Form['is'], 'choice' | 'count' | 'flag' | 'mark' | 'several'>]: null };
const tellHint = tells<HintSays>('workshop/hint');
/** @returns null of what is chosen, not typed */
export function hintOf({ how }: Question): Message | null {
  if ('units' in how) return tellHint('figure');
  if (!('form' in how)) return null;
  const { is } = how.form;
  return is === 'choice' || is === 'count' || is === 'flag' || is === 'mark' || is === 'several' ? null : tellHint(is);
}

/** In what part of a card a question stands. */
export const GROUPS = [
  'part',
  'supply',
  'rails',
  'lines',
  'bus',
  'measuring',
  'controller',
  'kind',
  'body',
  'buying',
] as const;
export type GroupId = (typeof GROUPS)[number];
export type GroupSays = { readonly [Id in GroupId]: null };
const tellGroup = tells<GroupSays>('workshop/group');
export const groupTitle = (id: GroupId): Message => tellGroup(id);

const IN_GROUP: Readonly<Record<string, GroupId>> = {
  name: 'part',
  class: 'part',
  kind: 'part',
  mount: 'part',
  serves: 'part',
  headers: 'part',
  terminals: 'part',
  supplies: 'supply',
  rails: 'rails',
  signals: 'lines',
  ports: 'bus',
  modes: 'bus',
  measures: 'measuring',
  controller: 'controller',
  body: 'body',
  cautions: 'body',
  offers: 'buying',
  besides: 'buying',
};
export const groupOf = ({ pattern }: Pick<Question, 'pattern'>): GroupId =>
  IN_GROUP[pattern.split('/')[0] ?? ''] ?? 'kind';

const isFigure = (id: string): id is FigureId => (FIGURE_IDS as readonly string[]).includes(id);

/** @param of the supply, line, port … that it is of, where it is of one */
export const factTitle = (id: FactId, of: Text): Message => ({
  topic: 'workshop/fact',
  id,
  data: id.includes('*') ? { of } : {},
});

/** Of lines that are alike, all of them. */
export function titleOf({ pattern, places }: Question, tree: Tree): Message {
  const owners = places.map((place) => place.split('/')[1] ?? '');
  const of = pattern.includes('*') ? owners.join(', ') : '';
  if (!isFigure(pattern)) return factTitle(pattern, of);
  const [place = ''] = places;
  const names = namesAt(tree, pattern, ownerOfPlace(pattern, place));
  return figureTitle(pattern, { ...names, of: places.length > 1 ? of : names.of || of });
}

const tell = tells<{ readonly [Id in ClassId]: null }>('workshop/class');
export const classTitle = (id: ClassId): Message => tell(id);
