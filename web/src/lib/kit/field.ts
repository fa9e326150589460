/** What a field that opens a list looks like, and the list. */
import { cva } from 'class-variance-authority';

export const field = cva(
  'field inline-flex items-center gap-1 text-left align-baseline disabled:opacity-65 aria-expanded:bg-copper-soft',
);

export const list = cva([
  'z-50 bg-raised border border-quiet rounded-sm max-h-80 overflow-y-auto',
  'min-w-[var(--bits-select-anchor-width,var(--bits-combobox-anchor-width))] max-w-[min(34em,92vw)]',
]);

/** A field in which one types to find. Its width is in the layer below, so that a place can say another. */
export const searched = cva('searched relative inline-flex items-center');
