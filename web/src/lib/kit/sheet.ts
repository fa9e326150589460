/** A sheet between the two supply lines of a board. */
import { cva } from 'class-variance-authority';

export const sheet = cva(
  [
    'sheet fixed z-41 left-1/2 -translate-x-1/2 flex flex-col overflow-hidden bg-board rounded-sm',
    'border border-quiet border-t-3 border-t-rail-red border-b-3 border-b-rail-blue',
  ],
  {
    variants: {
      size: {
        plain: 'top-[8vh] max-h-[84vh] w-[min(640px,calc(100vw-24px))]',
        wide: 'wide top-[8vh] max-h-[84vh] w-[min(1080px,calc(100vw-24px))]',
        tall: 'tall top-[3vh] h-[94vh] max-h-[94vh] w-[min(1240px,calc(100vw-24px))]',
      },
    },
    defaultVariants: { size: 'plain' },
  },
);
