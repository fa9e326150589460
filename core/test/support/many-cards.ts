/** A catalogue grown: copies of the cards that ship, each with figures, prices and names of its own. Invented, like those. */
import type { Card } from '../../src/card/card.ts';
import { type Library, libraryOf } from '../../src/card/library.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { library } from './demo.ts';

/** Figures of copies are so far off those that they are copied from, as a share. */
const OFF = 0.2;

/** @param count cards altogether, those that ship among them */
export function manyCards(count: number, seed = 1): Library {
  const random = randomFrom(seed);
  const near = (value: number) => Number((value * (1 + OFF * (2 * random() - 1))).toPrecision(3));
  const shipped = [...library.values()];
  const copies = Array.from({ length: Math.max(0, count - shipped.length) }, (_, i): Card => {
    const card = shipped[i % shipped.length] as Card;
    type Measure = Card['measures'][number];
    return {
      ...card,
      id: `${card.id}-${i}`,
      name: `${card.name} ${i}`,
      offers: card.offers.map((offer) => ({
        ...offer,
        price: near(offer.price),
        leadDays: Math.ceil(near(offer.leadDays)),
      })),
      measures: card.measures.map((measure): Measure => ({
        ...measure,
        accuracy: measure.accuracy.map((band) => ({ ...band, error: near(band.error) })),
      })),
      supplies: card.supplies.map((supply) => {
        const { typ, max } = supply.current.active;
        const active = { ...supply.current.active };
        if (typ !== undefined) active.typ = near(typ);
        if (max !== undefined) active.max = Math.max(active.typ ?? 0, near(max));
        return { ...supply, current: { ...supply.current, active } };
      }),
    };
  });
  return libraryOf([...shipped, ...copies]);
}
