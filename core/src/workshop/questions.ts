/** What is asked of a part, one thing after the other: made from its class, from the tables of facts and figures, and from what was answered. */
import { type FigureId, FIGURE_IDS, figureKind } from '../card/figures.ts';
import { asksFor } from '../check/asks.ts';
import type { CheckId } from '../check/registry.ts';
import { type Answer, type Answers, isAskedAlone } from './answers.ts';
import { treeOf } from './build.ts';
import { classOf, FIRST, LAST } from './classes.ts';
import type { ClassId } from '../card/part-class.ts';
import { factAsks } from './fact-asks.ts';
import { FACT_IDS, type FactId, factAt } from './facts.ts';
import type { Fact } from './facts/kind.ts';
import { isRelevant } from './relevant.ts';
import { placesOf, type Tree, wordAt } from './tree.ts';

export interface Question {
  /** Where the answer goes: of lines that are alike to each of them. */
  readonly places: readonly string[];
  readonly pattern: FactId | FigureId;
  /** How it is answered: as a fact, or as a figure in one of these units. */
  readonly how: Fact | { readonly units: readonly string[] };
  /** The checks that ask for it. */
  readonly asks: readonly CheckId[];
  /** What is taken, marked as assumed, where nobody knows; null: it is then not said. */
  readonly assumed: string | null;
}

const isFact = (id: string): id is FactId => (FACT_IDS as readonly string[]).includes(id);
const isFigure = (id: string): id is FigureId => (FIGURE_IDS as readonly string[]).includes(id);

const NOBODY = { kind: 'memory', title: '-' } as const;

/** Lines of one kind at one supply are alike until somebody says otherwise. */
function grouped(tree: Tree, answers: Answers, places: readonly string[]): string[][] {
  const groups = new Map<string, string[]>();
  for (const place of places) {
    const [list, id = ''] = place.split('/');
    const [found] =
      list === 'signals' ? placesOf(tree, `signals/*`).filter((one) => one.place === `signals/${id}`) : [];
    const alike = found ? `${wordAt(found.value, 'kind')} ${wordAt(found.value, 'reference')}` : place;
    const key = `${alike} ${JSON.stringify(answers.get(place)?.said)}`;
    groups.set(key, [...(groups.get(key) ?? []), place]);
  }
  return [...groups.values()];
}

/** The questions that some patterns make of what is there. */
function asked(cls: ClassId, answers: Answers, patterns: readonly string[]): Question[] {
  const { assumes = {} } = classOf(cls);
  const { tree } = treeOf(answers, NOBODY);
  return patterns.flatMap((pattern): Question[] => {
    const places = placesOf(tree, pattern, true)
      .map(({ place }) => place)
      .filter((place) => answers.has(place) || isRelevant(tree, pattern, place));
    const how = isFact(pattern) ? factAt(pattern) : isFigure(pattern) ? { units: figureKind(pattern).units } : null;
    if (!how || !(isFact(pattern) || isFigure(pattern))) return [];
    return grouped(tree, answers, places).map((all) => ({
      places: all,
      pattern,
      how,
      asks: isFigure(pattern) ? asksFor(pattern) : factAsks(pattern),
      assumed: pattern === 'class' ? cls.replaceAll('-', ' ') : (assumes[pattern] ?? null),
    }));
  });
}

/** @returns what is asked of a class, in its order, answered or not */
export const questionsOf = (cls: ClassId, answers: Answers): Question[] =>
  asked(cls, answers, [...FIRST, ...classOf(cls).asks, ...LAST]);

/** @returns everything else that a card can say, for whoever knows more than what is asked */
export function moreOf(cls: ClassId, answers: Answers): Question[] {
  const known = new Set<string>([...FIRST, ...classOf(cls).asks, ...LAST]);
  const others = [...FACT_IDS, ...FIGURE_IDS.filter(isAskedAlone)].filter((pattern) => !known.has(pattern));
  return asked(cls, answers, others);
}

/** The answers with one more. */
export const withAnswer = (answers: Answers, { places }: Pick<Question, 'places'>, answer: Answer): Answers =>
  new Map([...answers, ...places.map((place) => [place, answer] as const)]);

const isOpen = (answers: Answers, { places }: Question): boolean => places.some((place) => !answers.has(place));

/** @returns the questions that are still open */
export const openQuestions = (cls: ClassId, answers: Answers): Question[] =>
  questionsOf(cls, answers).filter((question) => isOpen(answers, question));

/**
 * The answers with what is assumed where nobody knows.
 * @param title of the source that says so
 * @param none places of which it is known that there is nothing
 */
export function withAssumed(
  cls: ClassId,
  answers: Answers,
  title: string,
  none: ReadonlySet<string> = new Set(),
): Answers {
  return openQuestions(cls, answers).reduce<Answers>(
    (all, question) =>
      question.assumed === null || question.places.every((place) => none.has(place))
        ? all
        : withAnswer(all, question, { said: question.assumed, source: { kind: 'class-typical', title } }),
    answers,
  );
}
