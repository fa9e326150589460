/** What a menu and its lines look like. */
import { tv } from './variants';

const recipe = tv({
  slots: {
    content:
      'z-50 min-w-[16em] max-w-[min(26em,92vw)] max-h-[70vh] overflow-y-auto p-1 bg-raised border border-quiet rounded-sm',
    item: 'flex items-center gap-1.5 min-h-row px-2 outline-none cursor-pointer data-highlighted:bg-copper-soft data-highlighted:shadow-mark',
    line: 'h-px my-1 bg-line',
  },
});

export const menu = recipe();
