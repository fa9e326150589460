/** Lists against counts and sums by hand. */
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { buildOf } from '../../src/deliver/build.ts';
import type { PartsList } from '../../src/deliver/parts-list.ts';
import { addHelper, setRules, setStock } from '../../src/plan/edits.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { documentOf } from '../../src/plan/document.ts';
import { cards, demo, library } from '../support/demo.ts';

const listOf = (plan: Plan): PartsList => buildOf(deriveCircuit(documentOf(plan, cards, library))).parts;
const lineOf = (list: PartsList, card: string) => list.lines.find((l) => l.card === card);
const { plan } = demo('cupboard-verified');
const list = listOf(plan);
const sum = (numbers: readonly number[]) => numbers.reduce((a, b) => a + b, 0);

describe('parts list of the cupboard, against a count by hand', () => {
  it('has the leads to the parts beside the board by ends and colour', () => {
    /*
     * By hand, from the circuit: parts beside the board with a header of pins, and their lines.
     *   top shelf (0.6 m), bottom shelf (0.9 m), carbon dioxide (0.4 m): ground, 3.3 V, SDA, SCL each
     *   display (0.3 m): ground, 5 V, SDA, SCL; knob (0.3 m): ground, 3.3 V and three lines
     *   door contact (0.5 m on top of its own wires): ground and its line, from a joint
     * All of these are longer than the 0.2 m of the short leads: long ones, male to female.
     *   black: 3 + 1 + 1 + 1 = 6; orange (3.3 V): 3 + 1 = 4; red (5 V): 1; green: 3 + 1 = 4; yellow: 3 + 1 = 4; knob: 3; door: 1
     */
    const long = list.leads.filter(({ length }) => length === 1);
    const count = (colour: string) => sum(long.filter((l) => l.colour === colour).map((l) => l.count));
    expect(long.every(({ ends }) => ends === 'male–female')).to.equal(true);
    expect(['black', 'orange', 'red', 'green', 'yellow'].map(count)).to.deep.equal([6, 4, 1, 4, 4]);
    expect(sum(long.map((l) => l.count))).to.equal(6 + 4 + 1 + 4 + 4 + 3 + 1);
    // The fan driver stands near: its ground and its line are short leads, male to female; the screw takes a plain pin.
    expect(sum(list.leads.filter((l) => l.length < 1 && l.ends === 'male–female').map((l) => l.count))).to.equal(2);
    expect(lineOf(list, 'leads-mf-long')).to.include({ needed: 23, inDrawer: 20, toBuy: 3, packs: 1 });
    expect(lineOf(list, 'joint-lever')).to.include({ needed: 2, toBuy: 0 });
  });

  it('counts the leads that feed the strips and join them', () => {
    /*
     * Male to male, by hand: grounds of what stands in the board or has screws: adapter, regulator twice, controller, 3.3 V
     * step-down, scale, light, buzzer, translator twice = 10 black, and 3 that join the minus strips of a split board (upper left
     * to upper right, upper to lower, lower left to lower right).
     */
    const short = list.leads.filter(({ ends, colour }) => ends === 'male–male' && colour === 'black');
    expect(sum(short.map((l) => l.count))).to.equal(13);
    // 12 V: adapter and regulator to a row of their own; 5 V: regulator, controller, step-down, translator to the strip, and one
    // between its two halves.
    const red = list.leads.filter(({ ends, colour }) => ends === 'male–male' && colour === 'red');
    expect(sum(red.map((l) => l.count))).to.equal(7);
    expect(sum(list.lines.filter(({ card }) => card.startsWith('leads-')).map(({ needed }) => needed))).to.equal(
      sum(list.leads.map(({ count }) => count)),
    );
  });

  it('has the resistors by value, and the box that holds them', () => {
    expect(list.resistors.map(({ ohms, count, inBox }) => [ohms, count, inBox])).to.deep.equal([
      [220, 1, true],
      [4700, 1, true],
      [10e3, 1, true],
    ]);
    expect(lineOf(list, 'resistors-e12')).to.include({ needed: 1, inDrawer: 1, toBuy: 0 });
    const without = listOf(setStock(plan, 'resistors-e12', 0));
    expect(lineOf(without, 'resistors-e12')).to.include({ needed: 1, toBuy: 1, packs: 1, total: 6.5 });
  });

  it('says which value the box does not have, and wants a second box for an eleventh piece of one', () => {
    const pulls = Array.from({ length: 11 }, (_, i) => i);
    const many = pulls.reduce(
      (p, i) =>
        addHelper(p, { id: `more-${i}`, kind: 'pull-up', of: 'one-wire', line: 'data', to: 'board.3v3', ohms: 3300 }),
      addHelper(plan, { id: 'odd', kind: 'pull-up', of: 'one-wire', line: 'data', to: 'board.3v3', ohms: 3010 }),
    );
    const { resistors, lines } = buildOf(deriveCircuit(documentOf({ ...many, boards: [] }, cards, library))).parts;
    expect(resistors.find(({ ohms }) => ohms === 3010)?.inBox).to.equal(false);
    expect(lines.find(({ card }) => card === 'resistors-e12')).to.include({ needed: 2, inDrawer: 1, toBuy: 1 });
  });

  it('counts each colour of a pack by itself: of 13 black leads two packs with eight of each have enough, one has not', () => {
    const black = list.leads.find(
      ({ colour, ends, length }) => colour === 'black' && ends === 'male–male' && length === 0.2,
    );
    expect(black?.count).to.equal(13);
    const bought = (stock: number) => lineOf(listOf(setStock(plan, 'leads-mm', stock)), 'leads-mm');
    // 37 are needed: forty would do if they were all alike.
    expect(bought(40)).to.include({ needed: 37, inDrawer: 32, toBuy: 5, packs: 1 });
    expect(bought(80)).to.include({ inDrawer: 37, toBuy: 0, packs: 0 });
    expect(bought(0)).to.include({ inDrawer: 0, packs: 2 });
  });

  it('adds up to the sum of the prices on the cards: 113.30 of goods and 3.90 of shipping', () => {
    // 8.90 + 3.20 + 9.50 + 2.60 + 3.90 + 4.90 + 3 × 6.50 + 24.00 + 9.80 + 6.40 + 1.90 + 1.60 + 5.50 + 1.80 + 1.90 + 1.20 + 1.90 + 4.80
    expect(sum(list.lines.map(({ total }) => total))).to.be.closeTo(113.3, 1e-9);
    expect(list.total).to.be.closeTo(117.2, 1e-9);
    expect([list.arrival, list.suppliers.map(({ supplier }) => supplier)]).to.deep.equal([3, ['Ferry Lane Parts']]);
    expect([list.late, list.noLead]).to.deep.equal([[], []]);
  });

  it('buys cheaper in the three weeks that there are, with a spare probe: 0.96³ = 0.885 is below nine in ten', () => {
    const slow = listOf(setRules(plan, { buying: 'cheap' }));
    expect(lineOf(slow, 'probe-food')).to.include({ needed: 3, toBuy: 4, spares: 1 });
    expect(lineOf(slow, 'probe-food')?.chance).to.be.closeTo(0.96 ** 4 + 4 * 0.04 * 0.96 ** 3, 1e-12);
    expect(slow.arrival).to.be.at.most(21);
    expect(slow.total).to.be.below(list.total);
    // What the wait buys is told in both cases, and the order that is taken is marked.
    expect(slow.front).to.deep.equal(list.front.map((f) => ({ ...f, taken: f.total === slow.total })));
    expect(list.front[0]).to.deep.include({ arrival: 3, taken: true });
  });

  it('wants more spares the surer one wants to be', () => {
    const sure = (share: number) =>
      lineOf(listOf(setRules(plan, { buying: 'cheap', sure: share })), 'probe-food')?.toBuy;
    // 4 of which 3 work: 0.991. For all but certain, five would cost more than three from where none is dead.
    expect([0.5, 0.9, 0.99, 0.9999].map(sure)).to.deep.equal([3, 4, 4, 3]);
  });
});
