/** Networks such as a bus makes: rails, pull-ups, protection diodes, translators, leakage. Made from a seed. */
import { randomFrom } from '../../src/quantity/random.ts';
import type { Network } from '../../src/physics/network.ts';

export interface NetworkCase {
  readonly seed: number;
  /** With the sink that holds the near line low. */
  readonly held: Network;
  /** The same, released. */
  readonly released: Network;
  /** Nodes of the near and the far line; the same where there is no translator. */
  readonly near: number;
  readonly far: number;
  readonly nearRail: number;
  readonly farRail: number;
  readonly mixed: boolean;
  readonly diodes: boolean;
  readonly translator: boolean;
}

/** Node 1 near rail, 2 far rail, 3 near line, 4 far line. */
export function networkCase(seed: number): NetworkCase {
  const random = randomFrom(seed);
  const between = (low: number, high: number) => low * (high / low) ** random();
  const translator = random() < 0.5;
  const mixed = random() < 0.5;
  const diodes = random() < 0.6;
  const nearRail = [1.8, 2.5, 3.3][Math.floor(random() * 3)] ?? 3.3;
  const farRail = 5;
  const [near, far] = [3, translator ? 4 : 3];
  const resistors = [{ a: 1, b: near, ohms: between(1.5e3, 20e3) }];
  if (mixed) resistors.push({ a: 2, b: near, ohms: between(2e3, 50e3) });
  if (translator) resistors.push({ a: 2, b: far, ohms: between(1.5e3, 20e3) });
  const junction = { saturation: between(1e-15, 1e-12), emission: 1 + random() * 0.6 };
  const released: Network = {
    nodes: translator ? 5 : 4,
    held: [
      { node: 1, volts: nearRail },
      { node: 2, volts: farRail },
    ],
    resistors,
    currents: [{ from: near, to: 0, amps: between(1e-8, 1e-5) }],
    diodes: [
      ...(diodes
        ? [
            { anode: near, cathode: 1, model: junction },
            { anode: 0, cathode: near, model: junction },
          ]
        : []),
      ...(translator ? [{ anode: near, cathode: far, model: { saturation: 1e-14, emission: 1 } }] : []),
    ],
    transistors: translator
      ? [{ drain: far, gate: 1, source: near, model: { threshold: 0.5 + random() * 0.8, gain: between(0.01, 0.2) } }]
      : [],
    capacitance: [0, 0, 0, between(20e-12, 400e-12), ...(translator ? [between(20e-12, 400e-12)] : [])],
  };
  const sink = { a: near, b: 0, ohms: between(20, 150) };
  return {
    seed,
    held: { ...released, resistors: [...released.resistors, sink] },
    released,
    near,
    far,
    nearRail,
    farRail,
    mixed,
    diodes,
    translator,
  };
}
