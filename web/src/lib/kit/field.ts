/** What a field that opens a list looks like, and the list. */
import { tv } from './variants';

export const field = tv({
  base: 'field inline-flex items-center gap-1 text-left align-baseline disabled:opacity-65 aria-expanded:bg-copper-soft',
});

export const list = tv({
  base: [
    'z-50 bg-raised border border-quiet rounded-sm max-h-80 overflow-y-auto',
    'min-w-[var(--bits-select-anchor-width,var(--bits-combobox-anchor-width))] max-w-[min(34em,92vw)]',
  ],
});

/** A field in which one types to find; its width is the place's to say. */
export const searched = tv({ base: 'relative inline-flex items-center w-[14em] max-w-full' });
