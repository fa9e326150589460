/** A row of a table, or a line "name: value" -> what it says about a card. */
import type { Message } from '../../quantity/message.ts';
import { doubtThat } from './doubt.ts';
import { classify } from './classify.ts';
import { draftOf, type Bounds, type Reading } from './draft-of.ts';
import type { ColumnKind } from './header.ts';
import { isBlank, type DecimalMark } from './numbers.ts';
import type { ValueReading } from './value-forms.ts';
import { readValue } from './values.ts';
import type { Draft } from './proposal.ts';
import { sizeIn } from './sizes.ts';
import type { Row } from './rows.ts';
import { plainText, readUnit, type UnitReading } from './units.ts';

const SUPPLY_UNIT = /^(%\s*)?(?:of\s|[x×*]\s?)?\s*V_?(?:DD|CC|IN|S|DDIO|DD_IO)$/i;
const YEARLY = /\s*(?:\/|per)\s*(?:yr|year|a)\b\.?/i;

/** Unit of the unit column, of a column's head, or in brackets behind the name; a share of the supply is one, too. */
function unitOf(text: string): UnitReading | null {
  const plain = plainText(text).replace(YEARLY, '').trim();
  const share = SUPPLY_UNIT.exec(plain);
  if (share) return { unit: 'share', factor: share[1] ? 0.01 : 1 };
  // What is meant for each of something else, "lx/ct", is another unit.
  return readUnit(plain) ?? readUnit(plain.split(/[\s,;]+|\s\/\s/)[0] ?? '');
}

function nameAndUnit(written: string): { name: string; unit: UnitReading | null } {
  const bracket = /^(.*?)[\s,]*(?:[[(]|\bin\s|\/\s)([^\])]+?)[\])]?$/.exec(written.trim());
  const unit = bracket?.[2] ? unitOf(bracket[2]) : null;
  return unit && bracket?.[1] ? { name: bracket[1].trim(), unit } : { name: written.trim(), unit: null };
}

function boundsOf(row: Row, unit: UnitReading | null, mark: DecimalMark): Bounds | null {
  const doubts = [...row.doubts];
  const read = (kind: ColumnKind): ValueReading | null => {
    const text = row.cells[kind] ?? '';
    return isBlank(text) ? null : readValue(text, mark, row.units[kind] ?? unit);
  };
  const parts = { min: read('min'), typ: read('typ'), max: read('max'), value: read('value') };
  const given = Object.values(parts).filter((p) => p !== null);
  if (given.length === 0) return null;
  for (const { doubt } of given) if (doubt) doubts.push(doubt);
  const units = [...new Set(given.map((p) => p.unit))];
  const level = levelOf(parts, doubts);
  if (level) return level;
  if (units.length > 1) doubts.push(doubtThat('units'));
  const at = (p: ValueReading | null, side: 'min' | 'max') => p && (p.typ ?? p[side] ?? p.max ?? p.min);
  const whole = parts.value ?? (parts.typ && parts.typ.typ === undefined ? parts.typ : null);
  const min = at(parts.min, 'min') ?? whole?.min;
  const max = at(parts.max, 'max') ?? whole?.max;
  const typ = whole === parts.typ ? whole?.typ : (parts.typ?.typ ?? whole?.typ);
  const unread = given.some(({ rest }) => /\d/.test(rest));
  if (unread) doubts.push(doubtThat('moreInCell'));
  return {
    ...(min === undefined || min === null ? {} : { min }),
    ...(typ === undefined ? {} : { typ }),
    ...(max === undefined || max === null ? {} : { max }),
    unit: units[0] ?? null,
    symmetric: given.some(({ symmetric }) => symmetric),
    ...ofReadingOf(given),
    doubts,
    rest: given
      .map(({ rest }) => rest)
      .join(' ')
      .trim(),
  };
}

const ofReadingOf = (given: readonly ValueReading[]): { ofReading?: number } => {
  const ofReading = given.find((p) => p.ofReading !== undefined)?.ofReading;
  return ofReading === undefined ? {} : { ofReading };
};

const RELATIVE: ReadonlySet<string | null> = new Set(['share', 'offset']);

/**
 * Of a level one bound is stated from the supply and the other in volts, "−0.3 | VDD + 0.3", or each in another way, "0.7·VDD | VDD + 0.5".
 * The one that counts is the share where there is one, else the offset; a bound in volts beside it is ground, or a limit of the part.
 */
function levelOf(
  parts: Readonly<Record<'min' | 'typ' | 'max' | 'value', ValueReading | null>>,
  doubts: readonly Message[],
): Bounds | null {
  const { min, max, typ, value } = parts;
  const relative = [min, max].filter((p) => p !== null && RELATIVE.has(p.unit));
  if (value || typ || relative.length === 0 || !min || !max || min.unit === max.unit) return null;
  const share = [min, max].find((p) => p.unit === 'share');
  const chief = share ?? [min, max].find((p) => p.unit === 'offset');
  const size = chief?.typ ?? chief?.max ?? chief?.min;
  if (!chief || size === undefined) return null;
  return { [chief === min ? 'min' : 'max']: size, unit: chief.unit, symmetric: false, doubts, rest: '' };
}

/** A figure at the end of a name or beside a symbol belongs to a column that was cut elsewhere. */
function cutDoubts(row: Row): Message[] {
  const isCut = /\s[+\-−–]?\d+(?:[.,]\d+)?$/.test(row.name) || /\s[+\-−–]?\d+(?:[.,]\d+)?\b/.test(row.symbol);
  // "Voltage at" has lost what it is at.
  const isOpen = /\b(?:at|on|of|to|for|from|between|and|the|with)$/i.test(row.name.trim());
  return isCut || isOpen ? [doubtThat('moreInCell')] : [];
}

/** @returns a draft for each thing that the row says; none when it says nothing that a card holds */
export function rowDrafts(row: Row, reading: Reading): Draft[] {
  const { name, unit: nameUnit } = nameAndUnit(row.name);
  const yearly =
    YEARLY.test(row.cells.unit ?? '') ||
    YEARLY.test(row.cells.value ?? '') ||
    YEARLY.test(row.cells.max ?? '') ||
    YEARLY.test(row.cells.typ ?? '') ||
    YEARLY.test(row.name);
  const unit = unitOf(row.cells.unit ?? '') ?? nameUnit ?? Object.values(row.units)[0] ?? null;
  const stripped: Row = yearly
    ? { ...row, cells: Object.fromEntries(Object.entries(row.cells).map(([k, v]) => [k, v.replace(YEARLY, '')])) }
    : row;
  const bounds = boundsOf(stripped, unit, reading.mark);
  const said = [
    row.name,
    row.symbol,
    row.conditions,
    row.cells.min,
    row.cells.typ,
    row.cells.max,
    row.cells.value,
    row.cells.unit,
  ]
    .filter(Boolean)
    .join(' | ');
  if (/dimension|^size\b|outline|board size|^(?:l|length) ?[x×]/i.test(name)) return sizeDraft(row, said, unit);
  if (!bounds) return [];
  const conditions = [row.conditions, bounds.rest].filter(Boolean).join('; ');
  const behind = /^(.*\S)\s*\(([VIRCTtf][A-Za-z_]{1,7}\d?)\)$/.exec(name);
  const symbol = row.symbol === '' && behind ? (behind[2] ?? '') : row.symbol;
  const words = {
    name: symbol === row.symbol ? name : (behind?.[1] ?? name),
    symbol,
    conditions,
    section: `${row.section} ${row.group}`,
    unit: bounds.unit,
  };
  const found =
    classify(words, reading) ??
    (row.group && !/accuracy|range|absolute/i.test(row.group)
      ? classify({ ...words, name: `${row.group} ${name}` }, reading)
      : null);
  if (!found) return [];
  const draft = draftOf(
    found,
    { ...bounds, doubts: [...bounds.doubts, ...cutDoubts(row)] },
    { name, conditions, said, box: row.box },
    reading,
    yearly,
  );
  return draft ? [draft] : [];
}

function sizeDraft(row: Row, said: string, unit: UnitReading | null): Draft[] {
  const text = [row.cells.value, row.cells.typ, row.cells.max, row.conditions].filter(Boolean).join(' ');
  const read = sizeIn(text, unit);
  if (!read) return [];
  const doubts = read.hasUnit ? row.doubts : [...row.doubts, doubtThat('noUnit')];
  return [
    { slot: 'body.size', unit: 'm', size: read.size, conditions: '', name: row.name, said, box: row.box, doubts },
  ];
}
