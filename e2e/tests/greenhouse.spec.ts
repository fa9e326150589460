/** An everyday build in the browser: a greenhouse logger from an empty plan to verified, its fan on the contact of a relay. */
import { expect, test, type Locator } from '@playwright/test';
import { Bench, choose } from './bench';

test('a greenhouse logger from nothing: needs, parts, mend all, verified with the fan switched', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  await bench.menu('New plan');
  await expect(bench.verdict).toHaveText(/nothing to prove yet/);
  for (const name of ['Hollin 12 V adapter', 'Teasel stick']) await bench.addPart(name);
  const type = async (field: Locator, text: string) => {
    await field.fill(text);
    await field.press('Enter');
    await bench.settled();
  };
  // Each need begins with what some card keeps: there is always one to choose.
  const sense = async (quantity: string, place: string, card: string, asks: Readonly<Record<string, string>> = {}) => {
    await page.getByRole('button', { name: 'sense', exact: true }).click();
    await bench.settled();
    await choose(page.getByLabel('quantity').last(), quantity);
    await bench.settled();
    const at = page.getByLabel(new RegExp(`^${quantity} at .*, at$`)).last();
    await type(at, place);
    for (const [what, text] of Object.entries(asks))
      await type(page.getByLabel(`${quantity} at ${place}, ${what}`, { exact: true }), text);
    await choose(page.getByLabel(`who serves ${quantity} at ${place}`), `card:${card}`);
    await bench.settled();
  };
  await sense('air humidity', 'north bed', 'humid-strap');
  await sense('air humidity', 'south bed', 'humid-strap');
  await sense('illuminance', 'ridge', 'light-digital', { to: '50 klx', within: '20 %' });
  await sense('soil moisture', 'pots', 'soil-analog', { within: '50 %' });
  for (const name of ['Lantern', 'Clapper S1', 'Waft 12 V fan', 'green']) await bench.addPart(name);

  await page.getByRole('button', { name: 'Mend all' }).click();
  const take = page.getByRole('button', { name: /^Take all \d+ changes/ });
  await expect(take).toBeEnabled({ timeout: 90_000 });
  await expect(page.getByText(/^Proved · hazards to read$/)).toBeVisible();
  await take.click();
  await bench.settled();
  await bench.verified();

  await bench.go('Pins');
  await expect(page.getByLabel(/fan is switched by$/)).toContainText('Clapper S1');
  await expect(bench.row(/Clapper S1.*, contact/)).toContainText('(NO)');
  await bench.go('Wiring');
  await expect(page.locator('main')).toContainText('all as the circuit wants them', { timeout: 60_000 });
  await expect(page.locator('main')).toContainText('COM');
});
