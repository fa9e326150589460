import { libraryOf } from '@idle-breadboard/core/card';
import { filledPlan, offersFor } from '@idle-breadboard/core/solve';
import { expose } from 'comlink';
import type { StartWorker } from './start';

const worker: StartWorker = {
  offers(id, brief, cards, progress) {
    const search = offersFor(id, brief, libraryOf(cards));
    let step = search.next();
    while (!step.done) {
      progress(step.value);
      step = search.next();
    }
    return step.value;
  },
  fill: (id, brief, cards, set) => filledPlan(id, brief, libraryOf(cards), set),
};

expose(worker);
