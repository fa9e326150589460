import { expect } from 'chai';
import { treeOf } from '../../src/workshop/build.ts';
import { beginDraft, openDraft, withPrint } from '../../src/workshop/draft.ts';
import { movedPin } from '../../src/workshop/move-pin.ts';
import { seenFromAbove } from '../../src/workshop/seen-from-above.ts';
import { library } from '../support/demo.ts';

const MEMORY = { kind: 'memory', title: '-' } as const;
const PITCH = 2.54e-3;
const seen = (headers: readonly { kind: string; text: string; across?: string }[]) =>
  seenFromAbove(treeOf(withPrint(beginDraft('controller'), { headers }).answers, MEMORY).tree);

describe('a part as it is drawn', () => {
  it('has its pins a pitch apart, and its second header so far across', () => {
    const { pins } = seen([
      { kind: 'male', text: 'A1 A2 A3' },
      { kind: 'male', text: 'B1 B2 B3', across: '22.86 mm' },
    ]);
    const at = (label: string) => pins.find((pin) => pin.label === label) ?? { x: NaN, y: NaN };
    expect(at('A2').x - at('A1').x).to.be.closeTo(PITCH, 1e-9);
    expect(at('A1').y - at('B1').y).to.be.closeTo(22.86e-3, 1e-9);
    expect(at('B1').x).to.be.closeTo(at('A1').x, 1e-9);
  });

  it('holds every pin of every card that ships inside of its outline, no two at one place', () => {
    for (const card of library.values()) {
      const { length, width, pins } = seenFromAbove(treeOf(openDraft(card).answers, MEMORY).tree);
      expect(pins.length, card.id).to.equal(card.terminals.length);
      for (const { id, x, y } of pins)
        expect(x >= 0 && x <= length && y >= 0 && y <= width, `${card.id} ${id} ${x} ${y}`).to.equal(true);
      const places = new Set(pins.map(({ x, y }) => `${x.toFixed(6)} ${y.toFixed(6)}`));
      expect(places.size, card.id).to.equal(pins.length);
    }
  });

  it('has a pin moved along its header, and nothing lost', () => {
    expect(movedPin('VIN GND SCL SDA', 3, 0)).to.equal('SDA VIN GND SCL');
    expect(movedPin('VIN=VCC, "long leg", SDA', 0, 1)).to.equal('"long leg", VIN=VCC, SDA');
    expect(movedPin('A B', 0, 5), 'beyond the end').to.equal('A B');
  });
});
