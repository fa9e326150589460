/** What is known of a card while it is entered: the same shape, and any of it may be missing. */
import { entryKey } from '../card/path.ts';
import type { Json } from './form.ts';

export type Tree = Readonly<Record<string, Json>>;

const isList = (node: unknown): node is readonly Json[] => Array.isArray(node);
const isObject = (node: unknown): node is Record<string, Json> =>
  typeof node === 'object' && node !== null && !Array.isArray(node);

/** The node with something else at a place; the same where the way leads through an entry that is not there. */
function put(
  node: Json | undefined,
  steps: readonly string[],
  list: string | undefined,
  value: Json,
): Json | undefined {
  const [step, ...rest] = steps;
  if (step === undefined) return value;
  if (isList(node)) {
    const at = node.findIndex((item) => entryKey(list, item) === step);
    const changed = at < 0 ? undefined : put(node[at], rest, step, value);
    return changed === undefined ? node : node.map((item, i) => (i === at ? changed : item));
  }
  if (node !== undefined && !isObject(node)) return node;
  const changed = put(node?.[step], rest, step, value);
  return changed === undefined ? node : { ...node, [step]: changed };
}

export const withAt = (tree: Tree, place: string, value: Json): Tree =>
  put(tree, place.split('/'), undefined, value) as Tree;

/** What stands at a place in an object. */
export function valueAt(node: unknown, place: string): Json | undefined {
  return place.split('/').reduce<unknown>((at, step) => (isObject(at) ? at[step] : undefined), node) as
    Json | undefined;
}

/** A word that stands at a place in an object; '' where none does. */
export function wordAt(node: unknown, place: string): string {
  const value = valueAt(node, place);
  return typeof value === 'string' ? value : '';
}

/** Every place that a pattern names in a tree: "*" stands for each entry of a list. @param made true: also where nothing is yet */
export function placesOf(tree: unknown, pattern: string, made = false): { place: string; value: Json | undefined }[] {
  let found: { place: string[]; node: unknown }[] = [{ place: [], node: tree }];
  for (const step of pattern.split('/'))
    found = found.flatMap(({ place, node }) => {
      if (step !== '*') {
        const next = isObject(node) ? node[step] : undefined;
        return next === undefined && !made ? [] : [{ place: [...place, step], node: next }];
      }
      return isList(node) ? node.map((item) => ({ place: [...place, entryKey(place.at(-1), item)], node: item })) : [];
    });
  return found.map(({ place, node }) => ({ place: place.join('/'), value: node as Json | undefined }));
}
