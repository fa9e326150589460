/** The picture of a build: everything that is built is in it, nothing crosses, and no word lies on a line or on another. */
import { expect } from 'chai';
import { verify } from '../../src/check/verify.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { columnsOf } from '../../src/drawing/columns.ts';
import { layNarrow } from '../../src/drawing/lay-narrow.ts';
import { FORMS, layOut } from '../../src/drawing/lay-out.ts';
import { fitted, widthOf } from '../../src/drawing/letter-widths.ts';
import type { Drawing } from '../../src/drawing/shapes.ts';
import { overviewSvg } from '../../src/format/overview-svg.ts';
import { overviewOf } from '../../src/overview/overview-of.ts';
import type { FeedNode } from '../../src/overview/model.ts';
import type { PlanDocument } from '../../src/plan/document.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { demo, PLANS } from '../support/demo.ts';
import { faultsOf } from '../support/drawn-faults.ts';
import { randomPlan } from '../support/random-plan.ts';

const pictured = (document: PlanDocument) => {
  const circuit = deriveCircuit(document);
  return overviewOf(circuit, verify(circuit));
};
const drawn = (document: PlanDocument): Drawing => layOut(pictured(document));
const drawnNarrow = (document: PlanDocument): Drawing => layNarrow(pictured(document));

/** A plan as a maker leaves it: parts all over the place, called as they please. */
function scattered(seed: number): PlanDocument {
  const random = randomFrom(seed * 7 + 3);
  const parts = [2, 5, 9, 17, 28, 40][seed % 6] ?? 5;
  const document = randomPlan(seed, parts);
  const places = Array.from({ length: 1 + Math.floor(random() * 12) }, (_, i) =>
    `place ${i} ${'behind the shed '.repeat(i % 3)}`.trim(),
  );
  return {
    ...document,
    plan: {
      ...document.plan,
      parts: document.plan.parts.map((part) => ({
        ...part,
        ...(random() < 0.85 ? { place: places[Math.floor(random() * places.length)] ?? 'place 0' } : {}),
        label: random() < 0.3 ? `${part.label} that stands where nobody looks for it`.slice(0, 60) : part.label,
      })),
    },
  };
}

describe('the picture of a build', function () {
  this.timeout(240_000);
  for (const name of PLANS)
    it(`of ${name} has nothing on anything else`, () => {
      expect(faultsOf(drawn(demo(name)))).to.deep.equal([]);
      expect(faultsOf(drawnNarrow(demo(name)))).to.deep.equal([]);
    });

  it('for a narrow window is as wide as a phone, and shows the same things', () => {
    for (const name of PLANS) {
      const [wide, narrow] = [drawn(demo(name)), drawnNarrow(demo(name))];
      expect(narrow.width, name).at.most(360);
      const things = ({ shapes }: Drawing) =>
        [
          ...new Set(
            shapes.flatMap(({ of }) => (of.kind === 'part' || of.kind === 'rail' ? [`${of.kind} ${of.id}`] : [])),
          ),
        ].sort();
      expect(things(narrow), name).deep.equal(things(wide));
    }
  });

  it('shows every feed, those that are made of a rail of the board as well', () => {
    const rails = (nodes: readonly FeedNode[]): string[] => nodes.flatMap(({ rail, into }) => [rail, ...rails(into)]);
    for (const name of PLANS) {
      const overview = pictured(demo(name));
      for (const drawing of [layOut(overview), layOut(overview, 'brief'), layNarrow(overview)])
        expect(
          drawing.shapes.flatMap((shape) =>
            shape.is === 'box' && (shape.role === 'feed' || shape.role === 'rail') ? [shape.of.id] : [],
          ),
        ).to.have.members(rails(overview.feeds));
    }
  });

  it('in brief fits a window of 1280 px with all seventeen parts, and shows the same things', () => {
    const overview = pictured(demo('cupboard-first-draft'));
    const [full, brief] = [layOut(overview), layOut(overview, 'brief')];
    expect(faultsOf(brief)).to.deep.equal([]);
    // What the stations at the edge leave, at no less than 11 px for letters of 12.
    expect(brief.width * 0.92).to.be.at.most(1156);
    const things = ({ shapes }: Drawing) =>
      [...new Set(shapes.flatMap(({ of }) => (of.kind === 'legend' ? [] : [`${of.kind} ${of.id}`])))].sort();
    expect(things(brief)).to.deep.equal(things(full));
    const marks = ({ shapes }: Drawing) => shapes.flatMap((shape) => (shape.is === 'mark' ? [shape.key] : [])).sort();
    expect(marks(brief)).to.deep.equal(marks(full));
  });

  it('has nothing on anything else, and no crossing, on 200 random plans of up to 40 parts with long names', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const overview = pictured(scattered(seed));
      for (const form of FORMS) expect(faultsOf(layOut(overview, form)), `seed ${seed}, ${form}`).to.deep.equal([]);
      expect(faultsOf(layNarrow(overview)), `seed ${seed}, narrow`).to.deep.equal([]);
    }
  });

  it('finds what is laid wrong', () => {
    const drawing = drawn(demo('stairwell'));
    const texts = drawing.shapes.filter((shape) => shape.is === 'text');
    const [first, second] = texts;
    if (!first || !second) throw new Error('no words');
    const moved = drawing.shapes.map((shape) => (shape === second ? { ...second, x: first.x, y: first.y } : shape));
    expect(faultsOf({ ...drawing, shapes: moved })).not.to.deep.equal([]);
  });

  it('shows every part of the build but what only holds or joins', () => {
    for (const name of PLANS) {
      const document = demo(name);
      const { shapes } = drawn(document);
      const shown = new Set(
        shapes.flatMap(({ of }) => (of.kind === 'part' ? [of.id] : of.kind === 'rail' ? [of.id.split('.')[0]] : [])),
      );
      const beside = new Set([
        'board',
        'leads',
        'cable',
        'resistor',
        'joint',
        'diode',
        'capacitor',
        'controller',
        'carrier',
      ]);
      const missing = document.plan.parts.filter(
        ({ id, card }) => !shown.has(id) && !beside.has(document.cards.find((one) => one.id === card)?.kind ?? ''),
      );
      expect(
        missing.map(({ id }) => id),
        name,
      ).to.deep.equal([]);
    }
  });

  it('is cut into columns where no word and no part is, and nothing of it is lost', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const drawing = drawnNarrow(scattered(seed));
      const strips = columnsOf(drawing, 930);
      expect(strips[0]?.[0]).equal(0);
      expect(strips.at(-1)?.[1]).equal(drawing.height);
      strips.slice(1).forEach(([from], i) => {
        expect(from).equal(strips[i]?.[1]);
        const cut = drawing.shapes.filter(
          (shape) =>
            (shape.is === 'text' || (shape.is === 'box' && ['part', 'gate', 'feed', 'rail'].includes(shape.role))) &&
            shape.y < from &&
            from < shape.y + shape.h,
        );
        expect(cut, `seed ${seed} at ${from}`).deep.equal([]);
      });
      for (const [from, to] of strips) expect(to - from, `seed ${seed}`).at.most(930);
    }
  });

  it('is an SVG of its own', () => {
    const svg = overviewSvg(drawn(demo('cupboard-first-draft')), 'Cupboard & <draft>');
    expect(svg).to.match(/^<svg [^>]*viewBox="0 0 \d+ \d+"/);
    expect(svg).to.include('<title>Cupboard &amp; &lt;draft&gt;</title>');
    expect(svg.match(/<text /g)?.length).to.be.greaterThan(40);
  });
});

describe('words in a drawing', () => {
  it('are cut where there is no more room, and say so', () => {
    expect(fitted('humidity', 200, 13, 'plain')).to.equal('humidity');
    const cut = fitted('humidity and temperature', 60, 13, 'plain');
    expect(cut).to.match(/…$/);
    expect(widthOf(cut, 13, 'plain')).to.be.at.most(60);
  });
});
