/** In which form an answer is given, and how it is read and written. Everything that a card keeps can be written as text and read back. */
import { formatAddress, parseAddress } from '../quantity/address.ts';
import { type SaidFigure, readFigure, readValue, writeFigure, writeValue } from './figure-text.ts';
import { bare, pieces, quoted } from './parts.ts';
import { refuse } from './problem.ts';

export type Form =
  /** A text of so many characters at most. */
  | { readonly is: 'words'; readonly most: number }
  /** The name that plans and other cards know a thing by. */
  | { readonly is: 'id' }
  | { readonly is: 'choice'; readonly of: readonly string[] }
  /** Some of these, parted by commas. */
  | { readonly is: 'several'; readonly of: readonly string[] }
  | { readonly is: 'flag' }
  /** Yes, or nothing: what is not so is not said. */
  | { readonly is: 'mark' }
  /** Names parted by commas. */
  | { readonly is: 'list' }
  | { readonly is: 'numbers'; readonly unit: string }
  /** Lists of names, parted by semicolons. */
  | { readonly is: 'groups' }
  /** "sda=SDA, scl=SCL" */
  | { readonly is: 'pairs' }
  /** "i2c/sda=SDA": pairs of pairs. */
  | { readonly is: 'nested' }
  | { readonly is: 'whole'; readonly from: number; readonly to: number }
  | { readonly is: 'number'; readonly unit: string }
  | { readonly is: 'address' }
  /** A number of a register, hexadecimal. */
  | { readonly is: 'word' }
  /** A number out of a few. */
  | { readonly is: 'count'; readonly of: readonly number[] }
  | { readonly is: 'figure'; readonly units: readonly string[] }
  /** Bits of a register: "15-13 mode: 0 off | 1 slow", a line each. */
  | { readonly is: 'fields' };

export type Json = string | number | boolean | null | readonly Json[] | { readonly [name: string]: Json };

/** Forms in which nothing is an answer: none. */
const SEVERAL: ReadonlySet<Form['is']> = new Set(['several', 'list', 'numbers', 'groups', 'pairs', 'nested', 'fields']);

const YES = 'yes';
const NO = 'no';

const names = (text: string): string[] => pieces(text, ',').map(bare);
const joined = (list: readonly string[]): string => list.map((name) => quoted(name, ',;=')).join(', ');

/** @throws ReadError what was expected */
export function readAnswer(form: Form, said: string): Json {
  const text = said.trim();
  if (text === '' && !SEVERAL.has(form.is)) refuse('empty');
  switch (form.is) {
    case 'words':
      return text.length > form.most ? refuse('words', { most: form.most, found: text.length }) : text;
    case 'id':
      return /^[a-z0-9][a-z0-9-]{0,47}$/.test(text) ? text : refuse('id', { found: text });
    case 'choice':
      return form.of.includes(text) ? text : refuse('oneOf', { values: form.of, found: text });
    case 'flag':
      return text === YES ? true : text === NO ? false : refuse('yesNo', { found: text });
    case 'mark':
      return text === YES ? {} : refuse('yesNo', { found: text });
    case 'several':
      return names(text).map((name) =>
        form.of.includes(name) ? name : refuse('oneOf', { values: form.of, found: name }),
      );
    case 'list':
      return names(text);
    case 'numbers':
      return names(text).map((piece) => readValue(piece, form.unit));
    case 'groups':
      return pieces(text, ';').map(names);
    case 'pairs':
      return Object.fromEntries(pairsIn(text));
    case 'nested':
      return nest(pairsIn(text));
    case 'whole':
      return readWhole(text, form);
    case 'number':
      return readValue(text, form.unit);
    case 'address':
      return parseAddress(text).address;
    case 'word':
      return readWord(text);
    case 'count':
      return form.of.includes(Number(text))
        ? Number(text)
        : refuse('oneOf', { values: form.of.map(String), found: text });
    case 'figure':
      return { ...readFigure(text, form.units) };
    case 'fields':
      return pieces(text, '\n').map(readField);
  }
}

/** What is read as this value again. */
export function writeAnswer(form: Form, value: Json): string {
  switch (form.is) {
    case 'words':
    case 'id':
    case 'choice':
    case 'whole':
    case 'count':
      return typeof value === 'string' ? value : String(Number(value));
    case 'flag':
      return value === true ? YES : NO;
    case 'mark':
      return YES;
    case 'several':
    case 'list':
      return joined(value as readonly string[]);
    case 'numbers':
      return (value as readonly number[]).map((one) => writeValue(one, form.unit)).join(', ');
    case 'groups':
      return (value as readonly (readonly string[])[]).map(joined).join('; ');
    case 'pairs':
      return writePairs(Object.entries(value as Record<string, string>));
    case 'nested':
      return writePairs(
        Object.entries(value as Record<string, Record<string, string>>).flatMap(([outer, inner]) =>
          Object.entries(inner).map(([name, of]) => [`${outer}/${name}`, of] as const),
        ),
      );
    case 'number':
      return writeValue(Number(value), form.unit);
    case 'address':
      return formatAddress(Number(value));
    case 'word':
      return `0x${Number(value).toString(16).toUpperCase()}`;
    case 'figure':
      return writeFigure(value as unknown as SaidFigure, form.units);
    case 'fields':
      return (value as unknown as readonly Field[]).map(writeField).join('\n');
  }
}

function readWhole(text: string, { from, to }: { from: number; to: number }): number {
  const value = Number(text);
  return Number.isInteger(value) && value >= from && value <= to ? value : refuse('whole', { from, to, found: text });
}

function readWord(text: string): number {
  const value = /^0x[0-9a-f]+$/i.test(text) || /^\d+$/.test(text) ? Number(text) : NaN;
  return value <= 0xffffffff ? value : refuse('whole', { from: 0, to: 0xffffffff, found: text });
}

const pairsIn = (text: string): (readonly [string, string])[] =>
  pieces(text, ',').map((pair) => {
    const [name, of, ...more] = pieces(pair, '=');
    return name === undefined || of === undefined || more.length > 0
      ? refuse('pair', { found: pair })
      : [bare(name), bare(of)];
  });

const writePairs = (pairs: readonly (readonly [string, string])[]): string =>
  pairs.map(([name, of]) => `${quoted(name, ',;=')}=${quoted(of, ',;=')}`).join(', ');

function nest(pairs: readonly (readonly [string, string])[]): Record<string, Record<string, string>> {
  const found: Record<string, Record<string, string>> = {};
  for (const [name, of] of pairs) {
    const [, outer = '', inner = ''] = /^([^/]+)\/(.+)$/.exec(name) ?? refuse('pair', { found: name });
    found[outer] = { ...found[outer], [inner]: of };
  }
  return found;
}

interface Field {
  readonly name: string;
  readonly high: number;
  readonly low: number;
  readonly choices?: readonly { readonly value: number; readonly says: string }[];
}

function readField(line: string): Json {
  const [head = '', choices] = pieces(line, ':');
  const [, high = '', low = high, name = ''] =
    /^(\d+)(?:-(\d+))?\s+(.+)$/s.exec(head) ?? refuse('field', { found: line });
  const read = (choices === undefined ? [] : pieces(choices, '|')).map((choice) => {
    const [, value = '', says = ''] = /^(\d+)\s+(.+)$/s.exec(choice) ?? refuse('field', { found: choice });
    return { value: Number(value), says: bare(says) };
  });
  return {
    name: bare(name),
    high: Number(high),
    low: Number(low),
    ...(choices === undefined ? {} : { choices: read }),
  };
}

function writeField({ name, high, low, choices }: Field): string {
  const head = `${high === low ? high : `${high}-${low}`} ${quoted(name, ':|\n')}`;
  const listed = choices?.map(({ value, says }) => `${value} ${quoted(says, ':|\n')}`).join(' | ');
  return listed === undefined ? head : `${head}: ${listed}`;
}
