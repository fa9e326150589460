/** What a button looks like: what can be acted on is copper. */
import { cva, type VariantProps } from 'class-variance-authority';

export const button = cva(
  [
    'inline-flex items-center rounded-sm border',
    'hover:border-copper disabled:opacity-65 disabled:hover:bg-transparent aria-checked:bg-copper-soft aria-checked:border-copper',
  ],
  {
    variants: {
      kind: {
        plain:
          'border-line bg-raised min-h-6 px-2 text-left whitespace-nowrap hover:bg-copper-soft disabled:text-quiet disabled:hover:border-line',
        /** What is pressed without a frame: signs, and words in a line of them. */
        bare: 'border-transparent bg-transparent min-h-6 min-w-6 px-1 justify-center text-left whitespace-nowrap hover:bg-copper-soft disabled:text-quiet disabled:hover:border-transparent',
        /** A head or a cell of a table that can be pressed: it wraps. */
        cell: 'border-transparent bg-transparent min-h-6 min-w-6 px-1 whitespace-normal hover:bg-copper-soft',
        /** A whole sentence: it wraps. */
        sentence:
          'border-line bg-raised min-h-6 px-2 py-0.5 text-left whitespace-normal hover:bg-copper-soft disabled:text-quiet disabled:hover:border-line',
        /** The one thing to do here. */
        first:
          'border-copper bg-copper min-h-8 px-3 text-left font-semibold whitespace-nowrap hover:bg-copper hover:opacity-90 disabled:text-raised disabled:hover:border-line',
      },
      /** Something to do; something that is lost by it; a hold for the hand; what opens more of what is read. */
      tone: { act: '', lose: 'text-danger', hold: 'text-quiet', read: 'text-ink' },
      pressed: {
        underlined: 'aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold',
        none: '',
      },
      gap: { narrow: 'gap-1.5', wide: 'gap-2.5' },
    },
    // On copper the words are what the board is; elsewhere they are copper themselves.
    compoundVariants: [
      { tone: 'act', kind: ['plain', 'bare', 'cell', 'sentence'], class: 'text-copper' },
      { tone: 'act', kind: 'first', class: 'text-raised' },
    ],
    defaultVariants: { kind: 'plain', tone: 'act', pressed: 'none', gap: 'narrow' },
  },
);

export type ButtonVariants = VariantProps<typeof button>;
