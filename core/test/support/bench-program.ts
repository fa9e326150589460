/** Runs a compiled self-test against a virtual build: what the program asks of its hardware the build answers. */
import { type ChildProcessWithoutNullStreams, execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { Target } from '../../src/bench/target.ts';
import type { VirtualBuild } from '../../src/bench/virtual-build.ts';
import type { Circuit } from '../../src/circuit/model.ts';
import { cValue } from '../../src/format/settings/c.ts';
import { pinNumber } from '../../src/format/settings/names.ts';
import { selfTestC } from '../../src/format/self-test/c.ts';
import { HARDWARE } from '../../src/format/self-test/c-hardware.ts';
import { selfTestPython } from '../../src/format/self-test/python.ts';
import { type Job, jobOf } from '../../src/selftest/job.ts';

const HAL = new URL('../selftest/bench-hal.c', import.meta.url).pathname;
const LAYER = new URL('../selftest/bench_layer.py', import.meta.url).pathname;
/** Every warning is an error, and what goes wrong while it runs ends it. */
const STRICT = '-std=c99 -O1 -g -Wall -Wextra -Wpedantic -Wconversion -Wshadow -Wstrict-prototypes -Werror'.split(' ');
const WATCHED = ['-fsanitize=address,undefined', '-fno-sanitize-recover=all'];
/** Pins that a board only names get a number that no other has. */
const NAMED_FROM = 1000;

const numberOf = (job: Job, i: number): number => pinNumber(job.pins[i]?.label ?? '') ?? NAMED_FROM + i;

export interface Program {
  readonly path: string;
  readonly job: Job;
}

/** @returns the compiled program of a plan, and how to be rid of it */
export function compiled(circuit: Circuit, plan: string, sanitized = true): Program & { remove: () => void } {
  const folder = mkdtempSync(join(tmpdir(), 'self-test-'));
  const job = jobOf(circuit);
  const source = join(folder, 'self_test.c');
  const path = join(folder, 'self_test');
  writeFileSync(source, selfTestC(circuit, plan));
  // The layer is held to the prototypes that the program ships with.
  writeFileSync(join(folder, 'hal.h'), HARDWARE);
  const names = job.pins.flatMap(({ label }, i) =>
    pinNumber(label) === null ? [`-D${cValue(label)}=${numberOf(job, i)}`] : [],
  );
  execFileSync('gcc', [...STRICT, ...(sanitized ? WATCHED : []), ...names, `-I${folder}`, '-o', path, source, HAL], {
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  return { path, job, remove: () => rmSync(folder, { recursive: true, force: true }) };
}

/** @returns the Python module of a plan, and how to be rid of it */
export function written(circuit: Circuit, plan: string): Program & { remove: () => void } {
  const path = mkdtempSync(join(tmpdir(), 'self-test-'));
  writeFileSync(join(path, 'self_test.py'), selfTestPython(circuit, plan));
  return { path, job: jobOf(circuit), remove: () => rmSync(path, { recursive: true, force: true }) };
}

/** Answers what one program asks. */
export class Bench {
  private readonly target: Target;
  private readonly terminals: ReadonlyMap<number, string>;
  private readonly buses: ReadonlyMap<number, string>;

  constructor(
    job: Job,
    build: VirtualBuild,
    private readonly print: (text: string) => void,
    private readonly read: () => number = () => -1,
    /** False for a controller whose pins have pull-ups alone. */
    private readonly pullsDown = true,
    /** What somebody moves meanwhile. */
    moved: string | null = null,
  ) {
    this.target = new Target(build, null, moved);
    this.terminals = new Map(job.pins.map(({ terminal }, i) => [numberOf(job, i), terminal]));
    this.buses = new Map(job.buses.flatMap(({ id, unit, behind }) => (behind ? [] : [[unit, id] as const])));
  }

  /** @returns what is to be answered; null where nothing is */
  asked(line: string): string | null {
    const { target } = this;
    const [what, ...fields] = line.split(' ');
    const [a = 0, b = 0, ...more] = fields.map(Number);
    const pin = this.terminals.get(a) ?? '';
    const bus = this.buses.get(a) ?? '';
    switch (what) {
      case 'w':
        return target.write(bus, b, more) ? '1' : '0';
      case 'r':
        return target.read(bus, b, more[0] ?? 1)?.join(' ') ?? '-1';
      case 's':
        target.set(pin, b < 0 ? null : b === 0 ? 0 : 1);
        return null;
      case 'g':
        return String(target.get(pin));
      case 'p':
        if (b < 0 && !this.pullsDown) return '1';
        target.pull(pin, b < 0 ? 'down' : b > 0 ? 'up' : 'none');
        return '0';
      case 'c':
        return String(Math.max(0, Math.round(target.volts(pin) * 1e3)));
      case 'x':
        return target.wireReset(pin) ? '1' : '0';
      case 'b':
        return String(target.wireBit(pin, b));
      case 'd':
        target.delay(a / 1e6);
        return null;
      case 't':
        this.print(line.slice(2).replaceAll('\\n', '\n'));
        return null;
      case 'i':
        return String(this.read());
      default:
        return null;
    }
  }
}

/** Lets a program talk with a bench until it ends. @throws Error where it did not end well */
function converse(child: ChildProcessWithoutNullStreams, bench: Bench): Promise<void> {
  let wrong = '';
  child.stderr.on('data', (piece: Buffer) => (wrong += piece.toString()));
  const lines = createInterface({ input: child.stdout });
  lines.on('line', (line) => {
    const answer = bench.asked(line);
    if (answer !== null) child.stdin.write(`${answer}\n`);
  });
  return new Promise((done, fail) => {
    child.on('error', fail);
    child.on('close', (code) => (code === 0 ? done() : fail(new Error(`ended with ${code}: ${wrong.slice(0, 2000)}`))));
  });
}

/**
 * Asks a program that listens.
 * @returns what it printed once it has answered, and how it left its outputs meanwhile, by number of the pin
 */
export async function asked(
  program: Program,
  build: VirtualBuild,
  text: string,
  moved: string | null = null,
): Promise<{ printed: string; outputs: readonly string[] }> {
  let [printed, incoming] = ['', text];
  const outputs: string[] = [];
  const child = program.path.endsWith('self_test')
    ? spawn(program.path, ['listen'])
    : spawn('python3', ['-W', 'error', LAYER, program.path, 'listen']);
  const read = (): number => {
    const code = incoming.charCodeAt(0);
    // Nothing more comes: it has said what it says.
    if (Number.isNaN(code)) child.kill();
    incoming = incoming.slice(1);
    return code;
  };
  const bench = new Bench(program.job, build, (piece) => (printed += piece), read, true, moved);
  const lines = createInterface({ input: child.stdout });
  child.stdin.on('error', () => undefined);
  lines.on('line', (line) => {
    if (line.startsWith('s ')) outputs.push(line.slice(2));
    const answer = bench.asked(line);
    if (answer !== null && !child.killed) child.stdin.write(`${answer}\n`);
  });
  await new Promise((done, fail) => {
    child.on('error', fail);
    child.on('close', done);
  });
  return { printed, outputs };
}

/** @returns what one run on a build prints */
export async function printed(program: Program, build: VirtualBuild, pullsDown = true): Promise<string> {
  let text = '';
  const bench = new Bench(program.job, build, (piece) => (text += piece), undefined, pullsDown);
  await converse(
    program.path.endsWith('self_test') ? spawn(program.path) : spawn('python3', ['-W', 'error', LAYER, program.path]),
    bench,
  );
  return text;
}
