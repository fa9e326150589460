/** Rest voltages and edges against the reference simulator (Debian package ngspice), on generated nets. */
import { expect } from 'chai';
import { operatingPoint } from '../../src/physics/operating-point.ts';
import { crossing, transient } from '../../src/physics/transient.ts';
import { networkCase } from '../support/network-case.ts';
import { spiceRest, spiceTimes, type Watch } from '../support/spice.ts';

const CASES = Array.from({ length: 60 }, (_, seed) => networkCase(seed + 1));
/** Half a percent, as a share. */
const CLOSE = 0.005;

describe('against the reference simulator', function () {
  this.timeout(120_000);

  it('has every kind of net among its cases', () => {
    expect(CASES.filter((c) => c.translator).length).to.be.greaterThan(15);
    expect(CASES.filter((c) => c.mixed).length).to.be.greaterThan(15);
    expect(CASES.filter((c) => c.diodes).length).to.be.greaterThan(15);
    expect(CASES.filter((c) => c.translator && c.mixed && c.diodes).length).to.be.greaterThan(3);
  });

  it('rests at the same voltages, held low and released, within 0.5 %', () => {
    for (const { seed, held, released } of CASES) {
      for (const network of [held, released]) {
        const ours = operatingPoint(network);
        const theirs = spiceRest(network);
        for (let node = 1; node < network.nodes; node++) {
          const reference = theirs[node] ?? NaN;
          expect(ours[node], `case ${seed}, node ${node}`).to.be.closeTo(reference, Math.abs(reference) * CLOSE + 1e-6);
        }
      }
    }
  });

  it('takes the same time from 30 to 70 % and back, within 0.5 %', () => {
    for (const { seed, held, released, near, far, nearRail, farRail } of CASES) {
      const low = operatingPoint(held);
      const high = operatingPoint(released);
      const span = 8 * 20e3 * 800e-12;
      // 70 % may lie above what the net reaches; then of what it reaches.
      const levels = (node: number, rail: number) => [0.3, 0.7].map((x) => x * Math.min(rail, high[node] ?? rail));
      const lines = [...new Set([near, far])];
      const watched = (rising: boolean): Watch[] =>
        lines.flatMap((node) =>
          levels(node, node === near ? nearRail : farRail).map((level) => ({ node, level, rising })),
        );
      for (const [network, start, rising] of [
        [released, low, true],
        [held, high, false],
      ] as const) {
        const asked = watched(rising).filter(({ node, level }) => (low[node] ?? 0) < level);
        // A fall is over in a few time constants of the sink.
        const end = rising ? span : span / 40;
        const moments = transient(network, start, end);
        const theirs = spiceTimes(network, start, end, asked);
        const ours = asked.map(({ node, level }) => crossing(moments, node, level, rising) ?? NaN);
        for (let i = 0; i + 1 < asked.length; i += 2) {
          const difference = Math.abs((ours[i + 1] ?? NaN) - (ours[i] ?? NaN));
          const reference = Math.abs((theirs[i + 1] ?? NaN) - (theirs[i] ?? NaN));
          expect(difference, `case ${seed}, ${rising ? 'rise' : 'fall'} of node ${asked[i]?.node}`).to.be.closeTo(
            reference,
            reference * CLOSE,
          );
        }
      }
    }
  });
});
