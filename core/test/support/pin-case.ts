/** Pin problems made from numbers: lines of every kind on pins that each can do some of it. */
import type { PinUse } from '../../src/circuit/pin-function.ts';
import { instancesFor } from '../../src/circuit/pin-function.ts';
import type { PinWish } from '../../src/circuit/model.ts';
import type { Ask } from '../../src/card/protocol.ts';
import type { PinModel } from '../../src/solve/pins.ts';

/** A small generator of its own, so that a case can be made again from its number. */
export function random(seed: number): () => number {
  let state = seed >>> 0 || 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 2 ** 32;
  };
}

const SINGLES: Ask[] = ['in', 'out', 'adc', 'pwm', 'irq'];

export function pinCase(seed: number, singles: number, buses: number, pins: number): PinModel {
  const next = random(seed);
  const wish = (id: string, ask: Ask, group: string | null): PinWish => ({
    id,
    of: id,
    line: id,
    label: id,
    ask,
    pin: null,
    locked: false,
    weakPull: false,
    meant: false,
    frequency: null,
    group,
    net: id,
  });
  const wishes = Array.from({ length: singles }, (_, i) =>
    wish(`s${i}`, SINGLES[Math.floor(next() * SINGLES.length)] ?? 'in', null),
  );
  const groups = Array.from({ length: buses }, (_, b) => ({
    id: `b${b}`,
    kind: b % 2 === 0 ? 'i2c' : 'uart',
    instances: b % 2 === 0 ? ['0', '1'] : ['0', '1', '2'],
  }));
  for (const { id, kind } of groups) {
    const asks: Ask[] = kind === 'i2c' ? ['i2c.sda', 'i2c.scl'] : ['uart.tx', 'uart.rx'];
    for (const ask of asks) wishes.push(wish(`${id}.${ask}`, ask, id));
  }
  const uses: PinUse[] = Array.from({ length: pins }, (_, j) => {
    const functions = ['in', 'irq'];
    if (next() < 0.85) functions.push('out');
    if (next() < 0.4) functions.push('adc1.0');
    if (next() < 0.5) functions.push('pwm');
    for (const n of [0, 1]) for (const line of ['sda', 'scl']) if (next() < 0.25) functions.push(`i2c${n}.${line}`);
    for (const n of [0, 1, 2]) for (const line of ['tx', 'rx']) if (next() < 0.2) functions.push(`uart${n}.${line}`);
    return { pin: { terminal: `p${j}`, functions }, label: `P${j}`, functions, wishes: [], led: true };
  });
  const serves = wishes.map(({ ask }) => uses.map((use) => new Set(instancesFor(use.functions, ask))));
  const costs = uses.map(({ functions }) => functions.length + Math.floor(next() * 5));
  return {
    wishes,
    pins: uses,
    groups,
    cost: (i, j, instance) => {
      const can = serves[i]?.[j];
      return can && (instance === null ? can.size > 0 : can.has(instance)) ? (costs[j] ?? Infinity) : Infinity;
    },
  };
}
