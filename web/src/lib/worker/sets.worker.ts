import { explainSets, searchSteps, setProblem } from '@idle-breadboard/core/solve';
import { expose } from 'comlink';
import type { SetsWorker } from './sets';

const worker: SetsWorker = {
  search(plan, cards, controllers, standing, progress) {
    const problems = cards
      .filter(({ id }) => controllers.includes(id))
      .flatMap((card) =>
        card.offers
          .filter((offer) => plan.readyInDays === undefined || offer.leadDays <= plan.readyInDays)
          .map((offer) => setProblem(plan, cards, card, offer, standing)),
      );
    const search = searchSteps(problems);
    let step = search.next();
    while (!step.done) {
      progress(step.value);
      step = search.next();
    }
    const front = step.value;
    return { front, exclusion: front.sets.length === 0 ? explainSets(plan, problems) : null };
  },
};

expose(worker);
