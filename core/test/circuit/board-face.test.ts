import { expect } from 'chai';
import { boardFace } from '../../src/circuit/board-face.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { documentOf } from '../../src/plan/document.ts';
import { emptyPlan } from '../../src/plan/edits.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { demo, library } from '../support/demo.ts';

function faceOf(board: string) {
  const card = library.get(board);
  if (!card) throw new Error('no card');
  const { plan } = addPart(deriveCircuit({ plan: emptyPlan('p', 'p'), cards: [] }), library, card);
  return boardFace(deriveCircuit(documentOf(plan, [], library)));
}
const labels = (board: string) => faceOf(board).map(({ left, right }) => [left?.terminal.label, right?.terminal.label]);

describe('the face of a board', () => {
  it('has a header at each edge, counted from the top', () => {
    const rows = labels('wifi-board');
    expect(rows).to.have.length(15);
    expect(rows[1]).to.deep.equal(['A0', 'P8']);
    expect(faceOf('wifi-board')[1]?.left?.number).to.equal(2);
  });
  it('has odd numbers at the left of a header of two rows', () => {
    const rows = labels('linux-board');
    expect(rows).to.have.length(20);
    expect(rows[0]).to.deep.equal(['3V3', '5V']);
    expect(rows[3]).to.deep.equal(['GPIO4', 'GPIO14']);
    expect(
      faceOf('linux-board')
        .map(({ left, right }) => [left?.number, right?.number])
        .at(-1),
    ).to.deep.equal([39, 40]);
  });
  it('shows every terminal once', () => {
    for (const board of ['wifi-board', 'board-8bit', 'stick-board', 'stick-mini', 'linux-board']) {
      const shown = faceOf(board).flatMap(({ left, right }) => [left?.terminal.id, right?.terminal.id]);
      const all = library.get(board)?.terminals.map(({ id }) => id) ?? [];
      expect(shown.filter(Boolean).sort(), board).to.deep.equal([...all].sort());
    }
  });
  it('has the printed names of a carrier beside', () => {
    const { plan, cards } = demo('stairwell');
    const pins = boardFace(deriveCircuit({ plan, cards })).flatMap(({ left, right }) => [left, right]);
    expect(pins.find((pin) => pin?.terminal.id === 'p7')?.printed).to.equal('S1');
  });
});
