import { expect } from 'chai';
import { logCsv, logMarkdown } from '../../src/format/logbook-text.ts';
import Papa from 'papaparse';
import { calibrationOf, latest, rebuilds, trendOf, type LogEntry } from '../../src/deliver/logbook.ts';

let count = 0;
const entry = (at: string, rest: Partial<LogEntry>): LogEntry => ({
  id: `e${(count += 1)}`,
  plan: 'p',
  build: 1,
  at: `2026-03-${at}:00.000Z`,
  kind: 'measured',
  fingerprint: 'f',
  title: '3.3 V',
  row: 'volts:a~b',
  unit: 'V',
  ...rest,
});

describe('the logbook', () => {
  const entries = [
    entry('03T12:00', { value: 3.34 }),
    entry('01T12:00', { value: 3.3, expected: { min: 3.2, max: 3.4, unit: 'V', sum: '' }, inside: true, by: 'typed' }),
    entry('02T12:00', { value: 3.32 }),
    entry('04T12:00', { build: 2, value: 3.1, inside: false }),
    entry('02T13:00', { kind: 'note', title: 'note', text: '=2+3 | a "quoted" note,\nin two lines' }),
  ];

  it('has the latest value of each row in one build', () => {
    expect(latest(entries, 1).get('volts:a~b')?.value).to.equal(3.34);
    expect(latest(entries, 2).get('volts:a~b')?.value).to.equal(3.1);
    expect(latest([], 1).size).to.equal(0);
  });

  it('puts builds side by side where both have a value', () => {
    const [row, ...rest] = rebuilds([...entries, entry('05T12:00', { row: 'volts:c~d', value: 1 })]);
    expect(rest).to.deep.equal([]);
    expect(row?.values.map((e) => e?.value)).to.deep.equal([3.34, 3.1]);
  });

  it('knows the drift: 20 mV a day over three days, by least squares', () => {
    const trend = trendOf(
      entries.filter(({ build }) => build === 1),
      'volts:a~b',
    );
    expect(trend.points.map(({ time }) => time)).to.deep.equal([0, 86_400, 172_800]);
    expect(trend.perDay).to.be.closeTo(0.02, 1e-12);
    expect(trendOf(entries.slice(0, 1), 'volts:a~b').perDay).to.equal(null);
    expect(trendOf(entries, 'nothing').points).to.deep.equal([]);
  });

  it('works out an offset from its points and what is left: (0.3 + 0.5) ÷ 2', () => {
    const points = [
      entry('01T12:00', { kind: 'calibrated', value: -0.3, reference: 0 }),
      entry('01T13:00', { kind: 'calibrated', value: 36.1, reference: 36.6 }),
    ];
    const found = calibrationOf(points, 'volts:a~b', 1);
    expect(found?.offset).to.be.closeTo(0.4, 1e-12);
    expect(found?.worst).to.be.closeTo(0.1, 1e-9);
    expect(calibrationOf(points, 'volts:a~b', 2)).to.equal(null);
  });

  it('leaves as CSV that reads back, with no text that a spreadsheet would take for a formula', () => {
    const { data } = Papa.parse<Record<string, string>>(logCsv(entries), { header: true });
    expect(data).to.have.length(entries.length);
    expect(data[1]).to.include({ value: '3.3', unit: 'V', expected: '3.2 V to 3.4 V', inside: 'yes', by: 'typed' });
    expect(data[4]?.text).to.match(/^'=2\+3/);
  });

  it('leaves as Markdown, build by build, each entry on one line of a table', () => {
    const text = logMarkdown('Cupboard', entries);
    expect(text).to.include('## Build 1').and.include('## Build 2').and.include('**outside**');
    const rows = text.split('\n').filter((line) => line.startsWith('| 2026'));
    expect(rows).to.have.length(entries.length);
    for (const row of rows) expect(row.replace(/\\\|/g, '').split('|')).to.have.length(8);
  });

  it('takes a gain from points that are far apart, the mean from points that are not, and says against what', () => {
    // Ice at 0 °C and a kettle at 100 °C: a probe that reads 0.8 and 98.8 (worked by hand: gain 100/98, offset −0.8163).
    const point = (reading: number, reference: number, text: string, at: string): LogEntry => ({
      id: at,
      plan: 'p',
      build: 1,
      at,
      kind: 'calibrated',
      fingerprint: 'f',
      title: 'probe',
      row: 'reads:probe:temperature',
      value: reading,
      reference,
      text,
    });
    const two = [point(0.8, 0, 'ice', '2026-01-01T10:00:00Z'), point(98.8, 100, 'kettle', '2026-01-02T10:00:00Z')];
    const wide = calibrationOf(two, 'reads:probe:temperature', 1, 25);
    expect(wide?.gain).to.be.closeTo(1.020408, 1e-6);
    expect(wide?.offset).to.be.closeTo(-0.816327, 1e-6);
    expect(wide?.worst).to.be.closeTo(0, 1e-9);
    expect([wide?.at, wide?.against]).to.deep.equal(['2026-01-02T10:00:00Z', ['ice', 'kettle']]);
    const near = calibrationOf(two, 'reads:probe:temperature', 1, 200);
    expect(near?.gain).to.equal(1);
    expect(near?.offset).to.be.closeTo((1.2 - 0.8) / 2, 1e-9);
  });
});
