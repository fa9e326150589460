/** A table of pins, pasted or taken from a sheet, as what a card says of them. */
import { functionOf } from '../../card/protocol.ts';
import { type Row, rowsOf, twoSided } from './lines.ts';
import { isPinName, isPower, namesAhead } from './names.ts';
import { isRemark, type Remarks, remarksIn } from './remarks.ts';
import { functionsIn, type PinFunction } from './vocabulary.ts';

export interface ReadPin extends Remarks {
  readonly name: string;
  readonly functions: readonly PinFunction[];
  /** What was remarked of it, as it stood there. */
  readonly remark: string;
}

export interface PinTable {
  readonly pins: readonly ReadPin[];
  /** Functions that can be on any pin. */
  readonly matrix: readonly PinFunction[];
  /** Names that carry power or start the board. */
  readonly power: readonly string[];
  /** Words that were not understood, with the name of their pin; '' of a line about none. */
  readonly unread: readonly { readonly of: string; readonly words: string }[];
}

/** A bus that stands in brackets behind its line, "SDA (I2C1)", before it. */
const inBrackets = (line: string): string =>
  line.replace(/\b(\w+)\s*\(((?:I2C|IIC|TWI|SPI|UART|USART)\d)\)/gi, '$2_$1');

/** Without the marks of a list and of letters in bold, and without the place on the header. */
const unmarked = (line: string): string =>
  inBrackets(line)
    .replace(/\*\*|__|`/g, '')
    .replace(/^\s*(?:[*•-]\s+|\d{1,2}[.):]?\s+(?=[A-Za-z]))/, '')
    .trim();

/** What one line says of some pins. */
interface Entry {
  readonly names: readonly string[];
  readonly functions: string;
  readonly remarks: string;
  readonly start: string;
  readonly type: string;
}

const EVERY = /^\s*(?:every|all|any)\b(?:\s+\w+)?\s+pins?\b\s*(.*)$/i;
const ROUTED = /^(.*?)\s+(?:can be|may be|are)\s+(?:routed|mapped|assigned)\s+to\s+any\b/i;

/** Whether a line says something of every pin, or of a peripheral that can be on any. */
export const isAboutMany = (line: string): boolean => EVERY.test(line) || ROUTED.test(line);

/** The lines of each peripheral that a matrix can route. */
const ROUTES: readonly (readonly [peripheral: string, words: RegExp, roles: readonly string[]])[] = [
  ['i2c', /\bI2C(\d)?\b/i, ['sda', 'scl']],
  ['spi', /\bSPI(\d)?\b/i, ['clk', 'in', 'out', 'select']],
  ['uart', /\bUART(\d)?\b/i, ['tx', 'rx']],
];

function routed(text: string): PinFunction[] {
  const found = ROUTES.flatMap(([peripheral, words, roles]) => {
    const match = words.exec(text);
    const unit = match?.[1];
    return match
      ? roles.map((role) => ({ id: functionOf(peripheral, unit ?? 0, role), sure: unit !== undefined }))
      : [];
  });
  return [...found, ...(/\bPWM\b/i.test(text) ? [{ id: 'pwm', sure: true }] : [])];
}

/** What a text lists, and what it remarks, clause by clause. */
function parted(text: string): [functions: string, remarks: string] {
  const clauses = text.split(/[,;()|\t]|\.\s/);
  return [
    clauses.filter((clause) => !isRemark(clause)).join(', '),
    clauses
      .filter(isRemark)
      .map((clause) => clause.trim())
      .join(', '),
  ];
}

function entryOf({ cells, columns }: Row): Entry | null {
  const of = (column: string) => cells.filter((_, i) => columns[i] === column).join(', ');
  const [name = ''] = cells.filter((_, i) => columns[i] === 'name');
  if (name === '' || isAboutMany(name)) return null;
  // Where no column is for them, functions stand in the description.
  const [functions, noted] = parted(of(columns.includes('functions') ? 'functions' : 'remark'));
  return {
    names: namesAhead(name)?.names ?? [name],
    functions: [name.includes('/') ? name : '', functions].filter(Boolean).join(', '),
    remarks: [noted, of('remark')].filter(Boolean).join(', '),
    start: of('start'),
    type: of('type'),
  };
}

const HEADED =
  /^\s*((?:I2C|SPI|USART|UART|SERIAL|ADC|DAC|PWM|TOUCH)\d*|interrupts?|input[- ]only)\s*(?:pins?)?\s*[:=]\s*(.+)$/i;

/** A line that begins with what there is: "SPI: MOSI GPIO23, MISO = GPIO19", "PWM: GPIO12, GPIO13". */
function headedEntries(line: string): Entry[] | null {
  const [, head = '', rest = ''] = HEADED.exec(line) ?? [];
  if (head === '') return null;
  const isRemarked = isRemark(head);
  const found = rest.split(/[,;]/).map((piece): Entry | null => {
    const [, role = '', names = ''] = /^\s*(?:([A-Za-z]+)\b\s*[=:]?\s*)?(\S.*)$/.exec(piece) ?? [];
    const pins = namesAhead(names) ?? namesAhead(piece);
    if (!pins) return null;
    // Which channel of a converter each is on is not said so.
    const alone = /^ADC/i.test(head) ? '' : head;
    const says = namesAhead(names) && role !== '' ? `${head} ${role}` : alone;
    return {
      names: pins.names,
      functions: isRemarked ? '' : says,
      remarks: isRemarked ? head : '',
      start: '',
      type: '',
    };
  });
  return found.every((entry) => entry !== null) ? found : null;
}

/** A line that begins with names: what it remarks stands in clauses of their own. */
function freeEntry(line: string): Entry | null {
  const ahead = namesAhead(line);
  if (!ahead) return null;
  const [functions, remarks] = parted(ahead.rest);
  return { names: ahead.names, functions, remarks, start: '', type: '' };
}

/** "ADC1_CH0 to ADC1_CH9" over a row of pins: one each. */
function spreadOver(entry: Entry): Entry[] {
  const [, unit = '', first = '', last = ''] =
    /\b(ADC\d?[ _]?(?:CH|IN))(\d+)\s*(?:to|-|–|…|\.{2,3})\s*(?:ADC\d?[ _]?(?:CH|IN))?(\d+)/i.exec(entry.functions) ??
    [];
  if (entry.names.length < 2 || Number(last) - Number(first) !== entry.names.length - 1) return [entry];
  return entry.names.map((name, i) => ({ ...entry, names: [name], functions: `${unit}${Number(first) + i}` }));
}

/** A pin of which nothing is said but that it starts the chip or feeds it. */
const isOnlyPower = ({ functions, remarks }: Entry): boolean => {
  const [all = ''] = (functions.trim() === '' ? remarks : functions).split(',').map((one) => one.trim());
  if (functions.includes(',')) return false;
  return /^\S+$/.test(all) && isPower(all);
};

const peripheralOf = ({ id }: PinFunction): string => id.replace(/\.[^.]*$/, '');

/**
 * "GP0 and GP1: UART0 TX and UART0 RX": as many lines of one peripheral as there are pins are one each, in their order, more often than
 * not. What is said besides is of all of them.
 */
function shared(names: readonly string[], read: readonly PinFunction[], name: string): readonly PinFunction[] {
  const place = names.indexOf(name);
  const ofMany = read.filter((one) => {
    const alike = read.filter((other) => peripheralOf(other) === peripheralOf(one));
    return names.length > 1 && alike.length === names.length && one.id.includes('.');
  });
  return read.flatMap((one) => {
    if (!ofMany.includes(one)) return [one];
    const alike = ofMany.filter((other) => peripheralOf(other) === peripheralOf(one));
    return alike.indexOf(one) === place ? [{ ...one, sure: false }] : [];
  });
}

const INPUT = /^(?:I|GPI|in|input|DI)$/i;
const ANALOG_ALONE = /^(?:AI|A|analog(?:ue)?(?: input)?)$/i;
const NO_PIN = /^(?:P|G|PWR|power|ground|S)$/i;

function pinOf(
  name: string,
  entries: readonly Entry[],
  everywhere: readonly PinFunction[],
): { pin: ReadPin; unread: string } {
  const all = (field: keyof Omit<Entry, 'names'>) =>
    entries
      .map((entry) => entry[field])
      .filter(Boolean)
      .join(', ');
  const [functions, remarks, start, type] = [all('functions'), all('remarks'), all('start'), all('type')];
  const parts = entries.map((entry) => {
    const { functions: all, unread: rest } = functionsIn(entry.functions);
    return { all: shared(entry.names, all, name), rest };
  });
  const read = {
    functions: parts.flatMap(({ all: of }) => of),
    unread: parts
      .map(({ rest }) => rest)
      .filter(Boolean)
      .join(' '),
  };
  const said = { ...remarksIn([functions, remarks].join(', ')), ...remarksIn(start, start !== '') };
  const isInput = said.inputOnly ?? (INPUT.test(type) || /\bGPI\b/.test(functions));
  const level: PinFunction[] = ANALOG_ALONE.test(type)
    ? []
    : [{ id: 'in', sure: true }, ...(isInput ? [] : [{ id: 'out', sure: true }])];
  // On the print of a board an A and a number name an analog input.
  const isAnalog = /^A\d+$/.test(name) && !read.functions.some(({ id }) => id.startsWith('adc'));
  const printed = isAnalog ? [{ id: `adc0.${name.slice(1)}`, sure: false }] : [];
  const { functions: listed, unread } = read;
  const together = new Map([...level, ...printed, ...listed, ...everywhere].map((one) => [one.id, one]));
  return {
    pin: { name, functions: [...together.values()], ...said, remark: [remarks, start].filter(Boolean).join('; ') },
    unread: remarksIn(functions).reserved ? '' : unread,
  };
}

/** @param text as it was pasted, or cells of a sheet parted by tabs */
export function readPinTable(text: string): PinTable {
  const lines = text.split(/\r?\n/).map(unmarked);
  const rows = rowsOf(text.split(/\r?\n/).map(inBrackets).join('\n'));
  const everywhere = lines.flatMap((line) => {
    const [, rest = ''] = EVERY.exec(line) ?? [];
    return functionsIn(rest).functions;
  });
  const matrix = lines.flatMap((line) => routed(ROUTED.exec(line)?.[1] ?? ''));
  const about = lines.filter((line) => line !== '' && !EVERY.test(line) && !ROUTED.test(line));
  const sided = about.flatMap((line) => twoSided(line) ?? [line]);
  const entries = (rows ? rows.map(entryOf) : sided.flatMap((line) => headedEntries(line) ?? [freeEntry(line)]))
    .filter((entry) => entry !== null)
    .flatMap(spreadOver);
  const byName = new Map<string, Entry[]>();
  const power: string[] = [];
  for (const entry of entries)
    for (const name of entry.names)
      if (isPower(name) || NO_PIN.test(entry.type) || isOnlyPower(entry)) power.push(name);
      else byName.set(name, [...(byName.get(name) ?? []), entry]);
  const read = [...byName].map(([name, of]) => pinOf(name, of, everywhere));
  const lost = rows
    ? []
    : sided.filter((line) => !headedEntries(line) && !namesAhead(line) && !isPower(line) && !isPinName(line));
  return {
    pins: read.map(({ pin }) => pin),
    matrix,
    power,
    unread: [
      ...read.flatMap(({ pin, unread }) => (unread === '' ? [] : [{ of: pin.name, words: unread }])),
      ...lost.map((words) => ({ of: '', words })),
    ],
  };
}
