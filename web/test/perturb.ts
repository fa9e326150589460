/** The same page as other printers would have set it: none of this changes what it says. */
import type { PageText, TextItem } from '@idle-breadboard/core/card';

type Perturb = (pages: readonly PageText[]) => PageText[];

const each =
  (change: (page: PageText) => PageText): Perturb =>
  (pages) =>
    pages.map(change);

function placed(page: PageText, scale: number, dx: number, dy: number): Pick<PageText, 'items' | 'rulings'> {
  return {
    items: page.items.map((item) => ({
      ...item,
      x: item.x * scale + dx,
      y: item.y * scale + dy,
      width: item.width * scale,
      height: item.height * scale,
    })),
    rulings: page.rulings.map(({ x0, y0, x1, y1 }) => ({
      x0: x0 * scale + dx,
      x1: x1 * scale + dx,
      y0: y0 * scale + dy,
      y1: y1 * scale + dy,
    })),
  };
}

const rescaled = (scale: number): Perturb =>
  each((page) => ({ ...page, width: page.width * scale, height: page.height * scale, ...placed(page, scale, 0, 0) }));

const shifted = (by: number): Perturb => each((page) => ({ ...page, ...placed(page, 1, by, by) }));

/** Fonts differ by how wide their words run, and by their names. */
const inFont = (width: number): Perturb =>
  each((page) => ({ ...page, items: page.items.flatMap((item) => wordsIn(item, width)) }));

function wordsIn(item: TextItem, width: number): TextItem[] {
  const letter = item.width / Math.max(1, item.text.length);
  return [...item.text.matchAll(/\S+/g)].map((word) => ({
    ...item,
    text: word[0],
    x: item.x + word.index * letter,
    width: word[0].length * letter * width,
    font: `other ${item.font ?? ''}`,
  }));
}

/** "VDD" with its index set low in smaller print, as its own piece of text. */
const indexed = (size: number): Perturb =>
  each((page) => ({ ...page, items: page.items.flatMap((item) => withIndex(item, size)) }));

const SYMBOL = /^([VI])(DD|CC|IN|IL|IH|OL|OH|SS)(IO)?$/;

function withIndex(item: TextItem, size: number): TextItem[] {
  const symbol = SYMBOL.exec(item.text.trim());
  if (!symbol?.[1]) return [item];
  const letter = item.width / item.text.trim().length;
  return [
    { ...item, text: symbol[1], width: letter },
    {
      ...item,
      text: item.text.trim().slice(1),
      x: item.x + letter,
      width: (item.width - letter) * size,
      height: item.height * size,
      y: item.y + item.height * 0.18,
    },
  ];
}

/** Two pages side by side on one sheet, made smaller to fit. */
const twoUp: Perturb = (pages) => {
  const scale = Math.SQRT1_2;
  return Array.from({ length: Math.ceil(pages.length / 2) }, (_, i) => {
    const [left, right] = [pages[2 * i], pages[2 * i + 1]];
    if (!left) throw new Error('a sheet without a page');
    const width = Math.max(left.width, right?.width ?? 0) * scale;
    const parts = [placed(left, scale, 0, 0), ...(right ? [placed(right, scale, width, 0)] : [])];
    return {
      page: i + 1,
      width: 2 * width,
      height: Math.max(left.height, right?.height ?? 0) * scale,
      items: parts.flatMap(({ items }) => items),
      rulings: parts.flatMap(({ rulings }) => rulings),
    };
  });
};

export const PERTURBATIONS: Readonly<Record<string, Perturb>> = {
  'set at 0.6 of the size': rescaled(0.6),
  'set at 1.7 of the size': rescaled(1.7),
  'half a point lower and to the right': shifted(0.5),
  'in a font that runs narrower': inFont(0.96),
  'in a font that runs wider': inFont(1.03),
  'with indexes at 0.83': indexed(0.83),
  'with indexes at 0.6': indexed(0.6),
  'two pages on a sheet': twoUp,
};
