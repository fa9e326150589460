import { expect } from 'chai';
import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Id } from '../../src/card/figure.ts';
import { beyondOf, isOf, keyOf, ownerOf, parseRef, placeIn, placeKey } from '../../src/plan/ref.ts';

const SOURCE = join(import.meta.dirname, '../../src');

/** What the schemas of cards and plans let be an id. */
const id = fc.stringMatching(/^[a-z0-9][a-z0-9-]{0,20}$/).filter((text) => Id.safeParse(text).success);

describe('the name of a thing of a part', () => {
  it('is read back as it was written, whatever the ids', () => {
    fc.assert(
      fc.property(id, id, fc.option(id, { nil: undefined }), (part, own, line) => {
        const key = keyOf(part, own, line);
        expect(parseRef(key)).to.deep.equal({ part, own, line });
        expect(ownerOf(key)).to.equal(part);
      }),
    );
  });

  it('is never that of another: two names are one only where all their ids are', () => {
    fc.assert(
      fc.property(id, id, id, id, (a, b, c, d) => {
        expect(keyOf(a, b) === keyOf(c, d)).to.equal(a === c && b === d);
        expect(beyondOf(a, b) === beyondOf(c, d)).to.equal(a === c && b === d);
      }),
    );
  });

  it('names no part where there is nothing', () => {
    expect(parseRef(null)).to.deep.equal({ part: '', own: undefined, line: undefined });
    expect(ownerOf(undefined)).to.equal('');
  });

  it('says whether something is of a thing, and takes no longer name for it', () => {
    fc.assert(
      fc.property(id, id, id, (part, own, more) => {
        expect(
          isOf(part, part) && isOf(keyOf(part, own), part) && isOf(keyOf(part, own, more), keyOf(part, own)),
        ).to.equal(true);
        expect(isOf(`${part}${more}`, part) || isOf(part, keyOf(part, own))).to.equal(false);
      }),
    );
  });

  it('tells a place from a part of that name', () => {
    fc.assert(
      fc.property(id, (name) => {
        expect(placeIn(placeKey(name))).to.equal(name);
        expect(placeIn(name)).to.equal(null);
      }),
    );
  });

  it('is made and read in one file', () => {
    // A role of a peripheral, "i2c.sda", is no name of a thing of a part; datasheets and numbers have dots of their own.
    const others = /^(plan\/ref|card\/protocol)\.ts$|^card\/reader\/|^quantity\/|^say\//;
    const grammar = /split\('[.:@~]'\)|\$\{[^{}]*\}[.@]\$\{|startsWith\(`\$\{[^{}]*\}[.:@]`/;
    const found = readdirSync(SOURCE, { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('.ts') && !others.test(file))
      .flatMap((file) =>
        readFileSync(join(SOURCE, file), 'utf8')
          .split('\n')
          .flatMap((line, i) => (grammar.test(line) ? [`${file}:${i + 1}: ${line.trim()}`] : [])),
      );
    expect(found).to.deep.equal([]);
  });
});
