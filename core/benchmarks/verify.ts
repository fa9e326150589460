/** verify() of the demo plan, and of plans of 10, 30, 100 and 300 parts with the growth exponent. */
import { verify } from '../src/check/verify.ts';
import { deriveCircuit } from '../src/circuit/derive.ts';
import type { PlanDocument } from '../src/plan/document.ts';
import { controller, CMOS, document, i2cBus, i2cModule, module, part, V3 } from '../test/support/build.ts';
import { demo } from '../test/support/demo.ts';
import { exponent, middle, ms } from './time.ts';

/** Members of one bus: more would not fit its capacitance anyway. */
const PER_BUS = 10;

/** Half of the parts on I²C buses of ten, half on a pin each. */
function made(parts: number): PlanDocument {
  const button = module('button', { protocol: 'switch', lines: { contact: 'c' } }, [{ id: 'c', kind: 'switch' }]);
  const sensor = i2cModule(
    'sensor',
    Array.from({ length: PER_BUS }, (_, i) => 0x10 + i),
  );
  const buses = Array.from({ length: Math.ceil(parts / 2 / PER_BUS) }, (_, b) => ({
    ...i2cBus(),
    id: `bus${b}`,
    lines: { sda: { pin: `p${2 * b}`, locked: false }, scl: { pin: `p${2 * b + 1}`, locked: false } },
  }));
  const pins = Math.min(190, (parts >> 1) + 2 * buses.length);
  const list = Array.from({ length: parts }, (_, i) =>
    i % 2 === 0
      ? part(`s${i}`, 'sensor', {
          feeds: { vcc: 'v3.out' },
          ports: { port: { bus: `bus${Math.floor(i / 2 / PER_BUS)}`, address: 0x10 + ((i / 2) % PER_BUS) } },
        })
      : part(`b${i}`, 'button', {
          feeds: { vcc: 'v3.out' },
          ports: {
            port: { lines: { contact: { pin: `p${Math.min(pins - 1, 2 * buses.length + (i >> 1))}`, locked: false } } },
          },
        }),
  );
  const helpers = buses.flatMap(({ id }) =>
    ['sda', 'scl'].map((line) => ({
      id: `r-${id}-${line}`,
      kind: 'pull-up' as const,
      of: id,
      line,
      to: 'v3.out',
      ohms: 4700,
    })),
  );
  return document({ cards: [V3, controller(CMOS, pins), sensor, button], parts: list, buses, helpers });
}

export function benchVerify(): void {
  for (const name of ['cupboard-first-draft', 'cupboard-verified'] as const) {
    const doc = demo(name);
    const circuit = deriveCircuit(doc);
    console.log(
      `${name}: verify() ${ms(middle(() => verify(circuit)))}, with deriving the circuit ${ms(middle(() => verify(deriveCircuit(doc))))}`,
    );
  }
  const points = [10, 30, 100, 300].map((size): [number, number] => {
    const circuit = deriveCircuit(made(size));
    return [size, middle(() => verify(circuit))];
  });
  const first = points[0]?.[1] ?? NaN;
  for (const [size, time] of points)
    console.log(`${size} parts: verify() ${ms(time)}, ${(time / first).toFixed(1)} times that of 10`);
  console.log(`growth exponent of verify(): ${exponent(points).toFixed(2)}`);
  const derive = [10, 30, 100, 300].map((size): [number, number] => {
    const doc = made(size);
    return [size, middle(() => deriveCircuit(doc))];
  });
  console.log(
    `growth exponent of deriving the circuit: ${exponent(derive).toFixed(2)} (300 parts ${ms(derive.at(-1)?.[1] ?? NaN)})`,
  );
}
