/** Reads datasheets away from the page: pdf.js runs in this very thread, so that ending it ends everything. */
import {
  classesIn,
  contextOf,
  layOut,
  nameIn,
  pastedPage,
  proposalsAt,
  readPage,
  settleProposals,
  unreadOf,
  type Before,
  type PageReading,
  type Proposal,
} from '@idle-breadboard/core/card';
import { readPartsTable } from '@idle-breadboard/core/files';
import { pinTableText, type ClassId } from '@idle-breadboard/core/workshop';
import { expose } from 'comlink';
import { getDocument, OPS, VerbosityLevel, type PDFDocumentProxy } from 'pdfjs-dist';
import * as pdfWorker from 'pdfjs-dist/build/pdf.worker.mjs';
import { BinaryFiles, Canvases, NoFilters } from './factories';
import { pageText } from './page-text';
import type { Opened, Picture, ReaderWorker, Spot } from './reader';

Object.assign(globalThis, { pdfjsWorker: pdfWorker });

/** Words kept for the second pass; a longer document is read to here and says so. */
const MAX_WORDS = 400_000;

let open: PDFDocumentProxy | null = null;
/** What was laid out of the document that is open, for spots that are pointed at. */
let laidOut: readonly PageReading[] = [];

const REFUSALS: Readonly<Record<string, string>> = {
  PasswordException: 'The file is locked with a password. Save a copy without one, and drop that here.',
  InvalidPDFException: 'This is no PDF, or it is damaged: its table of contents cannot be found.',
  FormatError: 'The PDF is damaged and cannot be read.',
};

function refusal(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  return REFUSALS[name] ?? `The PDF cannot be read: ${error instanceof Error ? error.message : 'unknown trouble'}.`;
}

const opened = (data: ArrayBuffer): Promise<PDFDocumentProxy> =>
  getDocument({
    data: new Uint8Array(data),
    verbosity: VerbosityLevel.ERRORS,
    CanvasFactory: Canvases,
    FilterFactory: NoFilters,
    BinaryDataFactory: BinaryFiles,
    isEvalSupported: false,
    disableFontFace: true,
    useSystemFonts: false,
    useWorkerFetch: false,
    useWasm: false,
    enableXfa: false,
    maxImageSize: 16_000_000,
  }).promise;

const worker: ReaderWorker = {
  async openPdf(data, progress) {
    try {
      await open?.destroy();
      open = await opened(data);
      return await read(open, progress);
    } catch (error) {
      return { ok: false, message: refusal(error) };
    }
  },
  async pinTable(data) {
    try {
      await open?.destroy();
      open = await opened(data);
      const { laid } = await pagesOf(open, () => undefined);
      const text = pinTableText(laid);
      return text === ''
        ? { ok: false, message: 'No table of pins was found in it. Paste the table as text.' }
        : { ok: true, text };
    } catch (error) {
      return { ok: false, message: refusal(error) };
    }
  },
  async picture(page, width) {
    if (!open) return null;
    const proxy = await open.getPage(page);
    const { width: points, height } = proxy.getViewport({ scale: 1 });
    const scale = width / points;
    const canvas = new OffscreenCanvas(Math.ceil(width), Math.ceil(height * scale));
    const context = canvas.getContext('2d');
    if (!context) return null;
    await proxy.render({
      canvas: null,
      canvasContext: context as unknown as CanvasRenderingContext2D,
      viewport: proxy.getViewport({ scale }),
      background: '#ffffff',
    }).promise;
    proxy.cleanup();
    const picture: Picture = { bitmap: canvas.transferToImageBitmap(), width: points, height };
    return picture;
  },
  paste(text) {
    try {
      laidOut = [layOut(pastedPage(text))];
      return { ok: true, document: { title: '', pages: 1, readPages: 1, ...readingOf(laidOut) } };
    } catch (error) {
      return { ok: false, message: error instanceof Error ? error.message : 'The text cannot be read.' };
    }
  },
  at({ page, box }, known) {
    const laid = laidOut.find((one) => one.page === page);
    return laid ? proposalsAt(laid, box, contextOf(laidOut), known) : [];
  },
  table: readPartsTable,
};

type Hear = Parameters<ReaderWorker['openPdf']>[1];

async function pagesOf(document: PDFDocumentProxy, progress: Hear): Promise<{ laid: PageReading[]; words: number }> {
  const pages = document.numPages;
  const laid: PageReading[] = [];
  let words = 0;
  for (let page = 1; page <= pages && words < MAX_WORDS; page++) {
    progress({ page, pages });
    try {
      const proxy = await document.getPage(page);
      const reading = layOut(await pageText(proxy, OPS));
      words += reading.regions.reduce((sum, lines) => sum + lines.reduce((n, line) => n + line.words.length, 0), 0);
      laid.push(reading);
      proxy.cleanup();
    } catch {
      // One damaged page does not hide the others: how many were read is told beside how many there are.
    }
  }
  return { laid, words };
}

async function read(document: PDFDocumentProxy, progress: Hear): Promise<Opened> {
  const pages = document.numPages;
  const { laid, words } = await pagesOf(document, progress);
  if (laid.length === 0) return { ok: false, message: `None of its ${pages} pages can be read: the file is damaged.` };
  if (words < 5) {
    return {
      ok: false,
      message: `Its ${pages === 1 ? 'page holds a picture' : `${pages} pages hold pictures`} and no text: it was scanned. Paste its table as text, or type the figures in.`,
    };
  }
  laidOut = laid;
  // What a file says of itself is often the name of the program that wrote it.
  const title = nameIn(laid) || (await titleOf(document));
  return { ok: true, document: { title, pages, readPages: laid.length, ...readingOf(laid) } };
}

interface Gathered {
  readonly proposals: Proposal[];
  readonly unread: Spot[];
  readonly classes: ClassId[];
}

function readingOf(laid: readonly PageReading[]): Gathered {
  const reading = contextOf(laid);
  let before: Before | undefined;
  const drafts = laid.flatMap((page) => {
    const found = readPage(page, reading, before);
    ({ before } = found);
    return found.drafts;
  });
  const proposals = settleProposals(drafts);
  return {
    proposals,
    classes: classesIn(laid),
    unread: laid.flatMap((page) => unreadOf(page, reading, proposals).map((box) => ({ page: page.page, box }))),
  };
}

async function titleOf(document: PDFDocumentProxy): Promise<string> {
  try {
    const { info } = await document.getMetadata();
    const title: unknown = Reflect.get(info, 'Title');
    return typeof title === 'string' ? title.trim().slice(0, 160) : '';
  } catch {
    return '';
  }
}

expose(worker);
