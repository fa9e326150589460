/** Currents, heat and hours through the interface. */
import { expect, test, type Page } from '@playwright/test';
import { Bench, choose } from './bench';
import { spareAdapter, thoughtlessProbe } from './plans';

let bench: Bench;
test.beforeEach(async ({ page }) => {
  bench = new Bench(page);
  await bench.open('power');
});

const runtime = (page: Page) => page.locator('[data-proof^="supply/runtime"]').first();
const days = async (page: Page): Promise<number> =>
  parseFloat((await runtime(page).locator('.figure').first().textContent()) ?? '');
const change = async (page: Page, label: string, value: string) => {
  const field = page.getByRole('textbox', { name: label });
  await field.fill(value);
  await field.press('Enter');
  await bench.settled();
};

test('the rain-barrel logger lasts its season; a longer one is a caution, then a fault', async ({ page }) => {
  await bench.menu('Rain-barrel level logger');
  await bench.settled();
  await expect(bench.verdict).toHaveText(/Verified/);
  await expect(
    page.getByRole('img', { name: /lasts 26\d days usually and 9\d days at the worst; 90 days are wanted/ }),
  ).toBeVisible();
  await change(page, 'days that the build must run on one filling', '120');
  await expect(runtime(page)).toContainText('limit 120');
  // The others are the switch that a hand has to turn before a cable goes in, and the long lead outdoors.
  await expect(page.locator('[data-counts]')).toHaveAccessibleName(/3 caution/);
  await change(page, 'days that the build must run on one filling', '300');
  await expect(bench.verdict).toHaveText(/Open · 1 to settle/);
  for (let i = 0; i < 2; i++) {
    await page.getByRole('button', { name: /^undo/ }).click();
    await bench.settled();
  }
  await expect(bench.verdict).toHaveText(/Verified/);
});

test('duty and interval are edited in place; the hours follow', async ({ page }) => {
  await bench.menu('Rain-barrel level logger');
  await bench.settled();
  const before = await days(page);
  await change(page, 'radio, interval', '60');
  await bench.finds('90 days are wanted');
  const often = await days(page);
  expect(often).toBeLessThan(before / 2);
  await choose(page.getByLabel('radio, when at work'), 'share');
  await bench.settled();
  await change(page, 'radio, share of the time at work', '0.01');
  expect(await days(page)).toBeGreaterThan(often);
  await choose(page.getByLabel('controller, between'), 'idle');
  await bench.settled();
  expect(await days(page)).toBeLessThan(20);
});

test('a thoughtless choice is pointed to, and switched off in one step', async ({ page }) => {
  await bench.openFile('Thoughtless', thoughtlessProbe());
  await expect(bench.verdict).toHaveText(/Open · 1 to settle/);
  await bench.finds(/goes to level probe, idle/);
  await expect(page.locator('.row', { hasText: 'of the charge' }).first()).toContainText('level probe, idle');
  await bench.take(/goes to level probe, idle/);
  await bench.remedy('Switch level probe off between readings');
  await expect(bench.verdict).toHaveText(/Verified/);
  await expect(page.getByLabel('level probe, between')).toHaveAttribute('data-value', 'off');
  await expect(page.locator('.saved')).toHaveText(/^saved \d/);
  await page.reload();
  await bench.settled();
  await expect(bench.verdict).toHaveText(/Verified/);
});

test('what-ifs stand side by side with the hours that each buys; one is taken and taken back', async ({ page }) => {
  await bench.menu('Rain-barrel level logger');
  await bench.settled();
  const before = await days(page);
  const rarer = page.locator('.row', { hasText: 'Read every 30 minutes' });
  await expect(rarer).toContainText(/\d+ days – \d+ days\s*\+\d+ h/);
  await expect(page.locator('.row', { hasText: 'Take Hollin 9 V block' })).toContainText('It can be destroyed');
  await page.getByRole('button', { name: 'Take: Read every 30 minutes instead of every 15 minutes' }).click();
  await bench.settled();
  expect(await days(page)).toBeGreaterThan(before * 1.2);
  await page.keyboard.press('Control+z');
  await bench.settled();
  expect(await days(page)).toBe(before);
});

test('work one after the other lowers the peak, and says when each begins', async ({ page }) => {
  await bench.menu('Rain-barrel level logger');
  await bench.settled();
  await page.getByRole('button', { name: /^One after the other: 265 mA to 259 mA/ }).click();
  await bench.settled();
  await expect(page.locator('.row[data-head]', { hasText: '4.5 V of three cells' }).last()).toContainText('259');
  await expect(page.getByRole('textbox', { name: 'air thermometer, begins after' })).toHaveValue('3.5 s');
  await expect(page.getByRole('textbox', { name: 'radio, begins after' })).toHaveValue('0 s');
});

test('everything on the controller’s regulator is seen in the tree, with current and heat; a second one mends it', async ({
  page,
}) => {
  const tree = page.locator('svg[aria-label="Currents from the sources to the parts"]');
  await expect(tree).toContainText('589 mA, 400 mA allowed');
  await expect(tree).toContainText(/2\d0 mW, 6\d\.\d °C/);
  await page.locator('.as-table summary').first().click();
  await expect(page.getByRole('table', { name: 'Currents from the sources to the parts' })).toContainText('589 mA');
  await page.getByRole('link', { name: /3\.3 V of controller/ }).click();
  await expect(page.locator('[data-proof="supply/heat|board.3v3"]')).toBeInViewport();
  await bench.take(/3\.3 V of controller has to give/);
  await bench.remedy('fed from the 5 V of 5 V regulator');
  await expect(tree).not.toContainText('400 mA allowed');
});

test('a sensor beside the regulator is warmed; it is moved away, or put beside it again', async ({ page }) => {
  await expect(page.locator('[data-proof="body/heat|shelf-top"]')).toContainText('%RH');
  await choose(page.getByLabel('what top shelf sensor stands beside'), '');
  await bench.settled();
  await expect(page.locator('[data-proof="body/heat|shelf-top"]')).toHaveCount(0);
  await choose(page.getByLabel('what bottom shelf sensor stands beside'), { label: 'beside 5 V regulator' });
  await bench.settled();
  await change(page, 'distance of bottom shelf sensor from it', '5 mm');
  await bench.finds('bottom shelf sensor is about');
});

test('power from a pin follows the house rule', async ({ page }) => {
  await bench.openFile('Thoughtless', thoughtlessProbe());
  await bench.menu('Name and my rules');
  await change(page, 'share of a pin’s recommended current that may feed a part', '100');
  await page.keyboard.press('Escape');
  const take = page.getByRole('button', {
    name: 'Take: Feed level probe from a pin, and switch it off between readings',
  });
  await take.click();
  await bench.settled();
  await expect(page.locator('[data-proof^="supply/pin-fed"]')).toContainText('3 mA');
  await bench.go('Pins');
  await expect(page.getByRole('group', { name: 'supply of level probe', exact: true })).toBeVisible();
});

test('leads are made thicker where they lose too much', async ({ page }) => {
  await change(page, 'leads to controller', '1.5 m');
  await expect(page.locator('[data-proof="supply/lead-drop|board.vin"]')).toContainText('−');
  await choose(page.getByLabel('gauge of the leads to controller'), '20');
  await bench.settled();
  await expect(page.locator('[data-proof="supply/lead-drop|board.vin"]')).toContainText('+');
});

test('two sources on one supply are danger until a diode stands between', async ({ page }) => {
  await bench.openFile('Spare', spareAdapter());
  await choose(page.getByLabel('second feed of VIN of controller'), { label: '5 V of spare adapter' });
  await bench.settled();
  await bench.take(/meet at controller without a diode or a switch/);
  await bench.remedy(/Flap rectifier diode between the 5 V of spare adapter and controller/);
  await expect(bench.verdict).toHaveText(/Verified/);
  await expect(page.locator('.row', { hasText: 'behind a Flap rectifier diode' }).first()).toBeVisible();
  await bench.go('Wiring');
  await page.getByRole('button', { name: /Resistors and other helpers/ }).click();
  await expect(page.locator('main')).toContainText('Flap rectifier diode');
  await bench.go('Power');
  await page.getByRole('button', { name: 'take the diode before controller out' }).first().click();
  await bench.settled();
  await expect(bench.verdict).toHaveText(/Open/);
});

test('a build without power says so', async ({ page }) => {
  await bench.menu('New plan');
  await bench.settled();
  await bench.go('Power');
  await expect(page.locator('main')).toContainText('No source of power yet');
});
