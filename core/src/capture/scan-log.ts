/** What an address scanner prints, in its usual forms: hexadecimal, decimal, lists, and the grid of eight rows. */
import { type Message, tells } from '../quantity/message.ts';

/** What is said of lines that tell no address. */
export interface ScanLogSays {
  readonly address: { found: string };
  readonly inGrid: { expected: string; found: string };
}
const tell = tells<ScanLogSays>('capture/scan-log');

interface ScannedAddress {
  readonly value: number;
  /** Line of the text, from 1. */
  readonly line: number;
  readonly text: string;
  /** The value was above 0x7F: it was taken for the form that holds the read/write bit, and halved. */
  readonly halved: boolean;
  /** A driver of the system holds it. */
  readonly held: boolean;
}

export interface ScanLog {
  /** In the order of the addresses, each once. */
  readonly addresses: readonly ScannedAddress[];
  /** Lines that look as if they told an address, and do not. */
  readonly problems: readonly { readonly line: number; readonly text: string; readonly says: Message }[];
  /** The text says that nothing was found, or is a grid without an entry. */
  readonly empty: boolean;
}

const GRID_ROW = /^\s*([0-7])0:((?:\s+(?:--|UU|[0-9a-f]{2}))*)\s*$/i;
const GRID_HEAD = /^\s*(?:\s*[0-9a-f]){16}\s*$/i;
const HEX = /(?<![0-9a-z])0x([0-9a-f]+)(?![0-9a-z])/gi;
const AFTER_WORD =
  /\b(?:address(?:es)?|addr|dec(?:imal)?|device at|found at)\b[^0-9a-z]*((?:\d{1,3}(?![0-9a-z])[\s,;]*)+)/gi;
const LIST = /[[(]\s*(\d{1,3}(?:\s*,\s*\d{1,3})*)\s*,?\s*[\])]/g;
const BARE = /^\s*\d{1,3}(?:[\s,;]+\d{1,3})*\s*$/;
const NOTHING = /\bno\b[^.]*\b(?:devices?|address(?:es)?)\b|\bnothing found\b|\b0 devices\b|\[\s*\]/i;

/** Seven bits. */
const TOP = 0x7f;
const EIGHT_BITS = 0xff;

class Reading {
  readonly found = new Map<number, ScannedAddress>();
  readonly problems: ScanLog['problems'][number][] = [];

  take(line: number, text: string, value: number, held = false): void {
    if (!Number.isFinite(value) || value > EIGHT_BITS) {
      this.problems.push({ line, text, says: tell('address', { found: text }) });
      return;
    }
    const halved = value > TOP;
    const address = halved ? value >> 1 : value;
    if (!this.found.has(address)) this.found.set(address, { value: address, line, text, halved, held });
  }

  row(line: number, row: string): boolean {
    const grid = GRID_ROW.exec(row);
    if (!grid) return false;
    const high = parseInt(grid[1] ?? '0', 16) * 16;
    const cells = (grid[2] ?? '').trim().split(/\s+/).filter(Boolean);
    // The first row of a grid leaves the reserved addresses out: its cells end at the last column.
    const first = 16 - cells.length;
    cells.forEach((cell, i) => {
      if (cell === '--') return;
      const at = high + (high === 0 ? first + i : i);
      if (/^UU$/i.test(cell)) this.take(line, cell, at, true);
      else if (parseInt(cell, 16) === at) this.take(line, cell, at);
      else this.problems.push({ line, text: cell, says: tell('inGrid', { expected: hex(at), found: cell }) });
    });
    return true;
  }
}

const hex = (value: number): string => `0x${value.toString(16).toUpperCase().padStart(2, '0')}`;

export function readScanLog(text: string): ScanLog {
  const reading = new Reading();
  const rows = text.split(/\r?\n/);
  const isGrid = rows.some((row) => GRID_ROW.test(row) && /[0-9a-f-]{2}/i.test(row));
  let grid = false;
  rows.forEach((row, i) => {
    const line = i + 1;
    if (isGrid && GRID_HEAD.test(row)) return;
    if (reading.row(line, row)) {
      grid = true;
      return;
    }
    const hexes = [...row.matchAll(HEX)];
    for (const [found, digits = ''] of hexes) reading.take(line, found, parseInt(digits, 16));
    // A line that gives the address in both forms is read once.
    if (hexes.length > 0) return;
    const decimals = BARE.test(row)
      ? [row]
      : [...row.matchAll(LIST), ...row.matchAll(AFTER_WORD)].map(([, digits = '']) => digits);
    for (const list of decimals)
      for (const [digits] of list.matchAll(/\d+/g)) reading.take(line, digits, Number(digits));
  });
  const addresses = [...reading.found.values()].sort((a, b) => a.value - b.value);
  return { addresses, problems: reading.problems, empty: addresses.length === 0 && (grid || NOTHING.test(text)) };
}
