/** The notices of what ships with the program: the packages whose code or files are really in the build, each with its licence. A package without one fails the build. */
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import type { Plugin } from 'vite';

/** Where the notices are served. */
export const NOTICES = 'third-party.txt';

const LICENCE = /^(licen[cs]e|copying|notice|ofl)/i;

const MIT = `Permission is hereby granted, free of charge, to any person obtaining a copy
of this software and associated documentation files (the "Software"), to deal
in the Software without restriction, including without limitation the rights
to use, copy, modify, merge, publish, distribute, sublicense, and/or sell
copies of the Software, and to permit persons to whom the Software is
furnished to do so, subject to the following conditions:

The above copyright notice and this permission notice shall be included in all
copies or substantial portions of the Software.

THE SOFTWARE IS PROVIDED "AS IS", WITHOUT WARRANTY OF ANY KIND, EXPRESS OR
IMPLIED, INCLUDING BUT NOT LIMITED TO THE WARRANTIES OF MERCHANTABILITY,
FITNESS FOR A PARTICULAR PURPOSE AND NONINFRINGEMENT. IN NO EVENT SHALL THE
AUTHORS OR COPYRIGHT HOLDERS BE LIABLE FOR ANY CLAIM, DAMAGES OR OTHER
LIABILITY, WHETHER IN AN ACTION OF CONTRACT, TORT OR OTHERWISE, ARISING FROM,
OUT OF OR IN CONNECTION WITH THE SOFTWARE OR THE USE OR OTHER DEALINGS IN THE
SOFTWARE.`;

interface Package {
  readonly name: string;
  readonly version: string;
  readonly licence: string;
  readonly authors: string;
}

/** The package that a file of `node_modules` belongs to: its folder; null for our own files. */
export function packageOf(file: string): string | null {
  const path = file.replaceAll('\\', '/');
  const at = path.lastIndexOf('/node_modules/');
  if (at < 0) return null;
  const [scope = '', name = ''] = path.slice(at + '/node_modules/'.length).split('/');
  return path.slice(0, at) + `/node_modules/${scope.startsWith('@') ? `${scope}/${name}` : scope}`;
}

function read(folder: string): Package {
  const said = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as Record<string, unknown>;
  const { name, version, license, author } = said;
  const person: unknown = author !== null && typeof author === 'object' ? Reflect.get(author, 'name') : author;
  return {
    name: String(name),
    version: String(version),
    licence: typeof license === 'string' ? license : 'not named',
    authors: typeof person === 'string' ? person : `the authors of ${String(name)}`,
  };
}

/** The text that "MIT" stands for (SPDX licence list). */
const mitOf = (name: string, authors: string): string =>
  `${name} names the MIT licence and has no file of it.\n\nCopyright (c) ${authors}\n\n${MIT}`;

const licencesIn = (folder: string): string[] =>
  readdirSync(folder)
    .filter((name) => LICENCE.test(name) && statSync(join(folder, name)).isFile())
    .sort()
    .map((name) => join(folder, name));

/**
 * The notice of one package.
 * @param files of it that ship: licences that stand beside them count as well
 * @throws when it has no licence text
 */
export function noticeOf(folder: string, files: readonly string[]): string {
  const { name, version, licence, authors } = read(folder);
  const beside = [...new Set(files.map(dirname))].filter((path) => path !== folder && existsSync(path));
  const texts = [folder, ...beside].flatMap(licencesIn);
  const said = texts.map((path) => `${basename(path)}\n\n${readFileSync(path, 'utf8').trim()}`);
  // Some name their licence and forget its text.
  if (texts.length === 0 && licence === 'MIT') said.push(mitOf(name, authors));
  if (said.length === 0) throw new Error(`${name} ${version} (${licence}) would ship without a licence text`);
  const head = `${name} ${version} (${licence})`;
  return [head, '='.repeat(head.length), '', ...said].join('\n');
}

/** What ships, gathered over the page and its workers. */
export class Shipped {
  private readonly files = new Map<string, Set<string>>();

  add(file: string): void {
    // What bundlers make up has a mark before its name, and questions after it.
    const path = file.replace(/^\0/, '').replace(/\?.*$/, '');
    const folder = packageOf(path);
    if (folder && existsSync(join(folder, 'package.json')))
      this.files.set(folder, (this.files.get(folder) ?? new Set()).add(path));
  }

  get text(): string {
    const notices = [...this.files]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([folder, files]) => noticeOf(folder, [...files]));
    return `What ships with Idle Breadboard and is not its own, each with its licence.\n\n${notices.join('\n\n\n')}\n`;
  }
}

/** @param writes whether this build writes the notices, or only adds to them */
export const notices = (shipped: Shipped, writes: boolean): Plugin => ({
  name: 'notices',
  apply: 'build',
  generateBundle(_options, bundle) {
    // The server's own build ships nothing to anybody.
    if (this.environment.name === 'ssr') return;
    for (const output of Object.values(bundle)) {
      if (output.type === 'chunk') for (const file of Object.keys(output.modules)) shipped.add(file);
      else for (const file of output.originalFileNames) shipped.add(join(process.cwd(), file));
    }
    if (writes) this.emitFile({ type: 'asset', fileName: NOTICES, source: shipped.text });
  },
});
