import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect } from 'chai';
import type { Report } from '@idle-breadboard/core/files';

const root = fileURLToPath(new URL('../..', import.meta.url));
const draft = 'catalogue/plans/cupboard-first-draft.json';
const verified = 'catalogue/plans/cupboard-verified.json';

function cli(...args: string[]): { code: number | null; out: string; err: string } {
  const { status, stdout, stderr } = spawnSync('npm', ['run', '-s', 'cli', '--', ...args], {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 1e8,
  });
  return { code: status, out: stdout, err: stderr };
}

describe('command line', () => {
  it('verify: open with exit 1, verified with exit 0', () => {
    const open = cli('verify', draft, '--json');
    const report = JSON.parse(open.out) as Report;
    expect([open.code, report.status]).to.deep.equal([1, 'open']);
    expect(report.findings.find(({ check }) => check === 'bus/address-collision')?.remedies.length).to.be.greaterThan(
      0,
    );
    const good = cli('verify', verified, '--json');
    expect([good.code, (JSON.parse(good.out) as Report).status]).to.deep.equal([0, 'verified']);
  });

  it('mend: what completes the plan, and the plan itself, which is verified', () => {
    const said = cli('mend', draft);
    expect(said.code).to.equal(0);
    expect(said.out).to.match(/^verified: \d+ changes/);
    const file = join(mkdtempSync(join(tmpdir(), 'plan-')), 'mended.json');
    writeFileSync(file, cli('mend', draft, '--json').out);
    // All is proved; what can hurt nobody has ticked off, and a program does not either.
    const report = JSON.parse(cli('verify', file, '--json').out) as Report;
    expect([report.status, report.unread.length > 0]).to.deep.equal(['unread', true]);
    expect(cli('verify', file)).to.include({ code: 1 });
    const read = JSON.parse(readFileSync(file, 'utf8')) as { plan: object };
    writeFileSync(file, JSON.stringify({ ...read, plan: { ...read.plan, acknowledged: report.unread } }));
    expect(cli('verify', file).code).to.equal(0);
    expect(cli('mend', file).out).to.match(/^verified: 0 changes/);
  });

  it('selftest: a program that names the plan, in both languages and in no other', () => {
    const c = cli('selftest', verified);
    expect(c.code).to.equal(0);
    const plan = /#define ST_PLAN "([0-9a-f]{16})"/.exec(c.out)?.[1];
    expect(plan).to.be.a('string');
    expect(cli('selftest', verified, 'python').out).to.contain(`PLAN = "${plan}"`);
    expect(cli('selftest', verified, 'basic')).to.include({ code: 2 });
  });
  it('settings: in four forms that name the plan, and in no other', () => {
    const plan = /plan ([0-9a-f]{16})/.exec(cli('settings', verified).out)?.[1];
    expect(plan).to.be.a('string');
    expect(cli('settings', verified).out).to.include('#define DISPLAY_ADDRESS 0x26');
    expect(cli('settings', verified, 'python').out).to.include('DISPLAY_ADDRESS = 0x26');
    expect(cli('settings', verified, 'overlay').out).to.include('/plugin/;');
    expect(JSON.parse(cli('settings', verified, '--json').out)).to.include({ fingerprint: plan });
    expect(cli('settings', verified, 'basic')).to.include({ code: 2 });
  });
  it('drawing: the build as a table, as data and as one picture', () => {
    const table = cli('drawing', verified);
    expect(table.code).to.equal(0);
    expect(table.out.split('\n')[0]).to.match(/^row +pins +place +part/);
    expect(table.out).to.match(/one-wire +P7 +third wheel +third wheel probe/);
    const data = JSON.parse(cli('drawing', draft, '--json').out) as { part: string; found: string }[];
    expect(data.find(({ part }) => part === 'scale')?.found).to.match(/^5\.15 V of 3\.6 V/);
    const svg = cli('drawing', draft, '--svg').out;
    expect(svg).to.match(/^<svg /);
    expect(svg).to.include('first wheel probe');
  });

  it('verify: refused with exit 2, and every problem', () => {
    const file = join(mkdtempSync(join(tmpdir(), 'plan-')), 'cut.json');
    writeFileSync(file, '{"format": "idle-breadboard/plan", ');
    for (const path of [file, 'no-such-file.json']) {
      const bad = cli('verify', path, '--json');
      const report = JSON.parse(bad.out) as Report;
      expect([bad.code, report.status, report.problems?.length]).to.deep.equal([2, 'refused', 1]);
    }
    expect(cli('verify', file).err).to.include('refused: 1 problem');
    expect(cli('verify').code).to.equal(2);
  });

  it('says the verdict to a person with the sums', () => {
    const { out } = cli('verify', draft);
    expect(out).to.include('smallest resistor: (3.366 V − 1.8 V) ÷ 16 mA = 97.88 Ω');
    expect(out).to.match(/open: 9 to settle; fingerprint [0-9a-f]{16}/);
  });

  it('wiring and parts as text, JSON and CSV', () => {
    expect(cli('wiring', verified).out).to.include('check:');
    expect(JSON.parse(cli('wiring', verified, '--json').out)).to.have.keys('steps', 'cautions', 'checklist', 'harness');
    // What reads it has no words of ours: nothing in it is still to be said.
    for (const command of ['wiring', 'parts', 'verify'])
      expect(cli(command, verified, '--json').out, command).to.not.match(/"topic"|"digits"/);
    expect(cli('wiring', verified, '--csv').out.split('\r\n')[0]).to.equal(
      'step,title,number,from,to,kind,colour,ends,metres,value,leads',
    );
    expect(cli('parts', verified).out).to.match(/\d+\.\d\d EUR with shipping, here in 3 days/);
    expect(JSON.parse(cli('parts', verified, '--json').out)).to.include.keys('lines', 'suppliers', 'total', 'arrival');
    expect(cli('parts', verified, '--csv').out).to.match(/^part,class,needed/);
  });

  it('schema and checks', () => {
    expect(JSON.parse(cli('schema', 'card').out)).to.have.property('type', 'object');
    expect(JSON.parse(cli('schema', 'plan').out)).to.have.property('properties');
    expect(cli('schema', 'wire').code).to.equal(2);
    const checks = JSON.parse(cli('checks', '--json').out) as { id: string; title: string; source: string }[];
    expect(checks.map(({ id }) => id)).to.include.members(['level/over-voltage', 'need/accuracy', 'drive/flyback']);
    expect(cli('checks').out).to.include('UM10204');
  });

  it('without or with an unknown command says what there is', () => {
    expect(cli('solder').code).to.equal(2);
    expect(cli('solder').err).to.include('usage:');
    expect(cli('--help')).to.include({ code: 0 });
  });

  it('card: a skeleton of a class, filled in and checked; a slip is doubted; a refusal names places', () => {
    const skeleton = cli('card', 'new', 'bus-sensor', 'VIN GND SCL SDA');
    expect(skeleton.code).to.equal(0);
    const known: Readonly<Record<string, string>> = {
      name: 'Mine',
      class: 'a humidity breakout',
      'supplies/vin/range': '2.4 to 5.5 V',
      'supplies/vin/current/active': '600 µA',
    };
    const filled = skeleton.out.replace(/^# ([a-z/]+):$/gm, (line, place: string) =>
      known[place] === undefined ? line : `${place}: ${known[place]}`,
    );
    const file = join(mkdtempSync(join(tmpdir(), 'part-')), 'mine.txt');
    writeFileSync(file, filled);
    expect(cli('card', 'check', file)).to.deep.include({ code: 0, out: 'Nothing is doubted.\n' });
    writeFileSync(file, filled.replace('600 µA', '600 A'));
    const doubted = cli('card', 'check', file);
    expect(doubted.code).to.equal(1);
    expect(doubted.out).to.include('supplies/vin/current/active: ').and.to.include('Is the unit right?');
    writeFileSync(file, filled.replace('2.4 to 5.5 V', 'a few volts'));
    const refused = cli('card', 'check', file);
    expect([refused.code, refused.err.includes('supplies/vin/range: ')]).to.deep.equal([2, true]);
    writeFileSync(file, filled.replace(/^supplies\/vin\/range: .*$/m, ''));
    expect(cli('card', 'check', file).err, 'as the desk says it').to.include('a card cannot be without: vin supply');
    expect(cli('card', 'check', 'catalogue/cards/humid-strap.json')).to.include({ code: 0 });
    expect(cli('card', 'new', 'nothing').err).to.include('bus-sensor');
  });
});
