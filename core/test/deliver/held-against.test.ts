import { expect } from 'chai';
import { Capture } from '../../src/capture/capture.ts';
import * as against from '../../src/deliver/held-against.ts';
import { say } from '../../src/say/say.ts';
import { I2cWave } from '../support/i2c-wave.ts';
import { benchOf } from '../support/bench-case.ts';

const said = (held: readonly against.Held[]) => held.map(({ says, ...rest }) => ({ ...rest, says: say(says) }));
const heldScan = (...of: Parameters<typeof against.heldScan>) => said(against.heldScan(...of));
const heldCapture = (...of: Parameters<typeof against.heldCapture>) => said(against.heldCapture(...of));
const unplugged = (...of: Parameters<typeof against.unplugged>) => said(against.unplugged(...of));

const { circuit } = benchOf('cupboard-verified');
const bad = (held: readonly { good: boolean | null; says: string }[]) =>
  held.filter(({ good }) => good === false).map(({ says }) => say(says));

describe('a scan held against the plan', () => {
  it('has nothing to say against the addresses of the plan', () => {
    const held = heldScan(circuit, 'i2c', [0x26, 0x44, 0x45, 0x6a]);
    expect(bad(held)).to.deep.equal([]);
    expect(say(held[0]?.says)).to.equal('0x26 answers: display.');
  });
  it('names who does not answer, who could be set so, and what nobody knows', () => {
    expect(bad(heldScan(circuit, 'i2c', [0x26, 0x44, 0x6a, 0x50]))).to.deep.equal([
      '0x45 does not answer: bottom shelf sensor.',
      '0x50 answers, which no card of the plan names: another part, or a clone.',
    ]);
    const strap = bad(heldScan(circuit, 'i2c', [0x25, 0x44, 0x45, 0x6a]));
    expect(strap[1]).to.match(/^0x25 answers, which nothing is set to: display can be, by its setting/);
  });
  it('tells the part that was unplugged', () => {
    const [left] = unplugged(circuit, 'i2c', [0x26, 0x44, 0x45, 0x6a], [0x26, 0x44, 0x45]);
    expect(left).to.deep.include({ good: true, says: '0x6A left: carbon dioxide sensor.', subjects: ['air-gas'] });
    expect(say(unplugged(circuit, 'i2c', [0x26], [0x26])[0]?.says)).to.match(/the same/);
    expect(unplugged(circuit, 'i2c', [0x26], [0x44]).map(({ says }) => say(says).slice(0, 10))).to.deep.equal([
      '0x26 left:',
      '0x44 came ',
    ]);
  });
});

describe('a capture held against the plan', () => {
  const nets = { SDA: 'i2c.sda', SCL: 'i2c.scl' };
  /** Samples of a wave with edges of a time constant. */
  function capture(wave: I2cWave, tau: number) {
    const lines = [
      { name: 'SDA', line: 'sda', supply: 3.3 },
      { name: 'SCL', line: 'scl', supply: 3.3 },
    ] as const;
    const made = new Capture(lines);
    const step = 20e-9;
    let [next, sda, scl, a, b] = [0, true, true, 3.3, 3.3];
    for (let t = 0; t < (wave.changes.at(-1)?.time ?? 0) + 5e-6; t += step) {
      for (; (wave.changes[next]?.time ?? Infinity) <= t; next++) ({ sda, scl } = wave.changes[next] ?? { sda, scl });
      a = sda ? 3.3 - (3.3 - a) * Math.exp(-step / tau) : 0;
      b = scl ? 3.3 - (3.3 - b) * Math.exp(-step / tau) : 0;
      made.push(t, [a, b]);
    }
    return made.end();
  }
  const traffic = () =>
    new I2cWave(10e-6)
      .idle(5e-6)
      .start()
      .address(0x44, false)
      .byte(0xfd, true)
      .stop()
      .idle(2e-5)
      .start()
      .address(0x6a, false, false)
      .stop();

  it('names the part that is called and never answers, and who does', () => {
    const held = heldCapture(circuit, 'i2c', capture(traffic(), 60e-9), nets);
    expect(bad(held)).to.deep.equal(['0x6A is called and never answers: carbon dioxide sensor.']);
    expect(held.map(({ says }) => say(says)).join(' '))
      .to.include('Called and answered: 0x44.')
      .and.include('The clock runs at 100 kHz');
  });
  it('sees edges that are slower than the plan allows', () => {
    const held = bad(heldCapture(circuit, 'i2c', capture(traffic(), 1.6e-6), nets));
    expect(held.some((says) => /rises in 1\.\d+ µs.*a pull-up is missing or too large/.test(says))).to.equal(true);
  });
  it('does not judge an edge by a capture that is too coarse for it', () => {
    const sampled = (step: number) => {
      const made = new Capture([{ name: 'SDA', line: 'sda', supply: 3.3 }]);
      for (let i = 0; i < 200; i++) made.push(i * step, [i % 10 < 5 ? 0 : 3.3]);
      return heldCapture(circuit, 'i2c', made.end(), nets)[0];
    };
    expect(sampled(2e-6)).to.deep.include({ good: null });
    expect(say(sampled(2e-6)?.says)).to.match(/within one step of the capture, 2 µs.*too coarse to tell/);
    expect(sampled(20e-9)).to.deep.include({ good: true });
    expect(say(sampled(20e-9)?.says)).to.match(/within one step of the capture, 20 ns, 20 ns at most/);
  });
  it('sees a line that never leaves the ground', () => {
    const made = new Capture([{ name: 'SDA', line: 'sda', supply: 3.3 }]);
    for (let i = 0; i < 100; i++) made.push(i * 1e-6, [0.05]);
    expect(bad(heldCapture(circuit, 'i2c', made.end(), nets))[0]).to.match(/never rises above 70 %/);
  });
});
