import { deriveCircuit, type Circuit } from '@idle-breadboard/core/circuit';
import { workbench } from './workbench.svelte';

/**
 * The circuit of the plan as it stands, also while its verdict is on the way: what is built on the circuit that is
 * shown would lose the change in between.
 */
export function circuitNow(): Circuit | null {
  const { document, study, stale } = workbench;
  if (!document) return null;
  return study && !stale ? study.circuit : deriveCircuit(document);
}
