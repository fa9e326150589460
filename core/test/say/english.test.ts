/** English is made in `say` alone: no string of the computing rooms is a sentence or a part of one. */
import { readdirSync, readFileSync } from 'node:fs';
import { expect } from 'chai';
import ts from 'typescript';
import { SERVICES } from '../../src/card/kinds.ts';
import { QUANTITIES } from '../../src/card/quantities.ts';

const SRC = new URL('../../src/', import.meta.url);

/** Codes that have a space in them because plans and cards are written with them. */
const CODES: ReadonlySet<string> = new Set([
  ...SERVICES,
  ...QUANTITIES.map(({ quantity }) => quantity),
  'water temperature',
  // Aspects and keys of results: a plan names them where something was measured.
  'both ends',
  'in use',
  'by hand',
]);

/** What is no sentence of ours: what others print and write. */
const OTHERS: ReadonlyMap<string, string> = new Map([
  ['bench/program.ts', 'what a scan program prints'],
  ['format/svg-faces.ts', 'names of fonts'],
  ['format/self-test/c-hardware.ts', 'a program, its comments with it'],
  ['format/self-test/c-lines.ts', 'a program, its comments with it'],
  ['format/self-test/c-parts.ts', 'a program, its comments with it'],
  ['format/self-test/c-run.ts', 'a program, its comments with it'],
  ['format/self-test/c.ts', 'a program, its comments with it'],
  ['format/self-test/python-engine.ts', 'a program, its comments with it'],
  ['format/self-test/python-linux.ts', 'a program, its comments with it'],
  ['format/self-test/python.ts', 'a program, its comments with it'],
  ['format/settings/c.ts', 'a program'],
  ['format/settings/python.ts', 'a program'],
  ['format/parts-table.ts: absolute maximum ratings', 'the head of a section of a datasheet'],
]);

const WORDS = /\p{L}{2,} \p{L}{2,}/u;
/** Markup and directives of the preprocessor. */
const MARKUP = /^<|^#(?:define|include|if|ifndef|endif|undef)\b/;
const FOR_DEVELOPERS = /^(?:Range|Type)?Error$/;

function isExempt(node: ts.Node): boolean {
  for (let at: ts.Node = node; at.parent; at = at.parent) {
    const { parent } = at;
    if (ts.isImportDeclaration(parent) || ts.isLiteralTypeNode(parent) || ts.isTaggedTemplateExpression(parent))
      return true;
    // What is thrown for those who use the core wrongly is met by nobody at a bench.
    if (ts.isNewExpression(parent) && FOR_DEVELOPERS.test(parent.expression.getText())) return true;
    if (ts.isBlock(parent)) return false;
  }
  return false;
}

function sentencesIn(file: string): string[] {
  const text = readFileSync(new URL(file, SRC), 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    const isText = ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddleOrTemplateTail(node);
    if (isText) {
      const said = node.text;
      const known = CODES.has(said) || OTHERS.has(file) || OTHERS.has(`${file}: ${said}`) || MARKUP.test(said);
      if (WORDS.test(said) && !known && !isExempt(node)) {
        const { line } = source.getLineAndCharacterOfPosition(node.getStart());
        found.push(`${file}:${line + 1}: ${said}`);
      }
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

describe('English', () => {
  const files = readdirSync(SRC, { recursive: true, encoding: 'utf8' })
    .map((file) => file.replaceAll('\\', '/'))
    .filter((file) => file.endsWith('.ts') && !file.startsWith('say/') && !file.startsWith('faces/'));

  it('is made in the room say alone', () => {
    expect(files.length).to.be.greaterThan(400);
    expect(files.flatMap(sentencesIn)).to.deep.equal([]);
  });
});
