/** What a plan asks of a place before it proves by it, beside sums by hand. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import type { Place } from '../../src/plan/plan.ts';
import { verify } from '../../src/check/verify.ts';
import { BOX_LOSS, BOX_SURFACE } from '../../src/standard/common-practice.ts';
import { circuitOf, TABLE, withParts } from '../support/bought.ts';

const need = {
  id: 'n',
  kind: 'sense',
  quantity: 'air temperature',
  unit: '°C',
  from: 0,
  to: 40,
  accuracy: 2,
  interval: 60,
  place: 'hen house',
} as const;
const built = (places: Place[], lead?: number) => {
  const plan = withParts(
    { ...TABLE, needs: [need], places },
    ['adapter-5v', 'wifi-board', 'humid-fixed'],
    'humid-fixed',
  );
  const parts = plan.parts.map((p) => (p.card === 'humid-fixed' && lead !== undefined ? { ...p, lead } : p));
  const circuit = circuitOf({ ...plan, parts });
  const { findings, passes } = verify(circuit);
  const all = [...findings, ...passes];
  return { all, of: (check: string) => all.filter((r) => r.check === check) };
};
const place = (more: Partial<Place> = {}): Place => ({
  name: 'hen house',
  water: 'dry',
  outdoors: false,
  closed: false,
  ...more,
});

describe('body/place', () => {
  it('asks for what a place is before anything is proved by it, and says what is assumed meanwhile', () => {
    const [asked] = built([]).of('body/place');
    expect(asked?.severity).to.equal('note');
    expect(say(asked?.message)).to.equal(
      'Nothing is said of “hen house” yet: is it wet, what is its air, is it a closed box, how long are the leads to it? Its leads count as 200 mm meanwhile, assumed.',
    );
  });
  it('asks for the leads alone where the rest is said, and for nothing where they are', () => {
    expect(say(built([place()]).of('body/place')[0]?.message)).to.equal(
      'How long are the leads to “hen house”? They count as 200 mm meanwhile, assumed.',
    );
    const [said] = built([place({ lead: 3 })], 3).of('body/place');
    expect(said?.severity).to.equal(null);
    expect(say(said?.message)).to.equal('“hen house” is dry, indoors, open, 3 m of leads away.');
  });
  it('marks every proof that rests on an assumed length, and none that rests on one that is said', () => {
    const assumed = built([]).all.filter(({ evidence }) => evidence === 'assumed');
    expect([...new Set(assumed.map(({ check }) => check))]).to.include.members([
      'supply/lead-drop',
      'supply/range',
      'bus/capacitance',
      'bus/pull-up-weak',
    ]);
    expect(assumed.every(({ assumed, severity }) => assumed || severity !== null)).to.equal(true);
    expect(built([place({ lead: 3 })], 3).all.some(({ evidence }) => evidence === 'assumed')).to.equal(false);
  });
  it('a closed box warms what is in it indoors as well: all that is turned to heat ÷ (U × A)', () => {
    const [open] = built([place({ lead: 0.2 })], 0.2).of('body/heat');
    const [closed] = built([place({ lead: 0.2, closed: true })], 0.2).of('body/heat');
    const rise = closed?.workings.find(({ name }) => say(name) === 'all that is in the box');
    const watts = Number(/^([\d.]+) (µ|m)?W/.exec(say(rise?.sum ?? ''))?.[1]);
    expect(open?.workings.some(({ name }) => say(name) === 'all that is in the box') ?? false).to.equal(false);
    expect(rise?.value).to.be.closeTo(
      (watts * (say(rise?.sum).includes('mW') ? 1e-3 : say(rise?.sum).includes('µW') ? 1e-6 : 1)) /
        (BOX_LOSS * BOX_SURFACE),
      0.02,
    );
  });
});

describe('the leads of a place', () => {
  const drop = (away: number, lead?: number): number =>
    built([place({ lead: away })], lead).all.find(
      ({ check, message }) => check === 'supply/lead-drop' && !say(message).includes('Marram'),
    )?.measured ?? 0;
  it('are what a part there is reckoned with until it says its own', () => {
    expect(drop(3)).to.be.above(0);
    expect(drop(3) / drop(0.2)).to.be.closeTo(15, 1e-6);
    expect(drop(3) / drop(3, 1)).to.be.closeTo(3, 1e-6);
  });
});
