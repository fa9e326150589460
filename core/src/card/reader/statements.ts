/** Lines that say a figure without a table: "Supply voltage: 2.7 to 5.5 V", leaders, lists without a head. */
import { textOf, type Word } from './page.ts';
import { clausesIn } from './clauses.ts';
import type { DecimalMark } from './numbers.ts';
import type { Row } from './rows.ts';
import { isInCells } from './passages.ts';
import { evenText, readValue, valuesIn } from './values.ts';
import type { Line } from './words.ts';

/** More words than this make a sentence. */
const LONGEST = 13;
/** A gap of this many type sizes parts two cells. */
const CELL_GAP = 0.85;

export interface Statement {
  readonly row: Row;
  /** True for running text, which may speak of anything. */
  readonly weak: boolean;
}

const cellsOf = (words: readonly Word[]): Word[][] =>
  words.reduce<Word[][]>((cells, word) => {
    const last = cells.at(-1);
    const before = last?.at(-1);
    if (last && before && word.x0 - before.x1 < CELL_GAP * word.height) last.push(word);
    else cells.push([word]);
    return cells;
  }, []);

const VALUE_AHEAD = String.raw`(?=[<>≤≥±~+\-–]?\s?\d|max|min|typ|up to|DC\s?\d)(.*)$`;
const AFTER_COLON = new RegExp(String.raw`^(.{2,80}?)\s*:\s*${VALUE_AHEAD}`, 'i');
const AFTER_SIGN = new RegExp(String.raw`^(.{2,80}?)\s*=\s*${VALUE_AHEAD}`, 'i');
const AFTER_LEADER = new RegExp(String.raw`^(.{2,80}?)\s*(?:\.{3,}|…{2,}|_{3,}|(?:\. ){3,})\s*${VALUE_AHEAD}`, 'i');
const BULLET = /^[•·▪■◦●*\-–►➢]\s*/;

/** Parts a line at its colon, leader or cell gap. Where it holds several values it is read as running text. */
export function statementsOf(line: Line, section: string, mark: DecimalMark): Statement[] {
  const cells = cellsOf(line.words).map((words) => ({ words, text: textOf(words) }));
  const statements: Statement[] = [];
  const add = (name: string, value: string, words: readonly Word[], weak: boolean) => {
    const cleaned = name
      .replace(BULLET, '')
      .replace(/[\s.:=]+$/, '')
      .trim();
    if (cleaned.length < 2 || !readValue(value.trim(), mark, null)) return;
    const { name: only, symbol, conditions } = parts(cleaned);
    statements.push({
      // A number at the end of the name belongs to the value, or to a column that was not seen.
      weak: weak || /\s[\d.,]+$/.test(cleaned),
      row: {
        name: only,
        symbol,
        conditions,
        group: '',
        section,
        cells: { value: value.trim() },
        units: {},
        box: {
          x0: words[0]?.x0 ?? 0,
          x1: words.at(-1)?.x1 ?? 0,
          y0: line.y - line.height * 0.8,
          y1: line.y + line.height * 0.25,
        },
        doubts: [],
      },
    });
  };
  const whole = line.text;
  // Several values have several names: that is text.
  const even = evenText(whole);
  if (clausesIn(even, valuesIn(even, mark)).length > 1 && !isInCells(line)) return [];
  const pieces = isInCells(line) ? [] : whole.split(/;\s+|\s•\s/);
  if (cells.length > 1 && isInCells(line) && /[A-Za-z]{2}/.test(cells[0]?.text ?? '')) {
    const [head, ...rest] = cells;
    const bullet = head && /^[•·▪■◦●*\-–]$/.test(head.text);
    const [name, values] = bullet ? [rest[0], rest.slice(1)] : [head, rest];
    const value = values.map(({ text }) => text).join(' ');
    if (name && values.length > 0) add(name.text, value.replace(/^[.\s…:=]+/, ''), line.words, false);
    if (statements.length > 0) return statements;
  }
  for (const piece of pieces.length > 0 ? pieces : [whole]) {
    const words = piece.split(/\s+/);
    const colon = AFTER_LEADER.exec(piece) ?? (piece.includes(':') ? AFTER_COLON : AFTER_SIGN).exec(piece);
    if (colon && words.length <= LONGEST + 4) add(colon[1] ?? '', colon[2] ?? '', line.words, words.length > LONGEST);
  }
  return statements;
}

/** "Supply voltage VDD (continuous)" -> name, symbol and what stands in brackets. */
function parts(text: string): { name: string; symbol: string; conditions: string } {
  const bracket = /^(.*?)\s*\(([^)]*)\)\s*$/.exec(text);
  const body = bracket?.[1] ?? text;
  const inside = bracket?.[2] ?? '';
  const symbol = /\s([VIRCTf]_?[A-Z]{1,6}\d?)$/.exec(body);
  const insideSymbol = /^[VIRCTf]_?[A-Z]{1,6}\d?$/.test(inside);
  return {
    name: symbol ? body.slice(0, symbol.index).trim() : body,
    symbol: symbol?.[1] ?? (insideSymbol ? inside : ''),
    conditions: insideSymbol ? '' : inside,
  };
}
