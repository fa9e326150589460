import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { compare } from '../../src/compare/compare.ts';
import { disqualifies, qualify, type Setting } from '../../src/compare/qualify.ts';
import type { Card } from '../../src/card/card.ts';
import type { SenseNeed } from '../../src/plan/plan.ts';
import { card, figure } from '../support/build.ts';

const source = 'sheet';
const need: SenseNeed = {
  id: 'n',
  kind: 'sense',
  quantity: 'air humidity',
  unit: '%RH',
  from: 30,
  to: 70,
  accuracy: 3,
  interval: 60,
  place: 'shelf',
};
const setting: Setting = { years: 4, place: undefined };
const offer = (supplier: string, price: number, pack: number, shipping: number, leadDays: number, duds = 0) => ({
  supplier,
  price,
  currency: 'EUR',
  pack,
  shipping,
  leadDays,
  duds,
  soldering: false,
});

const humid = (id: string, bands: [number, number, number][], rest: object = {}, more: object = {}): Card =>
  card(id, {
    measures: [
      {
        quantity: 'air humidity',
        unit: '%RH',
        range: { from: 0, to: 100, source },
        accuracy: bands.map(([from, to, error]) => ({ from, to, error, source })),
        ...rest,
      },
    ],
    ...more,
  });

const fine = humid(
  'fine',
  [
    [0, 25, 3.5],
    [25, 75, 1.8],
    [75, 100, 3.5],
  ],
  { driftPerYear: { value: 0.25, source }, interval: figure('s', { min: 1 }) },
  { offers: [offer('near', 8, 2, 4, 3)] },
);
const plain = humid(
  'plain',
  [[0, 100, 5]],
  { interval: figure('s', { min: 2 }) },
  { offers: [offer('far', 1.5, 1, 0, 18, 0.04)] },
);

const rowsOf = (cards: Card[], pieces = 3, buying: 'fast' | 'cheap' = 'fast', sure = 0.9) => {
  const { rows } = compare(cards, {
    need,
    setting,
    buying: { by: buying, money: { currency: 'EUR', rates: {} } },
    sure,
    pieces,
  });
  return (id: string) => rows.find((row) => row.id === id);
};

describe('comparison', () => {
  const row = rowsOf([fine, plain]);
  it('takes the error over the wanted range only: 30 to 70 lies inside ±1.8', () =>
    expect(row('error')?.cells.map(({ value }) => value)).to.deep.equal([1.8, 5]));
  it('counts drift over the planned life: 4 × 0.25, and says where none is stated', () => {
    expect(row('drift')?.cells.map(({ value, missing }) => [value, missing])).to.deep.equal([
      [1, false],
      [null, true],
    ]);
  });
  it('adds worst cases, 1.8 + 1 = 2.8, and spreads independent errors, √(1.8² + 1²) = 2.059', () => {
    const [cell] = row('total')?.cells ?? [];
    expect(cell?.value).to.equal(2.8);
    expect(say(cell?.text)).to.equal('±2.8 %RH; spread ±2.06 %RH');
    expect(cell?.breaks).to.equal(false);
    expect(row('total')?.cells[1]?.breaks).to.equal(true); // ±5 of ±3
  });
  it('counts packs: three of packs of two are two packs, 2 × 8 ÷ 3, and 4 for shipping', () => {
    expect(row('price')?.cells[0]?.value).to.be.closeTo(16 / 3, 1e-9);
    expect(row('shipping')?.cells[0]?.value).to.equal(20);
  });
  it('counts spares for duds: three working of 4 % dead ones ask for four, 4 × 1.50 ÷ 3', () => {
    expect(row('price')?.cells[1]?.value).to.equal(2);
    expect(row('arrival')?.cells.map(({ value }) => value)).to.deep.equal([3, 18]);
    // 0.96³ = 0.885: whoever is content with eight in ten needs no spare.
    const [, bold] = rowsOf([fine, plain], 3, 'fast', 0.8)('price')?.cells ?? [];
    expect(bold?.value).to.equal(1.5);
  });
  it('knows which lines differ, and which way is better', () => {
    expect(row('range')?.differs).to.equal(false);
    expect([row('error')?.differs, row('error')?.better, row('clock')?.better]).to.deep.equal([true, 'less', 'more']);
  });
  it('cites page and source of a figure', () =>
    expect(row('error')?.cells[0]?.source).to.deep.include({ kind: 'datasheet', page: 7 }));
  it('where bands overlap the tightest holds; where none reaches, nothing is promised', () => {
    const both = humid('both', [
      [0, 100, 4.5],
      [20, 80, 2.5],
    ]);
    expect(rowsOf([both])('error')?.cells[0]?.value).to.equal(2.5);
    const gap = humid('gap', [[0, 40, 2]]);
    const cell = rowsOf([gap])('error')?.cells[0];
    expect(cell?.missing).to.equal(true);
    expect(say(cell?.text)).to.equal('not stated from 40 to 70 %RH');
  });
});

describe('who qualifies', () => {
  it('is ruled out by the first reason that holds', () => {
    expect(disqualifies(fine, need, setting)).to.equal(null);
    expect(disqualifies(plain, need, setting)).to.equal('accuracy');
    expect(disqualifies(fine, { ...need, to: 110 }, setting)).to.equal('range');
    expect(disqualifies(fine, { ...need, interval: 0.5 }, setting)).to.equal('interval');
    expect(disqualifies(fine, { ...need, quantity: 'weight' }, setting)).to.equal('quantity');
    expect(disqualifies(fine, need, { ...setting, days: 2 })).to.equal('date');
    expect(disqualifies(fine, need, { ...setting, most: 5 })).to.equal('price');
  });
  it('at a wet or hot place needs a card that stands it', () => {
    const wet = { name: 'shelf', water: 'splash' as const, outdoors: false, closed: false };
    expect(disqualifies(fine, need, { ...setting, place: wet })).to.equal('water');
    const proof = {
      ...fine,
      body: {
        water: { rating: 'immersion' as const, source },
        ambient: { min: 0, max: 50, unit: '°C' as const, source },
      },
    };
    expect(disqualifies(proof, need, { ...setting, place: wet })).to.equal(null);
    expect(disqualifies(proof, need, { ...setting, place: { ...wet, air: { from: -5, to: 30 } } })).to.equal('ambient');
  });
  it('gas by gas: an element qualifies for what it measures, not for what else moves it', () => {
    const gas = (id: string, quantity: string, others: string[]) =>
      card(id, {
        measures: [
          {
            quantity,
            unit: 'ppm',
            range: { from: 0, to: 1000, source },
            accuracy: [{ from: 0, to: 1000, error: 50, source }],
            sensitiveTo: others.map((to) => ({ to, source })),
          },
        ],
      });
    const wanted: SenseNeed = { ...need, quantity: 'carbon monoxide', unit: 'ppm', from: 30, to: 400, accuracy: 60 };
    const found = qualify(
      [gas('a', 'carbon monoxide', ['hydrogen']), gas('b', 'methane', ['carbon monoxide'])],
      wanted,
      setting,
    );
    expect(found.able.map(({ id }) => id)).to.deep.equal(['a']);
    const { rows } = compare(found.able, {
      need: wanted,
      setting,
      buying: { by: 'fast', money: { currency: 'EUR', rates: {} } },
      sure: 0.9,
      pieces: 1,
    });
    expect(say(rows.find(({ id }) => id === 'others')?.cells[0]?.text)).to.equal('hydrogen');
  });
});
