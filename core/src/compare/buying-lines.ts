import { formatMoney } from '../quantity/money.ts';
import type { Card } from '../card/card.ts';
import { chosenOffer } from '../plan/cost.ts';
import { purchase } from '../plan/purchase.ts';
import { NOTHING, said, type Cell, type Comparing, type Line } from './cell.ts';

/** What the pieces cost in the packs that must be bought, and when they arrive. */
export function buyingLines({ buying, sure, pieces, setting }: Comparing): Line[] {
  const bought = (card: Card) => {
    const offer = chosenOffer(card, buying);
    return offer ? purchase(offer, pieces, sure) : null;
  };
  const money = formatMoney;
  const nobody: Cell = { ...NOTHING, text: 'nobody sells it' };
  return [
    {
      id: 'price',
      title: `price of a piece, ${pieces} needed`,
      group: 'buying',
      better: 'less',
      cell: (card) => {
        const p = bought(card);
        if (!p) return nobody;
        return said(money(p.each, p.offer.currency), p.each, {
          conditions: `${p.packs} × ${p.offer.pack === 1 ? 'one piece' : `pack of ${p.offer.pack}`} from ${p.offer.supplier}`,
          workings: [
            {
              name: 'to order',
              sum: p.order === pieces ? `${pieces}` : `${pieces} and ${p.order - pieces} spare for duds`,
              value: p.order,
              unit: 'parts',
            },
            { name: 'goods', sum: `${p.packs} × ${p.offer.price.toFixed(2)}`, value: p.goods, unit: '' },
            { name: 'a piece', sum: `${p.goods.toFixed(2)} ÷ ${pieces}`, value: p.each, unit: '' },
          ],
        });
      },
    },
    {
      id: 'shipping',
      title: 'with shipping',
      group: 'buying',
      better: 'less',
      cell: (card) => {
        const p = bought(card);
        return p
          ? said(money(p.goods + p.offer.shipping, p.offer.currency), p.goods + p.offer.shipping, {
              conditions: `shipping ${p.offer.shipping.toFixed(2)}`,
            })
          : nobody;
      },
    },
    {
      id: 'arrival',
      title: 'arrival',
      group: 'buying',
      unit: 'days',
      better: 'less',
      cell: (card) => {
        const p = bought(card);
        return p
          ? said(`${p.offer.leadDays} days`, p.offer.leadDays, {
              conditions: p.offer.supplier,
              breaks: setting.days !== undefined && p.offer.leadDays > setting.days,
            })
          : nobody;
      },
    },
    {
      id: 'soldering',
      title: 'soldering',
      group: 'buying',
      cell: (card) => {
        const p = bought(card);
        return p ? said(p.offer.soldering ? 'needed' : 'none') : nobody;
      },
    },
  ];
}
