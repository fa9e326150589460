import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { Bench } from './bench';

// A whole station with all its rows takes axe some seconds on a small machine.
test.describe.configure({ timeout: 120_000 });

const STATIONS = ['need', 'compare', 'control', 'levels', 'bus', 'pins', 'power', 'wiring', 'parts'];
const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

async function clean(page: Page, what: string, only?: string): Promise<void> {
  const axe = new AxeBuilder({ page }).withTags(RULES);
  const { violations } = await (only ? axe.include(only) : axe).analyze();
  const said = violations.map(
    ({ id, nodes }) =>
      `${what}: ${id}: ${nodes
        .slice(0, 3)
        .map(({ html }) => html.slice(0, 160))
        .join(' | ')}`,
  );
  expect(said).toEqual([]);
}

for (const station of STATIONS) {
  for (const colorScheme of ['light', 'dark'] as const) {
    test(`axe finds nothing at ${station}, ${colorScheme}`, async ({ browser }) => {
      const context = await browser.newContext({ colorScheme });
      const page = await context.newPage();
      await new Bench(page).open(station);
      await clean(page, station);
      await context.close();
    });
  }

  test(`axe finds nothing at ${station} at 360 px, and nothing is cut off sideways`, async ({ browser }) => {
    const context = await browser.newContext({ viewport: { width: 360, height: 740 } });
    const page = await context.newPage();
    await new Bench(page).open(station);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
    await clean(page, `${station} at 360`);
    await context.close();
  });
}

const SHEETS: readonly (readonly [string, (bench: Bench) => Promise<void>])[] = [
  ['find or do', (bench) => bench.page.keyboard.press('/')],
  ['the keys', (bench) => bench.page.keyboard.press('?')],
  ['all proofs', (bench) => bench.verdict.click()],
  ['the house rules', (bench) => bench.menu('Name and house rules')],
  ['removing a plan', (bench) => bench.menu('Remove this plan')],
  ['adding a part', (bench) => bench.page.getByRole('button', { name: 'Add a part' }).click()],
  ['the catalogue', (bench) => bench.menu('Catalogue of cards')],
  [
    'a card',
    async (bench) => {
      await bench.menu('Catalogue of cards');
      await bench.page.getByRole('button', { name: /^Reek G7/ }).click();
    },
  ],
  [
    'entering a part',
    async (bench) => {
      await bench.menu('Catalogue of cards');
      await bench.page.getByRole('button', { name: 'Enter a part' }).click();
    },
  ],
  [
    'what was read',
    async (bench) => {
      await bench.menu('Catalogue of cards');
      await bench.page.getByRole('button', { name: 'Enter a part' }).click();
      await bench.page.getByLabel('Text or a table, pasted').fill('Supply voltage: 2.4 to 5.5 V\nI2C address: 0x44');
      await bench.page.getByRole('button', { name: 'Read it' }).click();
      await expect(bench.page.locator('[data-figure]')).toHaveCount(2);
    },
  ],
  ['a refused file', (bench) => bench.importFile('x.json', '{}')],
];

for (const [name, open] of SHEETS) {
  test(`axe finds nothing in the sheet for ${name}`, async ({ page }) => {
    const bench = new Bench(page);
    await bench.open();
    await open(bench);
    await expect(page.getByRole('dialog')).toBeVisible();
    await clean(page, name, '[role="dialog"]');
  });
}
