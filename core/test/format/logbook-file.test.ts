import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { LOG_KINDS, type LogEntry } from '../../src/deliver/logbook.ts';
import { readLogbook, writeLogbook } from '../../src/format/logbook-file.ts';

const ohms = { min: 100, max: null, unit: 'Ω', sum: 'no short' };
const entry = (id: string, more: Partial<LogEntry> = {}): LogEntry => ({
  id,
  plan: 'cupboard',
  build: 1,
  at: '2026-03-01T10:00:00.000Z',
  kind: 'measured',
  fingerprint: '0123456789abcdef',
  title: 'No short: 5 V to ground',
  ...more,
});
const read = (text: string) => {
  const found = readLogbook(text);
  if (!found.ok) throw new Error(found.problems.map(({ path, message }) => `${path} ${say(message)}`).join('; '));
  return found.value;
};

describe('a logbook as a file', () => {
  it('comes back as it was, open circuits and texts that say "open" included', () => {
    const entries = [
      entry('a', { row: 'ohms:x~y', value: Infinity, unit: 'Ω', expected: ohms, inside: true, by: 'typed' }),
      entry('b', { value: 'open', expected: 'yes', inside: false, by: 'pasted' }),
      entry('c', { kind: 'note', title: 'note', text: 'two\nlines | and "quotes"' }),
      entry('d', { kind: 'calibrated', value: 21.3, reference: 21, unit: '°C' }),
    ];
    const { plan, entries: back } = read(writeLogbook('Cupboard', entries));
    expect(plan).to.equal('Cupboard');
    expect(back).to.deep.equal(entries.map(({ plan: _, ...rest }) => rest));
  });

  it('comes back whatever is in it (property)', () => {
    const anything = fc.record({
      build: fc.integer({ min: 1, max: 40 }),
      kind: fc.constantFrom(...LOG_KINDS),
      title: fc.string({ maxLength: 60 }),
      at: fc.date({ min: new Date(0), max: new Date('2100-01-01'), noInvalidDate: true }).map((d) => d.toISOString()),
      value: fc.oneof(
        fc.double({ noNaN: true, noDefaultInfinity: true }).filter((v) => !Object.is(v, -0)),
        fc.string(),
      ),
      text: fc.string(),
    });
    fc.assert(
      fc.property(fc.array(anything, { maxLength: 20 }), (list) => {
        const entries = list.map((more, i) => entry(`${i}`, more));
        expect(read(writeLogbook('p', entries)).entries).to.deep.equal(entries.map(({ plan: _, ...rest }) => rest));
      }),
    );
  });

  it('is refused whole, with what and where, when something in it is wrong', () => {
    const problems = (text: string) => {
      const found = readLogbook(text);
      return found.ok ? [] : found.problems.map(({ path, message }) => `${path}: ${say(message)}`);
    };
    const broken = (
      change: (file: { entries: Record<string, unknown>[]; version: number; format: string }) => void,
    ) => {
      const file = JSON.parse(writeLogbook('p', [entry('a'), entry('b')]));
      change(file);
      return problems(JSON.stringify(file));
    };
    expect(problems('{')).to.have.length(1);
    expect(broken((f) => (f.format = 'idle-breadboard/plan'))[0]).to.match(
      /^\/format: expected “idle-breadboard\/logbook”/,
    );
    expect(broken((f) => (f.version = 3))[0]).to.match(/^\/version: expected version 2 or older, found 3/);
    // One of the version before is read as it is.
    expect(broken((f) => (f.version = 1))).to.deep.equal([]);
    expect(broken((f) => Object.assign(f.entries[1] ?? {}, { at: 'yesterday' }))[0]).to.match(/^\/entries\/1\/at: /);
    expect(broken((f) => Object.assign(f.entries[1] ?? {}, { id: 'a' }))).to.deep.equal([
      '/entries/1/id: expected an id used once, found “a” again',
    ]);
    expect(broken((f) => Object.assign(f.entries[0] ?? {}, { colour: 'red' }))[0]).to.match(
      /^\/entries\/0: expected no other/,
    );
  });
});
