import { refusal } from '../../support/refusal.ts';
import { say } from '../../../src/say/say.ts';
import { expect } from 'chai';
import { addressesIn } from '../../../src/card/reader/codes.ts';
import { pastedPage, LONGEST_PASTE } from '../../../src/card/reader/paste.ts';
import { readDatasheet } from '../../../src/card/reader/read.ts';
import type { Proposal } from '../../../src/card/reader/proposal.ts';

const readText = (text: string): Proposal[] => readDatasheet([pastedPage(text)]);
const brief = (p: Proposal) => [p.slot, p.min, p.typ, p.max, p.unit, p.sureness];
const n = undefined;

describe('pasted tables', () => {
  it('with tabs are read like those of a datasheet', () => {
    const found = readText(
      'Electrical characteristics\nParameter\tMin\tTyp\tMax\tUnit\nSupply voltage\t2.4\t3.3\t5.5\tV\nStandby current\t\t0.5\t1\tµA\nSoldering temperature\t\t\t260\t°C',
    );
    expect(found.map(brief)).to.deep.equal([
      ['supply.range', 2.4, 3.3, 5.5, 'V', 'sure'],
      ['supply.idle', n, 5e-7, 1e-6, 'A', 'sure'],
    ]);
  });
  it('with bars and rules of hyphens, and with the columns in another order', () => {
    const found = readText(
      '| Parameter | Unit | Max | Min |\n|---|---|---|---|\n| Operating voltage | V | 5.5 | 2.7 |\n| SCL clock frequency | kHz | 400 | |',
    );
    expect(found.map(brief)).to.deep.equal([
      ['supply.range', 2.7, n, 5.5, 'V', 'sure'],
      ['port.clock', n, n, 400e3, 'Hz', 'sure'],
    ]);
  });
  it('under “absolute maximum” are no operating range', () =>
    expect(
      readText('Absolute maximum ratings\nParameter\tMin\tMax\tUnit\nSupply voltage\t-0.3\t6\tV').map(brief),
    ).to.deep.equal([['supply.absoluteMax', -0.3, n, 6, 'V', 'sure']]));
  it('that contradict themselves are not sure', () => {
    const found = readText('Parameter\tMin\tMax\tUnit\nSupply voltage\t2.4\t5.5\tV\nOperating voltage\t3.0\t3.6\tV');
    expect(found.map(({ sureness }) => sureness)).to.deep.equal(['likely', 'likely']);
    expect(say(found[0]?.doubts[0])).to.include('says otherwise');
  });
  it('do not take an average current for the active one', () =>
    expect(readText('Parameter\tTyp\tUnit\nAverage supply current\t2\tµA').map(({ slot }) => slot)).to.deep.equal([]));
  it('with rows that only sound alike are never sure of them', () => {
    const rows = [
      'Supply voltage ripple\t\t50\tmV',
      'Operating humidity range\t0\t95\t%RH',
      'Clock frequency\t\t32.768\tkHz',
      'Baud rate\t\t9600\tbps',
      'Maximum current\t\t2\tA',
      'Output voltage\t0.1\t1.9\tV',
      'Interface voltage VIO\t1.7\t3.6\tV',
      'Heater voltage\t4.9\t5.1\tV',
      'Temperature coefficient\t\t0.05\t%RH',
      'Current consumption\t\t5\tmA',
      'Temperature range\t-40\t85\t°C',
      'Input current per pin\t\t20\tmA',
      'Response time\t\t8\ts',
      'Shelf life\t\t5\tyears',
    ];
    const found = readText(`Specification\nParameter\tMin\tMax\tUnit\n${rows.join('\n')}`);
    expect(found.filter(({ sureness }) => sureness === 'sure').map(({ name }) => name)).to.deep.equal([]);
  });
  it('too long to be one are refused', () =>
    expect(refusal(() => pastedPage('x'.repeat(LONGEST_PASTE + 1)))).to.include('found 400001'));
});

describe('pasted lines', () => {
  it('“name: value” are read, what is loose is not sure', () => {
    const [colon, loose] = [
      readText('Supply voltage: 2.7 to 5.5 V'),
      readText('It may run from an operating voltage of 3.3 V to 5 V'),
    ];
    expect(colon.map(brief)).to.deep.equal([['supply.range', 2.7, n, 5.5, 'V', 'sure']]);
    expect(loose.every(({ sureness }) => sureness !== 'sure')).to.equal(true);
  });
  it('with loose columns and no heads are never sure', () => {
    for (const text of ['Supply voltage\t3\t\t5.5\tV', 'Supply voltage 3  5.5 V', 'Supply voltage   3   5.5   V'])
      expect(
        readText(text).filter(({ sureness }) => sureness === 'sure'),
        text,
      ).to.deep.equal([]);
  });
  it('with an accuracy that grows with the reading keep the share', () => {
    const [found] = readText('CO2 accuracy: ±50 ppm + 5 % of reading');
    expect([found?.typ, found?.ofReading]).to.deep.equal([50, 0.05]);
  });
});

describe('addresses', () => {
  const of = (text: string) => addressesIn(text).map(({ address, setting }) => [address, setting]);
  it('are read in hexadecimal, binary and with the setting of the strap', () => {
    expect(of('I2C address: 0x76 (SDO to GND) or 0x77 (SDO to VDD)')).to.deep.equal([
      [0x76, 'SDO to GND'],
      [0x77, 'SDO to VDD'],
    ]);
    expect(of('7-bit address 1000100b')).to.deep.equal([[0x44, '']]);
    expect(of('slave address 44h')).to.deep.equal([[0x44, '']]);
  });
  it('in the 8-bit form are halved: 0x88 to write and 0x89 to read are 0x44', () => {
    expect(of('address 0x88 write, 0x89 read')).to.deep.equal([[0x44, '']]);
    expect(addressesIn('address 0x88')[0]).to.include({ address: 0x44, halved: true });
    expect(addressesIn('address 0x88')[0]?.doubt?.id).to.equal('halved');
  });
  it('of registers are none of the bus', () => expect(readText('Register address 0x20')).to.deep.equal([]));
});

describe('identification', () => {
  it('is read with its register, whichever stands first', () => {
    const one = readText('Chip ID register (0xD0) reads 0x60')[0];
    const two = readText('The value 0x60 is returned as chip ID at register 0xD0')[0];
    expect([one?.register, one?.typ, one?.bits]).to.deep.equal([0xd0, 0x60, 8]);
    expect([two?.register, two?.typ]).to.deep.equal([0xd0, 0x60]);
  });
  it('is put together from its bit fields: 15:8 of 0x11 and 7:0 of 0x50 are 0x1150', () => {
    const [found] = readText('Product ID register (0x20)\nBits\tField\tValue\n15:8\tMAKER\t0x11\n7:0\tPART\t0x50');
    expect([found?.slot, found?.register, found?.typ, found?.bits]).to.deep.equal(['port.identity', 0x20, 0x1150, 16]);
  });
  it('bits 14 and 9 set of sixteen are 0x4200', () => {
    const fields = [
      ['15:15', '0'],
      ['14:14', '1'],
      ['13:10', '0'],
      ['9:9', '1'],
      ['8:0', '0'],
    ].map(([bits, value]) => `${bits}\tF\t${value}`);
    expect(readText(`Device ID register (0x01)\nBits\tField\tValue\n${fields.join('\n')}`)[0]?.typ).to.equal(0x4200);
  });
});
