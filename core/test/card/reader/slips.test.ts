/** What a maker mended or dropped lowers how sure the same reading is on later sheets, and only that. */
import { expect } from 'chai';
import type { Proposal } from '../../../src/card/reader/proposal.ts';
import { learned, patternOf, withSlips } from '../../../src/card/reader/slips.ts';

const box = { x0: 0, y0: 0, x1: 1, y1: 1 };
const proposal = (rest: Partial<Proposal>): Proposal => ({
  id: 'p1',
  slot: 'supply.idle',
  max: 1e-6,
  unit: 'A',
  conditions: '',
  name: 'Standby current (ISB)',
  said: 'Standby current (ISB) | 1 | µA',
  page: 1,
  box,
  sureness: 'sure',
  doubts: [],
  ...rest,
});

describe('what was learned from corrections', () => {
  it('knows a pattern by its place and its words, whatever figures stand in it', () => {
    expect(patternOf(proposal({}))).to.equal(
      patternOf(proposal({ max: 3e-6, id: 'p9', name: 'standby current  (ISB)' })),
    );
    expect(patternOf(proposal({}))).not.to.equal(patternOf(proposal({ slot: 'supply.active' })));
    expect(patternOf(proposal({}))).not.to.equal(patternOf(proposal({ name: 'Sleep current' })));
  });

  it('lowers the same reading by one step and says why', () => {
    const slips = learned({}, [{ proposal: proposal({}), slipped: true }]);
    const [later, other] = withSlips([proposal({}), proposal({ name: 'Sleep current' })], slips);
    expect(later?.sureness).to.equal('likely');
    expect(later?.doubts.map(({ id }) => id)).to.deep.equal(['slipBefore']);
    expect(other).to.deep.equal(proposal({ name: 'Sleep current' }));
  });

  it('forgets a slip when the same reading was right since', () => {
    const once = learned({}, [{ proposal: proposal({}), slipped: true }]);
    const twice = learned(once, [{ proposal: proposal({}), slipped: true }]);
    const right = [{ proposal: proposal({}), slipped: false }];
    expect(withSlips([proposal({})], learned(twice, right))[0]?.sureness).to.equal('likely');
    const again = learned(learned(twice, right), right);
    expect(again).to.deep.equal({});
    expect(withSlips([proposal({})], again)[0]?.sureness).to.equal('sure');
  });

  it('keeps no more than a browser should, the latest first', () => {
    const many = Array.from({ length: 700 }, (_, i) => ({
      proposal: proposal({ name: `row ${String.fromCharCode(97 + (i % 26))}${'x'.repeat(i / 26)}` }),
      slipped: true,
    }));
    const kept = learned({}, many);
    expect(Object.keys(kept).length).to.equal(500);
    const last = many.at(-1)?.proposal;
    expect(last && withSlips([last], kept)[0]?.sureness).to.equal('likely');
  });
});
