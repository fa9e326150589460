/** What pdf.js needs of its surroundings, in a worker: canvases without a page, no filters, files that ship with the app. */

const files: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries({
    ...import.meta.glob<string>('../../../../node_modules/pdfjs-dist/standard_fonts/*.{pfb,ttf}', {
      query: '?url',
      import: 'default',
      eager: true,
    }),
    ...import.meta.glob<string>('../../../../node_modules/pdfjs-dist/cmaps/*.bcmap', {
      query: '?url',
      import: 'default',
      eager: true,
    }),
  }).map(([path, url]) => [path.slice(path.lastIndexOf('/') + 1), url]),
);

/** Fonts that a file names without bringing them, and tables of far scripts. */
export class BinaryFiles {
  async fetch({ filename }: { kind: string; filename: string }): Promise<Uint8Array> {
    const url = files[filename];
    if (!url) throw new Error(`the app brings no ${filename}`);
    const response = await fetch(url);
    return new Uint8Array(await response.arrayBuffer());
  }
}

interface CanvasAndContext {
  canvas: OffscreenCanvas | null;
  context: OffscreenCanvasRenderingContext2D | null;
}

export class Canvases {
  create(width: number, height: number): CanvasAndContext {
    const canvas = new OffscreenCanvas(Math.max(1, width), Math.max(1, height));
    return { canvas, context: canvas.getContext('2d', { willReadFrequently: true }) };
  }
  reset({ canvas }: CanvasAndContext, width: number, height: number): void {
    if (!canvas) return;
    canvas.width = width;
    canvas.height = height;
  }
  destroy(pair: CanvasAndContext): void {
    if (pair.canvas) pair.canvas.width = pair.canvas.height = 0;
    pair.canvas = null;
    pair.context = null;
  }
}

export class NoFilters {
  addFilter = (): string => 'none';
  addHCMFilter = (): string => 'none';
  addAlphaFilter = (): string => 'none';
  addLuminosityFilter = (): string => 'none';
  addHighlightHCMFilter = (): string => 'none';
  destroy = (): void => undefined;
}
