import { expect } from 'chai';
import { NoOperatingPoint, operatingPoint } from '../../src/physics/operating-point.ts';
import type { Network } from '../../src/physics/network.ts';

const junction = { saturation: 1e-13, emission: 1 };
const network = (given: Partial<Network>): Network => ({
  nodes: 3,
  held: [],
  resistors: [],
  currents: [],
  diodes: [],
  transistors: [],
  capacitance: [0, 0, 0],
  ...given,
});

describe('operating point', () => {
  // Worked by hand: the junctions are off, so that the node lies where the resistors and the drawn current put it.
  it('finds a node that a current draws hundreds of volts below its supply', () => {
    const volts = operatingPoint(
      network({
        held: [{ node: 1, volts: 5 }],
        resistors: [{ a: 1, b: 2, ohms: 2000 }],
        currents: [{ from: 2, to: 0, amps: 0.25 }],
        diodes: [{ anode: 2, cathode: 1, model: junction }],
      }),
    );
    expect(volts[2]).to.be.closeTo(5 - 0.25 * 2000, 1e-2);
  });

  it('finds the middle of a divider far below where the search begins', () => {
    const volts = operatingPoint(
      network({
        held: [{ node: 1, volts: 1e4 }],
        resistors: [
          { a: 1, b: 2, ohms: 99_000 },
          { a: 2, b: 0, ohms: 1000 },
        ],
        diodes: [{ anode: 2, cathode: 1, model: junction }],
      }),
    );
    expect(volts[2]).to.be.closeTo(100, 0.01);
  });

  it('finds a node that a current pushes into a junction from far above', () => {
    const volts = operatingPoint(
      network({
        held: [{ node: 1, volts: 3.3 }],
        resistors: [{ a: 2, b: 0, ohms: 1e9 }],
        currents: [{ from: 0, to: 2, amps: 0.1 }],
        diodes: [{ anode: 2, cathode: 1, model: junction }],
      }),
    );
    // I = Is (exp(V / Vt) - 1), Vt = 25.85 mV at 300 K (Shockley): some 0.71 V above the supply for 0.1 A.
    expect((volts[2] ?? 0) - 3.3).to.be.within(0.65, 0.8);
  });

  it('says where there is none, with the number of nodes', () => {
    const wild = network({ currents: [{ from: 0, to: 2, amps: NaN }] });
    expect(() => operatingPoint(wild))
      .to.throw(NoOperatingPoint)
      .with.property('nodes', 2);
  });
});
