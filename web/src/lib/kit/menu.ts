/** What a menu and its lines look like. */
import { cva } from 'class-variance-authority';

export const menu = {
  content: cva(
    'z-50 min-w-[16em] max-w-[min(26em,92vw)] max-h-[70vh] overflow-y-auto p-1 bg-raised border border-quiet rounded-sm',
  ),
  item: cva(
    'flex items-center gap-1.5 min-h-row px-2 outline-none cursor-pointer data-highlighted:bg-copper-soft data-highlighted:shadow-mark',
  ),
  line: cva('h-px my-1 bg-line'),
};
