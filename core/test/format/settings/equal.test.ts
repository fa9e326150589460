/** The settings as programs see them - compiled, imported, put into a device tree - are what the plan says. */
import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deriveCircuit } from '../../../src/circuit/derive.ts';
import { readingOf } from '../../../src/deliver/settings/formula.ts';
import { cValue, settingsC } from '../../../src/format/settings/c.ts';
import { settingsData } from '../../../src/format/settings/json.ts';
import { pinNumber } from '../../../src/format/settings/names.ts';
import { settingsOverlay } from '../../../src/format/settings/overlay.ts';
import { settingsPython } from '../../../src/format/settings/python.ts';
import { SETTING_KINDS } from '../../../src/deliver/settings/setting.ts';
import { READ_OFF, readOff, settingsCase } from '../../support/settings-case.ts';

const STRICT = '-std=c99 -O0 -Wall -Wextra -Wpedantic -Wconversion -Wshadow -Werror'.split(' ');
const PLANS = 25;

type Data = ReturnType<typeof settingsData>;
interface Dump {
  readonly values: Readonly<Record<string, number | string>>;
  /** By function: readings of a few counts. */
  readonly readings: Readonly<Record<string, readonly number[]>>;
}

const settingsIn = ({ groups }: Data) => groups.flatMap(({ settings }) => settings);
const conversionsIn = ({ groups }: Data) =>
  groups.flatMap(({ conversions }) => conversions.map(({ name, formula }) => ({ name, formula })));
const countsOf = (counts: number): number[] => [0.11, 0.37, 0.5, 0.83].map((share) => Math.round(share * counts));

/** Names that a board's support would define: each gets a number that no pin has. */
const boardNames = (data: Data): string[] => [
  ...new Set(
    settingsIn(data).flatMap(({ id, value }) =>
      (id === 'pin' || id === 'driver') && pinNumber(String(value)) === null ? [cValue(String(value))] : [],
    ),
  ),
];

function compiled(header: string, data: Data): Dump {
  const folder = mkdtempSync(join(tmpdir(), 'settings-'));
  try {
    const asked = settingsIn(data).map(({ id, name }) => {
      const kind = SETTING_KINDS[id];
      if (kind === 'text') return `text("${name}", ${name});`;
      return kind === 'real' ? `real("${name}", ${name});` : `whole("${name}", (long long)${name});`;
    });
    const worked = conversionsIn(data).flatMap(({ name, formula }) =>
      countsOf(formula.counts).map((count) => `real("()${name}", ${name}(${count}.0));`),
    );
    writeFileSync(join(folder, 'settings.h'), header);
    writeFileSync(
      join(folder, 'dump.c'),
      [
        '#include <stdio.h>',
        '#include "settings.h"',
        '#include "settings.h"',
        'static void whole(const char *n, long long v) { printf("%s\\t%lld\\n", n, v); }',
        'static void real(const char *n, double v) { printf("%s\\t%.17g\\n", n, v); }',
        'static void text(const char *n, const char *v) { printf("%s\\t%s\\n", n, v); }',
        'int main(void) {',
        '(void)whole; (void)real; (void)text;',
        ...asked,
        ...worked,
        'return 0; }',
      ].join('\n'),
    );
    const names = boardNames(data).map((name, i) => `-D${name}=${1000 + i}`);
    execFileSync('gcc', [...STRICT, ...names, '-o', 'dump', 'dump.c', '-lm'], { cwd: folder, stdio: 'pipe' });
    const lines = execFileSync(join(folder, 'dump'), { encoding: 'utf8' }).split('\n').filter(Boolean);
    const values: Record<string, number | string> = {};
    const readings: Record<string, number[]> = {};
    const kinds = new Map(settingsIn(data).map(({ id, name }) => [name, SETTING_KINDS[id]]));
    for (const line of lines) {
      const [name = '', value = ''] = line.split('\t');
      if (name.startsWith('()')) (readings[name.slice(2)] ??= []).push(Number(value));
      else values[name] = kinds.get(name) === 'text' ? value : Number(value);
    }
    return { values, readings };
  } finally {
    rmSync(folder, { recursive: true });
  }
}

const READS = `
import json, sys, settings
asked = json.load(sys.stdin)
print(json.dumps({
    "values": {name: getattr(settings, name) for name in asked["names"]},
    "readings": {name: [getattr(settings, name)(c) for c in counts] for name, counts in asked["functions"].items()},
}))
`;

function imported(module: string, data: Data): Dump {
  const folder = mkdtempSync(join(tmpdir(), 'settings-'));
  try {
    writeFileSync(join(folder, 'settings.py'), module);
    const asked = {
      names: settingsIn(data).map(({ name }) => name),
      functions: Object.fromEntries(conversionsIn(data).map(({ name, formula }) => [name, countsOf(formula.counts)])),
    };
    const input = JSON.stringify(asked);
    return JSON.parse(
      execFileSync('python3', ['-W', 'error', '-c', READS], { cwd: folder, input, encoding: 'utf8' }),
    ) as Dump;
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** What a language makes of a value that the plan has. */
const asC = (data: Data, id: keyof typeof SETTING_KINDS, value: number | string | boolean): number | string => {
  const kind = SETTING_KINDS[id];
  if (kind === 'pin') return pinNumber(String(value)) ?? 1000 + boardNames(data).indexOf(cValue(String(value)));
  return kind === 'text' ? String(value) : Number(value);
};
const asPython = (id: keyof typeof SETTING_KINDS, value: number | string | boolean) =>
  SETTING_KINDS[id] === 'pin' ? (pinNumber(String(value)) ?? value) : value;

function near(found: number, wanted: number, says: string): void {
  if (!Number.isFinite(wanted)) return;
  expect(Math.abs(found - wanted), says).to.be.lessThan(1e-9 * Math.max(1, Math.abs(wanted)));
}

/** @returns what is not as the plan says; empty where all is */
function differences(seed: number): string[] {
  const drawn = settingsCase(seed);
  const circuit = deriveCircuit(drawn.document);
  const data = settingsData(circuit, 'f00d', drawn.corrections);
  const found: string[] = [];
  const told = new Map(
    data.groups.flatMap(({ kind, id, settings }) =>
      settings.map((setting) => [`${kind} ${id} ${setting.id} ${setting.of ?? ''}`.trim(), setting.value] as const),
    ),
  );
  const said = readOff(drawn);
  for (const [key, value] of said) if (told.get(key) !== value) found.push(`${key}: ${value}, told ${told.get(key)}`);
  for (const [key, value] of told)
    if (READ_OFF.includes(key.split(' ')[2] ?? '') && !said.has(key))
      found.push(`${key}: told ${value}, not in the plan`);
  const c = compiled(settingsC(circuit, 'f00d', drawn.corrections), data);
  const python = imported(settingsPython(circuit, 'f00d', drawn.corrections), data);
  for (const { id, name, value } of settingsIn(data)) {
    if (c.values[name] !== asC(data, id, value)) found.push(`C ${name}: ${c.values[name]}, not ${value}`);
    if (python.values[name] !== asPython(id, value)) found.push(`Python ${name}: ${python.values[name]}, not ${value}`);
  }
  for (const { name, formula } of conversionsIn(data))
    countsOf(formula.counts).forEach((count, i) => {
      near(c.readings[name]?.[i] ?? NaN, python.readings[name]?.[i] ?? NaN, name);
      void readingOf(formula, count);
    });
  return found;
}

describe('the settings of random plans', function () {
  this.timeout(240_000);

  it('equal the plan, compiled by the strictest compiler and imported', () => {
    for (let seed = 0; seed < PLANS; seed++) expect(differences(seed), `seed ${seed}`).to.deep.equal([]);
  });

  it('make an overlay that says what the plan says, taken apart by its compiler', () => {
    let taken = 0;
    for (let seed = 0; seed < 4 * PLANS; seed++) {
      const { document } = settingsCase(seed);
      const circuit = deriveCircuit(document);
      if (circuit.controller?.card.id !== 'linux-board') continue;
      taken += 1;
      const folder = mkdtempSync(join(tmpdir(), 'overlay-'));
      try {
        writeFileSync(join(folder, 's.dts'), settingsOverlay(circuit, 'f00d'));
        const args = ['-@', '-I', 'dts', '-O', 'dtb', '-o', 's.dtbo', 's.dts'];
        execFileSync('dtc', args, { cwd: folder, stdio: 'pipe' });
        const back = execFileSync('dtc', ['-I', 'dtb', '-O', 'dts', '-q', 's.dtbo'], { cwd: folder, encoding: 'utf8' });
        const clocks = [...back.matchAll(/clock-frequency = <(0x[0-9a-f]+)>/g)].map(([, hex]) => Number(hex));
        const wanted = circuit.plan.buses.flatMap((bus) =>
          bus.protocol === 'i2c' && !bus.behind && bus.clock !== undefined && bus.lines.sda?.pin ? [bus.clock] : [],
        );
        expect(clocks.sort(), `seed ${seed}`).to.deep.equal(wanted.sort());
        const pins = [...back.matchAll(/gpios = <([^>]+)>/g)].flatMap(([, cells = '']) =>
          cells.split(' ').flatMap((hex, i) => (i % 3 === 1 ? [Number(hex)] : [])),
        );
        const label = (pin: string | null) =>
          pinNumber(circuit.controller?.card.terminals.find(({ id }) => id === pin)?.label ?? '');
        const lines = circuit.wishes
          .filter(({ net }) =>
            ['onewire', 'led', 'switch'].includes(circuit.nets.find(({ id }) => id === net)?.protocol ?? ''),
          )
          .flatMap(({ pin }) => label(pin) ?? []);
        expect(pins.sort(), `seed ${seed}`).to.deep.equal(lines.sort());
      } finally {
        rmSync(folder, { recursive: true });
      }
    }
    expect(taken).to.be.greaterThan(3);
  });
});
