/** What is said in the picture of a build. */
import type { OverviewSays } from '../../overview/says.ts';
import { topic } from '../language.ts';

export const overview = {
  overview: topic<OverviewSays>({
    says: {
      divider: 'divider',
      apart: 'no line leads here',
      noPlace: 'no place said',
      wet: 'wet',
      pins: ({ used, pins }) => `${used} of ${pins} pins`,
      lines: ({ count }) => (Number(count) === 1 ? 'one line' : `${count} lines`),
      stub: ({ count }) => (Number(count) === 1 ? 'one more line' : `${count} more lines`),
      further: ({ pins }) => `and ${pins}`,
      carried: ({ peak, limit }) => (limit === null || limit === undefined ? `${peak}` : `${peak} of ${limit}`),
      inside: ({ celsius }) => `${celsius} °C inside`,
      figure: ({ found, more }) => (Number(more) > 0 ? `${found} +${more}` : `${found}`),
      ofLimit: ({ measured, limit }) => `${measured} of ${limit}`,
      severity: ({ severity }) => `${severity}`,
      legendStrokes: 'Strokes tell the voltage: one up to 3.6 V, two up to 5.5 V, three above.',
      legendRows: 'A row is a bus or the lines of one part; a column is a place.',
      legendFoot: 'At a part’s foot: what feeds it, and its tightest margin.',
    },
  }),
};
