/** What is said at the desk at which a part is entered. */
import type { AnswerSays } from '../../workshop/problem.ts';
import { topic } from '../language.ts';
import { list } from './grammar.ts';

export const workshop = {
  'workshop/answer': topic<AnswerSays>({
    says: {
      words: ({ most, found }) => `Up to ${most} characters are kept, these are ${found}.`,
      empty: 'An answer is expected here.',
      oneOf: ({ values, found }) => `Expected ${list(values, 'or')}, found “${found}”.`,
      yesNo: ({ found }) => `Expected yes or no, found “${found}”.`,
      whole: ({ from, to, found }) =>
        to < Number.MAX_SAFE_INTEGER
          ? `Expected a whole number from ${from} to ${to}, found “${found}”.`
          : `Expected a whole number from ${from} on, found “${found}”.`,
      number: ({ found }) => `Expected a number, found “${found}”.`,
      figure: ({ found }) => `Expected a figure, such as “2.4 to 5.5 V” or “at most 0.4 V”, found “${found}”.`,
      oneUnit: ({ found }) => `Expected one unit for all of it, found several in “${found}”.`,
      pair: ({ found }) => `Expected a name, an equals sign and a name, such as “sda=SDA”, found “${found}”.`,
      field: ({ found }) => `Expected bits and a name, such as “15-13 mode: 0 off | 1 slow”, found “${found}”.`,
      id: ({ found }) =>
        `Expected small letters, digits and hyphens, at most 48, such as “shelf-sensor”, found “${found}”.`,
    },
  }),
};
