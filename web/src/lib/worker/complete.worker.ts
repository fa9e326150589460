import { completeSteps, deriveCircuit, libraryOf } from '@idle-breadboard/core';
import { expose } from 'comlink';
import type { CompleteWorker } from './complete';

const worker: CompleteWorker = {
  complete(plan, cards, library, progress) {
    const steps = completeSteps(deriveCircuit({ plan, cards }), libraryOf(library));
    let step = steps.next();
    while (!step.done) {
      progress(step.value);
      step = steps.next();
    }
    return step.value;
  },
};

expose(worker);
