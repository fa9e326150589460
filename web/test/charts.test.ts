import { expect } from 'chai';
import type { BusNode, Result } from '@idle-breadboard/core';
import { comb, tagY } from '../src/lib/charts/address-comb.ts';
import { ladder } from '../src/lib/charts/volt-ladder.ts';

const result = (check: string, measured: number, limit: number, severity: Result['severity'] = null): Result => ({
  key: check,
  check,
  station: 'levels',
  severity,
  subjects: [],
  measured,
  limit,
  unit: 'V',
  margin: check === 'level/high' ? measured - limit : limit - measured,
  message: '',
  meaning: '',
  workings: [],
  rests: [],
  evidence: 'datasheet',
  onTrust: false,
  ranked: true,
});

describe('volt ladder', () => {
  it('draws the gap from what is needed to what is given, and the roof to the right of both', () => {
    const drawn = ladder(
      [result('level/high', 2.6, 2.0), result('level/low', 0.4, 0.8), result('level/over-voltage', 3.3, 3.6)],
      400,
    );
    const gap = drawn?.gaps.find(({ level }) => level === 'high');
    expect(gap?.margin).to.be.closeTo(0.6, 1e-9);
    expect(gap && gap.from < gap.to).to.equal(true);
    expect(drawn?.roof && drawn.roof.x > drawn.roof.peakX).to.equal(true);
  });
  it('turns the gap round where the link is not guaranteed, and keeps everything inside the width', () => {
    const drawn = ladder(
      [result('level/high', 2.9, 3.5, 'fault'), result('level/over-voltage', 5, 3.6, 'danger')],
      300,
    );
    expect(drawn?.gaps[0] && drawn.gaps[0].from > drawn.gaps[0].to).to.equal(true);
    expect(drawn?.roof).to.include({ broken: true });
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
