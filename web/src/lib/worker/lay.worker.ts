/** Laying out, in a thread of its own: it takes some tenths of a second, and a newer plan ends it. */
import type { Card } from '@idle-breadboard/core/card';
import { deriveCircuit, type Circuit } from '@idle-breadboard/core/circuit';
import { buildFrom, type Build } from '@idle-breadboard/core/deliver';
import { buildSheet, buildSvg, partsCsv, wiringCsv } from '@idle-breadboard/core/files';
import { layoutSteps } from '@idle-breadboard/core/layout';
import { fingerprint } from '@idle-breadboard/core/plan';
import { verify } from '@idle-breadboard/core/verify';
import valuesFont from '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-400-normal.woff?url';
import microFont from '@fontsource/open-sans/files/open-sans-latin-400-normal.woff?url';
import signsFont from '@fontsource/open-sans/files/open-sans-math-400-normal.woff?url';
import wordsFont from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import { expose } from 'comlink';
import { breath } from './breath';
import type { LayWorker } from './lay';

let kept: readonly Card[] = [];
let newest = 0;
let last: { circuit: Circuit; build: Build } | null = null;

const worker: LayWorker = {
  async lay(plan, cards, progress) {
    kept = cards ?? kept;
    const mine = ++newest;
    const circuit = deriveCircuit({ plan, cards: kept });
    const steps = layoutSteps(circuit);
    await breath();
    for (let step = steps.next(); ; step = steps.next()) {
      if (mine !== newest) return null;
      if (step.done) {
        const build = buildFrom(circuit, step.value);
        last = { circuit, build };
        return build;
      }
      progress(step.value);
      await breath();
    }
  },
  drop() {
    newest += 1;
  },
  file(as) {
    if (!last) return '';
    const { circuit, build } = last;
    if (as === 'wiring.csv') return wiringCsv(build.wiring);
    if (as === 'parts.csv') return partsCsv(build.parts);
    const print = fingerprint({ plan: circuit.plan, cards: [...circuit.cards.values()] });
    if (as === 'sheet') return buildSheet(circuit, verify(circuit), build, print);
    return buildSvg(circuit, build, as === 'svg-mono');
  },
  async pdf(size) {
    if (!last) return null;
    const { circuit, build } = last;
    // What writes PDFs is large and comes when it is asked for. It takes fonts of one weight, not those of the screen.
    const [{ buildPdf }, ...files] = await Promise.all([
      import('../paper/build-pdf'),
      ...[wordsFont, valuesFont, signsFont, microFont].map(async (url) => (await fetch(url)).arrayBuffer()),
    ]);
    const [words, values, signs, micro] = files;
    if (!words || !values || !signs || !micro) return null;
    const print = fingerprint({ plan: circuit.plan, cards: [...circuit.cards.values()] });
    return buildPdf({
      circuit,
      verdict: verify(circuit),
      build,
      fingerprint: print,
      size,
      fonts: { words, values, signs, micro },
    });
  },
};

expose(worker);
