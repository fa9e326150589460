/** What makers do at the bench, in the browser: straight into a socket, a programmer, an enable that is tied, a place that is asked for. */
import { expect, test } from '@playwright/test';
import { Bench, choose } from './bench';

async function begin(bench: Bench, ...parts: string[]): Promise<void> {
  await bench.open();
  await bench.menu('New plan');
  await expect(bench.verdict).toHaveText(/nothing to prove yet/);
  for (const name of parts) await bench.addPart(name);
}

test('a module straight into the sockets of a board, a pin beside it as supply: verified, and no lead goes to it', async ({
  page,
}) => {
  const bench = new Bench(page);
  await begin(bench, 'Hollin 9 V adapter', 'Thrift N8 board', 'Spar A1 thermometer');
  await bench.menu('Name and my rules');
  const share = page.getByLabel(/share of a pin’s recommended current/);
  await share.fill('50');
  await share.press('Enter');
  await page.keyboard.press('Escape');
  await bench.settled();
  await bench.go('Wiring');
  await page
    .getByRole('listitem')
    .getByRole('button', { name: /Spar A1 thermometer/ })
    .first()
    .click();
  const where = page.getByLabel('where Spar A1 thermometer stands', { exact: true });
  await choose(where, /a pin feeds it/);
  await bench.settled();
  await expect(page.locator('main')).toContainText('all as the circuit wants them', { timeout: 60_000 });
  await bench.verified();
  // Out of the socket again, its ground can be a pin as well; then that pin has to carry it.
  await choose(where, '');
  await bench.settled();
  await bench.go('Power');
  await choose(page.getByLabel('ground of Spar A1 thermometer', { exact: true }), { index: 1 });
  await bench.settled();
  await expect(bench.row(/onto pin/)).toBeVisible();
  await bench.go('Wiring');
  await expect(page.locator('main')).toContainText('all as the circuit wants them', { timeout: 60_000 });
  await bench.verified();
});

test('a programmer is there only while a program is loaded: fed, crossed, a step of its own at the end', async ({
  page,
}) => {
  const bench = new Bench(page);
  await begin(bench, 'Hollin 5 V 4 A adapter', 'Marram W3 board', 'Tansy S4 programmer');
  await bench.go('Power');
  const row = bench.row(/Tansy S4 programmer/).last();
  await expect(row.getByLabel('pin of TXD of Tansy S4 programmer')).toHaveAttribute('data-value', 'p3');
  await row.scrollIntoViewIfNeeded();
  await bench.go('Wiring');
  const step = page.getByRole('button', { name: /Only while a program is loaded/ });
  await step.click();
  await expect(page.locator('main')).toContainText('TXD to RX, RXD to TX');
});

test('a place is asked for, and answered with one press', async ({ page }) => {
  const bench = new Bench(page);
  await begin(bench, 'Hollin 5 V 4 A adapter', 'Marram W3 board');
  await page.getByRole('button', { name: 'sense', exact: true }).click();
  await bench.settled();
  await choose(page.getByLabel('quantity').last(), 'air humidity');
  await bench.settled();
  await choose(page.getByLabel(/^who serves /), 'card:humid-strap');
  await bench.settled();
  await expect(bench.row(/Nothing is said of “somewhere” yet/)).toBeVisible();
  await page.getByRole('button', { name: /as it stands here/ }).click();
  await bench.settled();
  await expect(bench.row(/How long are the leads to “somewhere”/)).toBeVisible();
  const lead = page.getByLabel('lead to somewhere');
  await lead.fill('0.2');
  await lead.press('Enter');
  await bench.settled();
  await expect(bench.row(/“somewhere” is dry, indoors, open, 200 mm of leads away/)).toBeVisible();
});

test('an enable is tied to a rail at Pins, and let go again', async ({ page }) => {
  const bench = new Bench(page);
  await begin(bench, 'Hollin 5 V 4 A adapter', 'Marram W3 board', 'Sluice S2 supply switch');
  await bench.go('Pins');
  const pin = page.getByLabel(/^pin of Sluice S2 supply switch/);
  await choose(pin, { label: 'tied to 3.3 V of Marram W3 board' });
  await bench.settled();
  await expect(page.locator('main')).toContainText('tied to 3.3 V of Marram W3 board');
  await expect(page.getByLabel(/^pin of Sluice S2 supply switch/)).toHaveCount(0);
  await page.getByRole('button', { name: /^take Sluice S2 supply switch off/ }).click();
  await expect(page.getByLabel(/^pin of Sluice S2 supply switch/)).toHaveCount(1);
});

test('what can hurt is read and ticked at Wiring before the plan is called verified, on screen and on paper', async ({
  page,
}) => {
  const bench = new Bench(page);
  await begin(bench, 'Hollin 9 V adapter', 'Thrift N8 board', 'Spar A1 thermometer');
  await bench.proved();
  await expect(bench.verdict).toHaveText('Proved · 1 hazard is to be read and ticked off.');
  await bench.go('Wiring');
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('article.print-only')).toContainText('PROVED, NOT YET VERIFIED');
  await page.emulateMedia({ media: 'screen' });
  const tick = page.getByRole('checkbox', { name: 'I have read: mains, Hollin 9 V adapter' });
  await tick.click();
  await expect(bench.verdict).toHaveText(/^\s*Verified/);
  await page.getByText('Read: mains').click();
  await tick.click();
  await expect(bench.verdict).toHaveText(/^\s*Proved/);
  await page.keyboard.press('Control+z');
  await expect(bench.verdict).toHaveText(/^\s*Verified/);
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('article.print-only')).toContainText('Verified, ');
  await page.emulateMedia({ media: 'screen' });
});

test('the sun at a place outdoors is said, and the caution of it ends', async ({ page }) => {
  const bench = new Bench(page);
  await begin(bench, 'Hollin 9 V adapter', 'Thrift N8 board');
  await bench.go('Need');
  await page.getByRole('button', { name: 'sense', exact: true }).click();
  await bench.settled();
  await choose(page.getByLabel('quantity').last(), 'air temperature');
  await bench.settled();
  await choose(page.getByLabel(/^who serves air temperature/), { index: 1 });
  await bench.settled();
  const row = bench.row(/its air from/).first();
  await row.getByRole('checkbox', { name: 'outdoors' }).check();
  await bench.settled();
  await bench.finds('the sun makes');
  await choose(row.getByLabel(/^sun at/), 'shade');
  await bench.settled();
  await bench.finds('the sun makes', 0);
});
