/** The next step of the open plan. */
import { type NextStep, nextStep } from '@idle-breadboard/core/verify';
import { benchView } from './bench-view.svelte';
import { laying } from './laying.svelte';
import { findings } from './results';
import { workbench } from './workbench.svelte';

class Next {
  readonly step = $derived.by<NextStep | null>(() => {
    const { study } = workbench;
    if (!study) return null;
    const waits = laying.stale || !laying.build;
    return nextStep(study.circuit, findings(), {
      done: benchView.count,
      steps: laying.trouble ? 0 : waits ? null : benchView.steps.length,
      signedOff: study.circuit.plan.measured?.fingerprint === study.fingerprint,
    });
  });
}

export const next = new Next();
