import { expect } from 'chai';
import { readCurrentTable } from '../../src/capture/current-table.ts';
import { say } from '../../src/say/say.ts';

const read = (text: string) => {
  const found = readCurrentTable(text);
  return found.ok ? found.samples.map(({ time, amps }) => [time, Number(amps.toPrecision(9))]) : say(found.says);
};

describe('a table of currents', () => {
  it('is read with its units, columns apart as meters write them', () => {
    expect(read('0,0.05\n1,0.06')).to.deep.equal([
      [0, 0.05],
      [1, 0.06],
    ]);
    expect(read('Time (ms),Current (mA)\n0,50\n500,60\n')).to.deep.equal([
      [0, 0.05],
      [0.5, 0.06],
    ]);
    expect(read('Zeit [s];Strom [µA]\r\n0;12,5\r\n1;13')).to.deep.equal([
      [0, 1.25e-5],
      [1, 1.3e-5],
    ]);
    expect(read('t\tI/uA\n0\t4\n2\t5')).to.deep.equal([
      [0, 4e-6],
      [2, 5e-6],
    ]);
    expect(read('my meter\nserial 12\ntime/min current/A\n0 1\n1 2')).to.deep.equal([
      [0, 1],
      [60, 2],
    ]);
  });
  it('says what is wrong and in which line', () => {
    expect(read('')).to.equal('expected rows of a time and a current, found none');
    expect(read('kettle\nboils')).to.equal('expected rows of a time and a current, found none');
    expect(read('0,1\n1,2\n2,spoon')).to.equal('line 3: expected a time and a current, found “2,spoon”');
    expect(read('0,1\n2,1\n1,1')).to.equal('line 3: expected a time after that of the line before');
  });
});
