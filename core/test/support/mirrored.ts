/** A second language made of the first: each letter of its words in another alphabet. What stays in ours was not said by a language. */
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import ts from 'typescript';
import type { Language } from '../../src/say/language.ts';

const ENGLISH = new URL('../../src/say/english/', import.meta.url);
const SAY = new URL('../../src/say/', import.meta.url);

const ours = /[A-Za-z]/g;
/** Lower case of one alphabet stays lower case in the other, so that sentences begin as they should. */
const mirror = (text: string): string =>
  text.replace(ours, (letter) => {
    const small = letter.toLowerCase();
    const other = String.fromCodePoint(0x430 + small.charCodeAt(0) - 97);
    return letter === small ? other : other.toUpperCase();
  });

/** Texts that are codes: what is compared, and where modules are. */
function isCode(node: ts.Node): boolean {
  const { parent } = node;
  if (ts.isImportDeclaration(parent) || ts.isLiteralTypeNode(parent)) return true;
  if (ts.isPropertyAssignment(parent) && parent.name === node) return true;
  return (
    ts.isBinaryExpression(parent) &&
    [ts.SyntaxKind.EqualsEqualsEqualsToken, ts.SyntaxKind.ExclamationEqualsEqualsToken].includes(
      parent.operatorToken.kind,
    )
  );
}

function mirrored(file: string, text: string): string {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const edits: { start: number; end: number }[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node)) return;
    if (
      (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node) || ts.isTemplateHead(node)) &&
      !isCode(node)
    )
      edits.push({ start: node.getStart(), end: node.getEnd() });
    if (ts.isTemplateMiddle(node) || ts.isTemplateTail(node))
      edits.push({ start: node.getStart(), end: node.getEnd() });
    ts.forEachChild(node, visit);
  };
  visit(source);
  return edits
    .toSorted((a, b) => b.start - a.start)
    .reduce((t, { start, end }) => t.slice(0, start) + mirror(t.slice(start, end)) + t.slice(end), text);
}

/** English in other letters, as a language of its own. */
export async function mirroredLanguage(): Promise<Language> {
  const folder = mkdtempSync(join(tmpdir(), 'mirrored-'));
  for (const file of readdirSync(ENGLISH)) {
    const text = mirrored(file, readFileSync(new URL(file, ENGLISH), 'utf8'))
      .replace(/from '\.\.\/\.\.\/([^']+)'/g, (_, path: string) => `from '${new URL(`../${path}`, SAY).href}'`)
      .replace(/from '\.\.\/([^']+)'/g, (_, path: string) => `from '${new URL(path, SAY).href}'`);
    writeFileSync(join(folder, file), text);
  }
  const read = (await import(pathToFileURL(join(folder, 'index.ts')).href)) as { ENGLISH: Language };
  return read.ENGLISH;
}
