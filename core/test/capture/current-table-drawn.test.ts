/** Tables of a current as meters of every kind write them, drawn at random: separators, units, quotes, decimal commas, lines before the head. */
import { expect } from 'chai';
import { readCurrentTable } from '../../src/capture/current-table.ts';
import { randomFrom } from '../../src/quantity/random.ts';

const TIMES: readonly [string, number][] = [
  ['s', 1],
  ['ms', 1e-3],
  ['us', 1e-6],
  ['µs', 1e-6],
  ['min', 60],
  ['h', 3600],
];
const CURRENTS: readonly [string, number][] = [
  ['A', 1],
  ['mA', 1e-3],
  ['uA', 1e-6],
  ['µA', 1e-6],
  ['nA', 1e-9],
];
const ABOVE = ['Items in this file: 4', 'serial no. 77-12', '"meter, bench"', '# logged by hand', 'sampling,100'];

function drawn(seed: number) {
  const random = randomFrom(seed * 31 + 7);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const [time, seconds] = pick(TIMES);
  const [current, amps] = pick(CURRENTS);
  const apart = pick([',', ';', '\t']);
  const comma = apart !== ',' && random() < 0.4;
  const quoted = random() < 0.3;
  const cell = (text: string) => (quoted ? `"${text}"` : text);
  const number = (value: number) => cell(comma ? String(value).replace('.', ',') : String(value));
  const around = (name: string, unit: string) =>
    cell(pick([`${name} (${unit})`, `${name} [${unit}]`, `${name}_${unit}`, `${name}/${unit}`, `${name} in ${unit}`]));
  const rows = Array.from({ length: 3 + Math.floor(random() * 5) }, (_, i) => [
    i * 0.5,
    Math.round(random() * 1e4) / 100,
  ]);
  const more = random() < 0.2 ? `${apart}${cell('3.3')}` : '';
  const text = [
    ...Array.from({ length: Math.floor(random() * 3) }, () => pick(ABOVE)),
    `${around(pick(['t', 'Time', 'Zeit']), time)}${apart}${around(pick(['I', 'Current', 'Strom']), current)}${more ? `${apart}${cell('U (V)')}` : ''}`,
    ...rows.map(([t = 0, i = 0]) => `${number(t)}${apart}${number(i)}${more}`),
  ].join(pick(['\n', '\r\n']));
  return { text, wanted: rows.map(([t = 0, i = 0]) => ({ time: t * seconds, amps: i * amps })) };
}

describe('tables of a current, drawn', () => {
  it('are read to the last figure: 500 of them', () => {
    const wrong: string[] = [];
    for (let seed = 0; seed < 500; seed++) {
      const { text, wanted } = drawn(seed);
      const found = readCurrentTable(text);
      const right =
        found.ok &&
        found.samples.length === wanted.length &&
        wanted.every(({ time, amps }, i) => {
          const sample = found.samples[i];
          return (
            sample !== undefined &&
            Math.abs(sample.time - time) <= 1e-9 * Math.max(1e-9, time) &&
            Math.abs(sample.amps - amps) <= 1e-9 * Math.max(1e-12, amps)
          );
        });
      if (!right) wrong.push(text.split(/\r?\n/).slice(0, 4).join(' | '));
    }
    expect(wrong.length, wrong.slice(0, 6).join('\n')).to.equal(0);
  });
});
