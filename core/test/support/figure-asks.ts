/** Which checks rest on which figures, seen from outside: each figure gets a source of its own, and results name the sources they rest on. */
import type { Card } from '../../src/card/card.ts';
import { type FigureId, figureKind } from '../../src/card/figures.ts';
import { rewrite, standing } from '../../src/card/path.ts';
import { CHECKS, type CheckId } from '../../src/check/registry.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { PlanDocument } from '../../src/plan/document.ts';

/** The card with a source of its own for each figure, titled with the kind of figure. */
function withOwnSources(card: Card): Card {
  let made: Card = { ...card, sources: {} };
  for (const [n, { id, place }] of standing(card).entries()) {
    const { keep = 'figure' } = figureKind(id);
    const holder = keep === 'figure' || keep === 'range' ? place : place.split('/').slice(0, -1).join('/');
    const source = `own-${n}`;
    const next = rewrite(made, holder, (value) => ({ ...(value as object), source }));
    if (!next) throw new Error(`${card.id} has no ${place}`);
    made = { ...next, sources: { ...next.sources, [source]: { kind: 'datasheet', title: id } } };
  }
  // What is no figure keeps the source that it had.
  return { ...made, sources: { ...card.sources, ...made.sources } };
}

/** @returns by kind of figure the checks of which a result over these plans rests on one of that kind */
export function askedBy(documents: Iterable<PlanDocument>): Map<FigureId, Set<CheckId>> {
  const by = new Map<FigureId, Set<CheckId>>();
  for (const { plan, cards } of documents) {
    const circuit = deriveCircuit({ plan, cards: cards.map(withOwnSources) });
    for (const check of CHECKS)
      for (const { rests } of check.run(circuit))
        for (const { source } of rests) {
          const id = source.title as FigureId;
          by.set(id, (by.get(id) ?? new Set<CheckId>()).add(check.meta.id));
        }
  }
  return by;
}
