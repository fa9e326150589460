import { expect } from 'chai';
import fc from 'fast-check';
import { applyChanges, planChanges } from '../../src/plan/changes.ts';
import {
  addBus,
  addHelper,
  changeBus,
  changePart,
  setAddress,
  setFeed,
  setOpened,
  setPin,
} from '../../src/plan/edits.ts';
import { removeHelper, removePart } from '../../src/plan/remove.ts';
import { documentOf } from '../../src/plan/document.ts';
import { isSame } from '../../src/plan/same.ts';
import { referenceProblems } from '../../src/plan/references.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { demo, library } from '../support/demo.ts';

const draft = demo('cupboard-first-draft').plan;
const verified = demo('cupboard-verified').plan;
const all = (before: Plan, after: Plan) => {
  const changes = planChanges(before, after);
  return applyChanges(before, changes, new Set(changes.map(({ id }) => id)));
};
const byId = <T extends { id: string }>(list: readonly T[]) => list.toSorted((a, b) => (a.id < b.id ? -1 : 1));
/** Alike but for the order of parts, buses and helpers. */
const alike = (a: Plan, b: Plan): boolean =>
  isSame(
    [byId(a.parts), byId(a.buses), byId(a.helpers), a.controller, a.unused],
    [byId(b.parts), byId(b.buses), byId(b.helpers), b.controller, b.unused],
  );

const EDITS: readonly ((plan: Plan) => Plan)[] = [
  (p) => setFeed(p, 'scale', 'vcc', 'board.3v3'),
  (p) => setAddress(p, 'display', 'i2c', 0x26),
  (p) => setOpened(p, 'shelf-top', 'sda', true),
  (p) => setPin(p, 'door-contact.contact', 'contact', { pin: 'p16', locked: true }),
  (p) => removeHelper(p, 'pull-probe-2'),
  (p) => changeBus(p, 'i2c', (bus) => ({ ...bus, clock: 400e3 })),
  (p) => setPin(p, 'i2c', 'sda', { pin: 'p4', locked: false }),
  (p) => removePart(p, 'sounder'),
  (p) => removePart(p, 'fan-switch'),
  (p) => addBus(p, { id: 'more', name: 'more', protocol: 'i2c', clock: 100e3, lines: {} }),
  (p) => addHelper(p, { id: 'fan-diode', kind: 'diode', part: 'fan', card: 'diode-1a' }),
  (p) => ({ ...p, unused: ['radio'] }),
];

describe('the changes between two plans', () => {
  it('are none between a plan and itself', () => expect(planChanges(draft, draft)).to.deep.equal([]));

  it('make the one of the other, both ways', () => {
    expect(alike(all(draft, verified), verified)).to.equal(true);
    expect(alike(all(verified, draft), draft)).to.equal(true);
  });

  it('make any edited plan of the one before', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([...EDITS]), (edits) => {
        const after = edits.reduce((plan, edit) => edit(plan), draft);
        expect(alike(all(draft, after), after)).to.equal(true);
      }),
      { numRuns: 150, seed: 7 },
    );
  });

  it('hold together whichever of them are taken', () => {
    const changes = planChanges(draft, verified);
    fc.assert(
      fc.property(fc.subarray(changes.map(({ id }) => id)), (wanted) => {
        const plan = applyChanges(draft, changes, new Set(wanted));
        expect(referenceProblems(documentOf(plan, [], library))).to.deep.equal([]);
      }),
      { numRuns: 150, seed: 7 },
    );
  });
  it('takes a setting back as well as it makes it: bits, mode, ground', () => {
    const set = changePart(draft, 'probe-1', (p) => ({ ...p, bits: 9, mode: 1, ground: 'board.p4' }));
    expect(alike(all(draft, set), set)).to.equal(true);
    expect(alike(all(set, draft), draft)).to.equal(true);
  });
});
