/** Scores the reader on drawn sheets: printed by a browser, typeset with groff, or set with a PDF library, in turn. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readDatasheet, type Proposal } from '@idle-breadboard/core/card';
import { chromium, type Browser } from '@playwright/test';
import { writeGroff } from '../../fixtures/drawn/as-groff.mjs';
import { asHtml } from '../../fixtures/drawn/as-html.mjs';
import { writeLibrary } from '../../fixtures/drawn/as-pdf.mjs';
import type { DrawnFigure, DrawnSheet } from '../../fixtures/drawn/draw-sheet.mjs';
import { FOLDER } from '../../fixtures/write.mjs';
import { pagesOf } from './score.ts';

const CHROMIUM = '/usr/bin/chromium';
const WAYS = ['browser', 'groff', 'library'] as const;

export interface DrawnScore {
  readonly seed: number;
  readonly way: (typeof WAYS)[number];
  readonly wanted: number;
  readonly found: number;
  readonly missed: readonly DrawnFigure[];
  readonly wrong: readonly Proposal[];
}

const near = (a: number | undefined, b: number | undefined): boolean =>
  a === b || (a !== undefined && b !== undefined && Math.abs(a - b) <= 1e-6 * Math.max(Math.abs(a), Math.abs(b)));

const valuesOf = ({ min, typ, max }: Pick<DrawnFigure, 'min' | 'typ' | 'max'>): number[] =>
  [min, typ, max].filter((value) => value !== undefined);

/** Slots of which each quantity has its own. */
const BY_QUANTITY = new Set(['measure.range', 'measure.accuracy', 'measure.resolution', 'measure.drift']);

function isTold(figure: DrawnFigure, proposal: Proposal): boolean {
  if (figure.slot !== proposal.slot || figure.unit !== proposal.unit) return false;
  if (BY_QUANTITY.has(figure.slot) && figure.quantity !== proposal.quantity?.quantity) return false;
  if (figure.size) return figure.size.every((length, i) => near(length, proposal.size?.[i]));
  // Of what a pin stands the upper side is the limit.
  if (figure.slot === 'logic.absoluteMax') return near(figure.max, proposal.max);
  const [wanted, said] = [valuesOf(figure), valuesOf(proposal)];
  // One number without a word for its side may stand on any.
  if (wanted.length === 1) return said.length === 1 && near(wanted[0], said[0]);
  return near(figure.min, proposal.min) && near(figure.typ, proposal.typ) && near(figure.max, proposal.max);
}

/** Pins count as one figure each. */
function pinsOf(sheet: DrawnSheet, proposals: readonly Proposal[]) {
  const pins = sheet.pins ?? [];
  const told = proposals.filter(({ slot }) => slot === 'terminal');
  const isPin = ({ typ, label }: Proposal) => typ !== undefined && pins[typ - 1] === label;
  return {
    wanted: pins.length,
    found: pins.filter((_, i) => told.some((one) => one.typ === i + 1 && isPin(one))).length,
    wrong: told.filter((one) => !isPin(one)),
  };
}

async function print(browser: Browser, file: string, sheet: DrawnSheet, way: DrawnScore['way']): Promise<void> {
  if (way === 'groff') writeGroff(file, sheet);
  else if (way === 'library') await writeLibrary(file, sheet);
  else {
    const page = await browser.newPage();
    await page.setContent(asHtml(sheet));
    writeFileSync(file, await page.pdf({ preferCSSPageSize: true }));
    await page.close();
  }
}

/** @param draw what is drawn from each of the seeds: sheets of tables, or such as tell their figures without */
export async function scoreDrawn(seeds: readonly number[], draw: (seed: number) => DrawnSheet): Promise<DrawnScore[]> {
  mkdirSync(FOLDER, { recursive: true });
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] });
  const scores: DrawnScore[] = [];
  try {
    for (const seed of seeds) {
      const way = WAYS[seed % WAYS.length] ?? 'browser';
      const sheet = draw(seed);
      const file = join(FOLDER, 'drawn.pdf');
      await print(browser, file, sheet, way);
      const all = readDatasheet(await pagesOf(file));
      const proposals = all.filter(({ slot }) => slot !== 'terminal');
      const used = new Set<Proposal>();
      const missed = sheet.truth.filter((figure) => {
        const told = proposals.find((proposal) => !used.has(proposal) && isTold(figure, proposal));
        if (told) used.add(told);
        return told === undefined;
      });
      const wrong = proposals.filter((one) => !used.has(one) && !sheet.truth.some((figure) => isTold(figure, one)));
      const pins = pinsOf(sheet, all);
      scores.push({
        seed,
        way,
        wanted: sheet.truth.length + pins.wanted,
        found: sheet.truth.length - missed.length + pins.found,
        missed,
        wrong: [...wrong, ...pins.wrong],
      });
    }
  } finally {
    await browser.close();
  }
  return scores;
}

/** "746 of 935, 13 wrong, 4 of them sure" */
export function totalOf(scores: readonly DrawnScore[]): { found: number; wanted: number; wrong: number; sure: number } {
  const wrong = scores.flatMap((score) => score.wrong);
  return {
    found: scores.reduce((sum, { found }) => sum + found, 0),
    wanted: scores.reduce((sum, { wanted }) => sum + wanted, 0),
    wrong: wrong.length,
    sure: wrong.filter(({ sureness }) => sureness === 'sure').length,
  };
}
