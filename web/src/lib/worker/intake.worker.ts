/** Files that come in at the bench, read beside whatever it works at. */
import { CsvCapture, csvHead, VcdCapture, vcdVariables } from '@idle-breadboard/core/bench';
import { readLogbook } from '@idle-breadboard/core/files';
import { sayError } from '@idle-breadboard/core/words';
import { expose } from 'comlink';
import type { IntakeWorker } from './intake';

/** The beginning of a file in which its head must lie. */
const HEAD = 64 * 1024;

async function pieces(file: Blob, take: (text: string) => void, progress: (share: number) => void): Promise<void> {
  const reader = file.stream().pipeThrough(new TextDecoderStream()).getReader();
  for (let fed = 0; ;) {
    const { done, value } = await reader.read();
    if (done) return;
    take(value);
    fed += value.length;
    progress(Math.min(1, fed / Math.max(1, file.size)));
  }
}

/** What a file is refused for crosses to the page as words. */
async function inWords<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    throw new Error(sayError(error), { cause: error });
  }
}

const worker: IntakeWorker = {
  logbook: readLogbook,
  async captureHead(file) {
    return inWords(async () => {
      const text = await file.slice(0, HEAD).text();
      if (/\$(?:var|timescale|scope|date|version|comment)\b/.test(text))
        return { kind: 'vcd', channels: vcdVariables(text).map(({ name }) => name) };
      return { kind: 'csv', channels: csvHead(text).channels };
    });
  },
  async capture(file, kind, assigned, progress) {
    return inWords(async () => {
      const reader =
        kind === 'vcd' ? new VcdCapture(assigned) : new CsvCapture(csvHead(await file.slice(0, HEAD).text()), assigned);
      await pieces(file, (text) => reader.push(text), progress);
      return reader.end();
    });
  },
};

expose(worker);
