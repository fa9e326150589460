import { libraryOf } from '@idle-breadboard/core/card';
import { deriveCircuit } from '@idle-breadboard/core/circuit';
import { completeSteps, type Told } from '@idle-breadboard/core/solve';
import { expose } from 'comlink';
import type { CompleteWorker } from './complete';

let told: Told;

/** Lets a message come in between two steps. */
const breath = () => new Promise<void>((go) => setTimeout(go));

const worker: CompleteWorker = {
  enough() {
    told = 'enough';
  },
  async complete(plan, cards, library, progress) {
    told = undefined;
    const steps = completeSteps(deriveCircuit({ plan, cards }), libraryOf(library));
    let step = steps.next();
    while (!step.done) {
      progress(step.value);
      await breath();
      step = steps.next(told);
    }
    return step.value;
  },
};

expose(worker);
