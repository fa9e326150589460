/** Answers that follow from the class of a part, from what is printed on it, and from a table of its pins. Each is a proposal. */
import { PORT_LINES, type Protocol } from '../card/protocol.ts';
import { labelId } from '../quantity/slug.ts';
import type { Answer } from './answers.ts';
import { classOf } from './classes.ts';
import type { ClassId } from '../card/part-class.ts';
import type { PinTable } from './pin-table/read.ts';
import { type PrintedPin, readPrinted, signalKind } from './printed.ts';

type Proposed = Map<string, Answer>;

const MAIN_PITCH = '2.54 mm';

/** Ids for names in their order, each once. */
function idsFor(labels: readonly string[]): string[] {
  const count = new Map<string, number>();
  const all = labels.map((label) => labelId(label) || (/^[-−]$/.test(label) ? 'minus' : 'pin'));
  return all.map((id) => {
    if (all.filter((other) => other === id).length === 1) return id;
    const n = (count.get(id) ?? 0) + 1;
    count.set(id, n);
    return `${id}-${n}`;
  });
}

/** One header as it is printed: what it is, and the names along it. */
export interface PrintedHeader {
  readonly kind: string;
  readonly text: string;
  /** How far from the first one, "22.86 mm"; blank of the first. */
  readonly across?: string;
}

interface HeaderPin extends PrintedPin {
  readonly id: string;
  readonly header: string;
  readonly position: number;
}

const HEADER_IDS = ['main', 'second', 'third', 'fourth'];

/** All pins of all headers, with ids. */
function pinsOf(cls: ClassId, headers: readonly PrintedHeader[]): HeaderPin[] {
  const read = headers.flatMap(({ text }, h) =>
    readPrinted(text, cls).map((pin, i) => ({
      ...pin,
      header: HEADER_IDS[h] ?? `header-${h + 1}`,
      position: i + 1,
    })),
  );
  const ids = idsFor(read.map(({ label }) => label));
  return read.map((pin, i) => ({ ...pin, id: ids[i] ?? '' }));
}

const said = (rows: readonly (readonly string[])[]): Answer => ({ said: rows });

function headerAnswers(headers: readonly PrintedHeader[], pins: readonly HeaderPin[]): Proposed {
  const isBare = (kind: string) => kind === 'leads';
  return new Map([
    [
      'headers',
      said(
        headers.map(({ kind, across = '' }, h) => [HEADER_IDS[h] ?? `header-${h + 1}`, kind, '1', MAIN_PITCH, across]),
      ),
    ],
    [
      'terminals',
      said(
        pins.map(({ id, label, names, role, header, position, colour }) => {
          const kind = headers[HEADER_IDS.indexOf(header)]?.kind ?? '';
          const lead = isBare(kind) ? [colour ?? 'black', '30 cm'] : ['', ''];
          return [label, names.join(', '), header, String(position), role, id, ...lead, ''];
        }),
      ),
    ],
  ]);
}

/** Lines that belong to one port: of one protocol; of digital outputs each has one of its own. */
function portsOf(pins: readonly HeaderPin[]): ProposedPort[] {
  const ports: { id: string; protocol: Protocol; lines: Map<string, string> }[] = [];
  for (const { id, line } of pins) {
    if (!line) continue;
    const known = ports.find((port) => port.protocol === line.protocol && !port.lines.has(line.line));
    if (known) known.lines.set(line.line, id);
    else {
      const taken = ports.filter(({ protocol }) => protocol === line.protocol).length;
      const name = Object.keys(PORT_LINES[line.protocol]).length === 1 || taken > 0 ? id : line.protocol;
      ports.push({ id: name, protocol: line.protocol, lines: new Map([[line.line, id]]) });
    }
  }
  return ports;
}

interface ProposedPort {
  readonly id: string;
  readonly protocol: Protocol;
  readonly lines: ReadonlyMap<string, string>;
}

/** A part that speaks I²C or SPI on the same pins, by how it is wired; null of every other. */
function twoWays(pins: readonly HeaderPin[]): ProposedPort[] | null {
  const of = (protocol: Protocol): ProposedPort => ({
    id: protocol,
    protocol,
    lines: new Map(
      pins.flatMap(({ id, buses }) =>
        buses.filter((one) => one.protocol === protocol).map(({ line }) => [line, id] as const),
      ),
    ),
  });
  const [i2c, spi] = [of('i2c'), of('spi')];
  const isWhole = i2c.lines.size === 2 && ['clk', 'in', 'out', 'select'].every((line) => spi.lines.has(line));
  // A clock of SPI may be that of I²C; what says so is the name of its data.
  const isNamed = pins.some(({ label, names }) => [label, ...names].some((name) => /^SDA$/i.test(name)));
  return isWhole && isNamed ? [i2c, spi] : null;
}

/** What stands on both sides of a translator: "A1" and "B1", "LV1" and "HV1". */
function channelsOf(pins: readonly HeaderPin[]): string[][] {
  const lows = pins.filter(({ label }) => /^(?:L|A|LV)\d$/i.test(label));
  return lows.flatMap(({ id, label }) => {
    const high = label
      .replace(/^LV/i, 'HV')
      .replace(/^L(?=\d)/i, 'H')
      .replace(/^A/i, 'B');
    const other = pins.find((pin) => pin.label.toLowerCase() === high.toLowerCase());
    return other ? [[id, other.id]] : [];
  });
}

/** What only parts of one class have. */
function ofTheClass(cls: ClassId, pins: readonly HeaderPin[]): Proposed {
  const found: Proposed = new Map();
  const named = (name: RegExp) => pins.find(({ label }) => name.test(label))?.id;
  const put = (place: string, id: string | undefined) => {
    if (id !== undefined) found.set(place, { said: id });
  };
  if (cls === 'relay') {
    put('contact/common', named(/^(?:COM|C)\d?$/i));
    put('contact/open', named(/^NO\d?$/i));
    put('contact/closed', named(/^NC\d?$/i));
  }
  if (cls === 'driver') put('driver/terminal', named(/^(?:LOAD\s?[-−]|OUT[-−]?|D|DRAIN|C|COLLECTOR)$/i));
  if (cls === 'translator') {
    put('translator/lowSupply', named(/^(?:LV|VL|VA|VCCA)$/i));
    put('translator/highSupply', named(/^(?:HV|VH|VB|VCCB)$/i));
    const channels = channelsOf(pins);
    if (channels.length > 0) found.set('translator/channels', said(channels));
    put('translator/direction/terminal', named(/^DIR$/i));
    found.set('translator/style', { said: named(/^DIR$/i) ? 'push-pull' : 'open-drain' });
  }
  if (cls === 'bus-switch') {
    const channels = pins.flatMap(({ id, label }) => {
      const clock = named(new RegExp(`^${label.replace(/^SD/i, 'SC')}$`, 'i'));
      return /^SD\d$/i.test(label) && clock !== undefined ? [[id, clock]] : [];
    });
    if (channels.length > 0) found.set('busSwitch/channels', said(channels));
    if (named(/^SDA$/i)) found.set('busSwitch/port', { said: 'i2c' });
  }
  return found;
}

/** On a translator each side has a supply of its own. */
const referenceOf = (cls: ClassId, { label }: HeaderPin, supplies: readonly HeaderPin[]): string => {
  const high = cls === 'translator' && /^(?:H|B|HV)\d$/i.test(label);
  return (high ? supplies[1] : supplies[0])?.id ?? '';
};

/** Male pins go into a board; what has screws or sockets lies beside it, and wires are what they are. */
function mountOf(cls: ClassId, headers: readonly PrintedHeader[]): string {
  const { mount } = classOf(cls);
  const [first] = headers;
  if (!first || mount === 'loose') return mount;
  if (first.kind === 'leads') return 'leads';
  if (first.kind === 'male' || first.kind === 'pads') return mount === 'leads' ? 'breadboard' : mount;
  return 'loose';
}

/** @returns what the print of a part says that it has */
export function proposeParts(cls: ClassId, headers: readonly PrintedHeader[]): Proposed {
  const { kind } = classOf(cls);
  const pins = pinsOf(cls, headers);
  // A second pin of the same supply is no second supply; another voltage is led out, not taken in.
  const powered = pins.filter(({ role }) => role === 'supply');
  const given = powered.filter(({ gives }) => gives);
  const taken = powered.filter(({ gives }) => !gives);
  const supplies = cls === 'translator' || cls === 'regulator' ? taken : taken.slice(0, 1);
  const found: Proposed = new Map([
    ['kind', { said: kind }],
    ['mount', { said: mountOf(cls, headers) }],
    ...headerAnswers(headers, pins),
    ...ofTheClass(cls, pins),
  ]);
  const ways = twoWays(pins);
  if (ways) found.set('modes', { said: ways.map(({ id }) => id).join('; ') });
  const onI2c = new Set(ways?.[0]?.lines.values());
  const lines = pins.filter(({ line, kind: own }) => line ?? own);
  // A translator whose direction is set drives both ways.
  const isDirected = cls === 'translator' && pins.some(({ label }) => /^DIR$/i.test(label));
  // A carrier only hands on; what is on its names are pins of the board.
  if (cls === 'carrier') return found;
  if (supplies.length > 0) found.set('supplies', said(supplies.map(({ id }) => [id, id])));
  if (given.length > 0) {
    found.set('rails', said(given.map(({ id, label }) => [id, label, id])));
    const [supply] = supplies;
    if (supply) for (const { id } of given) found.set(`rails/${id}/from/supply`, { said: supply.id });
  }
  if (lines.length > 0) {
    found.set(
      'signals',
      said(
        lines.map((pin) => [
          pin.id,
          pin.id,
          (isDirected && pin.kind ? 'bidirectional' : pin.kind) ??
            (onI2c.has(pin.id) ? 'open-drain' : undefined) ??
            (pin.line ? signalKind(pin.line.protocol, pin.line.line) : ''),
          referenceOf(cls, pin, supplies),
        ]),
      ),
    );
  }
  const ports = (ways ?? portsOf(pins)).map(({ id, protocol, lines: of }) => [
    id,
    protocol,
    [...of].map(([line, signal]) => `${line}=${signal}`).join(', '),
  ]);
  // A coil is switched by a part and has no line to a pin.
  const coil = cls === 'load' && ports.length === 0 && supplies.length > 0 ? [['coil', 'coil', '']] : [];
  if (ports.length + coil.length > 0) found.set('ports', said([...ports, ...coil]));
  return found;
}

/** @returns what a table of pins says of a controller whose headers are printed so; pins that are not led out are left out */
export function proposeController(headers: readonly PrintedHeader[], table: PinTable): Proposed {
  const pins = pinsOf('controller', headers);
  const found: Proposed = new Map([
    ['kind', { said: 'controller' }],
    ['mount', { said: mountOf('controller', headers) }],
    ...headerAnswers(
      headers,
      pins.map((pin) => (table.pins.some(({ name }) => isNamed(pin, name)) ? { ...pin, role: 'signal' } : pin)),
    ),
  ]);
  const rows = table.pins.flatMap(({ name, functions, strap, reserved, drives, pull, noPull, remark }) => {
    const pin = pins.find((one) => isNamed(one, name));
    if (!pin) return [];
    const says = remark.slice(0, 160);
    const boot = drives ?? (pull ? 'nothing' : '');
    return [
      [
        pin.id,
        functions.map(({ id }) => id).join(', '),
        ...(strap ? [strap, says || strap] : ['', '']),
        ...(reserved ? [reserved, says || reserved] : ['', '']),
        boot,
        pull ?? '',
        noPull ? 'yes' : '',
        '',
        '',
        '',
      ],
    ];
  });
  if (rows.length > 0) found.set('controller/pins', said(rows));
  if (table.matrix.length > 0) found.set('controller/matrix', { said: table.matrix.map(({ id }) => id).join(', ') });
  const supply =
    pins.find(({ role, label }) => role === 'supply' && !/3V3|3\.3/i.test(label)) ??
    pins.find(({ role }) => role === 'supply');
  if (supply) found.set('supplies', said([[supply.id, supply.id]]));
  const out = pins.find(({ role, id }) => role === 'supply' && id !== supply?.id);
  if (out) {
    found.set('rails', said([[out.id, out.label, out.id]]));
    found.set('controller/io/reference', { said: out.id });
    if (supply) found.set(`rails/${out.id}/from/supply`, { said: supply.id });
  } else if (supply) found.set('controller/io/reference', { said: supply.id });
  return found;
}

const isNamed = ({ label, names }: PrintedPin, name: string): boolean =>
  [label, ...names].some((one) => one.toLowerCase() === name.toLowerCase());
