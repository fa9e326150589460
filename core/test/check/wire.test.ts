import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { controller, exactly, figure, judge, module, part, V3, type Build } from '../support/build.ts';

const probe = module('probe', { protocol: 'onewire', lines: { data: 'data' } }, [
  {
    id: 'data',
    kind: 'open-drain',
    sinkCurrent: figure('A', { min: 0.004 }),
    capacitance: exactly('F', 25e-12),
    inputHigh: figure('V', { min: 2.2 }),
    inputLow: figure('V', { max: 0.8 }),
  },
]);
const line = (...ohms: number[]): Build => ({
  cards: [V3, controller({ sinkCurrent: figure('A', { min: 0.004 }) }), probe],
  parts: ['one', 'two', 'three'].map((id) =>
    part(id, 'probe', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'w' } } }),
  ),
  buses: [{ id: 'w', name: 'wire', protocol: 'onewire', lines: { data: { pin: 'p3', locked: false } } }],
  helpers: ohms.map((value, i) => ({
    id: `r${i}`,
    kind: 'pull-up' as const,
    of: 'w',
    line: 'data',
    to: 'v3.out',
    ohms: value,
  })),
});

describe('wire/pull-up', () => {
  it('cautions about one 10 kΩ for each of three sensors: 3.33 kΩ', () => {
    const [found] = judge(line(10e3, 10e3, 10e3)).broken('wire/pull-up');
    expect(found?.severity).to.equal('caution');
    expect(say(found?.message)).to.include('3.33 kΩ');
  });
  it('passes one of 4.7 kΩ', () => expect(judge(line(4700)).broken('wire/pull-up')).to.deep.equal([]));
  // 4 mA at 0.4 V (one-wire thermometer class, from memory): (3.3 − 0.4) ÷ 4 mA = 725 Ω.
  it('finds more than the sensors can sink, at 725 Ω', () => {
    expect(judge(line(1000)).of('wire/pull-up')[0]?.limit).to.be.closeTo(725, 1e-6);
    expect(judge(line(725 / 0.95 + 0.01)).broken('wire/pull-up')).to.deep.equal([]);
    expect(judge(line(725 / 0.95 - 0.01)).broken('wire/pull-up')[0]?.severity).to.equal('fault');
  });
});
