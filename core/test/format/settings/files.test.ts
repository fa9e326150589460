/** The files of settings, read by the tools that will read them: gcc, Python and the devicetree compiler. */
import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deriveCircuit } from '../../../src/circuit/derive.ts';
import type { Circuit } from '../../../src/circuit/model.ts';
import { settingsC } from '../../../src/format/settings/c.ts';
import { settingsData } from '../../../src/format/settings/json.ts';
import { constantName, pinNumber } from '../../../src/format/settings/names.ts';
import { settingsOverlay, takesOverlay } from '../../../src/format/settings/overlay.ts';
import { settingsPython } from '../../../src/format/settings/python.ts';
import { documentOf } from '../../../src/plan/document.ts';
import { changePart } from '../../../src/plan/edits.ts';
import { fingerprint } from '../../../src/plan/fingerprint.ts';
import { moveController } from '../../../src/solve/move-controller.ts';
import { demo, library } from '../../support/demo.ts';

const draft = deriveCircuit(documentOf(demo('cupboard-verified').plan, [], library));
function on(board: string): Circuit {
  const card = library.get(board);
  const moved = card && moveController(draft, library, card);
  if (!moved) throw new Error('not moved');
  return deriveCircuit(documentOf(moved.plan, [], library));
}
const ALL: [string, Circuit][] = [
  ['wifi-board', draft],
  ...['board-8bit', 'stick-board', 'stick-mini', 'linux-board'].map((id): [string, Circuit] => [id, on(id)]),
];
const print = (circuit: Circuit) => fingerprint({ plan: circuit.plan, cards: [...circuit.cards.values()] });

/** Runs a tool over a file; its complaints, empty when it has none. */
function read(name: string, text: string, command: string, ...args: string[]): string {
  const folder = mkdtempSync(join(tmpdir(), 'settings-'));
  try {
    writeFileSync(join(folder, name), text);
    const { status, stderr, error } = spawnSync(command, [...args, name], { cwd: folder, encoding: 'utf8' });
    if (error) throw error;
    return status === 0 ? '' : stderr || `ended with ${status}`;
  } finally {
    rmSync(folder, { recursive: true });
  }
}

describe('the files of settings', function () {
  this.timeout(60_000);

  for (const [board, circuit] of ALL) {
    it(`are read by the compiler and by Python: ${board}`, () => {
      const mark = print(circuit);
      const header = settingsC(circuit, mark);
      const module = settingsPython(circuit, mark);
      for (const text of [header, module]) expect(text.split('\n')[0]).to.include(mark);
      expect(read('settings.h', header, 'gcc', '-fsyntax-only', '-Wall', '-Werror', '-x', 'c')).to.equal('');
      expect(read('settings.py', module, 'python3', '-m', 'py_compile')).to.equal('');
      const names = settingsData(circuit, mark).groups.flatMap(({ settings }) => settings.map(({ name }) => name));
      expect(new Set(names).size).to.equal(names.length);
    });
  }

  it('make an overlay that the devicetree compiler takes, for the board whose system binds drivers to pins', () => {
    const linux = on('linux-board');
    expect(ALL.map(([, circuit]) => takesOverlay(circuit))).to.deep.equal([false, false, false, false, true]);
    const overlay = settingsOverlay(linux, print(linux));
    expect(overlay.split('\n')[0]).to.include(print(linux));
    expect(overlay).to.include('w1-gpio');
    expect(overlay).to.include('target = <&i2c1>');
    expect(
      read(
        'settings.dts',
        overlay,
        'dtc',
        '-@',
        '-I',
        'dts',
        '-O',
        'dtb',
        '-o',
        'settings.dtbo',
        '-W',
        'no-unit_address_vs_reg',
      ),
    ).to.equal('');
  });

  it('say in Python what the plan says', () => {
    const module = settingsPython(draft, print(draft));
    const folder = mkdtempSync(join(tmpdir(), 'settings-'));
    writeFileSync(join(folder, 'settings.py'), module);
    const { stdout } = spawnSync(
      'python3',
      [
        '-c',
        'import settings as s; print(s.DOOR_CONTACT, s.STATUS_LIGHT, hex(s.DISPLAY_ADDRESS), s.DISPLAY_COLUMNS, s.DISPLAY_ROWS)',
      ],
      {
        cwd: folder,
        encoding: 'utf8',
      },
    );
    rmSync(folder, { recursive: true });
    expect(stdout.trim()).to.equal('17 4 0x26 20 4');
  });

  it('cannot be broken by a label', () => {
    const label = 'x */ int y; /* "quoted"\\ ünicode 7';
    const odd = deriveCircuit(
      documentOf(
        changePart(draft.plan, 'door-contact', (part) => ({ ...part, label })),
        [],
        library,
      ),
    );
    expect(read('settings.h', settingsC(odd, 'f'), 'gcc', '-fsyntax-only', '-Wall', '-Werror', '-x', 'c')).to.equal('');
    expect(read('settings.py', settingsPython(odd, 'f'), 'python3', '-m', 'py_compile')).to.equal('');
  });

  it('make names that both languages take', () => {
    expect(constantName('Top shelf, I²C')).to.equal('TOP_SHELF_I2C');
    expect(constantName('2nd probe')).to.equal('PIN_2ND_PROBE');
    expect([pinNumber('GPIO17'), pinNumber('P12'), pinNumber('D7'), pinNumber('A3')]).to.deep.equal([17, 12, 7, null]);
    const named = settingsData(draft, '').groups.flatMap(({ settings }) =>
      settings.map(({ name, value }) => [name, value]),
    );
    expect(named).to.deep.include(['DISPLAY_ADDRESS', 0x26]);
  });
});
