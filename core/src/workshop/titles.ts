/** What a question is called. */
import { figureTitle } from '../card/places.ts';
import { namesAt, ownerOfPlace } from '../card/path.ts';
import { type FigureId, FIGURE_IDS } from '../card/figures.ts';
import { type Message, type Text, tells } from '../quantity/message.ts';
import type { ClassId } from './classes.ts';
import type { FactId } from './facts.ts';
import type { Question } from './questions.ts';
import type { Tree } from './tree.ts';

/** Facts by what they are called: of the supply, line, port … that they are of, or by themselves. */
export type FactSays = { readonly [Id in FactId]: Id extends `${string}*${string}` ? { readonly of: Text } : null };

/** What is said of a question beside what it is called. */
export interface PartFileSays {
  readonly askedBy: { title: Text; checks: string };
  readonly assumed: { said: string };
}

const isFigure = (id: string): id is FigureId => (FIGURE_IDS as readonly string[]).includes(id);

/** Of lines that are alike, all of them. */
export function titleOf({ pattern, places }: Question, tree: Tree): Message {
  const owners = places.map((place) => place.split('/')[1] ?? '');
  const of = pattern.includes('*') ? owners.join(', ') : '';
  if (!isFigure(pattern)) return { topic: 'workshop/fact', id: pattern, data: pattern.includes('*') ? { of } : {} };
  const [place = ''] = places;
  const names = namesAt(tree, pattern, ownerOfPlace(pattern, place));
  return figureTitle(pattern, { ...names, of: places.length > 1 ? of : names.of || of });
}

const tell = tells<{ readonly [Id in ClassId]: null }>('workshop/class');
export const classTitle = (id: ClassId): Message => tell(id);
