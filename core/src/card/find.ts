/** Finding a card by what one knows of it: its name, what it measures, a voltage, a bus, what is printed along its header. */
import type { Card } from './card.ts';
import { perOwner } from '../quantity/memo.ts';
import { toInterval } from './to-interval.ts';

/** "3.3", "5V", "3V3" as volts; undefined of any other word. */
function voltsIn(word: string): number | undefined {
  const [, whole = '', part = ''] = /^(\d{1,2})(?:[.,](\d{1,2}))?v$/i.exec(word) ?? [];
  if (whole !== '') return Number([whole, part || '0'].join('.'));
  const [, volts = '', tenths = ''] = /^(\d{1,2})v(\d)$/i.exec(word) ?? [];
  return volts === '' ? undefined : Number([volts, tenths].join('.'));
}

const takes = (card: Card, volts: number): boolean => {
  const holds = (range: { min?: number | undefined; typ?: number | undefined; max?: number | undefined }) => {
    const { min, max } = toInterval(range);
    return min <= volts && volts <= max;
  };
  return (
    card.supplies.some(({ range }) => holds(range)) ||
    (card.rails ?? []).some(({ voltage }) => voltage !== undefined && holds(voltage))
  );
};

/** Made once for each card: with every letter that is typed all of them are looked through. */
const wordsOf = perOwner((card: Card): string =>
  [
    card.name,
    card.class,
    card.kind,
    ...card.measures.map(({ quantity }) => quantity),
    ...(card.serves ?? []),
    ...card.ports.map(({ protocol }) => protocol),
    ...card.ports.map(
      ({ protocol }) => ({ i2c: 'i²c', onewire: 'one-wire', uart: 'serial' })[protocol as string] ?? '',
    ),
    ...card.headers.map(({ kind }) => kind),
    ...card.terminals.flatMap(({ label, names = [] }) => [label, ...names]),
    ...card.offers.map(({ supplier }) => supplier),
  ]
    .join(' ')
    .toLowerCase(),
);

/** @param query words; "3.3 V" is a voltage that it takes or gives. Every word has to be found */
export function isFound(card: Card, query: string): boolean {
  const words = query
    .trim()
    .toLowerCase()
    .replace(/(\d)\s+v\b/g, '$1v')
    .split(/\s+/)
    .filter((word) => word !== '');
  const text = wordsOf(card);
  return words.every((word) => {
    const volts = voltsIn(word);
    return text.includes(word) || (volts !== undefined && takes(card, volts));
  });
}
