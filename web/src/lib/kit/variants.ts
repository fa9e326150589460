/** Variants of components, with the sizes and distances of the theme known to the merging of classes. */
import { createTV } from 'tailwind-variants/config';

export const tv = createTV({
  twMergeConfig: {
    extend: {
      classGroups: {
        'font-size': [{ text: ['title', 'group', 'row', 'aside', 'mark'] }],
        shadow: ['shadow-mark'],
        'min-h': ['min-h-row'],
        h: ['h-row'],
      },
    },
  },
});
