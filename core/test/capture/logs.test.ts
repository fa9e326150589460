import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { crc8 } from '../../src/standard/crc8.ts';
import { readOneWireList } from '../../src/capture/one-wire-list.ts';
import { readReadingsLog } from '../../src/capture/readings-log.ts';
import { readScanLog } from '../../src/capture/scan-log.ts';

const ascii = (text: string) => [...text].map((char) => char.charCodeAt(0));
const found = (text: string) => readScanLog(text).addresses.map(({ value }) => value);

describe('CRC-8', () => {
  it('gives the published check value: 0xA1 over "123456789" (catalogue of parametrised CRC algorithms, from memory)', () => {
    expect(crc8(ascii('123456789'))).to.equal(0xa1);
  });
  it('of a number with its own check is 0, and of one changed bit is not', () => {
    const bytes = [0x28, 0xff, 0x64, 0x1e, 0x0c, 0x15, 0x02];
    const whole = [...bytes, crc8(bytes)];
    expect(crc8(whole)).to.equal(0);
    for (let bit = 0; bit < 64; bit++)
      expect(crc8(whole.map((b, i) => (i === bit >> 3 ? b ^ (1 << (bit & 7)) : b)))).to.not.equal(0);
  });
});

describe('one-wire numbers', () => {
  const bytes = [0x28, 0xff, 0x64, 0x1e, 0x0c, 0x15, 0x02];
  const whole = [...bytes, crc8(bytes)].map((b) => b.toString(16).padStart(2, '0').toUpperCase());
  it('are read apart, with 0x, in one piece, and in the short form without a check', () => {
    const list = readOneWireList(
      [
        'Found 2 devices',
        `ROM = ${whole.join(' ')}`,
        whole.map((b) => `0x${b}`).join(', '),
        whole.join(''),
        '28-02150c1e64ff',
      ].join('\n'),
    );
    expect(list.map(({ line }) => line)).to.deep.equal([2, 3, 4, 5]);
    expect(new Set(list.map(({ serial }) => serial))).to.deep.equal(new Set(['28ff641e0c1502']));
    expect(list.map(({ checked }) => checked)).to.deep.equal([true, true, true, null]);
    expect(list.every(({ family }) => family === 0x28)).to.equal(true);
  });
  it('with a wrong digit are told by their check', () => {
    const [bad] = readOneWireList(['29', ...whole.slice(1)].join(' '));
    expect(bad?.checked).to.equal(false);
  });
});

describe('a scan', () => {
  it('is read from sentences, lists and decimals, with counts and noise left aside', () => {
    expect(
      found(
        'Scanning...\nI2C device found at address 0x26  !\nI2C device found at address 0x44  !\n2 devices found\ndone\n',
      ),
    ).to.deep.equal([0x26, 0x44]);
    expect(found('[38, 68, 106]')).to.deep.equal([38, 68, 106]);
    expect(found("found: ['0x26', '0x6a']")).to.deep.equal([0x26, 0x6a]);
    expect(found('device address: 38\ndevice address: 68')).to.deep.equal([38, 68]);
    expect(found('38 (0x26)\n68 (0x44)')).to.deep.equal([0x26, 0x44]);
    expect(found('38, 68')).to.deep.equal([38, 68]);
    expect(found('3 devices in 250 ms')).to.deep.equal([]);
  });

  const head = '     0  1  2  3  4  5  6  7  8  9  a  b  c  d  e  f';
  const rows = (cells: Record<number, string>) =>
    Array.from({ length: 8 }, (_, r) => {
      const row = Array.from({ length: 16 }, (__, c) => {
        const at = r * 16 + c;
        return at < 3 || at > 0x77 ? '  ' : (cells[at] ?? '--');
      });
      return `${r}0: ${row.join(' ')}`.trimEnd();
    }).join('\n');
  it('is read from the grid, what a driver holds included', () => {
    const log = readScanLog(`${head}\n${rows({ 0x26: '26', 0x44: '44', 0x68: 'UU' })}`);
    expect(log.addresses.map(({ value, held }) => [value, held])).to.deep.equal([
      [0x26, false],
      [0x44, false],
      [0x68, true],
    ]);
    expect(log.problems).to.deep.equal([]);
  });
  it('of an empty grid, or one that says so, is empty and not unreadable', () => {
    expect(readScanLog(`${head}\n${rows({})}`).empty).to.equal(true);
    expect(readScanLog('No I2C devices found').empty).to.equal(true);
    expect(readScanLog('hello').empty).to.equal(false);
  });
  it('halves what can only be the eight-bit form, and says so', () => {
    const [address] = readScanLog('found at 0x88').addresses;
    expect(address).to.deep.include({ value: 0x44, halved: true });
  });
  it('names what cannot be an address, with its line', () => {
    const { problems } = readScanLog('found at 0x26\nfound at 0x1F4');
    expect(problems.map((problem) => ({ ...problem, says: say(problem.says) }))).to.deep.equal([
      { line: 2, text: '0x1F4', says: 'expected an address from 0x00 to 0x7F, found 0x1F4' },
    ]);
    expect(say(readScanLog(`${head}\n${rows({ 0x26: '28' })}`).problems[0]?.says)).to.include('expected 0x26');
  });
});

describe('readings', () => {
  it('are read with name and unit, several to a line, and alone', () => {
    expect(readReadingsLog('T: 21.4 °C, H = 45,2 %\nweight=-0.5 kg\n17.25')).to.deep.equal([
      { line: 1, name: 'T', value: 21.4, unit: '°C' },
      { line: 1, name: 'H', value: 45.2, unit: '%' },
      { line: 2, name: 'weight', value: -0.5, unit: 'kg' },
      { line: 3, name: '', value: 17.25, unit: '' },
    ]);
  });
  it('that are no number are kept as such', () => {
    expect(readReadingsLog('Humidity: nan %')).to.deep.equal([{ line: 1, name: 'Humidity', value: null, unit: '%' }]);
  });
});
