/** What to do next. */
import type { NextStepSays } from '../../check/next-step.ts';
import { counted } from './grammar.ts';
import { topic } from '../language.ts';

export const next = {
  next: topic<NextStepSays>({
    says: {
      sayNeeds: 'Say what it is to sense, show or drive.',
      chooseController: 'Choose a controller that reads it all.',
      settle: ({ finding }) => `${finding}`,
      layOut: 'The wiring is being laid out.',
      wire: ({ done, steps }) =>
        Number(done) === 0
          ? `Wire it in ${counted(steps, 'step')}.`
          : `Wire it: ${done} of ${counted(steps, 'step is', 'steps are')} done.`,
      noLayout: 'The parts could not be laid out; Wiring says what is in the way.',
      measure: 'Bring it up: measure before and after first power, and sign it off.',
      allDone: 'Every step is ticked, and what was measured is signed off.',
    },
  }),
};
