import { expect, test } from '@playwright/test';
import { Bench, choose } from './bench';

let bench: Bench;
test.beforeEach(async ({ page }) => {
  bench = new Bench(page);
  await bench.open();
});

test('Bus: an address is typed as makers write it; the 8-bit form is asked about', async ({ page }) => {
  await bench.go('Bus');
  const field = page.getByLabel('address of top shelf sensor');
  await field.fill('0x88');
  await field.press('Enter');
  await bench.settled();
  await bench.take(/8-bit form/);
  await bench.remedy('Set top shelf sensor to 0x44, the 7-bit form');
  await expect(field).toHaveValue('0x44');
  await field.fill('forty');
  await field.press('Enter');
  await expect(page.getByRole('alert')).toContainText('write 0x26 or 38');
  await choose(page.getByLabel('address of display'), '38');
  await bench.settled();
  await expect(bench.row('display').first()).toContainText('0x26');
});

test('Bus: a pull-up too strong is found, and taken out again', async ({ page }) => {
  await bench.go('Bus');
  await page.getByRole('button', { name: 'add a pull-up to I²C SDA' }).click();
  await bench.settled();
  const field = page.getByLabel('pull-up on I²C SDA');
  await field.fill('470R');
  await field.press('Enter');
  await bench.settled();
  await expect(page.locator('.row:not([data-head])', { hasText: 'I²C SDA' }).first()).toContainText('−');
  await bench.finds('The low level is not guaranteed');
  await page.getByRole('button', { name: 'remove the pull-up of 470 Ω on I²C SDA' }).click();
  await bench.settled();
  await bench.finds('The low level is not guaranteed', 0);
  await field.waitFor({ state: 'detached' });
});

test('Bus: a second change before the verdict of the first keeps both', async ({ page }) => {
  await bench.go('Bus');
  await page.evaluate(() => {
    const press = (name: string) =>
      [...document.querySelectorAll('button')]
        .find((b) => b.ariaLabel === name || b.textContent?.trim() === name)
        ?.click();
    press('one-wire');
    press('add a pull-up to I²C SDA');
  });
  await bench.settled();
  await expect(page.getByLabel('name of the bus')).toHaveCount(3);
  await expect(page.getByLabel('pull-up on I²C SDA')).toHaveCount(1);
});

test('Bus: a pull-up that is no resistance stays in the field with the reason', async ({ page }) => {
  await bench.go('Bus');
  const field = page.getByLabel('pull-up on one-wire DATA').first();
  await field.fill('-5');
  await field.press('Enter');
  await expect(page.getByRole('alert')).toContainText('more than 0 Ω');
  await expect(bench.verdict).toHaveText(/9 to settle/);
});

test('Levels: feeding the scale from 3.3 V takes its ladder off the absolute maximum', async ({ page }) => {
  await bench.go('Levels');
  const pin = bench.row('controller P8');
  await expect(pin.getByRole('img', { name: /absolute maximum 3.6 V/ })).toBeVisible();
  await expect(pin).toContainText('−1.55');
  await choose(page.getByLabel(/rail that feeds VCC of scale/).first(), 'board.3v3');
  await bench.settled();
  await expect(pin).toContainText('+234');
  await expect(bench.verdict).toHaveText(/8 to settle/);
});

test('Pins: moving, locking, and assigning the rest', async ({ page }) => {
  await bench.go('Pins');
  await choose(page.getByLabel('pin of buzzer'), 'p12');
  await bench.settled();
  await bench.finds('knob a and buzzer are on P12 together');
  await page.getByRole('button', { name: 'lock buzzer to its pin' }).click();
  await bench.settled();
  await page.getByRole('button', { name: 'Assign the rest' }).click();
  await expect(page.locator('.notice')).toContainText('Locked ones stayed');
  await bench.settled();
  await expect(page.getByLabel('pin of buzzer')).toHaveAttribute('data-value', 'p12');
  await bench.finds('are on P12 together', 0);
  await bench.finds('must be high', 0);
});

test('Pins: the resistor of the light and the diode of the fan', async ({ page }) => {
  await bench.go('Pins');
  await page.getByRole('button', { name: 'resistor', exact: true }).click();
  // It is filled when the plan has it, not when it is pressed.
  await page.getByRole('checkbox', { name: 'diode' }).click();
  await expect(page.getByRole('checkbox', { name: 'diode' })).toBeChecked();
  await bench.settled();
  await expect(bench.verdict).toHaveText(/7 to settle/);
  const field = page.getByRole('textbox', { name: 'resistor of status light' });
  await field.fill('47');
  await field.press('Enter');
  await bench.settled();
  await bench.finds('status light has 47 Ω');
});

test('Power: moving the carbon dioxide sensor relieves the rail', async ({ page }) => {
  await bench.go('Power');
  await expect(page.locator('.row[data-head]', { hasText: '3.3 V of controller' })).toContainText('−189');
  await choose(page.getByLabel('rail that feeds VDD of carbon dioxide sensor'), 'five-volt.5v');
  await bench.settled();
  await expect(page.locator('.row[data-head]', { hasText: '3.3 V of controller' })).toContainText('+');
});

test('Need: a tighter need is not met by what was chosen; parts are swapped, renamed and removed', async ({ page }) => {
  const within = page.getByLabel('carbon dioxide at cupboard, within');
  await within.fill('60');
  await within.press('Enter');
  await bench.settled();
  await bench.finds('±60 ppm is wanted');
  await choose(page.getByLabel('card of top shelf sensor'), 'humid-strap');
  await bench.settled();
  const name = page.getByRole('textbox', { name: 'name of the part' }).first();
  await name.fill('<b>adapter</b>');
  await name.press('Enter');
  await bench.settled();
  await bench.go('Power');
  await expect(page.locator('.row', { hasText: '<b>adapter</b>' }).first()).toBeVisible();
  await bench.go('Need');
  await page.getByRole('button', { name: 'remove buzzer' }).click();
  await bench.settled();
  await bench.finds('No part is chosen for: sound until acknowledged');
});

test('Wiring: steps are ticked off, and stay ticked', async ({ page }) => {
  await bench.go('Wiring');
  await expect(page.locator('main')).toContainText('Not verified. Settle the findings before you wire this.');
  await page.getByLabel(/^step 1 done/).check();
  await page.getByLabel(/^step 2 done/).check();
  await expect(page.locator('.station .heads')).toContainText('2 of ');
  await expect(page.locator('.saved')).toHaveText(/^saved \d/);
  await page.reload();
  await expect(page.locator('.station .heads')).toContainText('2 of ');
  await expect(page.getByLabel(/^step 2 done/)).toBeChecked();
});

test('Parts: what is in the drawer is not bought', async ({ page }) => {
  await bench.go('Parts');
  const total = page.locator('.row[data-head]').first();
  const before = await total.textContent();
  await page.getByLabel('Fallow C5 carbon dioxide module in the drawer').fill('1');
  await page.getByLabel('Fallow C5 carbon dioxide module in the drawer').press('Tab');
  await bench.settled();
  await expect(bench.row('Fallow C5')).toContainText('from the drawer');
  await expect(total).not.toHaveText(before ?? '');
  await choose(page.getByLabel('how to buy'), 'cheap');
  await expect(total).toContainText('here in 18 days');
  // What the wait buys is drawn, and said in a table.
  await expect(page.getByRole('img', { name: /The order taken costs/ })).toBeVisible();
});

test('house rules: the derating moves the limit of every rail', async ({ page }) => {
  await bench.menu('Name and my rules');
  const derating = page.getByLabel('share of a stated limit that is allowed');
  await derating.fill('100');
  await derating.press('Enter');
  await page.keyboard.press('Escape');
  await bench.settled();
  await bench.take(/3.3 V of controller has to give/);
  await expect(page.locator('[data-detail]')).toContainText('500 mA × 1');
});
