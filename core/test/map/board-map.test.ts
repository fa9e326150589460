/** The boards as a draughtsman shows them: nothing crosses, no word is covered, and the numbers are those of the steps. */
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { boardDrawing } from '../../src/deliver/board-drawing.ts';
import { wiringPlan } from '../../src/deliver/wiring.ts';
import { boardSvg } from '../../src/format/board-svg.ts';
import { figureInkOf, inkOf } from '../../src/format/lead-inks.ts';
import { layBuild } from '../../src/layout/lay.ts';
import { boardMap, leadNumbers } from '../../src/map/board-map.ts';
import { frameOf, piecesOf } from '../../src/map/frame.ts';
import type { BoardMap } from '../../src/map/model.ts';
import { Lattice } from '../../src/map/lattice.ts';
import type { PlanDocument } from '../../src/plan/document.ts';
import { demo, PLANS } from '../support/demo.ts';
import { mapFaults } from '../support/map-faults.ts';
import { randomPlan } from '../support/random-plan.ts';

function drawn(document: PlanDocument) {
  const circuit = deriveCircuit(document);
  const result = layBuild(circuit, 1);
  if (!result.ok) return null;
  const { steps } = wiringPlan(circuit, result.layout);
  const drawing = boardDrawing(circuit, result.layout);
  const numbers = leadNumbers(steps);
  const maps = steps.map((step) => boardMap(drawing, numbers, new Set(step.leads.map(({ key }) => key))));
  return { steps, numbers, whole: boardMap(drawing, numbers), maps };
}
const of = (name: (typeof PLANS)[number]) => {
  const all = drawn(demo(name));
  if (!all) throw new Error(`${name} is not laid out`);
  return all;
};
const NONE = { crossings: [], covered: [] };
const wholeOf = (maps: readonly BoardMap[]) => {
  const leads = maps.flatMap((map) => map.leads);
  return leads.filter(({ way }) => way !== null).length / Math.max(1, leads.length);
};

describe('the drawing of the boards', function () {
  this.timeout(240_000);
  for (const name of PLANS)
    it(`of ${name}: nothing crosses and no word is covered, in the whole and in each step`, () => {
      const { whole, maps } = of(name);
      for (const map of [whole, ...maps]) expect(mapFaults(map)).deep.equal(NONE);
    });

  it('of 60 random plans: the same; in its step nearly every lead is drawn whole', function () {
    let steps = 0;
    let built = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const all = drawn(randomPlan(seed, [2, 5, 9, 14, 20][seed % 5] ?? 5));
      if (!all) continue;
      built += 1;
      for (const map of [all.whole, ...all.maps]) expect(mapFaults(map), `seed ${seed}`).deep.equal(NONE);
      const share = wholeOf(all.maps);
      steps += share;
      expect(share, `seed ${seed}`).at.least(0.75);
    }
    expect(built).at.least(50);
    console.log(`      ${((steps / built) * 100).toFixed(1)} % of the leads whole in their step, ${built} plans`);
    expect(steps / built).at.least(0.95);
  });

  it('gives every lead the number that it has in the steps, at both ends or at a joint', () => {
    const { steps, whole } = of('cupboard-verified');
    const told = steps.flatMap(({ leads }) => leads.map(({ number }) => number));
    expect(told).deep.equal(told.map((_, i) => i + 1));
    const byKey = new Map(steps.flatMap(({ leads }) => leads.map(({ key, number }) => [key, number] as const)));
    for (const { lead, number, tags } of whole.leads) {
      expect(number).equal(byKey.get(lead.key));
      expect(tags.length).within(1, 2);
    }
  });

  it('ends every way where its lead ends', () => {
    for (const { lead, way } of of('rain-barrel').whole.leads)
      if (way) expect([way[0], way.at(-1)]).deep.equal([lead.a, lead.b]);
  });

  it('looks at what a step is about, and cuts a long board into pieces that miss nothing', () => {
    const { steps, maps, whole } = of('cupboard-verified');
    steps.forEach((step, i) => {
      const map = maps[i];
      if (!map || step.leads.length === 0) return;
      const { left, right, top, bottom } = frameOf(map, new Set(step.leads.map(({ key }) => key)), new Set());
      for (const { lead } of map.leads)
        for (const { x, y } of [lead.a, lead.b])
          expect(x >= left && x <= right && y >= top && y <= bottom, `${lead.key}`).equal(true);
    });
    const pieces = piecesOf(whole, 42);
    expect(pieces[0]?.left).equal(whole.drawing.box.left);
    expect(pieces.at(-1)?.right).closeTo(whole.drawing.box.right, 1e-9);
    for (const { left, right } of pieces) expect(right - left).at.most(42);
  });

  it('finds what is drawn wrong', () => {
    const { whole } = of('rain-barrel');
    const [first, second] = whole.leads.filter(({ way }) => way !== null);
    const [word, other] = whole.texts;
    if (!first?.way || !second || !word || !other) throw new Error('nothing drawn');
    const doubled = whole.leads.map((one) => (one === second ? { ...second, way: first.way } : one));
    expect(mapFaults({ ...whole, leads: doubled }).crossings).not.deep.equal([]);
    const moved = whole.texts.map((text) => (text === word ? { ...word, box: other.box } : text));
    expect(mapFaults({ ...whole, texts: moved }).covered).not.deep.equal([]);
  });

  it('is an SVG of its own, with every number in it', () => {
    const { whole } = of('stairwell');
    const svg = boardSvg(whole, { title: 'a <stair>' });
    expect(svg).include('<title>a &lt;stair&gt;</title>');
    for (const { number } of whole.leads) expect(svg).include(`>${number}</text>`);
  });
});

describe('a way for a lead', () => {
  const lattice = () => new Lattice({ left: 0, right: 10, top: 0, bottom: 10 });

  it('goes straight where nothing is in the way, and round what is', () => {
    expect(lattice().way({ x: 1, y: 5 }, { x: 9, y: 5 })).deep.equal([
      { x: 1, y: 5 },
      { x: 9, y: 5 },
    ]);
    const walled = lattice();
    walled.close({ left: 5, right: 5, top: 2, bottom: 10 });
    const way = walled.way({ x: 1, y: 5 }, { x: 9, y: 5 });
    expect(way?.some(({ y }) => y < 2)).equal(true);
  });

  it('is none where it would have to cross: the wall from edge to edge', () => {
    const parted = lattice();
    parted.closeLine({ x: 5, y: 0 }, { x: 5, y: 10 });
    expect(parted.way({ x: 1, y: 5 }, { x: 9, y: 5 })).equal(null);
  });

  it('is not gone twice', () => {
    const taken = lattice();
    taken.take([
      { x: 5, y: 0 },
      { x: 5, y: 10 },
    ]);
    expect(taken.way({ x: 1, y: 5 }, { x: 9, y: 5 })).equal(null);
  });
});

describe('figures on a tag', () => {
  it('are told apart from its colour (WCAG 2.1: 4.5 to 1 at least)', () => {
    const luminance = (ink: string) =>
      [1, 3, 5]
        .map((at) => parseInt(ink.slice(at, at + 2), 16) / 255)
        .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4))
        .reduce((sum, c, i) => sum + c * ([0.2126, 0.7152, 0.0722][i] ?? 0), 0);
    for (const colour of [
      'red',
      'orange',
      'black',
      'green',
      'yellow',
      'blue',
      'violet',
      'white',
      'grey',
      'brown',
      'x',
    ]) {
      const [a, b] = [luminance(inkOf(colour)), luminance(figureInkOf(colour))].sort((one, other) => other - one);
      expect(((a ?? 0) + 0.05) / ((b ?? 0) + 0.05), colour).at.least(4.5);
    }
  });
});
