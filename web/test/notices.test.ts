import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { noticeOf, packageOf, Shipped } from '../notices';

/** A package as it lies among the others. */
function packed(said: object, files: Record<string, string> = {}): string {
  const folder = join(mkdtempSync(join(tmpdir(), 'notices-')), 'node_modules', 'made-up');
  mkdirSync(join(folder, 'fonts'), { recursive: true });
  writeFileSync(join(folder, 'package.json'), JSON.stringify({ name: 'made-up', version: '1.2.3', ...said }));
  for (const [name, text] of Object.entries(files)) writeFileSync(join(folder, name), text);
  return folder;
}

describe('notices of what ships', () => {
  it('knows the package of a file, also with a scope and inside of another', () => {
    expect(packageOf('/a/node_modules/one/dist/x.js')).to.equal('/a/node_modules/one');
    expect(packageOf('/a/node_modules/@some/one/x.js')).to.equal('/a/node_modules/@some/one');
    expect(packageOf('/a/node_modules/one/node_modules/two/x.js')).to.equal('/a/node_modules/one/node_modules/two');
    expect(packageOf('/a/web/src/x.ts')).to.equal(null);
  });

  it('takes the licence of the package, and those that stand beside the files that ship', () => {
    const folder = packed({ license: 'ISC' }, { 'LICENSE.md': 'the text', 'fonts/OFL.txt': 'of the font' });
    expect(noticeOf(folder, [join(folder, 'index.js')]))
      .to.include('made-up 1.2.3 (ISC)')
      .and.include('the text')
      .and.not.include('of the font');
    expect(noticeOf(folder, [join(folder, 'fonts', 'a.woff')])).to.include('of the font');
  });

  it('gives the text of a licence that is only named, and fails where neither is there', () => {
    expect(noticeOf(packed({ license: 'MIT', author: { name: 'A Maker' } }), [])).to.match(
      /Copyright \(c\) A Maker[^]*WITHOUT WARRANTY OF ANY KIND/,
    );
    expect(() => noticeOf(packed({ license: 'Apache-2.0' }), [])).to.throw('made-up 1.2.3 (Apache-2.0) would ship');
    expect(() => noticeOf(packed({}), [])).to.throw('would ship without a licence text');
  });

  it('names each package once, and what bundlers make up not at all', () => {
    const folder = packed({ license: 'MIT' });
    const shipped = new Shipped();
    for (const file of ['a.js', 'b.css?inline', '\0c.js']) shipped.add(join(folder, file));
    shipped.add(`\0${join(folder, 'd.js')}`);
    shipped.add('\0rolldown/runtime.js');
    shipped.add('/nowhere/own.ts');
    expect(shipped.text.match(/made-up 1\.2\.3/g)).to.have.length(1);
  });
});
