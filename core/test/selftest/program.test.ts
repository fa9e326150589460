/** The self-test as it is: compiled with every warning an error, watched while it runs, on the simulated bench. */
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { expect } from 'chai';
import { SOUND } from '../../src/bench/dictionary.ts';
import { deviation } from '../../src/bench/instrument.ts';
import { FirmwareModel } from '../../src/bench/firmware-model.ts';
import { faultsOf } from '../../src/bench/faults-of.ts';
import { HiddenBuild } from '../../src/bench/hidden.ts';
import { Measurements, measure, pinMeasurements } from '../../src/bench/measurement.ts';
import { Target } from '../../src/bench/target.ts';
import type { BenchState } from '../../src/bench/state.ts';
import { VirtualBuild } from '../../src/bench/virtual-build.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { selfTestC } from '../../src/format/self-test/c.ts';
import { answeredBy } from '../../src/selftest/answered.ts';
import { type Evidence, evidenceOf } from '../../src/selftest/evidence.ts';
import { Hearing } from '../../src/selftest/hearing.ts';
import { jobOf } from '../../src/selftest/job.ts';
import { printRun } from '../../src/selftest/print-run.ts';
import { compiled, type Program, printed, written } from '../support/bench-program.ts';
import { benchOf, dictionaryFor, laidOut } from '../support/bench-case.ts';
import { keyOf } from '../../src/plan/ref.ts';
import { PLANS } from '../support/demo.ts';
import { randomPlan } from '../support/random-plan.ts';
import { selfTested, withPins } from '../support/self-tested.ts';

const PLAN = '0123456789abcdef';
/** Of the faults of a plan, every so many-th is put in; the bench puts in all. */
const EVERY = 17;

/** What the headers of the kernel say, and what the module asks with; the level of an output stands at its place in both. */
const NUMBERS = String.raw`
#include <linux/gpio.h>
#include <linux/i2c-dev.h>
#include <stdio.h>
#include <string.h>
int main(void)
{
    struct gpio_v2_line_request r;
    const unsigned char *bytes = (const unsigned char *)&r;
    size_t i;
    memset(&r, 0, sizeof r);
    r.offsets[0] = 17;
    strcpy(r.consumer, "self-test");
    r.num_lines = 1;
    r.config.flags = GPIO_V2_LINE_FLAG_OUTPUT;
    r.config.num_attrs = 1;
    r.config.attrs[0].attr.id = GPIO_V2_LINE_ATTR_ID_OUTPUT_VALUES;
    r.config.attrs[0].attr.values = 1;
    r.config.attrs[0].mask = 1;
    printf("%lu %lu %lu %d\n", (unsigned long)GPIO_V2_GET_LINE_IOCTL, (unsigned long)GPIO_V2_LINE_SET_CONFIG_IOCTL,
        (unsigned long)GPIO_V2_LINE_GET_VALUES_IOCTL, I2C_SLAVE);
    printf("%d %d %d %d %d\n", GPIO_V2_LINE_FLAG_INPUT, GPIO_V2_LINE_FLAG_OUTPUT, GPIO_V2_LINE_FLAG_BIAS_PULL_UP,
        GPIO_V2_LINE_FLAG_BIAS_PULL_DOWN, GPIO_V2_LINE_FLAG_BIAS_DISABLED);
    for (i = 0; i < sizeof r; i++)
        printf("%02x", bytes[i]);
    printf("\n");
    return 0;
}
`;
const ASKS = `
import fcntl, os, self_test
asked = []
os.open = lambda *a: 0
os.close = lambda f: None
fcntl.ioctl = lambda f, n, data: asked.append(bytes(data))
l = self_test.Linux()
l.pin_set(17, 1)
print(l.GET_LINE, l.SET_CONFIG, l.GET_VALUES, l.I2C_SLAVE)
print(l.INPUT, l.OUTPUT, l.PULL_UP, l.PULL_DOWN, l.NO_PULL)
print(asked[0].hex())
`;

async function evidence(program: Program, build: VirtualBuild, pullsDown = true): Promise<Evidence> {
  const lines = new Hearing(PLAN).take(await printed(program, build, pullsDown));
  if (!lines) throw new Error('the run did not come whole');
  return evidenceOf(build.circuit, program.job, lines);
}

describe('the self-test', function () {
  this.timeout(300_000);

  for (const name of PLANS)
    it(`of ${name} prints what the build shows, in order and with faults`, async () => {
      const plan = benchOf(name);
      const program = compiled(plan.circuit, PLAN);
      try {
        const isOwn = answeredBy(plan.circuit, program.job);
        const own = [...new Measurements(plan).all, ...pinMeasurements(plan.circuit)].filter(isOwn);
        const { entries } = dictionaryFor(name);
        const some = entries.filter((_, i) => i % EVERY === 0);
        for (const { faults, key } of some) {
          const build = new VirtualBuild(plan, faults);
          const talk = new FirmwareModel(build);
          if (!talk.runs()) continue;
          const { observations } = await evidence(program, build);
          const seen = new Map(observations.map(({ measurement, value }) => [measurement, value]));
          for (const m of own) {
            const value = seen.get(m.key);
            const shows = measure(build, m, talk);
            // Which of several parts on one line is missing is told by no number of them, nor which of two at one address.
            if (value === undefined && m.kind === 'works') continue;
            expect(value, `${key}: ${m.key}`).to.not.equal(undefined);
            expect(deviation(m.kind, value ?? '', shows), `${key}: ${m.key} ${value} for ${shows}`).to.be.below(0.5);
          }
        }
      } finally {
        program.remove();
      }
    });

  for (const name of PLANS)
    it(`in Python and on the bench of the app prints of ${name} what the one in C prints`, async () => {
      const plan = benchOf(name);
      const [c, python] = [compiled(plan.circuit, PLAN), written(plan.circuit, PLAN)];
      try {
        const { entries } = dictionaryFor(name);
        for (const { faults, key } of entries.filter((_, i) => i % (4 * EVERY) === 0)) {
          const build = new VirtualBuild(plan, faults);
          const lines = async (program: Program) => (await printed(program, build)).trim().split(/\s*\n/);
          const meant = await lines(c);
          expect(await lines(python), key).to.deep.equal(meant);
          expect(printRun(c.job, PLAN, new Target(build)).trim().split('\n'), key).to.deep.equal(meant);
        }
      } finally {
        c.remove();
        python.remove();
      }
    });

  it('of a controller without pull-downs says nothing of what it could not look at', async () => {
    const plan = benchOf('cupboard-verified');
    const program = compiled(plan.circuit, PLAN);
    try {
      const build = new VirtualBuild(plan);
      const talk = new FirmwareModel(build);
      const { observations } = await evidence(program, build, false);
      const own = new Map(pinMeasurements(plan.circuit).map((m) => [m.key, m]));
      const levels = observations.filter(({ measurement }) => measurement.startsWith('level:'));
      expect(levels.length).to.be.above(5);
      for (const { measurement, value } of levels) {
        const m = own.get(measurement);
        expect(String(value)).to.match(/^[01-]-$/);
        expect(m && deviation('level', value, measure(build, m, talk))).to.equal(0);
      }
    } finally {
      program.remove();
    }
  });

  it('moves, heats and lights nothing: in no state that it goes through, on the plans that ship and on thirty random ones', () => {
    const random = Array.from({ length: 30 }, (_, i) => laidOut(randomPlan(i * 7 + 3, 1 + (i % 7)).plan));
    let [states, loads] = [0, 0];
    for (const plan of [...PLANS.map(benchOf), ...random]) {
      const build = new VirtualBuild(plan);
      if (!new FirmwareModel(build).runs()) continue;
      const seen = new Set<BenchState>();
      const powered = build.powered.bind(build);
      build.powered = (state = build.rest) => {
        seen.add(state);
        return powered(state);
      };
      printRun(jobOf(plan.circuit), PLAN, new Target(build));
      build.powered = powered;
      for (const { id, card } of plan.circuit.parts.values()) {
        const moved = card.ports.some(({ protocol }) => protocol === 'coil');
        const light = card.ports.find(({ protocol }) => protocol === 'led');
        const end = light && build.elements.ends.get(keyOf(id, Object.values(light.lines)[0]));
        if (!moved && !end) continue;
        loads += 1;
        const at = (state: BenchState): number => {
          if (moved) return build.supply(id, card.supplies[0]?.id ?? '', state);
          const { volts } = build.powered(state);
          return end ? (volts[end.node] ?? 0) - (volts[end.ground] ?? 0) : 0;
        };
        const rest = at(build.rest);
        for (const state of seen) expect(at(state), `${plan.circuit.plan.name}: ${id}`).to.be.below(rest + 0.25);
        states += seen.size;
      }
    }
    expect(loads).to.be.above(5);
    expect(states).to.be.above(50);
  });

  it('reads of thirty random plans, with faults in them, what the builds show', () => {
    let [builds, readings] = [0, 0];
    for (let seed = 61; seed <= 90; seed++) {
      const plan = laidOut(randomPlan(seed * 7 + 3, 1 + (seed % 7)).plan);
      const job = jobOf(plan.circuit);
      const all = new Map(
        [...new Measurements(plan).all, ...pinMeasurements(plan.circuit)].map((m) => [m.key, m] as const),
      );
      const some = faultsOf(plan).filter((_, i) => i % 40 === seed % 40);
      for (const faults of [[], ...some.map((fault) => [fault])]) {
        const build = new VirtualBuild(plan, faults);
        const talk = new FirmwareModel(build);
        if (!talk.runs()) continue;
        builds += 1;
        const lines = new Hearing(PLAN).take(printRun(job, PLAN, new Target(build)));
        for (const { measurement, value } of evidenceOf(plan.circuit, job, lines ?? []).observations) {
          const m = all.get(measurement);
          if (!m) throw new Error(`no row ${measurement}`);
          readings += 1;
          const shows = measure(build, m, talk);
          expect(deviation(m.kind, value, shows), `${seed}: ${measurement} ${value} for ${shows}`).to.be.below(0.5);
        }
      }
    }
    expect(builds).to.be.above(40);
    expect(readings).to.be.above(300);
  });

  it('finds each part on a one-wire line by its number, and its temperature', async () => {
    const plan = benchOf('cupboard-verified');
    const program = compiled(plan.circuit, PLAN);
    try {
      const { found } = await evidence(program, new VirtualBuild(plan));
      expect(new Set(found.map(({ rom }) => rom)).size).to.equal(3);
      expect(found.map(({ celsius }) => celsius)).to.deep.equal([20, 20, 20]);
    } finally {
      program.remove();
    }
  });

  it('names nine of ten single faults that show and more, with two questions to a person at most on average', () => {
    let [shown, first, questions] = [0, 0, 0];
    for (const name of PLANS) {
      const dictionary = withPins(dictionaryFor(name));
      dictionary.entries.forEach(({ key, faults }, seed) => {
        if (key === SOUND || seed % 5 !== 0) return;
        const found = selfTested(dictionary, new HiddenBuild(dictionary.plan, faults, seed));
        if (found.shows === 'nowhere') return;
        shown += 1;
        questions += found.questions;
        if (found.finding?.suspects[0]?.entries.some((entry) => entry.key === key)) first += 1;
      });
    }
    expect(shown).to.be.above(100);
    expect(first / shown).to.be.at.least(0.95);
    expect(questions / shown).to.be.at.most(2);
  });

  it('asks Linux for its lines by the numbers and sizes of the kernel’s own headers', () => {
    const { path, remove } = written(benchOf('stairwell').circuit, PLAN);
    try {
      writeFileSync(`${path}/numbers.c`, NUMBERS);
      execFileSync('gcc', ['-o', `${path}/numbers`, `${path}/numbers.c`]);
      const meant = execFileSync(`${path}/numbers`, { encoding: 'utf8' });
      const asks = execFileSync('python3', ['-W', 'error', '-c', ASKS], { cwd: path, encoding: 'utf8' });
      expect(asks).to.equal(meant);
    } finally {
      remove();
    }
  });

  it('of thirty random plans compiles without a warning', () => {
    for (let seed = 1; seed <= 30; seed++) {
      const circuit = deriveCircuit(randomPlan(seed * 31, 1 + (seed % 9)));
      const job = jobOf(circuit);
      const names = job.pins
        .map(({ label }) => label.replace(/[^A-Za-z0-9_]/g, '_'))
        .filter((label) => !/\d$/.test(label) || /^A/.test(label));
      execFileSync(
        'gcc',
        [
          ...'-std=c99 -Wall -Wextra -Wpedantic -Wconversion -Werror -fsyntax-only -x c -'.split(' '),
          ...[...new Set(names)].map((label) => `-D${label}=1`),
        ],
        { input: selfTestC(circuit, PLAN), stdio: ['pipe', 'ignore', 'inherit'] },
      );
    }
  });
});
