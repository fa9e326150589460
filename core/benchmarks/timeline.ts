/** The timeline of 30 parts over a day, against walking through the day in steps; a discharge against the reference simulator. */
import { deriveCircuit } from '../src/circuit/derive.ts';
import { discharge, packOf } from '../src/physics/discharge.ts';
import { timeline } from '../src/physics/timeline.ts';
import { stagger } from '../src/remedy/stagger.ts';
import { card, document, exactly, figure, part, source5, terminals } from '../test/support/build.ts';
import { library } from '../test/support/demo.ts';
import { spiceDischarge } from '../test/support/spice.ts';
import { middle, ms } from './time.ts';

const DAY = 86400;
const TICK = 0.25;
/** s between two readings, and how many parts read so. */
const INTERVALS = [
  [60, 15],
  [300, 8],
  [900, 4],
  [3600, 2],
  [DAY, 1],
] as const;

const sensor = card('sensor', {
  terminals: terminals('vcc', 'gnd'),
  supplies: [
    {
      id: 'vcc',
      terminal: 'vcc',
      range: figure('V', { min: 2, max: 6 }),
      current: {
        idle: exactly('A', 1e-5),
        active: exactly('A', 0.02),
        stages: [
          { name: 'heating', current: exactly('A', 0.08), time: exactly('s', 0.5) },
          { name: 'converting', current: exactly('A', 0.02), time: exactly('s', 0.75) },
        ],
      },
    },
  ],
});

export function benchTimeline(): void {
  const parts = INTERVALS.flatMap(([every, count]) =>
    Array.from({ length: count }, (_, i) =>
      part(`x${every}-${i}`, 'sensor', { feeds: { vcc: 'v.out' }, run: { every, after: i * 1.25 } }),
    ),
  );
  const circuit = deriveCircuit(document({ cards: [source5('v', 5), sensor], parts: [part('v', 'v'), ...parts] }));
  const line = timeline(circuit, 'v.out');
  const taken = middle(() => timeline(circuit, 'v.out'), 2000);
  const current = (every: number, after: number, t: number): number => {
    const inside = (((t - after) % every) + every) % every;
    return inside < 0.5 ? 0.08 : inside < 1.25 ? 0.02 : 1e-5;
  };
  let [sum, most] = [0, 0];
  const walked = middle(() => {
    [sum, most] = [0, 0];
    for (let t = 0; t < DAY; t += TICK) {
      let now = 0;
      for (const [every, count] of INTERVALS) for (let i = 0; i < count; i++) now += current(every, i * 1.25, t);
      sum += now;
      if (now > most) most = now;
    }
  }, 1000);
  const same = Math.abs(line.average - (sum * TICK) / DAY) < 1e-9 && Math.abs(line.worst - most) < 1e-9;
  console.log(
    `timeline of ${parts.length} parts over a day (${line.usual.at.length} steps): ${ms(taken)}; walked in steps of ${TICK} s ${ms(walked)}, ${(walked / taken).toFixed(1)} times as long; ${same ? 'same average and peak' : 'DIFFERENT'}`,
  );
  const free = deriveCircuit(
    document({
      cards: [source5('v', 5), sensor],
      parts: [part('v', 'v'), ...parts.map((p) => ({ ...p, run: { every: p.run?.every ?? 60 } }))],
    }),
  );
  const order = stagger(free, 'v.out');
  console.log(
    `staggering them: ${ms(middle(() => stagger(free, 'v.out'), 2000))}, ${order ? `${(order.before * 1e3).toFixed(0)} mA to ${(order.after * 1e3).toFixed(0)} mA` : 'nothing gained'}`,
  );

  const cells = library.get('cells-three')?.rails?.[0]?.cells;
  if (!cells) return;
  const pack = { ...packOf(cells, 'usual', 20), leak: 0 };
  const drain = { mean: (v: number) => 3e-3 / v, peak: (v: number) => 3e-3 / v, least: 0 };
  const ours = discharge(pack, drain);
  const taking = middle(() => discharge(pack, drain));
  const start = performance.now();
  const theirs = spiceDischarge(pack, '3e-3/v(t)', ours.seconds * 1.2);
  const spice = performance.now() - start;
  console.log(
    `discharge of three cells: ${ms(taking)}, ngspice ${ms(spice)} (with its start), ${(spice / taking).toFixed(0)} times as long; ends differ by ${((Math.abs(ours.seconds - theirs) / theirs) * 100).toFixed(2)} %`,
  );
}
