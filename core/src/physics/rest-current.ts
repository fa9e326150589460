/** What a build takes of a rail between two pieces of work. */
import type { Circuit, Rail } from '../circuit/model.ts';
import { lowest } from '../quantity/steps.ts';
import { flowAt, treeOf } from './source-load.ts';

/** The least that usually flows out of a source, A. */
export const restCurrent = (circuit: Circuit, rail: Rail): number =>
  lowest(flowAt(circuit, treeOf(circuit), 'usual', rail.ref, rail.voltage?.typ ?? 0).rail(rail.ref));
