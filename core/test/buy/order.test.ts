/** Orders against every choice there is, and the chance of enough working pieces against its definition. */
import { expect } from 'chai';
import type { Offer } from '../../src/card/card-shape.ts';
import { cheapestOrder, orderBounds, orderFront, orderOf, type OrderLine } from '../../src/buy/order.ts';
import { chanceOfEnough, piecesToBuy, purchase, type Purchase } from '../../src/buy/purchase.ts';
import { randomFrom } from '../../src/quantity/random.ts';

const SURE = 0.9;
const offer = (supplier: string, price: number, more: Partial<Offer> = {}): Offer => ({
  supplier,
  price,
  currency: 'EUR',
  pack: 1,
  shipping: 4,
  leadDays: 3,
  soldering: false,
  ...more,
});

function randomLines(seed: number): OrderLine[] {
  const random = randomFrom(seed);
  const pick = (n: number) => Math.floor(random() * n);
  const shops = ['north', 'south', 'east', 'west'].slice(0, 2 + pick(3)).map((name) => ({
    name,
    shipping: pick(9),
    leadDays: 1 + pick(20),
    ...(random() < 0.6 ? { freeFrom: 5 + pick(40) } : {}),
  }));
  return Array.from({ length: 1 + pick(6) }, (_, i) => ({
    id: `line-${i}`,
    pieces: 1 + pick(4),
    offers: shops
      .filter(() => random() < 0.8)
      .map(({ name, shipping, leadDays, ...rest }) =>
        offer(name, Math.round(100 * (1 + random() * 12)) / 100, {
          shipping,
          leadDays,
          pack: 1 + pick(3),
          duds: random() < 0.5 ? random() * 0.2 : 0,
          ...('freeFrom' in rest ? { freeFrom: rest.freeFrom } : {}),
        }),
      ),
  })).filter(({ offers }) => offers.length > 0);
}

/** Every choice, one after another. */
function bruteForce(lines: readonly OrderLine[], latest: number | null): number {
  let least = Infinity;
  const go = (i: number, picks: ReadonlyMap<string, Purchase>) => {
    const line = lines[i];
    if (!line) {
      least = Math.min(least, orderOf(lines, picks).total);
      return;
    }
    for (const o of line.offers)
      if (latest === null || o.leadDays <= latest)
        go(i + 1, new Map([...picks, [line.id, purchase(o, line.pieces, SURE)]]));
  };
  go(0, new Map());
  return least;
}

describe('orders', () => {
  it('cost what the cheapest of all choices costs, on 300 random small cases and every day', () => {
    for (let seed = 1; seed <= 300; seed++) {
      const lines = randomLines(seed);
      const days = [null, ...new Set(lines.flatMap(({ offers }) => offers.map(({ leadDays }) => leadDays)))];
      for (const latest of days) {
        const order = cheapestOrder(lines, { latest, sure: SURE });
        const least = bruteForce(lines, latest);
        if (order === null) expect(least, `seed ${seed}`).to.equal(Infinity);
        else expect(order.proved, `seed ${seed}`).to.equal(true);
        if (order) expect(order.total, `seed ${seed}, day ${latest}`).to.be.closeTo(least, 1e-6);
        if (order && latest !== null) expect(order.arrival).to.be.at.most(latest);
      }
    }
  });

  it('buy a thing more dearly where that makes shipping free', () => {
    const lines: OrderLine[] = [
      { id: 'a', pieces: 1, offers: [offer('near', 18, { shipping: 6, freeFrom: 20 })] },
      {
        id: 'b',
        pieces: 1,
        offers: [offer('near', 3, { shipping: 6, freeFrom: 20 }), offer('far', 1, { shipping: 0 })],
      },
    ];
    // 18 + 3 with free shipping is 21; 18 + 6 of shipping + 1 is 25.
    expect(cheapestOrder(lines, { latest: null, sure: SURE })?.total).to.equal(21);
  });

  it('tell what each further day saves, the earliest first, and leave out what saves nothing', () => {
    const lines: OrderLine[] = [
      {
        id: 'a',
        pieces: 1,
        offers: [
          offer('fast', 10, { shipping: 5, leadDays: 2 }),
          offer('late', 12, { shipping: 5, leadDays: 9 }),
          offer('slow', 4, { shipping: 0, leadDays: 20 }),
        ],
      },
    ];
    expect(orderFront(lines, SURE).map(({ arrival, total }) => [arrival, total])).to.deep.equal([
      [2, 15],
      [20, 4],
    ]);
  });

  it('are none where one thing cannot be there in time', () =>
    expect(
      cheapestOrder([{ id: 'a', pieces: 1, offers: [offer('x', 1, { leadDays: 9 })] }], { latest: 8, sure: SURE }),
    ).to.equal(null));

  it('are proved with sixty lines from three suppliers with thresholds', () => {
    const random = randomFrom(3);
    const lines = Array.from({ length: 60 }, (_, i): OrderLine => ({
      id: `line-${i}`,
      pieces: 1 + Math.floor(random() * 3),
      offers: ['a', 'b', 'c'].map((name) =>
        offer(name, Math.round(100 * (1 + random() * 9)) / 100, { freeFrom: 120, shipping: 6 }),
      ),
    }));
    const order = cheapestOrder(lines, { latest: null, sure: SURE });
    // Never above taking each line where it is cheapest and paying all shipping.
    const plain = lines.reduce(
      (sum, l) => sum + Math.min(...l.offers.map((o) => purchase(o, l.pieces, SURE).goods)),
      18,
    );
    expect(order?.total).to.be.at.most(plain + 1e-9);
    expect(order?.proved).to.equal(true);
  });
});

describe('spares', () => {
  /** P(at least k of n) by its definition: every outcome of n pieces, one after another. */
  function byOutcomes(n: number, k: number, duds: number): number {
    let sum = 0;
    for (let outcome = 0; outcome < 1 << n; outcome++) {
      const dead = [...outcome.toString(2)].filter((bit) => bit === '1').length;
      if (n - dead >= k) sum += duds ** dead * (1 - duds) ** (n - dead);
    }
    return sum;
  }
  it('follow the binomial formula', () => {
    for (let k = 1; k <= 6; k++)
      for (let n = k; n <= 10; n++)
        for (const duds of [0.01, 0.04, 0.2, 0.5])
          expect(chanceOfEnough(n, k, duds), `${n} ${k} ${duds}`).to.be.closeTo(byOutcomes(n, k, duds), 1e-12);
  });
  it('are the fewest that are enough', () => {
    for (let k = 1; k <= 6; k++)
      for (const duds of [0.01, 0.04, 0.1])
        for (const sure of [0.5, 0.9, 0.99]) {
          const order = piecesToBuy(k, duds, sure);
          expect(chanceOfEnough(order, k, duds)).to.be.at.least(sure);
          if (order > k) expect(chanceOfEnough(order - 1, k, duds)).to.be.below(sure);
        }
    expect([1, 2, 3].map((k) => piecesToBuy(k, 0.04, 0.9)).concat(piecesToBuy(10, 0, 0.9))).to.deep.equal([
      1, 2, 4, 10,
    ]);
  });
});

describe('a large order', () => {
  const random = randomFrom(4711);
  const shops = Array.from({ length: 40 }, (_, i) => ({
    supplier: `shop ${i}`,
    shipping: Math.round(200 + random() * 500) / 100,
    ...(random() < 0.5 ? { freeFrom: Math.round(1500 + random() * 3000) / 100 } : {}),
  }));
  const lines = (count: number): OrderLine[] =>
    Array.from({ length: count }, (_, i) => ({
      id: `line-${i}`,
      pieces: 1,
      offers: Array.from({ length: 5 }, () => {
        const shop = shops[Math.floor(random() * shops.length)] as (typeof shops)[number];
        return offer(shop.supplier, Math.round(50 + random() * 1500) / 100, shop);
      }),
    }));
  it('of forty lines from forty suppliers with thresholds is proved', function () {
    this.timeout(30_000);
    const order = cheapestOrder(lines(40), { latest: null, sure: SURE });
    expect(order?.proved).to.equal(true);
    expect(order?.picks.size).to.equal(40);
  });
  it('of one line from eleven suppliers, and from thirty-three, takes the cheapest with its shipping', () => {
    for (const count of [11, 31, 32, 33]) {
      const one: OrderLine = {
        id: 'x',
        pieces: 1,
        offers: shops.slice(0, count).map((shop, i) => offer(shop.supplier, 10 - i / 100, shop)),
      };
      const least = Math.min(...one.offers.map((o) => orderOf([one], new Map([['x', purchase(o, 1, SURE)]])).total));
      expect(cheapestOrder([one], { latest: null, sure: SURE })?.total).to.be.closeTo(least, 1e-9);
    }
  });
  it('is bounded at once: what is at hand costs no less than the cheapest, and no order less than the bound', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const some = randomLines(seed);
      const limits = { latest: null, sure: SURE };
      const exact = cheapestOrder(some, limits);
      const quick = orderBounds(some, limits);
      expect(quick?.order.total).to.be.at.least((exact?.total ?? 0) - 1e-6);
      expect(quick?.least).to.be.at.most((exact?.total ?? 0) + 1e-6);
    }
  });
});
