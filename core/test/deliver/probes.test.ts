/** The probes of every line of a sheet stand in the very hole or on the very pin that the line names. */
import { expect } from 'chai';
import { boardDrawing } from '../../src/deliver/board-drawing.ts';
import { bringUpSheet } from '../../src/deliver/bring-up.ts';
import { pointsOf, probesOn } from '../../src/deliver/probes.ts';
import { say } from '../../src/say/say.ts';
import { benchOf } from '../support/bench-case.ts';
import { PLANS } from '../support/demo.ts';

describe('the probes of a line of the sheet', function () {
  this.timeout(60_000);

  for (const name of PLANS)
    it(`are both on the drawing, and what they are on is what the line says: ${name}`, () => {
      const plan = benchOf(name);
      const drawing = boardDrawing(plan.circuit, plan.layout);
      const pins = new Set(drawing.parts.flatMap((part) => part.pins.map(({ x, y }) => `${x} ${y}`)));
      const holes = new Set(drawing.holes.map(({ x, y }) => `${x} ${y}`));
      let shown = 0;
      for (const row of bringUpSheet(plan).rows) {
        if (row.kind !== 'ohms' && row.kind !== 'volts') {
          if (row.kind !== 'edge') expect(row.probes, say(row.title)).to.equal(undefined);
          continue;
        }
        const probes = row.probes ? probesOn(drawing, plan.layout, row.probes) : [];
        expect(
          probes.map(({ colour }) => colour),
          say(row.title),
        ).to.deep.equal(['red', 'black']);
        const how = say(row.how);
        for (const { x, y, on } of probes) {
          const joint = drawing.joints.some((j) => j.x === x && j.y === y);
          expect(pins.has(`${x} ${y}`) || holes.has(`${x} ${y}`) || joint, `${how} at ${x} ${y}`).to.equal(true);
          expect(how, how).to.include(say(on));
        }
        const [red, black] = probes;
        // Handles lean apart: neither lies over the other's tip.
        expect((red?.lean.x ?? 0) * (black?.lean.x ?? 0), how).to.be.lessThan(0);
        const { box } = drawing;
        for (const point of pointsOf(probes).filter((_, i) => i % 2 === 0))
          expect(point.x >= box.left && point.x <= box.right && point.y >= box.top && point.y <= box.bottom).to.equal(
            true,
          );
        shown += 1;
      }
      expect(shown).to.be.greaterThan(20);
    });
});
