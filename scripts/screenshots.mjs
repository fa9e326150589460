/** One current picture per main view, at 1280x800, for the README. */
import { join } from 'node:path';
import { FOLDER, writeDatasheets } from '../fixtures/write.mjs';
import { optionOf, settled, withApp } from './lib/app.mjs';
import { ensureBuild, ensureChromium, ensurePackages, ROOT } from './lib/ensure.mjs';

ensurePackages();
ensureChromium();
ensureBuild();
await writeDatasheets();

/** @param act what is done before the picture is taken */
async function shot(
  browser,
  address,
  name,
  station,
  act = async () => {},
  { dark = false, width = 1280, height = 800 } = {},
) {
  const context = await browser.newContext({ viewport: { width, height }, colorScheme: dark ? 'dark' : 'light' });
  const page = await context.newPage();
  await page.goto(`${address}/#${station}&plan=cupboard-first-draft`);
  await settled(page);
  await act(page);
  await page.waitForTimeout(600);
  await page.screenshot({ path: join(ROOT, 'docs', 'screenshots', `${name}.png`) });
  await context.close();
}

/** Where no plan is open. */
async function atShelf(browser, address, name, act = async () => {}) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme: 'light' });
  const page = await context.newPage();
  await page.goto(address);
  await page.locator('[data-door]:enabled').nth(2).waitFor();
  await page.waitForTimeout(2500);
  await act(page);
  await page.screenshot({ path: join(ROOT, 'docs', 'screenshots', `${name}.png`) });
  await context.close();
}

const finding = (words) => async (page) => {
  await page.locator('[data-counts]').click();
  await page.locator('[data-finding]', { hasText: words }).first().click();
  await page.locator('[data-detail]').waitFor();
};
const verified =
  (then = async () => {}) =>
  async (page) => {
    await page.locator('.plan-name').click();
    await page.getByRole('menuitem', { name: 'Cupboard, verified' }).click();
    await page.waitForSelector('[data-verdict="verified"]', { timeout: 60_000 });
    await settled(page);
    await then(page);
  };

await withApp(async (browser, address) => {
  await atShelf(browser, address, 'shelf');
  await atShelf(browser, address, 'start', async (page) => {
    await page.locator('[data-door]').first().click();
    for (const id of ['air humidity', 'illuminance', 'soil moisture'])
      await page.locator(`[data-pick="sense ${id}"]`).click();
    await page.getByRole('button', { name: /^another like this.*air humidity/ }).click();
    for (const id of ['serve text', 'load fan-12v', 'serve light']) await page.locator(`[data-pick="${id}"]`).click();
    await page.getByRole('button', { name: 'Find whole sets' }).click();
    await page
      .getByRole('button', { name: /^Take the/ })
      .first()
      .waitFor({ timeout: 60_000 });
  });
  await shot(browser, address, 'overview', 'overview');
  await shot(browser, address, 'need', 'need');
  await shot(browser, address, 'compare', 'compare', async (page) => {
    await page.getByLabel('need to compare for').click();
    await page.getByRole('option', { name: 'air temperature at top shelf' }).click();
    await page.getByRole('button', { name: 'Sedge H1 humidity module as reference' }).click();
    await page.getByRole('button', { name: 'sort by all errors together' }).click();
  });
  await shot(browser, address, 'sets', 'compare', async (page) => {
    await page.getByRole('tab', { name: 'whole sets' }).click();
    await page.getByLabel('any controller').check();
    await page.getByRole('button', { name: /^Search/ }).click();
    await page.getByRole('slider', { name: 'set, along the cost' }).waitFor();
  });
  await shot(browser, address, 'control', 'control', async (page) => {
    await page
      .locator('.row', { hasText: 'Teasel stick' })
      .getByText(/moving changes/)
      .click();
  });
  await shot(browser, address, 'reader', 'need', async (page) => {
    await page.locator('.plan-name').click();
    await page.getByRole('menuitem', { name: 'Catalogue of cards' }).click();
    await page.getByRole('button', { name: 'Enter a part' }).click();
    await page.getByLabel('datasheet or table of parts').setInputFiles(join(FOLDER, 'ruled-1.pdf'));
    await page.locator('[data-figure]').first().waitFor();
    await page.waitForTimeout(1500);
    await page.locator('[data-figure][data-current] [data-take]').focus();
    for (let i = 0; i < 9; i++) await page.keyboard.press('Enter');
  });
  await shot(browser, address, 'desk', 'need', async (page) => {
    await page.locator('.plan-name').click();
    await page.getByRole('menuitem', { name: 'Catalogue of cards' }).click();
    await page.getByRole('button', { name: 'Enter a part' }).click();
    await page.locator('[data-class="bus-sensor"]').click();
    await page.getByLabel('printed along the first header').fill('VIN=VCC 3VO GND SCL SDA ADDR');
    await page.getByRole('radio', { name: 'sheet' }).click();
    await page.getByLabel('title of the source').fill('Heath H5, data sheet');
    const say = async (pattern, said) => {
      const field = page.locator(`[data-pattern="${pattern}"] [data-answer]`).first();
      await field.fill(said);
      await field.press('Enter');
    };
    await say('name', 'Heath H5 humidity board');
    await say('class', 'humidity breakout');
    await say('supplies/*/range', '2.4 to 5.5 V');
    await say('supplies/*/absoluteMax', '6 V');
    await say('supplies/*/current/active', '600 µA');
    await say('ports/*/clock', '400 kHz');
    const addresses = page.locator('[data-pattern="ports/*/addresses"]');
    await addresses.locator('[data-answer], [data-add]').first().focus();
    await addresses.locator('[data-add]').click();
    await addresses.getByLabel(/row 1, value$/).fill('0x44');
    await addresses.getByLabel(/row 1, how it is set$/).fill('ADDR open');
    await page.locator('[data-pattern="signals/*/fittedPullUp/value"] [data-answer]').first().focus();
    await page.locator('[data-alone="proved"]').waitFor({ timeout: 60_000 });
  });
  await shot(browser, address, 'levels', 'levels', finding('lifts I²C SDA'));
  await shot(browser, address, 'bus', 'bus', finding('both answer at'));
  await shot(browser, address, 'pins', 'pins', async (page) => {
    await finding('must be high')(page);
    await page.getByRole('button', { name: 'carry door contact to another pin' }).click();
    await page.getByRole('button', { name: /^put the line on P16/ }).hover();
  });
  await shot(browser, address, 'mend', 'pins', async (page) => {
    await page.getByRole('button', { name: 'Mend all' }).click();
    await page.getByRole('button', { name: /^Take all/ }).waitFor({ timeout: 60_000 });
  });
  await shot(browser, address, 'power', 'power', finding('has to give'));
  await shot(
    browser,
    address,
    'wiring',
    'wiring',
    verified(async (page) => {
      await page.getByRole('button', { name: /I²C SDA \d+ leads/ }).click();
    }),
  );
  await shot(
    browser,
    address,
    'parts',
    'parts',
    verified(async (page) => {
      await page.getByLabel('how to buy').click();
      await optionOf(page, 'cheap').click();
      await page.waitForTimeout(1500);
    }),
  );
  await shot(
    browser,
    address,
    'bring-up',
    'bring-up',
    verified(async (page) => {
      await page.getByText('Put a fault of your choice in').click();
      await page.getByPlaceholder(/choose one of \d/).click();
      await page
        .getByRole('option', {
          name: 'SDA of carbon dioxide sensor and SCL of carbon dioxide sensor are swapped',
        })
        .first()
        .click();
      await page.getByRole('button', { name: 'Put it in' }).click();
      await page.getByText('Put a fault of your choice in').click();
      await page.getByRole('button', { name: 'Read power', exact: true }).click();
      await page.getByRole('button', { name: 'Read scans' }).click();
      await page.getByRole('button', { name: 'Read readings' }).click();
      await page.getByText('It points to').waitFor({ timeout: 90_000 });
      await page.getByText('It points to').evaluate((line) => line.scrollIntoView({ block: 'center' }));
    }),
  );
  await shot(browser, address, 'night', 'levels', finding('Scale DT can lift'), { dark: true });
  await shot(browser, address, 'narrow', 'overview', undefined, { width: 360, height: 740 });
});
