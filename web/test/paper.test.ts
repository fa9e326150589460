/** The PDF as a reader of PDFs finds it: its signs, the numbers of its leads, its pages. */
import { readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { expect } from 'chai';
import { deriveCircuit } from '@idle-breadboard/core/circuit';
import { buildOf } from '@idle-breadboard/core/deliver';
import { readPlan } from '@idle-breadboard/core/files';
import { verify } from '@idle-breadboard/core/verify';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { buildPdf } from '../src/lib/paper/build-pdf.ts';

const at = (path: string) => fileURLToPath(new URL(`../../${path}`, import.meta.url));
async function font(path: string): Promise<ArrayBuffer> {
  const { buffer, byteOffset, byteLength } = await readFile(at(`node_modules/@fontsource/${path}-400-normal.woff`));
  return new Uint8Array(buffer, byteOffset, byteLength).slice().buffer;
}

describe('the plan for the bench as a PDF', function () {
  this.timeout(120_000);
  it('says Ω and µ as they are, and numbers its leads in picture and table', async () => {
    const read = readPlan(await readFile(at('catalogue/plans/cupboard-verified.json'), 'utf8'));
    if (!read.ok) throw new Error('the demo plan is not read');
    const circuit = deriveCircuit(read.value);
    const bytes = await buildPdf({
      circuit,
      verdict: verify(circuit),
      build: buildOf(circuit),
      fingerprint: 'abc',
      size: 'A4',
      fonts: {
        words: await font('atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin'),
        values: await font('atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin'),
        signs: await font('open-sans/files/open-sans-math'),
        micro: await font('open-sans/files/open-sans-latin'),
      },
    });
    const document = await getDocument({ data: bytes.slice(), disableFontFace: true }).promise;
    const pages: string[] = [];
    for (let i = 1; i <= document.numPages; i++) {
      const { items } = await (await document.getPage(i)).getTextContent();
      pages.push(items.map((item) => ('str' in item ? item.str : '')).join(''));
    }
    const whole = pages.join('\n');
    expect(whole).to.match(/4\.7 kΩ/);
    expect(whole).not.to.match(/Ohm|\?/);
    expect(document.numPages).within(5, 25);
    // Nothing is alone on a page.
    for (const [i, page] of pages.entries()) expect(page.length, `page ${i + 1}`).at.least(200);
  });
});
