/** What goes to the bench: the layout, the wiring plan read back from it and compared with the circuit, and the parts list. */
import type { Result } from '../check/result.ts';
import type { Circuit } from '../circuit/model.ts';
import { proveLayout, type LayoutProof } from '../readback/prove.ts';
import { layBuild } from '../layout/lay.ts';
import type { Layout, LayoutResult, NoLayout } from '../circuit/laid.ts';
import { partsList, type PartsList } from './parts-list.ts';
import { readBackResults } from './read-back.ts';
import { wiringPlan, type WiringPlan } from './wiring.ts';

export interface Build {
  /** Null where the parts could not be laid out: `why` says what is in the way. */
  readonly layout: Layout | null;
  readonly why: NoLayout | null;
  readonly wiring: WiringPlan;
  readonly proof: LayoutProof | null;
  /** What the reader of the layout says of it. */
  readonly results: readonly Result[];
  /** Without leads where there is no layout. */
  readonly parts: PartsList;
}

const NOTHING: Layout = {
  boards: [],
  seats: [],
  docked: [],
  mated: [],
  joints: [],
  leads: [],
  strips: [],
  length: 0,
  crossings: 0,
};

/** The steps, their proof and the parts of a finished layout. */
export function buildFrom(circuit: Circuit, result: LayoutResult): Build {
  const layout = result.ok ? result.layout : null;
  const wiring: WiringPlan = layout
    ? wiringPlan(circuit, layout)
    : { steps: [], cautions: [], checklist: [], harness: [] };
  const leads = wiring.steps.flatMap((step) => step.leads);
  const why = result.ok ? null : result.why;
  const proof = layout && proveLayout(circuit, layout, leads);
  return {
    layout,
    why,
    wiring,
    proof,
    results: readBackResults(circuit, why, proof),
    parts: partsList(circuit, layout ?? NOTHING),
  };
}

export const buildOf = (circuit: Circuit): Build => buildFrom(circuit, layBuild(circuit));
