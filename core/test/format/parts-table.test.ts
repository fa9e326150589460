import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { readCatalogue } from '@idle-breadboard/catalogue';
import { cardsCsv, readPartsTable } from '../../src/format/parts-table.ts';
import { readPack, writePack } from '../../src/format/pack-file.ts';

const parts = (text: string) => {
  const read = readPartsTable(text);
  return read.ok
    ? read.value.map(({ name, proposals, unread }) => ({
        name,
        unread,
        figures: proposals.map((p) => [p.slot, p.min, p.typ, p.max, p.unit]),
      }))
    : read.problems.map(({ path, message }) => `${path}: ${say(message)}`);
};
const n = undefined;

describe('CSV of parts', () => {
  it('with a line for each figure', () =>
    expect(
      parts(
        'part,parameter,min,typ,max,unit\nOne,Supply voltage,2.4,3.3,5.5,V\nOne,I2C address,,0x44,,\nTwo,Standby current,,1,2,µA\nTwo,Colour,,,,\n',
      ),
    ).to.deep.equal([
      {
        name: 'One',
        unread: [],
        figures: [
          ['supply.range', 2.4, 3.3, 5.5, 'V'],
          ['port.address', n, 0x44, n, 'address'],
        ],
      },
      { name: 'Two', unread: ['Colour'], figures: [['supply.idle', n, 1e-6, 2e-6, 'A']] },
    ]));
  it('with a line for each part and the unit in the head', () =>
    expect(
      parts(
        'part;supply voltage min (V);supply voltage max (V);standby current (µA);I2C address\nOne;2,4;5,5;0,5;0x44\n',
      ),
    ).to.deep.equal([
      {
        name: 'One',
        unread: [],
        figures: [
          ['supply.range', 2.4, n, 5.5, 'V'],
          ['supply.idle', n, 5e-7, n, 'A'],
          ['port.address', n, 0x44, n, 'address'],
        ],
      },
    ]));
  it('that cannot be read says where and what was expected; nothing is half read', () => {
    expect(parts('')).to.deep.equal([': expected a line of heads and at least one line below it']);
    expect(parts('a,b\n1,2\n')).to.deep.equal(['/1: expected a column “part” or “parameter”, found “a”, “b”']);
    expect(parts('part,supply voltage (V)\nOne,3,4,5\n')).to.deep.equal([
      '/2: expected 2 cells as in the line of heads, found 4',
    ]);
    expect(parts('part,supply voltage (V)\n"One,3\n')).to.deep.equal([
      '/2: expected a closing quotation mark, found none',
    ]);
  });
  it('written for a spreadsheet defuses what looks like a formula', () => {
    const [card] = readCatalogue().values();
    expect(card && cardsCsv([{ ...card, name: '=1+1' }])).to.include("'=1+1");
  });
});

describe('card pack', () => {
  const [one, two] = [...readCatalogue().values()];
  it('is written and read back the same', () => {
    if (!one || !two) throw new Error('no cards');
    expect(readPack(writePack([one, two]))).to.deep.equal({ ok: true, value: [one, two] });
  });
  it('with one bad card is refused whole, with the place', () => {
    const text = JSON.stringify({ format: 'idle-breadboard/pack', version: 1, cards: [one, { ...two, revision: 0 }] });
    const read = readPack(text);
    expect(read.ok ? [] : read.problems.map(({ path }) => path)).to.deep.equal(['/cards/1/revision']);
  });
  it('of version 1 cards are brought to the form of today; doubled ids are named', () => {
    const old = { ...one, version: 1, shows: ['text'] };
    const read = readPack(JSON.stringify({ format: 'idle-breadboard/pack', version: 1, cards: [old] }));
    expect(read.ok && read.value[0]?.serves).to.deep.equal(['text']);
    const twice = readPack(JSON.stringify({ format: 'idle-breadboard/pack', version: 1, cards: [one, one] }));
    expect(twice.ok ? [] : twice.problems.map(({ path }) => path)).to.deep.equal(['/cards/1/id']);
  });
});
