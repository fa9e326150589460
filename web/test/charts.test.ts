import { expect } from 'chai';
import type { BusNode, Lane, Runtime } from '@idle-breadboard/core/circuit';
import type { Result } from '@idle-breadboard/core/verify';
import { comb, tagY } from '../src/lib/charts/address-comb.ts';
import { currentTree, type CurrentNode } from '../src/lib/charts/current-tree.ts';
import { blocks, roundAxis, stepPath, tallest } from '../src/lib/charts/round.ts';
import { runtimeCurve, voltsAt, type Drawn } from '../src/lib/charts/runtime-curve.ts';
import { ladder } from '../src/lib/charts/volt-ladder.ts';

const result = (check: string, measured: number, limit: number, severity: Result['severity'] = null): Result => ({
  key: check,
  check,
  station: 'levels',
  severity,
  subjects: [],
  aspect: null,
  measured,
  limit,
  unit: 'V',
  margin: check === 'level/high' ? measured - limit : limit - measured,
  message: { topic: '', id: '', data: {} },
  meaning: '',
  workings: [],
  rests: [],
  evidence: 'datasheet',
  assumed: false,
  ranked: true,
});

describe('volt ladder', () => {
  it('draws the gap from what is needed to what is given, and the absolute maximum to the right of both', () => {
    const drawn = ladder(
      [result('level/high', 2.6, 2.0), result('level/low', 0.4, 0.8), result('level/over-voltage', 3.3, 3.6)],
      400,
    );
    const gap = drawn?.gaps.find(({ level }) => level === 'high');
    expect(gap?.margin).to.be.closeTo(0.6, 1e-9);
    expect(gap && gap.from < gap.to).to.equal(true);
    expect(drawn?.absoluteMaximum && drawn.absoluteMaximum.x > drawn.absoluteMaximum.peakX).to.equal(true);
  });
  it('turns the gap round where the link is not guaranteed, and keeps everything inside the width', () => {
    const drawn = ladder(
      [result('level/high', 2.9, 3.5, 'fault'), result('level/over-voltage', 5, 3.6, 'danger')],
      300,
    );
    expect(drawn?.gaps[0] && drawn.gaps[0].from > drawn.gaps[0].to).to.equal(true);
    expect(drawn?.absoluteMaximum).to.include({ broken: true });
    for (const bar of drawn?.bars ?? []) expect([bar.from, bar.to].every((x) => x >= 0 && x <= 300)).to.equal(true);
  });
  it('draws nothing of nothing', () => expect(ladder([], 300)).to.equal(null));
});

const bus = (...addresses: number[]): BusNode => ({
  id: 'b',
  name: 'b',
  protocol: 'i2c',
  clock: 100e3,
  behind: null,
  root: 'b',
  members: addresses.map((address, i) => ({
    part: `p${i}`,
    label: `part number ${i}`,
    port: 'i2c',
    address,
    options: [
      { value: 0x20, setting: 'a' },
      { value: address, setting: 'b' },
    ],
    beyond: null,
    selectors: [],
  })),
});

describe('address comb', () => {
  it('has 128 teeth, sixteen of them cut short', () => {
    const { teeth } = comb(bus(0x44), 600);
    expect([teeth.length, teeth.filter(({ reserved }) => reserved).length]).to.deep.equal([128, 16]);
  });
  it('marks a clash, and hangs other settings as hollow tags', () => {
    const { tags } = comb(bus(0x44, 0x44, 0x50), 600);
    expect(tags.filter(({ clash }) => clash)).to.have.length(2);
    expect(tags.filter(({ taken }) => !taken).every(({ address }) => address === 0x20)).to.equal(true);
  });
  it('never lets two tags of a row overlap, at the right end neither', () => {
    const drawn = comb(bus(0x08, 0x09, 0x40, 0x41, 0x44, 0x6a, 0x75, 0x77), 500);
    const spans = drawn.tags
      .filter(({ taken }) => taken)
      .map((tag) => {
        const length = tag.label.length * 6;
        return { row: tag.row, from: tag.flipped ? tag.x - length : tag.x, to: tag.flipped ? tag.x : tag.x + length };
      });
    spans.forEach((a, i) =>
      spans
        .slice(i + 1)
        .forEach((b) => expect(a.row !== b.row || a.to <= b.from || b.to <= a.from, `${i}`).to.equal(true)),
    );
    expect(spans.every(({ from, to }) => from >= 0 && to <= 500)).to.equal(true);
    expect(drawn.height).to.be.greaterThan(tagY(Math.max(...spans.map(({ row }) => row))));
  });
});

const node = (id: string, peak: number, rest: Partial<CurrentNode> = {}): CurrentNode => ({
  id,
  label: id,
  rail: null,
  into: { typical: peak / 4, peak },
  out: { typical: peak / 4, peak },
  limit: null,
  heat: null,
  children: [],
  ...rest,
});

describe('current tree', () => {
  const forest = [
    node('source', 0.6, {
      rail: 'v.out',
      limit: 0.5,
      children: [
        node('regulator', 0.4, {
          rail: 'r.out',
          out: { typical: 0.1, peak: 0.8 },
          children: [node('a', 0.5), node('b', 0.3)],
        }),
        node('c', 0.2),
      ],
    }),
  ];
  const drawn = currentTree(forest, 640);
  const limb = (id: string) => drawn.limbs.find((l) => l.id === id);
  it('makes limbs as wide as the current, the widest the same for every build', () => {
    expect(limb('regulator')?.height).to.be.closeTo(54, 1e-9);
    expect(limb('a')?.height).to.be.closeTo((54 * 0.5) / 0.8, 1e-9);
    expect(limb('c')?.height).to.be.closeTo((54 * 0.2) / 0.8, 1e-9);
  });
  it('puts leaves one below the other, and what feeds them in their middle', () => {
    const [a, b, r] = [limb('a'), limb('b'), limb('regulator')];
    expect(a && b && b.y > a.y).to.equal(true);
    expect(r?.y).to.be.closeTo(((a?.y ?? 0) + (b?.y ?? 0)) / 2, 1e-9);
    expect(limb('source')?.x).to.be.below(r?.x ?? 0);
  });
  it('marks what is drawn beyond its limit', () => {
    expect(limb('source')?.over).to.equal(true);
    expect(limb('source')?.limitHeight).to.be.closeTo((54 * 0.5) / 0.8, 1e-9);
    expect(limb('regulator')?.over).to.equal(false);
  });
  it('keeps its least width where there is little room, and every limb inside its height', () => {
    const narrow = currentTree(forest, 200);
    expect(narrow.width).to.be.above(400);
    for (const { y, height } of narrow.limbs)
      expect(y - height / 2 >= 0 && y + height / 2 <= narrow.height).to.equal(true);
  });
  it('draws nothing of nothing', () => expect(currentTree([], 400).limbs).to.deep.equal([]));
});

const lane = (every: number | null, from: number, to: number, amps: number, rest: 'idle' | 'off' = 'idle'): Lane => {
  const phases = every === null ? [] : [{ doing: 'active' as const, from, to }];
  return {
    part: 'p',
    label: 'p',
    phases,
    rhythm: { every, duty: 1, after: 0, phases, longest: phases, rest },
    current:
      every === null ? { period: 0, at: [0], value: [amps] } : { period: every, at: [0, to], value: [amps, 0.001] },
  };
};

describe('one round', () => {
  it('presses together what is slept through', () => {
    const axis = roundAxis([lane(900, 0, 2, 0.1)], 400);
    expect(axis?.every).to.equal(900);
    expect(axis?.x(2)).to.be.above(250);
    expect(axis?.x(900)).to.be.closeTo(400, 1e-9);
    expect(axis?.fold).to.be.closeTo(328, 1e-9);
  });
  it('draws to scale where there is much to do, and nothing where nothing follows a clock', () => {
    expect(roundAxis([lane(10, 0, 6, 0.1)], 400)?.fold).to.equal(null);
    expect(roundAxis([lane(null, 0, 0, 0.1)], 400)).to.equal(null);
  });
  it('shows work as tall as its current, and the rest unless it is off', () => {
    const [busy, off] = [lane(10, 0, 6, 0.1), lane(10, 0, 6, 0.05, 'off')];
    const axis = roundAxis([busy, off], 400);
    if (!axis) throw new Error('no axis');
    expect(tallest([busy, off])).to.equal(0.1);
    expect(blocks(busy, axis, 0.1).map(({ doing, x, width, tall }) => [doing, x, width, tall])).to.deep.equal([
      ['active', 0, 240, 1],
      ['idle', 240, 160, 0.01],
    ]);
    expect(blocks(off, axis, 0.1).map(({ doing, tall }) => [doing, tall])).to.deep.equal([['active', 0.5]]);
  });
  it('repeats what comes more often than the round that is drawn', () => {
    const often = lane(5, 0, 1, 0.1);
    const axis = roundAxis([lane(5, 0, 4, 0.1), often], 400);
    expect(axis && blocks(often, axis, 0.1)).to.have.length(2);
  });
  it('steps along with the current', () => {
    const axis = roundAxis([lane(10, 0, 6, 0.1)], 400);
    const path = axis && stepPath({ period: 10, at: [0, 6], value: [2, 1] }, axis, (v) => 10 * v);
    expect(path).to.equal('M0 20.0H240.0V10.0H400.0');
  });
});

describe('runtime curve', () => {
  const run = (seconds: number): Runtime['usual'] => ({
    seconds,
    used: 1,
    ends: 'empty',
    points: [0, 0.5, 1].map((share) => ({ t: share * seconds, volts: 4.5 - share, sagged: 4.4 - share, used: share })),
  });
  const pack = {
    charge: 1,
    curve: [
      { used: 0, volts: 4.5 },
      { used: 1, volts: 3.5 },
    ],
    resistance: 0,
    cutOff: 3.4,
    leak: 0,
  };
  const runtime: Drawn = {
    usual: run(40 * 86400),
    worst: run(20 * 86400),
    cells: { curve: pack.curve },
    packs: { usual: pack, worst: pack },
    least: null,
  };
  it('ends the worst before the usual, and stands the wanted time between them', () => {
    const drawn = runtimeCurve(runtime, 30 * 86400, 500, 130);
    expect(drawn.unit).to.equal('days');
    expect(drawn.ends.worst.x).to.be.below(drawn.wanted ?? 0);
    expect(drawn.wanted).to.be.below(drawn.ends.usual.x);
    expect(drawn.ends.usual.x).to.be.at.most(500);
  });
  it('counts in hours where it is over soon', () =>
    expect(runtimeCurve({ ...runtime, usual: run(3600), worst: run(1800) }, undefined, 400, 130)).to.include({
      unit: 'hours',
      wanted: null,
    }));
  it('reads the voltage between two points, and none after the end', () => {
    expect(voltsAt(run(100).points, 25)).to.be.closeTo(4.25, 1e-9);
    expect(voltsAt(run(100).points, 101)).to.equal(null);
  });
});
