/** Pins that are told without a table: a numbered list, or a sentence that names them in their order. */
import { doubtThat } from './doubt.ts';
import { boxOf } from './page.ts';
import type { Passage } from './passages.ts';
import type { Draft } from './proposal.ts';
import type { Line } from './words.ts';

/** Names that pins have, whatever the part. */
const PIN_NAME =
  /^(?:V_?(?:CC|DD|IN|BAT|S|OUT|IO|SYS|REF)?\d?|VDDIO|GND\d?|[ADP]?GND|VSS|SDA\d?|SCL\d?|SCK|SCLK|MOSI|MISO|SS|CSB?|NCS|SDO|SDI|COPI|CIPO|TXD?\d?|RXD?\d?|DO|AO|DI|AI|D?OUT\d?|D?IN\d?|INT\d?|IRQ|DRDY|EN|CE|RST|RESET|ADDR?\d?|A\d|AD\d|D\d{1,2}|ALERT|NC|PWM|SIG|DATA|DAT|DQ|CLK|BUSY|WAKE|TRIG|ECHO|3V3|3\.3V|5V|\+|-|S|COM|NO|BL|DC|LED|SET|HD|SR|GPIO\d{1,2}|IO\d{1,2}|B[+-]|OUT[+-]|IN[+-])$/i;
const PIN_HEADING = /\bpins?\b|pin-?out|terminal|connector|header|contacts?|wiring/i;
const NUMBERED = /^\(?(?:pin\s*)?(\d{1,2})\)?\s*[.):=-]?\s+([A-Za-z0-9+_/.-]{1,10})(?=$|[\s:(,;–-])\s*(.*)$/i;
/** Fewer are no header. */
const LEAST = 3;

const terminal = (typ: number, label: string, said: string, conditions: string, words: Line['words']): Draft => ({
  slot: 'terminal',
  typ,
  unit: 'position',
  label,
  conditions,
  name: `pin ${typ}`,
  said,
  box: boxOf(words),
  doubts: [],
});

export interface PinList {
  readonly drafts: readonly Draft[];
  /** Lines of the region that it covers: from, up to. */
  readonly from: number;
  readonly to: number;
}

/** Numbered lists of pins, "1 VCC 5 V", one line each. @param skip lines that belong to something else */
export function pinLists(
  lines: readonly Line[],
  skip: (line: number) => boolean,
  sectionAt: (line: number) => string,
): PinList[] {
  const lists: PinList[] = [];
  for (let from = 0; from < lines.length; from++) {
    const rows: { label: string; rest: string; line: Line }[] = [];
    for (let i = from; i < lines.length && !skip(i); i++) {
      const line = lines[i];
      const match = line && NUMBERED.exec(line.text);
      if (!line || !match || Number(match[1]) !== rows.length + 1) break;
      rows.push({ label: match[2] ?? '', rest: match[3] ?? '', line });
    }
    const known = rows.filter(({ label }) => PIN_NAME.test(label)).length;
    if (rows.length < LEAST || known < 0.6 * rows.length) continue;
    const doubts = PIN_HEADING.test(sectionAt(from)) ? [] : [doubtThat('runningText')];
    const drafts = rows.map(({ label, rest, line }, i) => ({
      ...terminal(i + 1, label, line.text, rest.replace(/^[\s:–-]+/, '').slice(0, 160), line.words),
      doubts,
    }));
    lists.push({ drafts, from, to: from + rows.length });
    from += rows.length - 1;
  }
  return lists;
}

const ITEM = String.raw`[A-Za-z0-9+_/.-]{1,8}?`;
const LISTED = new RegExp(
  String.raw`\b(?:headers?|pins?|pin-?out|terminals?|connector|contacts?|leads?|pads)\b[^.:;]{0,40}?(?::|\b(?:carr(?:y|ies)|are|is|has|have|named|labell?ed|marked|in order)\b)\s*((?:${ITEM}(?:\s*[,;/|]\s*(?:and\s+)?|\s+and\s+|\s*[–-]\s+)){2,}${ITEM})(?=[\s.,;)]|$)`,
  'i',
);

/** "The header carries VIN, GND, SCL, SDA in this order." */
export function toldPins(passage: Passage): Draft[] {
  const listed = LISTED.exec(passage.text)?.[1];
  const labels =
    listed?.split(/\s*[,;/|]\s*(?:and\s+)?|\s+and\s+|\s+[–-]\s+/).map((label) => label.replace(/\.$/, '')) ?? [];
  const known = labels.filter((label) => PIN_NAME.test(label)).length;
  if (labels.length < LEAST || known < 0.6 * labels.length || new Set(labels).size < labels.length) return [];
  return labels.map((label, i) => ({
    ...terminal(i + 1, label, passage.text.slice(0, 300), '', passage.words),
    doubts: [doubtThat('runningText')],
    weak: true,
  }));
}
