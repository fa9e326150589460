/** Answers that follow from the class of a part, from what is printed on it, and from a table of its pins. Each is a proposal. */
import { PORT_LINES, type Protocol } from '../card/protocol.ts';
import { labelId } from '../quantity/slug.ts';
import type { Answer } from './answers.ts';
import { type ClassId, classOf } from './classes.ts';
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
    readPrinted(text, classOf(cls).port).map((pin, i) => ({
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
function portsOf(pins: readonly HeaderPin[]): { id: string; protocol: Protocol; lines: Map<string, string> }[] {
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

/** @returns what the print of a part says that it has */
export function proposeParts(cls: ClassId, headers: readonly PrintedHeader[]): Proposed {
  const { kind, mount } = classOf(cls);
  const pins = pinsOf(cls, headers);
  const supplies = pins.filter(({ role }) => role === 'supply');
  const [supply] = supplies;
  const lines = pins.flatMap(({ id, line }) => (line ? [{ id, line }] : []));
  const found: Proposed = new Map([
    ['kind', { said: kind }],
    ['mount', { said: mount }],
    ...headerAnswers(headers, pins),
  ]);
  if (supply) found.set('supplies', said([[supply.id, supply.id]]));
  if (lines.length > 0) {
    found.set(
      'signals',
      said(lines.map(({ id, line }) => [id, id, signalKind(line.protocol, line.line), supply?.id ?? ''])),
    );
    const ports = portsOf(pins).map(({ id, protocol, lines: of }) => [
      id,
      protocol,
      [...of].map(([line, signal]) => `${line}=${signal}`).join(', '),
    ]);
    found.set('ports', said(ports));
  }
  return found;
}

/** @returns what a table of pins says of a controller whose headers are printed so; pins that are not led out are left out */
export function proposeController(headers: readonly PrintedHeader[], table: PinTable): Proposed {
  const pins = pinsOf('controller', headers);
  const found: Proposed = new Map([
    ['kind', { said: 'controller' }],
    ['mount', { said: 'breadboard' }],
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
  found.set('controller/pins', said(rows));
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
