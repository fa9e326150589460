import { refusal } from '../support/refusal.ts';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { expect } from 'chai';
import { CsvCapture, csvHead } from '../../src/capture/csv-capture.ts';
import { VcdCapture, vcdVariables } from '../../src/capture/vcd-capture.ts';
import { I2cWave } from '../support/i2c-wave.ts';

/** Runs the garbage collector, which programs cannot reach as they are started. */
setFlagsFromString('--expose_gc');
const collect = runInNewContext('gc') as () => void;

const LINES = [
  { name: 'SDA', line: 'sda', supply: 3.3 },
  { name: 'SCL', line: 'scl', supply: 3.3 },
] as const;

/** A wave as an oscilloscope would write it: 20 samples in a period, edges of an RC. */
function table(wave: I2cWave, tau = 0.4e-6, step = 0.1e-6): string {
  const rows = ['Model,invented', 'Time (us),SDA,SCL'];
  const end = (wave.changes.at(-1)?.time ?? 0) + 10e-6;
  let [next, sda, scl, a, b] = [0, true, true, 3.3, 3.3];
  const keep = Math.exp(-step / tau);
  for (let t = 0; t < end; t += step) {
    while ((wave.changes[next]?.time ?? Infinity) <= t) {
      ({ sda, scl } = wave.changes[next] ?? { sda, scl });
      next += 1;
    }
    a = sda ? 3.3 - (3.3 - a) * keep : 0;
    b = scl ? 3.3 - (3.3 - b) * keep : 0;
    rows.push(`${(t * 1e6).toFixed(3)},${a.toFixed(4)},${b.toFixed(4)}`);
  }
  return `${rows.join('\n')}\n`;
}

const read = (text: string, size = 1000, lines: readonly (typeof LINES)[number][] = LINES) => {
  const capture = new CsvCapture(csvHead(text), lines);
  for (let i = 0; i < text.length; i += size) capture.push(text.slice(i, i + size));
  return capture.end();
};

describe('a table from an oscilloscope', function () {
  this.timeout(120_000);
  const wave = new I2cWave(10e-6).idle(5e-6).start().address(0x44, false).byte(0xe3, true).stop();
  const text = table(wave);

  it('is the same in pieces of any size: traffic, levels, edges', () => {
    const whole = read(text, text.length);
    for (const size of [1, 7, 64, 4096]) expect(read(text, size)).to.deep.equal(whole);
    expect(whole.i2c?.messages[0]).to.deep.include({ address: 0x44, acknowledged: true });
    const [sda] = whole.lines;
    expect(sda?.high).to.be.within(3, 3.3);
    expect(sda?.low).to.be.within(0, 0.2);
  });

  it('gives edges from 30 to 70 %: of an RC that is τ × ln(0.7 ÷ 0.3) = 0.8473 τ', () => {
    const [sda] = read(text).lines;
    expect(sda?.rises?.middle).to.be.closeTo(0.8473 * 0.4e-6, 0.02e-6);
  });

  it('finds its head behind what the instrument says of itself, its unit and its delimiter', () => {
    expect(csvHead(text)).to.deep.include({ channels: ['SDA', 'SCL'], unit: 1e-6, line: 3, delimiter: ',' });
    expect(csvHead('0;1.5\n1;1.6\n')).to.deep.include({ channels: ['channel 1'], unit: 1, line: 1, delimiter: ';' });
  });

  it('says line, what was expected and what was found', () => {
    const bad = (row: string) => text.replace(/\n10\.000,.*\n/, `\n${row}\n`);
    const tried = (row: string) => () => read(bad(row));
    expect(refusal(tried('10.000,oops,1'))).to.match(/^Line 103: expected a number for SDA, found “oops”\.$/);
    expect(refusal(tried('10.000,1'))).to.match(/Line 103: expected a number for SCL, found the end of the row/);
    expect(refusal(tried('3.000,1,1'))).to.match(/Line 103: expected a time not before/);
    expect(refusal(() => csvHead('%PDF-1.4 not a table'))).to.match(/rows of a time and at least one number/);
    expect(refusal(() => read(text, 500, [{ ...LINES[0], name: 'X' } as never]))).to.match(/a column named X/);
    const capture = new CsvCapture(csvHead(text), LINES);
    expect(refusal(() => capture.push('x'.repeat(200_000)))).to.match(/without a line end/);
  });

  it('of a hundred megabytes keeps its memory within bounds', () => {
    const head = 'time,SDA,SCL\n';
    const capture = new CsvCapture(csvHead(`${head}0,3.3,3.3\n`), LINES);
    capture.push(head);
    let [fed, n, looked] = [0, 0, 0];
    collect();
    const before = process.memoryUsage().heapUsed;
    let kept = 0;
    while (fed < 100e6) {
      const rows: string[] = [];
      for (let i = 0; i < 40_000; i++, n++)
        rows.push(`${(n * 1e-7).toFixed(7)},${n % 20 < 10 ? '3.3000' : '0.0500'},${n % 10 < 5 ? '3.3000' : '0.0500'}`);
      const piece = `${rows.join('\n')}\n`;
      fed += piece.length;
      capture.push(piece);
      if (fed < looked + 20e6) continue;
      looked = fed;
      collect();
      kept = Math.max(kept, process.memoryUsage().heapUsed - before);
    }
    const { lines, to } = capture.end();
    expect(lines[0]?.samples).to.equal(n);
    expect(to).to.be.closeTo((n - 1) * 1e-7, 1e-9);
    expect(lines[0]?.envelope.length).to.be.at.most(2048);
    // What is held on to, not what is waiting to be collected: the last piece and the summary.
    expect(looked).to.be.above(80e6);
    expect(kept).to.be.below(30e6);
  });
});

describe('a value change dump (IEEE 1364)', () => {
  const dump = (wave: I2cWave) => {
    const rows = [
      '$date today $end',
      '$timescale 100 ns $end',
      '$scope module bench $end',
      '$var wire 1 ! SDA $end',
      '$var wire 1 " SCL $end',
      '$var real 64 # volts $end',
      '$upscope $end',
      '$enddefinitions $end',
      '$dumpvars',
      '1!',
      '1"',
      '$end',
    ];
    for (const { time, sda, scl } of wave.changes)
      rows.push(`#${Math.round(time / 100e-9)}`, `${sda ? 1 : 0}!`, `${scl ? 1 : 0}"`);
    rows.push('r3.3 #');
    return `${rows.join('\n')}\n`;
  };
  const digital = LINES.map((l) => ({ ...l, supply: 1 }));
  const readDump = (text: string, size = 64) => {
    const capture = new VcdCapture(digital);
    for (let i = 0; i < text.length; i += size) capture.push(text.slice(i, i + size));
    return capture.end();
  };
  const text = dump(new I2cWave().start().address(0x26, true).byte(0x5a, false).stop());

  it('is read with its time scale, in pieces of any size', () => {
    const whole = readDump(text, text.length);
    for (const size of [1, 3, 50]) expect(readDump(text, size)).to.deep.equal(whole);
    expect(whole.i2c?.messages[0]).to.deep.include({ address: 0x26, read: true, acknowledged: true });
    expect(1 / (whole.i2c?.period?.middle ?? 0)).to.be.closeTo(100e3, 1);
  });
  it('lists its variables', () =>
    expect(vcdVariables(text).map(({ name, kind }) => `${kind} ${name}`)).to.deep.equal([
      'wire SDA',
      'wire SCL',
      'real volts',
    ]));
  it('keeps a line as it was while it is unknown', () => {
    const unknown = text.replace('#5\n', '#5\nx!\n');
    expect(readDump(unknown).i2c?.messages[0]?.address).to.equal(0x26);
  });
  it('says line, what was expected and what was found', () => {
    expect(refusal(() => readDump(text.replace('100 ns', 'soon')))).to.match(
      /Line 2: expected a time scale such as 10 ns, found soon/,
    );
    expect(refusal(() => readDump(text.replace('1!', '1?')))).to.match(
      /Line 10: expected a variable that was declared, found “\?”/,
    );
    expect(refusal(() => readDump(`${text}#1\n`))).to.match(/expected a time not before/);
    expect(refusal(() => readDump(`${text}hello\n`))).to.match(/a change of a value/);
    expect(refusal(() => vcdVariables('time,SDA\n0,1'))).to.match(/variables/);
    expect(refusal(() => readDump('$comment never ends'))).to.match(/\$end of \$comment/);
  });
});
