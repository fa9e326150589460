import type { Card } from '../card/card.ts';
import { chosenOffer } from '../buy/cost.ts';
import { purchase, type Purchase } from '../buy/purchase.ts';
import { NOTHING, said, type Cell, type Comparing, type Line } from './cell.ts';
import { priceOf, tells, type Text, type Price } from '../quantity/message.ts';
import { divide, multiply } from '../quantity/sum.ts';

/** What is said here, by the data that it takes. */
export interface CompareBuyingLinesSays {
  readonly nobodySells: null;
  readonly pricePieceNeeded: { pieces: number };
  readonly onePiece: null;
  readonly pack: { pack: number };
  readonly from: { packs: number; pack: Text; supplier: Text };
  readonly order: null;
  readonly spareDuds: { pieces: number; order: number };
  readonly goods: null;
  readonly piece: null;
  readonly shipping: null;
  readonly shippingOf: { shipping: Price };
  readonly arrival: null;
  readonly days: { leadDays: number };
  readonly soldering: null;
  readonly needed: null;
  readonly none: null;
}

const tell = tells<CompareBuyingLinesSays>('compare/buying-lines');

const priceWorkings = (p: Purchase, pieces: number): NonNullable<Cell['workings']> => [
  {
    name: tell('order'),
    sum: p.order === pieces ? pieces : tell('spareDuds', { pieces, order: p.order - pieces }),
    value: p.order,
    unit: 'parts',
  },
  { name: tell('goods'), sum: multiply(p.packs, priceOf(p.offer.price, p.offer.currency)), value: p.goods, unit: '' },
  { name: tell('piece'), sum: divide(priceOf(p.goods, p.offer.currency), pieces), value: p.each, unit: '' },
];

/** What the pieces cost in the packs that must be bought, and when they arrive. */
export function buyingLines({ buying, sure, pieces, setting }: Comparing): Line[] {
  const bought = (card: Card) => {
    const offer = chosenOffer(card, buying);
    return offer ? purchase(offer, pieces, sure) : null;
  };
  const nobody: Cell = { ...NOTHING, text: tell('nobodySells') };
  return [
    {
      id: 'price',
      title: tell('pricePieceNeeded', { pieces }),
      group: 'buying',
      better: 'less',
      cell: (card) => {
        const p = bought(card);
        if (!p) return nobody;
        return said(priceOf(p.each, p.offer.currency), p.each, {
          conditions: tell('from', {
            packs: p.packs,
            pack: p.offer.pack === 1 ? tell('onePiece') : tell('pack', { pack: p.offer.pack }),
            supplier: p.offer.supplier,
          }),
          workings: priceWorkings(p, pieces),
        });
      },
    },
    {
      id: 'shipping',
      title: tell('shipping'),
      group: 'buying',
      better: 'less',
      cell: (card) => {
        const p = bought(card);
        return p
          ? said(priceOf(p.goods + p.offer.shipping, p.offer.currency), p.goods + p.offer.shipping, {
              conditions: tell('shippingOf', { shipping: priceOf(p.offer.shipping, p.offer.currency) }),
            })
          : nobody;
      },
    },
    {
      id: 'arrival',
      title: tell('arrival'),
      group: 'buying',
      unit: 'days',
      better: 'less',
      cell: (card) => {
        const p = bought(card);
        return p
          ? said(tell('days', { leadDays: p.offer.leadDays }), p.offer.leadDays, {
              conditions: p.offer.supplier,
              breaks: setting.days !== undefined && p.offer.leadDays > setting.days,
            })
          : nobody;
      },
    },
    {
      id: 'soldering',
      title: tell('soldering'),
      group: 'buying',
      cell: (card) => {
        const p = bought(card);
        return p ? said(p.offer.soldering ? tell('needed') : tell('none')) : nobody;
      },
    },
  ];
}
