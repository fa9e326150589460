/** What a button looks like: what can be acted on is copper. */
import type { VariantProps } from 'tailwind-variants';
import { tv } from './variants';

export const button = tv({
  base: [
    'inline-flex items-center gap-1.5 min-h-6 rounded-sm border text-copper text-left',
    'hover:bg-copper-soft hover:border-copper disabled:opacity-65 disabled:text-quiet',
    'disabled:hover:bg-transparent disabled:hover:border-line aria-checked:bg-copper-soft aria-checked:border-copper',
  ],
  variants: {
    kind: {
      plain: 'border-line bg-raised px-2 whitespace-nowrap',
      /** What is pressed without a frame: signs, and words in a line of them. */
      bare: 'min-w-6 justify-center border-transparent bg-transparent px-1 whitespace-nowrap disabled:hover:border-transparent',
      /** A whole sentence: it wraps. */
      sentence: 'border-line bg-raised px-2 py-0.5 whitespace-normal',
      /** The one thing to do here. */
      first:
        'border-copper bg-copper text-raised px-3 min-h-8 font-semibold whitespace-nowrap hover:bg-copper hover:opacity-90 disabled:text-raised',
    },
    pressed: {
      underlined: 'aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold',
      none: '',
    },
  },
  defaultVariants: { kind: 'plain', pressed: 'none' },
});

export type ButtonVariants = VariantProps<typeof button>;
