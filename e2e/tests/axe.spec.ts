import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { Bench, STATIONS, choose } from './bench';
import { DeskUser } from './desk';
import { CONTROLLER, CONTROLLER_TABLE } from './own-parts';
import { bareThermistor, withWord } from './plans';

// A whole station with all its rows takes axe some seconds on a small machine.
test.describe.configure({ timeout: 120_000 });

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
  test(`axe finds nothing at ${station}, light, dark and at 360 px, and nothing is cut off sideways`, async ({
    page,
  }) => {
    await page.emulateMedia({ colorScheme: 'light' });
    await new Bench(page).open(station);
    await clean(page, `${station}, light`);
    await page.getByRole('button', { name: 'dark by night' }).click();
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
    await clean(page, `${station}, dark`);
    await page.getByRole('button', { name: 'light by day' }).click();
    await page.setViewportSize({ width: 360, height: 740 });
    await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
    await clean(page, `${station} at 360`);
  });
}

test('axe finds nothing on the shelf and where a build is picked, light, dark and at 360 px', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'light' });
  await page.goto('/');
  await expect(page.locator('[data-door]:enabled')).toHaveCount(3);
  const looks = async (what: string) => {
    await clean(page, what);
    await page.getByRole('button', { name: 'dark by night' }).click();
    await clean(page, `${what}, dark`);
    await page.getByRole('button', { name: 'light by day' }).click();
    await page.setViewportSize({ width: 360, height: 740 });
    await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
    await clean(page, `${what} at 360`);
    await page.setViewportSize({ width: 1280, height: 800 });
  };
  await looks('shelf');
  await page.locator('[data-door]').first().click();
  for (const id of ['sense air humidity', 'load fan-12v']) await page.locator(`[data-pick="${id}"]`).click();
  await page.getByRole('button', { name: 'cells', exact: true }).click();
  await looks('what is picked');
  await page.getByRole('button', { name: 'a wall adapter' }).click();
  await page.getByRole('button', { name: 'Find whole sets' }).click();
  await expect(page.getByRole('list', { name: 'whole sets' })).toBeVisible({ timeout: 90_000 });
  await clean(page, 'whole sets');
});

test('axe finds nothing in the list of findings and at one that is open', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open('levels');
  await bench.list();
  await clean(page, 'list of findings', '[role="dialog"]');
  await bench.take(/lifts I²C SDA/);
  await expect(page.locator('[data-remedy="0"]')).toBeVisible();
  await clean(page, 'an open finding');
  await page.keyboard.press('o');
  await page.keyboard.press(']');
  await expect(page.locator('[data-remedy="0"]')).toBeVisible();
  await clean(page, 'a finding at the overview');
});

test('axe finds nothing where something is wrong around the plan, light, dark and at 360 px', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'light' });
  await page.addInitScript(() => Object.defineProperty(window, 'indexedDB', { value: undefined }));
  await page.route('**/api/v1/catalogue', (route) => route.fulfill({ status: 503 }));
  await new Bench(page).open();
  await expect(page.locator('[data-trouble]')).toHaveCount(2);
  await clean(page, 'trouble');
  await page.getByRole('button', { name: 'dark by night' }).click();
  await clean(page, 'trouble, dark');
  await page.getByRole('button', { name: 'light by day' }).click();
  await page.setViewportSize({ width: 360, height: 740 });
  await expect.poll(() => page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
  await clean(page, 'trouble at 360');
});

const SHEETS: readonly (readonly [string, (bench: Bench) => Promise<void>])[] = [
  ['find or do', (bench) => bench.page.keyboard.press('/')],
  ['the keys', (bench) => bench.page.keyboard.press('?')],
  ['all proofs', (bench) => bench.verdict.click()],
  ['the house rules', (bench) => bench.menu('Name and my rules')],
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
  [
    'a sensor half entered, with what is wrong in it',
    async (bench) => {
      const desk = new DeskUser(bench.page, bench);
      await desk.begin('bus-sensor');
      await desk.printed([{ text: 'VIN 3VO GND SCL SDA' }]);
      await desk.through({ name: 'Half', 'supplies/*/range': 'much', 'supplies/*/current/active': '60 A' });
      await bench.page.locator('[data-pattern="signals/*/fittedPullUp/value"] [data-answer]').focus();
    },
  ],
  [
    'a controller with its table of pins in hand',
    async (bench) => {
      const desk = new DeskUser(bench.page, bench);
      await desk.begin('controller');
      await desk.printed(CONTROLLER.headers ?? []);
      await bench.page.getByLabel('table of pins', { exact: true }).fill(CONTROLLER_TABLE);
      await bench.page.getByLabel('table of pins', { exact: true }).press('Tab');
      await bench.page.locator('[data-pattern="controller/pins"] [data-answer]').first().focus();
      await bench.page.getByLabel('everything a card can say').check();
    },
  ],
  [
    'a pack with a card that was changed apart',
    async (bench) => {
      const [card] = JSON.parse(await bench.exported()).cards as { name: string }[];
      await bench.menu('Catalogue of cards');
      await bench.page.getByLabel('pack of cards to import').setInputFiles({
        name: 'pack.json',
        mimeType: 'application/json',
        buffer: Buffer.from(
          JSON.stringify({ format: 'idle-breadboard/pack', version: 1, cards: [{ ...card, name: 'Otherwise' }] }),
        ),
      });
      await expect(bench.page.locator('[data-pack]')).toHaveCount(1);
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

/** States of the electrical stations that are there only for a while. */
const STATES: readonly (readonly [string, string, (bench: Bench) => Promise<void>])[] = [
  [
    'a value that is tried, with the sum of a figure',
    'bus',
    async (bench) => {
      const { page } = bench;
      await bench.slide('lead of top shelf sensor', 5);
      await page.locator('[data-proof^="bus/pull-up-weak|i2c.sda"]').first().hover();
      await expect(page.getByRole('tooltip')).toBeVisible();
    },
  ],
  [
    'charts as tables, a resistor to be moved, the spread',
    'bus',
    async ({ page }) => {
      await page.getByRole('button', { name: 'add a pull-up to I²C SDA' }).first().click();
      await page.getByRole('slider', { name: 'resistor on I²C SDA' }).waitFor();
      for (const table of await page.locator('.as-table summary').all()) await table.click();
      await page.getByRole('button', { name: 'spread of 2,000 draws' }).first().click();
      await expect(page.getByText(/2,000 draws: nine in ten/)).toBeVisible({ timeout: 60_000 });
    },
  ],
  [
    'a thermistor with its curve',
    'levels',
    async (bench) => {
      await bench.openFile('Bare thermistor', bareThermistor());
      await bench.take(/bare resistance and has no fixed resistor/);
      await bench.remedy(/^Give bead/);
      await expect(bench.page.getByRole('img', { name: /bead: volts at the pin/ })).toBeVisible();
    },
  ],
  [
    'a configuration word',
    'bus',
    async (bench) => {
      await bench.openFile('A word', withWord());
      await bench.go('Bus');
      await bench.page.getByRole('button', { name: 'words', exact: true }).click();
      await expect(bench.page.getByRole('group', { name: /^set-up, register/ })).toBeVisible();
    },
  ],
  [
    'resistors and all leads on the board map',
    'wiring',
    async ({ page }) => {
      await page.getByRole('checkbox', { name: 'all leads' }).check();
      // Whatever stands on two legs: it cannot be turned.
      await expect(
        page.getByRole('button', { name: /: arrow keys move it, Delete lets it go/ }).first(),
      ).toBeAttached();
    },
  ],
  [
    'what the readings point to, a scan that was printed, the logbook',
    'bring-up',
    async ({ page }) => {
      await page.getByText('Put a fault of your choice in').click();
      const list = page.getByRole('combobox', { name: 'fault to put in' });
      await choose(list, { index: 20 });
      await page.getByRole('button', { name: 'Put it in' }).click();
      await page.getByRole('button', { name: 'Listen to the simulated port' }).click();
      // What is outside before power takes what follows off the sheet: the stop is looked at, too.
      await page.getByRole('button', { name: 'Read power', exact: true }).click();
      await page.getByRole('button', { name: 'Read power off' }).click();
      await expect(
        page.getByRole('region', { name: 'what the readings point to' }).getByRole('listitem').first(),
      ).toBeVisible({
        timeout: 90_000,
      });
      await choose(page.getByRole('combobox', { name: 'value over the days' }), { index: 1 });
    },
  ],
  [
    'everything mended at once, a change left out',
    'pins',
    async ({ page }) => {
      await page.getByRole('button', { name: 'Mend all' }).click();
      await page.getByRole('checkbox', { name: /^1 Add a/ }).uncheck({ timeout: 60_000 });
      await expect(page.getByText(/^Open · \d to settle/).first()).toBeVisible();
    },
  ],
  [
    'what stands in the way of mending all',
    'pins',
    async ({ page }) => {
      await page.getByRole('button', { name: 'lock door contact to its pin' }).click();
      await page.keyboard.press('m');
      await expect(page.getByText(/the lock of door contact on P0/).first()).toBeVisible({ timeout: 60_000 });
    },
  ],
  [
    'a pin that was pressed, another assignment beside',
    'pins',
    async (bench) => {
      const { page } = bench;
      await page.getByRole('button', { name: 'Keep to compare' }).click();
      await choose(page.getByLabel('pin of buzzer'), 'p18');
      await bench.settled();
      await page.getByRole('button', { name: /^P0, pin 13/ }).click();
      await expect(page.getByText(/Must be high at boot/)).toBeVisible();
    },
  ],
  [
    'a line in hand over a pin',
    'pins',
    async ({ page }) => {
      await page.getByRole('button', { name: 'carry door contact to another pin' }).click();
      await page.getByRole('button', { name: /^put the line on P16/ }).hover();
      await expect(page.getByText(/ends 1, brings 0/)).toBeVisible();
    },
  ],
  [
    'cells with their curve, what eats the charge and what if, as tables too',
    'power',
    async (bench) => {
      await bench.menu('Rain-barrel level logger');
      await expect(bench.page.getByRole('button', { name: /^Take: Read every/ }).first()).toBeVisible();
      for (const table of await bench.page.locator('.as-table summary').all()) await table.click();
    },
  ],
  [
    'a house rule in hand',
    'bus',
    async (bench) => {
      await bench.menu('Name and my rules');
      await choose(bench.page.getByRole('combobox', { name: /^Pull-ups/ }), 'keep');
      await expect(bench.page.getByText('Ends 2 findings')).toBeVisible();
    },
  ],
];

for (const [name, station, reach] of STATES) {
  test(`axe finds nothing with ${name}`, async ({ page }) => {
    const bench = new Bench(page);
    await bench.open(station);
    await reach(bench);
    // A row half under the heads is no smaller target than the others.
    await page.locator('main').evaluate((main) => (main.scrollTop = 0));
    await clean(page, name);
  });
}
