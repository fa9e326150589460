/** Plans of parts that ship, put in one after the other as a maker would add them. */
import type { Circuit } from '../../src/circuit/model.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { documentOf } from '../../src/plan/document.ts';
import { emptyPlan } from '../../src/plan/edits.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { cards, library } from './demo.ts';

export const circuitOf = (plan: Plan): Circuit => deriveCircuit(documentOf(plan, cards, library));

/** A board, leads, resistors and joints, and nothing on them. */
export const TABLE: Plan = {
  ...emptyPlan('p', 'p'),
  boards: ['board-full'],
  leads: ['leads-mm', 'leads-mf'],
  resistors: 'resistors-e12',
  joint: 'joint-lever',
};

/** @param serving card that serves the need "n" of the plan */
export const withParts = (start: Plan, ids: readonly string[], serving?: string): Plan =>
  ids.reduce((plan, id) => {
    const card = library.get(id);
    if (!card) throw new Error(`no card ${id}`);
    return addPart(circuitOf(plan), library, card, undefined, id === serving ? ['n'] : []).plan;
  }, start);

export const idOf = (plan: Plan, card: string): string => plan.parts.find((p) => p.card === card)?.id ?? '';
