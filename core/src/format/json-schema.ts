import { z } from 'zod';
import { Card } from '../card/card.ts';
import { FIGURE_IDS } from '../card/figures.ts';
import { figureTitle } from '../card/places.ts';
import { asksFor } from '../check/asks.ts';
import type { Message } from '../quantity/message.ts';
import { ruleOf, say } from '../say/say.ts';
import { FACT_IDS } from '../workshop/facts.ts';
import { factTitle } from '../workshop/titles.ts';
import { PlanFile } from './plan-file.ts';

/** What is at hand of a JSON Schema. */
interface Node {
  $ref?: string;
  description?: string;
  properties?: Record<string, Node>;
  items?: Node;
  oneOf?: Node[];
  anyOf?: Node[];
  $defs?: Record<string, Node>;
}

/** A thing that stands for any of its kind in a description. */
const ANY = '…';

/** The nodes that may be meant by one: itself, what it refers to, each of several. */
function meant(root: Node, node: Node): Node[] {
  const to = node.$ref === undefined ? undefined : root.$defs?.[node.$ref.replace('#/$defs/', '')];
  const inner = [...(to ? [to] : []), ...(node.oneOf ?? []), ...(node.anyOf ?? [])];
  return [node, ...inner.flatMap((one) => meant(root, one))];
}

/** Puts words at a place of a card, in every form that a card has. */
function describe(root: Node, place: string, says: string): void {
  let at: Node[] = [root];
  for (const step of place.split('/'))
    at = at
      .flatMap((node) => meant(root, node))
      .flatMap((node) => {
        const next = step === '*' ? node.items : node.properties?.[step];
        return next ? [next] : [];
      });
  for (const node of at) node.description ??= says;
}

function descriptions(): { place: string; says: string }[] {
  const words = (title: Message, checks: readonly string[]) =>
    checks.length === 0 ? say(title) : `${say(title)} (${checks.join(', ')})`;
  return [
    ...FACT_IDS.map((id) => ({ place: id, says: say(factTitle(id, ANY)) })),
    ...FIGURE_IDS.map((id) => ({
      place: id,
      says: words(
        figureTitle(id, { of: ANY, sub: ANY, from: 0, to: 0 }),
        asksFor(id).map((check) => ruleOf(check).short),
      ),
    })),
  ];
}

/** The JSON Schema (2020-12) of a file, generated from the schema that reads it; that of a card says at each place what stands there and which checks ask for it. */
export function jsonSchema(of: 'card' | 'plan'): object {
  const schema = of === 'card' ? Card : PlanFile;
  // Cards differ by kind in one thing each: what they share is written once.
  const made = { type: 'object', ...z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', reused: 'ref' }) };
  if (of === 'card') for (const { place, says } of descriptions()) describe(made as Node, place, says);
  return made;
}
