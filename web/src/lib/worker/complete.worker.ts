import { libraryOf } from '@idle-breadboard/core/card';
import { deriveCircuit } from '@idle-breadboard/core/circuit';
import { completeSteps, type Told } from '@idle-breadboard/core/solve';
import { expose } from 'comlink';
import { breath } from './breath';
import type { CompleteWorker } from './complete';

let told: Told;

/** ms between two looks at what was sent: steps are short, and the page is not to hear of each. */
const PATIENCE = 20;

const worker: CompleteWorker = {
  enough() {
    told = 'enough';
  },
  async complete(plan, cards, library, progress) {
    told = undefined;
    const steps = completeSteps(deriveCircuit({ plan, cards }), libraryOf(library));
    let step = steps.next();
    for (let since = 0; !step.done; step = steps.next(told)) {
      if (performance.now() - since < PATIENCE) continue;
      progress(step.value);
      await breath();
      since = performance.now();
    }
    return step.value;
  },
};

expose(worker);
