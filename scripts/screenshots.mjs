/** One current picture per main view, at 1280x800, for the README. */
import { join } from 'node:path';
import { settled, withApp } from './lib/app.mjs';
import { ensureBuild, ensureChromium, ensurePackages, ROOT } from './lib/ensure.mjs';

ensurePackages();
ensureChromium();
ensureBuild();

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
  await page.goto(`${address}/#${station}`);
  await settled(page);
  await act(page);
  await page.waitForTimeout(600);
  await page.screenshot({ path: join(ROOT, 'docs', 'screenshots', `${name}.png`) });
  await context.close();
}

const finding = (words) => async (page) => page.locator('.tray .line', { hasText: words }).first().click();
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
  await shot(browser, address, 'need', 'need');
  await shot(browser, address, 'levels', 'levels', finding('lift I²C SDA'));
  await shot(browser, address, 'bus', 'bus', finding('both answer at'));
  await shot(browser, address, 'pins', 'pins', finding('must be high'));
  await shot(browser, address, 'power', 'power', finding('has to give'));
  await shot(
    browser,
    address,
    'wiring',
    'wiring',
    verified(async (page) => page.locator('.tray .bar button').first().click()),
  );
  await shot(browser, address, 'parts', 'parts', verified());
  await shot(
    browser,
    address,
    'proofs',
    'need',
    verified(async (page) => page.locator('.verdict').click()),
  );
  await shot(browser, address, 'night', 'levels', finding('Scale DT can lift'), { dark: true });
  await shot(browser, address, 'narrow', 'bus', undefined, { width: 360, height: 740 });
});
