/** The plan for the bench as a PDF: safety, the board, each step with its picture and boxes to tick, colours at joints, parts. */
import type { Circuit } from '@idle-breadboard/core/circuit';
import {
  BENCH_RULE,
  boardDrawing,
  boardMap,
  frameOf,
  leadNumbers,
  piecesOf,
  type Build,
  type Drawing,
  type WiringStep,
} from '@idle-breadboard/core/deliver';
import { formatMoney } from '@idle-breadboard/core/figures';
import { leadSays } from '@idle-breadboard/core/files';
import { type Verdict, standingOf } from '@idle-breadboard/core/verify';
import { counted, say, saysPut, sayUnread } from '@idle-breadboard/core/words';
import { boardHeight, drawBoard } from './pdf-board';
import { PdfPage, write, type PaperFonts, type PaperSize } from './pdf-page';

export interface Paper {
  readonly circuit: Circuit;
  readonly verdict: Verdict;
  readonly build: Build;
  readonly fingerprint: string;
  readonly size: PaperSize;
  readonly fonts: PaperFonts;
}

const PICTURE = 210;
const GAP = 12;
/** Steps of the grid across a page, so that what is written can be read. */
const ACROSS = 96;
export async function buildPdf({ circuit, verdict, build, fingerprint, size, fonts }: Paper): Promise<Uint8Array> {
  const page = new PdfPage(size, fonts, circuit.plan.name);
  const standing = build.proof?.agrees === true ? standingOf(verdict) : 'open';
  page.heading(circuit.plan.name, 17);
  page.line(
    standing === 'verified'
      ? `Verified, ${verdict.passes.length + build.results.length} proofs, ${verdict.assumed} rest on assumed figures; the wiring was read back and agrees with the circuit. Fingerprint ${fingerprint}.`
      : standing === 'unread'
        ? `PROVED, NOT YET VERIFIED: ${sayUnread(verdict.unread.length)} Fingerprint ${fingerprint}.`
        : `NOT VERIFIED. Do not wire this. Fingerprint ${fingerprint}.`,
  );
  if (build.why) page.line(say(build.why.says));
  for (const { says } of build.proof?.mismatches ?? []) page.line(say(says));
  page.heading('Safety');
  for (const { hazard, labels, says, asks, read } of build.wiring.cautions)
    page.line(`${asks ? (read ? '[x] ' : '[ ] ') : ''}${hazard}, ${say(labels)}: ${says}`);
  page.line(say(BENCH_RULE));
  const drawing = build.layout && boardDrawing(circuit, build.layout);
  const numbers = leadNumbers(build.wiring.steps);
  if (drawing) {
    page.heading('The whole build');
    page.line(
      'A lead that found no way clear of the others is not drawn: its number stands at both its ends, as in the steps.',
    );
    const map = boardMap(drawing, numbers);
    for (const piece of piecesOf(map, ACROSS)) {
      const height = boardHeight(piece, page.width);
      page.need(height);
      drawBoard(page.doc, map, piece, { x: page.left, y: page.y, width: page.width }, null);
      page.y += height + GAP;
    }
  }
  const done = new Set(circuit.plan.done);
  build.wiring.steps.forEach((step, i) => writeStep(page, drawing, numbers, step, i + 1, done.has(step.key)));
  if (build.wiring.checklist.length > 0) {
    page.heading('Before power');
    for (const says of build.wiring.checklist) page.line(`[ ] ${say(says)}`);
  }
  if (build.wiring.harness.length > 0) {
    page.heading('Where colours meet');
    for (const { where, line, wires } of build.wiring.harness)
      page.row([say(where), say(line), wires.map(({ colour, to }) => `${colour} to ${say(to)}`).join('; ')], [3, 2, 6]);
  }
  writeParts(page, build);
  return page.end();
}

function writeStep(
  page: PdfPage,
  drawing: Drawing | null,
  numbers: ReadonlyMap<string, number>,
  step: WiringStep,
  number: number,
  done: boolean,
): void {
  const keys = new Set(step.leads.map(({ key }) => key));
  const parts = new Set(step.subjects);
  const map = drawing && step.leads.length > 0 ? boardMap(drawing, numbers, keys) : null;
  const frame = map && frameOf(map, keys, parts);
  const height = frame ? boardHeight(frame, PICTURE) : 0;
  // About as high as its words will be, so that a step stays on one page where it can.
  const words =
    24 + 24 * step.cautions.length + 13 * step.put.length + 17 * step.leads.length + 19 * step.checks.length;
  page.need(Math.max(height + 24, words));
  page.rule();
  const top = page.y;
  const before = page.doc.bufferedPageRange().count;
  const width = map ? page.width - PICTURE - GAP : page.width;
  if (map && frame) drawBoard(page.doc, map, frame, { x: page.left + width + GAP, y: top, width: PICTURE }, parts);
  page.box(page.left, page.y + 2, 9, done);
  write(page.doc, 'words', 11, `${number}. ${say(step.title)}`, { x: page.left + 15, y: page.y, width: width - 15 });
  page.y = page.doc.y + 3;
  for (const { hazard, says } of step.cautions) page.line(`${hazard}: ${say(says)}`, width);
  for (const put of step.put) page.line(saysPut(put), width);
  for (const lead of step.leads)
    page.row([`${lead.number}`, leadSays(lead), say(lead.fromSays), say(lead.toSays)], [1.2, 5, 6, 6], width);
  for (const { says } of step.checks) page.line(say(says), width, true);
  // The words may have gone on to another page, which the picture has not.
  if (map && page.doc.bufferedPageRange().count === before) page.y = Math.max(page.y, top + height + 4);
}

function writeParts(page: PdfPage, { parts }: Build): void {
  page.heading('Parts list');
  const shares = [1.3, 6, 7, 1.8, 1.6, 4, 2];
  page.row(['need', 'part', 'for', 'drawer', 'packs', 'supplier', parts.currency], shares);
  for (const line of parts.lines)
    page.row(
      [
        String(line.needed),
        line.name,
        say(line.uses),
        String(line.inDrawer),
        String(line.packs),
        line.unsold ? 'nobody' : line.packs > 0 ? (line.offer?.supplier ?? '') : '',
        line.packs > 0 ? line.total.toFixed(2) : '',
      ],
      shares,
    );
  page.line(
    `${formatMoney(parts.total, parts.currency)} with shipping; the last parcel is here in ${counted(parts.arrival, 'day')}.`,
  );
  page.line(
    `Leads: ${parts.leads.map(({ count, colour, ends, length }) => `${count} ${colour} ${ends} ${length} m`).join('; ')}.`,
  );
}
