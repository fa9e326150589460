import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { placeNames, readPlace } from '../../src/say/read-place.ts';
import { Places } from '../../src/deliver/places.ts';
import { pointKey, pointOf } from '../../src/layout/finish.ts';
import { benchOf } from '../support/bench-case.ts';
import { PLANS } from '../support/demo.ts';

describe('a place as it is typed', () => {
  it('is what it is called: every end of every lead of the demo plans, its name and its key', () => {
    for (const name of PLANS) {
      const { circuit, layout } = benchOf(name);
      const places = new Places(circuit, layout);
      for (const lead of layout.leads)
        for (const point of [lead.from, lead.to]) {
          expect(readPlace(circuit, layout, say(places.say(point))), say(places.say(point))).to.deep.equal(point);
          expect(pointOf(pointKey(point))).to.deep.equal(point);
        }
    }
  });

  it('is taken in the ways that people write it', () => {
    const { circuit, layout } = benchOf('cupboard-verified');
    const read = (text: string) => readPlace(circuit, layout, text);
    for (const text of ['a12', 'A12', ' a 12 ', '1:a12', 'board 1, a12'])
      expect(read(text)).to.deep.equal(hole('1:a12'));
    for (const text of ['upper + 5', 'u+5', 'Upper +5', '1:u+5']) expect(read(text)).to.deep.equal(hole('1:u+5'));
    for (const text of ['lower - 3', 'lower − 3', 'l-3']) expect(read(text)).to.deep.equal(hole('1:l-3'));
    for (const text of ['display, SDA', 'Display SDA', 'display,sda'])
      expect(read(text)).to.deep.equal({ kind: 'terminal', part: 'display', terminal: 'sda' });
  });

  it('offers every pin once, and each of them can be read', () => {
    for (const name of PLANS) {
      const { circuit, layout } = benchOf(name);
      const names = placeNames(circuit, layout);
      expect(new Set(names).size).to.equal(names.length);
      for (const text of names) expect(() => readPlace(circuit, layout, text)).not.to.throw();
    }
  });

  it('does not choose between two parts of one name', () => {
    const { circuit, layout } = benchOf('cupboard-verified');
    const parts = new Map([...circuit.parts].map(([id, part]) => [id, { ...part, label: 'sensor' }]));
    expect(() => readPlace({ ...circuit, parts }, layout, 'sensor SDA')).to.throw(/is a pin of \d+ parts/);
    expect(readPlace({ ...circuit, parts }, layout, 'sensor, LOAD−')).to.deep.equal({
      kind: 'terminal',
      part: 'fan-switch',
      terminal: 'load',
    });
  });

  it('says what it is not, and what was expected', () => {
    const { circuit, layout } = benchOf('cupboard-verified');
    const error = (text: string) => {
      try {
        readPlace(circuit, layout, text);
        return '';
      } catch (thrown) {
        return thrown instanceof Error ? thrown.message : '';
      }
    };
    expect(error('a900')).to.match(/no hole "a900": board 1 has rows 1 to \d+$/);
    expect(error('9:a1')).to.match(/the build has \d boards?$/);
    expect(error('upper + 200')).to.match(/strips u\+, u-, l-, l\+ of \d+ holes$/);
    expect(error('the middle')).to.match(
      /"the middle" is no place: a hole such as a12 or upper \+ 5, or a pin such as/,
    );
  });
});

const hole = (name: string) => ({ kind: 'hole', hole: name }) as const;
