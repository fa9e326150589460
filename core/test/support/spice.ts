/** The reference simulator: a network written as its netlist, run, and its answers read back. */
import { spawnSync } from 'node:child_process';
import type { Network } from '../../src/physics/network.ts';

export interface Watch {
  readonly node: number;
  readonly level: number;
  readonly rising: boolean;
}

const name = (node: number) => (node === 0 ? '0' : `n${node}`);

function elements(network: Network): string[] {
  const lines: string[] = [];
  network.held.forEach(({ node, volts }, i) => lines.push(`V${i} ${name(node)} 0 DC ${volts}`));
  network.resistors.forEach(({ a, b, ohms }, i) => lines.push(`R${i} ${name(a)} ${name(b)} ${ohms}`));
  network.currents.forEach(({ from, to, amps }, i) => lines.push(`I${i} ${name(from)} ${name(to)} DC ${amps}`));
  network.diodes.forEach(({ anode, cathode, model }, i) => {
    lines.push(`D${i} ${name(anode)} ${name(cathode)} dm${i}`);
    lines.push(`.model dm${i} D(IS=${model.saturation} N=${model.emission})`);
  });
  network.transistors.forEach(({ drain, gate, source, model }, i) => {
    // A gate of one square micrometre, so that its own capacitance does not count.
    lines.push(`M${i} ${name(drain)} ${name(gate)} ${name(source)} ${name(source)} mm${i} W=1u L=1u`);
    lines.push(`.model mm${i} NMOS(LEVEL=1 VTO=${model.threshold} KP=${model.gain} LAMBDA=0 GAMMA=0 IS=1e-30)`);
  });
  network.capacitance.forEach((farads, node) => {
    if (node > 0 && farads > 0) lines.push(`C${node} ${name(node)} 0 ${farads}`);
  });
  return lines;
}

function run(lines: readonly string[]): string {
  const { stdout, stderr, error } = spawnSync('ngspice', ['-b'], {
    input: `${lines.join('\n')}\n`,
    encoding: 'utf8',
    timeout: 60_000,
  });
  if (error) throw new Error(`the reference simulator did not run: ${error.message}`);
  if (/fatal|no such|timestep too small/i.test(stderr)) throw new Error(stderr);
  return stdout;
}

const OPTIONS = '.options RELTOL=1e-6 ABSTOL=1e-15 VNTOL=1e-9 CHGTOL=1e-18 GMIN=1e-12 TEMP=27 TNOM=27';

/** Voltages at rest, by node. */
export function spiceRest(network: Network): number[] {
  const names = Array.from({ length: network.nodes - 1 }, (_, i) => name(i + 1));
  const text = run([
    'rest',
    ...elements(network),
    OPTIONS,
    '.control',
    'set numdgt=9',
    'op',
    ...names.map((n) => `print v(${n})`),
    '.endc',
    '.end',
  ]);
  return [0, ...names.map((n) => Number(text.match(new RegExp(`^v\\(${n}\\) = (\\S+)`, 'm'))?.[1] ?? NaN))];
}

/** Times at which levels are passed after `start`, s; NaN where one is not. */
export function spiceTimes(
  network: Network,
  start: ArrayLike<number>,
  end: number,
  watched: readonly Watch[],
): number[] {
  const text = run([
    'movement',
    ...elements(network),
    OPTIONS,
    `.ic ${Array.from({ length: network.nodes - 1 }, (_, i) => `v(${name(i + 1)})=${start[i + 1]}`).join(' ')}`,
    `.tran ${end / 4000} ${end} 0 ${end / 4000} UIC`,
    ...watched.map(
      ({ node, level, rising }, i) => `.meas tran t${i} WHEN v(${name(node)})=${level} ${rising ? 'RISE' : 'FALL'}=1`,
    ),
    '.end',
  ]);
  return watched.map((_, i) => Number(text.match(new RegExp(`^t${i}\\s*=\\s*(\\S+)`, 'm'))?.[1] ?? NaN));
}

/**
 * A pack that empties into a load: its charge on a capacitor, its open voltage read off its curve, its resistance in
 * between.
 * @param load current as an expression of the terminal voltage, "5e-3" or "10e-3/v(t)"
 * @returns s until the terminals fall to the cut-off
 */
export function spiceDischarge(
  pack: { charge: number; curve: readonly { used: number; volts: number }[]; resistance: number; cutOff: number },
  load: string,
  longest: number,
): number {
  const points = pack.curve.map(({ used, volts }) => `${used},${volts}`).join(',');
  const text = run([
    'discharge',
    `Boc oc 0 V=pwl(v(u),${points})`,
    `Ri oc t ${pack.resistance}`,
    `Bload t 0 I=${load}`,
    `Bcount 0 u I=${load}`,
    `Cu u 0 ${pack.charge} IC=0`,
    'Rleak u 0 1e15',
    '.control',
    'set numdgt=9',
    `tran ${longest / 4000} ${longest} 0 ${longest / 4000} uic`,
    `meas tran ended WHEN v(t)=${pack.cutOff} FALL=LAST`,
    '.endc',
    '.end',
  ]);
  return Number(text.match(/^ended\s*=\s*(\S+)/m)?.[1] ?? NaN);
}
