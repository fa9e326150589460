/** What helpers of a plan are called. */
import type { HelperSays } from '../../plan/helpers.ts';
import { topic } from '../language.ts';
import { list } from './grammar.ts';

export const plan = {
  'plan/helper': topic<HelperSays>({
    says: {
      'pull-up': ({ ohms, line, rail }) => `a pull-up of ${ohms} on ${line} to the ${rail}`,
      'pull-down': ({ ohms, part }) => `${ohms} to ground, so that ${part} stays off at the start`,
      series: ({ ohms, part }) => `${ohms} in series with ${part}`,
      diode: ({ card, part }) => `a ${card} across ${part}`,
      capacitor: ({ card, part }) => `a ${card} across the supply of ${part}`,
      filter: ({ card, part }) => `a ${card} from the pin of ${part} to ground`,
      guard: ({ card, part }) => `a ${card} in the feed of ${part}`,
      translator: ({ card, parts }) => `a ${card} between the controller and ${list(parts)}`,
      divider: ({ upper, lower, part }) => `a divider of ${upper} and ${lower} before the pin of ${part}`,
      fixed: ({ ohms, part }) => `a fixed resistor of ${ohms} for ${part}`,
    },
  }),
};
