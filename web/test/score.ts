/** Reads a datasheet as the app does and compares what the reader proposes with what a person would take. */
import { readFileSync } from 'node:fs';
import { readDatasheet, type PageText, type Proposal } from '@idle-breadboard/core/card';
import { getDocument, OPS, VerbosityLevel } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { pageText } from '../src/lib/reader/page-text.ts';

interface Truth {
  readonly slot: string;
  readonly quantity?: string;
  readonly min?: number;
  readonly typ?: number;
  readonly max?: number;
  readonly unit: string;
  readonly over?: { from: number; to: number };
  readonly label?: string;
  readonly register?: number;
  readonly size?: number[];
  readonly page: number;
  readonly box: { x0: number; y0: number; x1: number; y1: number };
}

export interface Score {
  readonly wanted: number;
  readonly found: number;
  readonly missed: readonly Truth[];
  /** Proposals that no person would take. */
  readonly wrong: readonly Proposal[];
  readonly wrongButSure: readonly Proposal[];
}

export async function pagesOf(file: string): Promise<PageText[]> {
  const document = await getDocument({
    data: new Uint8Array(readFileSync(file)),
    verbosity: VerbosityLevel.ERRORS,
    isEvalSupported: false,
  }).promise;
  const pages: PageText[] = [];
  for (let i = 1; i <= document.numPages; i++) pages.push(await pageText(await document.getPage(i), OPS));
  await document.destroy();
  return pages;
}

const near = (a: number | undefined, b: number | undefined): boolean =>
  a === b || (a !== undefined && b !== undefined && Math.abs(a - b) <= 1e-6 * Math.max(Math.abs(a), Math.abs(b)));

/** The same figure, on the right page, with its mark on the right spot. */
function matches(truth: Truth, p: Proposal): boolean {
  const y = (p.box.y0 + p.box.y1) / 2;
  return (
    p.slot === truth.slot &&
    (truth.quantity === undefined || p.quantity?.quantity === truth.quantity) &&
    near(p.min, truth.min) &&
    near(p.typ, truth.typ) &&
    near(p.max, truth.max) &&
    p.unit === truth.unit &&
    (truth.over === undefined || (near(p.over?.from, truth.over.from) && near(p.over?.to, truth.over.to))) &&
    (truth.slot !== 'terminal' || p.label === truth.label) &&
    near(p.register, truth.register) &&
    (truth.size === undefined || truth.size.every((v, i) => near(p.size?.[i], v))) &&
    p.page === truth.page &&
    y >= truth.box.y0 - 2 &&
    y <= truth.box.y1 + 2
  );
}

export async function score(file: string): Promise<Score> {
  const truth = JSON.parse(readFileSync(file.replace(/\.pdf$/, '.truth.json'), 'utf8')) as Truth[];
  const proposals = readDatasheet(await pagesOf(file));
  const missed = truth.filter((t) => !proposals.some((p) => matches(t, p)));
  const wrong = proposals.filter((p) => !truth.some((t) => matches(t, p)));
  return {
    wanted: truth.length,
    found: truth.length - missed.length,
    missed,
    wrong,
    wrongButSure: wrong.filter(({ sureness }) => sureness === 'sure'),
  };
}
