/** Whether two things say the same, held to what is written of them: plain data says what its file says. */
import { expect } from 'chai';
import { isSame } from '../../src/plan/same.ts';
import { random } from '../support/pin-case.ts';

type Draw = () => number;
const KEYS = ['a', 'b', 'c', 'constructor'] as const;

function drawn(draw: Draw, depth: number): unknown {
  const kind = Math.floor(draw() * (depth > 0 ? 6 : 4));
  if (kind === 0) return Math.floor(draw() * 3);
  if (kind === 1) return draw() < 0.5 ? 'x' : '';
  if (kind === 2) return draw() < 0.5 ? null : true;
  if (kind === 3) return undefined;
  if (kind === 4) return Array.from({ length: Math.floor(draw() * 3) }, () => drawn(draw, depth - 1) ?? null);
  return Object.fromEntries(KEYS.filter(() => draw() < 0.5).map((key) => [key, drawn(draw, depth - 1)]));
}

/** With keys in order, so that only what is said counts. */
function written(value: unknown): string | undefined {
  if (typeof value !== 'object' || value === null) return JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map(written).join()}]`;
  const said = Object.entries(value).flatMap(([key, one]) => (one === undefined ? [] : [`${key}:${written(one)}`]));
  return `{${said.sort().join()}}`;
}

/** The same with its keys the other way round. */
const turned = (value: unknown): unknown =>
  typeof value !== 'object' || value === null
    ? value
    : Array.isArray(value)
      ? value.map(turned)
      : Object.fromEntries(
          Object.entries(value)
            .reverse()
            .map(([key, one]) => [key, turned(one)]),
        );

describe('things that say the same', () => {
  it('are those that are written alike, whatever the order of their keys', () => {
    const draw = random(7);
    let same = 0;
    for (let i = 0; i < 20_000; i++) {
      const [a, b] = [drawn(draw, 3), drawn(draw, 3)];
      const alike = written(a) === written(b);
      if (alike) same += 1;
      expect(isSame(a, b), `${written(a)} and ${written(b)}`).to.equal(alike);
      expect(isSame(a, turned(a)), written(a)).to.equal(true);
    }
    expect(same).to.be.greaterThan(500);
  });

  it('tells what is no number, and a nought from a nought below', () => {
    expect(isSame({ a: NaN }, { a: NaN })).to.equal(true);
    expect(isSame(0, -0)).to.equal(false);
  });
});
