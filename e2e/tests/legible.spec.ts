/** No number is cut off, in any field at any station, at the desk, on a phone and with text twice as large. */
import { expect, test } from '@playwright/test';
import { Bench, STATIONS } from './bench';

/** Text twice as large leaves half of the window. */
const WINDOWS = [
  { name: '1280', width: 1280, height: 800 },
  { name: '360', width: 360, height: 740 },
  { name: '200 % text', width: 640, height: 400 },
] as const;

/** What is cut off in the page: fields that are too narrow for what stands in them, figures that end beyond their room. */
const clipped = (): string[] => {
  const isSeen = (element: Element) => {
    const { width, height } = element.getBoundingClientRect();
    return width > 1 && height > 1 && getComputedStyle(element).visibility !== 'hidden';
  };
  const name = (element: Element) =>
    element.getAttribute('aria-label') ??
    element.closest('label')?.textContent?.trim() ??
    element.textContent?.trim() ??
    '';
  const pen = document.createElement('canvas').getContext('2d');
  const widthOf = (text: string, element: Element) => {
    if (!pen) return 0;
    const { font } = getComputedStyle(element);
    pen.font = font;
    return pen.measureText(text).width;
  };
  const room = (element: HTMLElement) => {
    const style = getComputedStyle(element);
    return element.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight);
  };
  const fields = [...document.querySelectorAll<HTMLInputElement>('main input, header input')].filter(
    (field) => !['checkbox', 'radio', 'range', 'file', 'color'].includes(field.type) && isSeen(field),
  );
  const narrow = fields.flatMap((field) => {
    const needs = widthOf(field.value, field);
    return /\d/.test(field.value) && needs > room(field) + 1
      ? [`field ${name(field)}: "${field.value}" takes ${needs.toFixed(0)} of ${room(field).toFixed(0)} px`]
      : [];
  });
  const lists = [...document.querySelectorAll<HTMLSelectElement>('main select')].flatMap((list) => {
    const said = list.selectedOptions[0]?.textContent?.trim() ?? '';
    // A list shows its arrow in its padding.
    return isSeen(list) && /^[\d.,]+/.test(said) && said.length < 16 && widthOf(said, list) > room(list) + 1
      ? [`list ${name(list)}: "${said}"`]
      : [];
  });
  const figures = [...document.querySelectorAll<HTMLElement>('main .value')].flatMap((figure) => {
    if (!isSeen(figure) || !/\d/.test(figure.textContent ?? '')) return [];
    const hides = (element: HTMLElement) => getComputedStyle(element).overflowX !== 'visible';
    if (hides(figure) && figure.scrollWidth > figure.clientWidth + 1) return [`figure ${figure.textContent?.trim()}`];
    const { left, right } = figure.getBoundingClientRect();
    for (let up = figure.parentElement; up; up = up.parentElement) {
      const style = getComputedStyle(up);
      if (['auto', 'scroll'].includes(style.overflowX)) return [];
      const box = up.getBoundingClientRect();
      if (style.overflowX !== 'visible' && (right > box.right + 1 || left < box.left - 1))
        return [`figure ${figure.textContent?.trim()} beyond its ${up.tagName.toLowerCase()}`];
    }
    return right > innerWidth + 1 ? [`figure ${figure.textContent?.trim()} beyond the window`] : [];
  });
  return [...narrow, ...lists, ...figures];
};

for (const { name, width, height } of WINDOWS)
  test(`no number is cut off at ${name}`, async ({ page }) => {
    test.setTimeout(240_000);
    await page.setViewportSize({ width, height });
    const bench = new Bench(page);
    const found: string[] = [];
    for (const plan of ['cupboard-first-draft', 'rain-barrel'])
      for (const station of STATIONS) {
        await bench.open(station, plan);
        for (const said of await page.evaluate(clipped)) found.push(`${plan}, ${station}: ${said}`);
      }
    expect(found).toEqual([]);
  });

test('a number that is cut off is found', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open('power');
  await page
    .locator('main input')
    .first()
    .evaluate((field: HTMLInputElement) => {
      field.value = '123456789.123456789';
      field.style.width = '3em';
    });
  expect(await page.evaluate(clipped)).not.toEqual([]);
});
