/** Lines of meters that write what they show. The forms of numbers are those of IEEE 488.2 (NR1, NR2, NR3) and of SCPI-1999 for what is over the range, quoted from memory; words beside them are common practice. */
import { expect } from 'chai';
import { type MeterReading, METER_QUESTIONS, readMeterLine } from '../../src/capture/meter-line.ts';

const V = (value: number): MeterReading => ({ value, unit: 'V' });
const OHM = (value: number): MeterReading => ({ value, unit: 'Ω' });
const A = (value: number): MeterReading => ({ value, unit: 'A' });
const bare = (value: number): MeterReading => ({ value, unit: null });
const OTHER = 'other';

const LINES: readonly (readonly [string, MeterReading | typeof OTHER | null])[] = [
  // Numbers alone, as instruments answer a question.
  ['+3.31204000E+00', bare(3.31204)],
  ['-1.2E-03', bare(-0.0012)],
  ['3.312', bare(3.312)],
  ['3,312', bare(3.312)],
  ['+0005', bare(5)],
  ['+9.90000000E+37', bare(Infinity)],
  ['9.9E37', bare(Infinity)],
  ['-9.9E37', bare(-Infinity)],
  ['+9.91000000E+37', null],
  ['NAN', null],
  // With their unit.
  ['3.312 V DC', V(3.312)],
  ['3.312VDC', V(3.312)],
  ['3.312 V', V(3.312)],
  ['DC 3.312 V', V(3.312)],
  ['DCV 3.312', V(3.312)],
  ['VOLT DC: +3.312', V(3.312)],
  ['-0.004 VDC', V(-0.004)],
  ['+0031.2 mV DC', V(0.0312)],
  ['31,2 mV', V(0.0312)],
  ['4.712 kOhm', OHM(4712)],
  ['4.712 kΩ', OHM(4712)],
  ['4.712 kohms', OHM(4712)],
  ['4.712 KOhm', OHM(4712)],
  ['1.204 MOhm', OHM(1.204e6)],
  ['1.204 MΩ', OHM(1.204e6)],
  ['451 mOhm', OHM(0.451)],
  ['000.3 Ω', OHM(0.3)],
  ['OHM 220.1', OHM(220.1)],
  ['12.41 mA DC', A(0.01241)],
  ['12.41 mADC', A(0.01241)],
  ['380 µA', A(380e-6)],
  ['380 μA', A(380e-6)],
  ['380 uA', A(380e-6)],
  ['DCA 0.214', A(0.214)],
  // Nothing between the probes, or more than the range holds.
  ['OL', bare(Infinity)],
  ['O.L MOhm', OHM(Infinity)],
  ['0L MΩ', OHM(Infinity)],
  ['.OL kOhm', OHM(Infinity)],
  ['-OL V', V(-Infinity)],
  ['OVERLOAD', bare(Infinity)],
  // With what meters write beside it.
  ['12:03:44, 3.312, V DC', V(3.312)],
  ['2026-11-30 12:03:44.250;3.312;V', V(3.312)],
  ['17, 3.312, V', V(3.312)],
  ['AUTO 3.312 V DC', V(3.312)],
  ['  3.312   V\t', V(3.312)],
  // Not a value as it is now, or not one of these: nobody may take it for one.
  ['3.312 V AC', OTHER],
  ['230.1 VAC', OTHER],
  ['ACV 230.1', OTHER],
  ['3.312 V AC+DC', OTHER],
  ['3.312 V HOLD', OTHER],
  ['3.312 V DC MAX', OTHER],
  ['0.004 V REL', OTHER],
  ['0.612 V DIODE', OTHER],
  ['49.98 Hz', OTHER],
  ['23.4 °C', OTHER],
  ['12.5 nF', OTHER],
  ['12.5 %', OTHER],
  // Two of them, none, half of one: not read.
  ['3.312 V 12.41 mA', null],
  ['3.3 4.7', null],
  ['V', null],
  ['', null],
  ['4.712 k', null],
  ['3.3.12 V', null],
  ['1.2e V', null],
  ['uptime 12 s', null],
  ['battery low 3.3 V', null],
  ['@ib 4 volts 3.3', null],
  ['0x26', null],
  ['3.312 W', null],
];

describe('a line of a meter', () => {
  for (const [line, wanted] of LINES)
    it(`reads ${JSON.stringify(line)}`, () => {
      const read = readMeterLine(line);
      if (wanted === OTHER) expect(read?.unit).to.equal('other');
      else if (!wanted || !Number.isFinite(wanted.value)) expect(read).to.deep.equal(wanted);
      else {
        expect(read?.unit).to.equal(wanted.unit);
        expect(read?.value).to.be.closeTo(wanted.value, 1e-12 * Math.max(1, Math.abs(wanted.value)));
      }
    });

  it('takes no longer for a long line', () => {
    expect(readMeterLine(`${'1 '.repeat(50_000)}V`)).to.equal(null);
  });

  it('asks for what the row wants', () => {
    // SCPI-1999, MEASure, quoted from memory.
    expect(METER_QUESTIONS).to.deep.equal({ volts: 'MEAS:VOLT:DC?', ohms: 'MEAS:RES?', amps: 'MEAS:CURR:DC?' });
  });
});
