/** A supply that is short of a part's range by a little: what is lost, the house rule, and everything that ends it. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { libraryOf } from '../../src/card/library.ts';
import { DEFAULT_RULES } from '../../src/plan/default-rules.ts';
import { judge, module, part, source5, type Build } from '../support/build.ts';
import { library } from '../support/demo.ts';

/** A heated element for 4.8 to 5.2 V, which takes 0.2 A. */
const element = {
  ...module('heater', { protocol: 'analog', lines: {} }, [], 0.2),
  supplies: [
    {
      id: 'vcc',
      terminal: 'vcc',
      range: { min: 4.8, max: 5.2, unit: 'V' as const, source: 'sheet' },
      absoluteMax: { max: 5.5, unit: 'V' as const, source: 'sheet' },
      current: { active: { typ: 0.2, max: 0.2, unit: 'A' as const, source: 'sheet' } },
    },
  ],
};
const on = (min: number, max: number, rule: 'guaranteed' | 'working' = 'guaranteed', lead = 0.2): Build => ({
  cards: [source5('v5', min, max), element],
  parts: [part('heater', 'heater', { feeds: { vcc: 'v5.out' }, lead })],
  plan: { rules: { ...DEFAULT_RULES, marginalSupplies: rule } },
});

describe('a heated element on a nominal 5 V', () => {
  it('is short by what its leads lose: 0.2 A × 2 × 0.2 m × 212.9 mΩ/m = 17 mV', () => {
    // Gauge 28 by ASTM B258 and IEC 60028 (from memory).
    const [found] = judge(on(4.8, 5.2)).broken('supply/range');
    expect(found?.severity).to.equal('fault');
    expect(found?.margin).to.be.closeTo(-0.01703, 2e-5);
    expect(judge(on(4.8171, 5.2)).broken('supply/range')).to.deep.equal([]);
  });
  it('is accepted by the rule for supplies where it is usually inside and 5 % short at the worst, and flagged with the figure', () => {
    const [found] = judge(on(4.7, 5.2, 'working')).broken('supply/range');
    expect(found?.severity).to.equal('caution');
    expect(say(found?.message)).to.equal(
      'heater gets 4.933 V at VCC usually and 4.683 V to 5.2 V at the worst; it works from 4.8 V to 5.2 V. It is accepted by the rule for supplies.',
    );
    // 0.95 × 4.8 V = 4.56 V, plus 17 mV in the leads.
    expect(judge(on(4.5771, 5.2, 'working')).broken('supply/range')[0]?.severity).to.equal('caution');
    expect(judge(on(4.5769, 5.2, 'working')).broken('supply/range')[0]?.severity).to.equal('fault');
    // Over the absolute maximum is accepted by no rule, nor is what is usually outside.
    expect(judge(on(4.9, 5.6, 'working')).broken('supply/range')[0]?.severity).to.equal('danger');
    expect(judge(on(4.6, 4.9, 'working')).broken('supply/range')[0]?.severity).to.equal('fault');
  });
  it('has thicker and shorter leads, a regulator, an adapter and the rule as remedies, each of which ends it', () => {
    const { circuit, verdict, broken } = judge({ ...on(4.81, 5.19), plan: { rules: DEFAULT_RULES } });
    const [finding] = broken('supply/range');
    if (!finding) throw new Error('nothing found');
    const offered = proposeRemedies(
      circuit,
      verdict,
      finding.result,
      libraryOf([...library.values(), ...circuit.cards.values()]),
    );
    const ids = offered.map(({ id }) => id.split(':')[0]);
    expect(ids).to.include.members(['gauge', 'lead', 'adapter', 'rule']);
    const nine = judge({
      ...on(4.81, 5.19),
      cards: [source5('v5', 4.81, 5.19), source5('v9', 8.6, 9.4), element],
      parts: [...on(4.8, 5.2).parts, part('v9', 'v9')],
    });
    const [again] = nine.broken('supply/range');
    const more = again
      ? proposeRemedies(
          nine.circuit,
          nine.verdict,
          again.result,
          libraryOf([...library.values(), ...nine.circuit.cards.values()]),
        )
      : [];
    expect(more.map(({ id }) => id.split(':')[0])).to.include('regulator');
  });
});

describe('cells on a linear input', () => {
  it('are judged by how long they serve: short of it when nearly empty is a caution', () => {
    const block = library.get('block-9v');
    const board = library.get('board-8bit');
    if (!block || !board) throw new Error('no cards');
    // 6 to 9.6 V into 7 to 12 V.
    const found = judge({
      cards: [block, board],
      parts: [part('block', 'block-9v'), part('board', 'board-8bit', { feeds: { vin: 'block.out' } })],
      plan: { controller: 'board' },
    });
    expect(found.broken('supply/range').map(({ severity }) => severity)).to.deep.equal(['caution']);
    expect(say(found.broken('supply/range')[0]?.message)).to.match(
      /^The cells feed board with 9\.6 V when fresh and sink to 5\.9\d+ V at VIN; it works down to 7 V\. It stops there, with charge left in them/,
    );
    expect(found.verdict.status).to.equal('verified');
    // A pack that is too low even as it usually is stays a fault.
    const low = judge({
      cards: [source5('v5', 5), board],
      parts: [part('board', 'board-8bit', { feeds: { vin: 'v5.out' } })],
      plan: { controller: 'board' },
    });
    expect(low.broken('supply/range')[0]?.severity).to.equal('fault');
  });
  it('say what they lose by themselves where it counts, and that their card does not say it', () => {
    const coin = library.get('cell-coin');
    if (!coin?.rails?.[0]?.cells) throw new Error('no coin cell');
    // 50 nA for 790 C: the shelf takes 1 % a year, 0.25 µA, five times what the build does.
    const idle = { ...module('idle', { protocol: 'analog', lines: {} }, [], 5e-8) };
    const build = (card: typeof coin) => ({
      cards: [card, idle],
      parts: [part('cell', 'cell-coin'), part('idle', 'idle', { feeds: { vcc: 'cell.out' } })],
    });
    expect(judge(build(coin)).of('supply/runtime')[0]?.message).to.match(/8\d % of it goes to the cells by themselves/);
    const { selfDischarge: _unsaid, ...cells } = coin.rails[0].cells;
    const silent = { ...coin, rails: [{ ...coin.rails[0], cells }] };
    expect(judge(build(silent)).of('supply/runtime')[0]?.message).to.include(
      'What they lose on the shelf is not on their card.',
    );
  });
});
