/** The card that answers make. */
import { Card } from '../card/card.ts';
import { type FigureId, FIGURE_IDS, figureKind } from '../card/figures.ts';
import type { Source } from '../card/figure.ts';
import { entryKey, kindAt } from '../card/path.ts';
import { CARD_FORMAT, CARD_VERSION } from '../card/version.ts';
import { type Message, tells } from '../quantity/message.ts';
import { ReadError } from '../quantity/read-error.ts';
import { type Answer, type Answers, isAskedAlone, readFigureAt, readTable } from './answers.ts';
import { FACT_IDS, type FactId, factAt } from './facts.ts';
import { type Json, readAnswer } from './form.ts';
import { type Tree, valueAt, withAt } from './tree.ts';

/** What is wrong, and at the answer of which place. */
export interface AnswerProblem {
  readonly place: string;
  readonly says: Message;
}

export interface BuildSays {
  /** In the words of the schema. */
  readonly missing: { why: string };
}
const tell = tells<BuildSays>('workshop/build');

const EMPTY: Tree = {
  format: CARD_FORMAT,
  version: CARD_VERSION,
  sources: {},
  headers: [],
  terminals: [],
  supplies: [],
  signals: [],
  ports: [],
  measures: [],
  offers: [],
};

type PlaceKind = { readonly fact: FactId } | { readonly figure: FigureId };

/** Lists come before what is in their entries. */
const PATTERNS: readonly { readonly pattern: RegExp; readonly depth: number; readonly kind: PlaceKind }[] = [
  ...FACT_IDS.map((fact) => ({ id: fact, kind: { fact } })),
  ...FIGURE_IDS.filter(isAskedAlone).map((figure) => ({ id: figure, kind: { figure } })),
]
  .map(({ id, kind }) => ({
    pattern: new RegExp(`^${id.replaceAll('*', '[^/]+')}$`),
    depth: id.split('*').length,
    kind,
  }))
  .sort((a, b) => a.depth - b.depth);

/** What can be asked at a place, and how far inside of lists it is; null of a place that no card has. */
const asked = (place: string) => PATTERNS.find(({ pattern }) => pattern.test(place)) ?? null;

/**
 * A tree of everything that was answered; what cannot be read is left out and said.
 * @param unsaid where something is from of which nobody said it
 */
export function treeOf(
  answers: Answers,
  unsaid: Source,
): { tree: Tree; problems: AnswerProblem[]; from: ReadonlyMap<string, string> } {
  const problems: AnswerProblem[] = [];
  const sources = new Map<string, { key: string; source: Source }>();
  const keyOf = ({ source = unsaid }: Answer): string => {
    const text = JSON.stringify(source);
    const known = sources.get(text);
    if (known) return known.key;
    const taken = new Set([...sources.values()].map(({ key }) => key));
    let key: string = source.kind;
    for (let n = 2; taken.has(key); n++) key = `${source.kind}-${n}`;
    sources.set(text, { key, source });
    return key;
  };
  const from = new Map<string, string>();
  let tree = EMPTY;
  const all = [...answers].flatMap(([place, answer]) => {
    const found = asked(place);
    return found ? [{ place, answer, ...found }] : [];
  });
  // What is there is said before what is in it.
  for (const { place, answer, kind } of all.sort((a, b) => a.depth - b.depth || a.place.length - b.place.length)) {
    try {
      const source = keyOf(answer);
      from.set(place, source);
      tree = written(tree, place, kind, answer, source);
    } catch (error) {
      if (!(error instanceof ReadError)) throw error;
      problems.push({ place, says: error.says });
    }
  }
  return {
    tree: {
      ...tree,
      sources: Object.fromEntries([...sources.values()].map(({ key, source }) => [key, source as Json])),
    },
    problems,
    from,
  };
}

function written(tree: Tree, place: string, kind: PlaceKind, { said }: Answer, source: string): Tree {
  if ('fact' in kind) {
    const fact = factAt(kind.fact);
    if ('form' in fact) return withAt(tree, place, readAnswer(fact.form, String(said)));
    return withAt(tree, place, readTable(fact, typeof said === 'string' ? [] : said));
  }
  const value = readFigureAt(kind.figure, String(said));
  const { keep = 'figure' } = figureKind(kind.figure);
  return withAt(tree, place, keep === 'figure' || keep === 'range' ? { ...(value as object), source } : value);
}

/** The source of the answer that is nearest above or below a place. */
function sourceFor(from: ReadonlyMap<string, string>, place: string): string | undefined {
  const steps = place.split('/');
  for (let end = steps.length; end > 0; end--) {
    const above = steps.slice(0, end).join('/');
    const exact = from.get(above);
    if (exact !== undefined) return exact;
    for (const [at, key] of from) if (at.startsWith(`${above}/`)) return key;
  }
  return undefined;
}

/** Says where everything is from that has to say it: the schema knows what does. */
function sourced(tree: Tree, from: ReadonlyMap<string, string>): Tree {
  let now = tree;
  const [any = ''] = Object.keys(valueAt(tree, 'sources') as object);
  // A thing that lacks its source may hide one inside of it.
  for (let round = 0; round < 4; round++) {
    const read = Card.safeParse(now);
    const lacking = (read.success ? [] : read.error.issues).filter(
      ({ path, code }) => path.at(-1) === 'source' && code === 'invalid_type',
    );
    if (lacking.length === 0) break;
    for (const { path } of lacking) {
      const holder = path.slice(0, -1);
      const source = sourceFor(from, placeOf(now, holder)) ?? any;
      now = changedAt(now, holder, (node) =>
        isThing(node) && !('source' in node) ? { ...node, source } : node,
      ) as Tree;
    }
  }
  return now;
}

const isThing = (node: Json | undefined): node is Record<string, Json> =>
  typeof node === 'object' && node !== null && !Array.isArray(node);

/** A path with indexes as a place with names. */
function placeOf(tree: Tree, path: readonly PropertyKey[]): string {
  let node: Json | undefined = tree;
  let list = '';
  const steps: string[] = [];
  for (const step of path) {
    const isEntry = Array.isArray(node);
    node = (node as Record<PropertyKey, Json> | undefined)?.[step];
    steps.push(isEntry ? entryKey(list, node) : String(step));
    list = String(step);
  }
  return steps.join('/');
}

function changedAt(node: Json, [step, ...rest]: readonly PropertyKey[], change: (node: Json) => Json): Json {
  if (step === undefined) return change(node);
  if (Array.isArray(node))
    return (node as readonly Json[]).map((item, i) => (i === step ? changedAt(item, rest, change) : item));
  if (!isThing(node)) return node;
  const name = String(step);
  return { ...node, [name]: changedAt(node[name] ?? null, rest, change) };
}

export type Built =
  | { readonly ok: true; readonly card: Card }
  | {
      readonly ok: false;
      /** Answers that cannot be read. */
      readonly problems: readonly AnswerProblem[];
      /** What a card must say and nobody said, or what leads nowhere. */
      readonly missing: readonly AnswerProblem[];
    };

/**
 * @param id by which plans will know it
 * @param unsaid where something is from of which nobody said it
 */
export function cardOf(answers: Answers, id: string, revision: number, unsaid: Source): Built {
  const { tree, problems, from } = treeOf(answers, unsaid);
  const whole = sourced({ ...tree, id, revision }, from);
  const read = Card.safeParse(whole);
  if (read.success && problems.length === 0) return { ok: true, card: read.data };
  return { ok: false, problems, missing: missingIn(whole) };
}

/** How deep things that are missing lie in things that are missing. */
const DEEPEST = 4;

/** What a card must say and does not: of a thing that is not there at all, what in it must be said. */
function missingIn(whole: Tree): AnswerProblem[] {
  let now = whole;
  for (let depth = 0; depth < DEEPEST; depth++) {
    const read = Card.safeParse(now);
    const absent = (read.success ? [] : read.error.issues).filter(
      (issue) =>
        issue.code === 'invalid_type' &&
        issue.expected === 'object' &&
        valueOf(now, issue.path) === undefined &&
        // A figure is asked for as a whole.
        kindAt(placeOf(now, issue.path)) === undefined,
    );
    if (absent.length === 0) break;
    for (const { path } of absent) now = withAt(now, placeOf(now, path), {});
  }
  const read = Card.safeParse(now);
  return (read.success ? [] : read.error.issues).map((issue): AnswerProblem => {
    const says = issue.code === 'custom' ? (issue.params?.['says'] as Message | undefined) : undefined;
    return { place: placeOf(now, issue.path), says: says ?? tell('missing', { why: issue.message }) };
  });
}

const valueOf = (tree: Tree, path: readonly PropertyKey[]): Json | undefined =>
  path.reduce<Json | undefined>((node, step) => (node as Record<PropertyKey, Json> | null | undefined)?.[step], tree);
