/** Comparing, whole sets, controllers and carriers, needs in their places. */
import { expect, test } from '@playwright/test';
import { Bench, choose } from './bench';

let bench: Bench;
test.beforeEach(async ({ page }) => {
  bench = new Bench(page);
  await bench.open();
});

test('Need: who meets it leads to the comparison; a wet place rules cards out', async ({ page }) => {
  const row = page.locator('.row', { has: page.locator('.tag', { hasText: 'bottom shelf sensor' }) }).first();
  await expect(row.getByRole('button', { name: '3 cards meet it' })).toBeVisible();
  await choose(page.getByLabel('water at bottom shelf'), 'splash');
  await bench.settled();
  await expect(bench.row('3 fail by water at the place').first()).toBeVisible();
  await page.locator('body').press('Control+z');
  await row.getByRole('button', { name: '3 cards meet it' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Compare');
  await expect(page.getByLabel('need to compare for')).toHaveAttribute('data-value', 'rh-bottom');
});

test('Need: a trigger with a level, hysteresis and how it ends; outside the range it is a fault', async ({ page }) => {
  await page.getByRole('button', { name: 'trigger' }).click();
  const level = page.getByLabel(/, level$/);
  await level.fill('150');
  await level.press('Enter');
  await bench.settled();
  await bench.finds('is set off at 150 %RH');
  await page.getByLabel(/, level$/).fill('95');
  await page.getByLabel(/, level$/).press('Enter');
  await choose(page.getByLabel(/, how it ends$/), 'sticky');
  await bench.settled();
  await bench.finds('is set off at', 0);
});

test('Need: changes that come faster than their verdicts are all kept, each as one step back', async ({ page }) => {
  await page.getByRole('button', { name: 'trigger' }).click();
  await bench.settled();
  const level = page.getByLabel(/, level$/);
  const before = await level.inputValue();
  // All in one task of the browser: no verdict can come in between.
  await page.evaluate((shown) => {
    const field = <T extends HTMLElement>(words: string) => document.querySelector<T>(`[aria-label$="${words}"]`);
    const set = (of: HTMLInputElement | null, value: string) => {
      if (!of) throw new Error(`no field for ${value}`);
      of.value = value;
      of.dispatchEvent(new Event('change', { bubbles: true }));
    };
    set(field<HTMLInputElement>(', level'), '90');
    // Back to what is still shown, and on: each of them counts.
    set(field<HTMLInputElement>(', level'), shown);
    set(field<HTMLInputElement>(', level'), '95');
    set(field<HTMLInputElement>(', hysteresis'), '4');
  }, before);
  await choose(page.getByLabel(/, how it ends$/), 'sticky');
  await bench.settled();
  await expect(level).toHaveValue('95 %RH');
  await expect(page.getByLabel(/, hysteresis$/)).toHaveValue('4 %RH');
  await expect(page.getByLabel(/, how it ends$/)).toHaveAttribute('data-value', 'sticky');
  await level.fill('90');
  await level.press('Enter');
  await bench.settled();
  const back = async (to: string) => {
    await page.getByRole('button', { name: /^undo/ }).click();
    await bench.settled();
    await expect(level).toHaveValue(to);
  };
  await back('95 %RH');
  // What is typed over with itself is no step.
  await level.fill('95.0');
  await level.press('Enter');
  for (let steps = 0; steps < 2; steps++) await page.getByRole('button', { name: /^undo/ }).click();
  await back(before);
  await back('90 %RH');
  await back(before);
});

test('Compare: reference, differences, sort, hide, show, take', async ({ page }) => {
  await bench.go('Compare');
  const heads = page.locator('.scroll thead th');
  await expect(heads).toHaveCount(3);
  await page.getByRole('button', { name: 'sort by all errors together' }).click();
  await expect(heads.first()).toContainText('Sedge H5');
  await page.getByRole('button', { name: 'Sedge H1 humidity module as reference' }).click();
  await expect(heads.first()).toContainText('Sedge H1');
  await expect(page.locator('.scroll tr', { hasText: 'all errors together' })).toContainText('−0.2 %RH');
  const lines = page.locator('.scroll tbody tr:not(.group)');
  const all = await lines.count();
  await page.getByLabel('differences only').check();
  expect(await lines.count()).toBeLessThan(all);
  await page.getByRole('button', { name: 'hide Sedge H2 humidity module' }).click();
  await expect(heads).toHaveCount(2);
  await choose(page.getByLabel('show another card'), { label: 'Dock DP humidity module' });
  await expect(heads).toHaveCount(3);
  await expect(page.locator('.scroll tr', { hasText: 'all errors together' })).toContainText('breaks the need');
  await page.getByLabel('find a line').fill('price');
  await expect(lines).toHaveCount(1);
  await heads.filter({ hasText: 'Sedge H5' }).getByRole('button', { name: 'take' }).click();
  await bench.settled();
  await expect(heads.filter({ hasText: 'Sedge H5' })).toContainText('in the plan');
});

test('Compare prints as a table', async ({ page }) => {
  await bench.go('Compare');
  await page.emulateMedia({ media: 'print' });
  const sheet = page.locator('article.print-only');
  await expect(sheet).toContainText('air humidity at top shelf');
  await expect(sheet.locator('table tr', { hasText: 'drift over the planned life' })).toContainText('0.5 %RH');
  expect((await page.pdf()).subarray(0, 5).toString()).toBe('%PDF-');
});

test('Whole sets: searched, looked through by keys, and one fills the plan', async ({ page }) => {
  await bench.go('Compare');
  await page.getByRole('tab', { name: 'whole sets' }).click();
  await page.getByLabel('any controller').check();
  await page.getByRole('button', { name: /^Search/ }).click();
  await expect(page.getByText(/that nothing beats, of/)).toBeVisible();
  const slider = page.getByRole('slider', { name: 'set, along the cost' });
  await slider.focus();
  await page.keyboard.press('ArrowRight');
  await expect(slider).toHaveAttribute('aria-valuenow', '2');
  await page.getByRole('button', { name: /^Fill the plan with it/ }).click();
  await bench.settled();
  await bench.go('Need');
  await bench.finds('No part is chosen', 0);
});

test('Whole sets: what cannot be met is explained', async ({ page }) => {
  const budget = page.getByLabel('budget');
  await budget.fill('25');
  await budget.press('Enter');
  await bench.settled();
  await bench.go('Compare');
  // Gone to, they are searched.
  await page.getByRole('tab', { name: 'whole sets' }).click();
  await expect(page.getByRole('alert').filter({ hasText: /cost more than the budget allows/ })).toBeVisible();
});

test('Control: moving remaps the pins and says what changed; a carrier comes and goes', async ({ page }) => {
  await bench.go('Control');
  const stick = bench.row('Teasel stick');
  await stick.getByText(/moving changes \d+ pins/).click();
  await expect(stick).toContainText('I²C SDA: P10 becomes');
  await stick.getByRole('button', { name: 'Move here' }).click();
  await bench.settled();
  await expect(page.locator('.notice')).toContainText('lines have other pins');
  await expect(bench.row('Teasel stick')).toContainText('in the plan');
  await expect(bench.row('Trestle lab carrier').getByRole('button', { name: 'Put it on' })).toBeDisabled();
  await page.locator('body').press('Control+z');
  await bench.settled();
  await bench.row('Trestle lab carrier').getByRole('button', { name: 'Put it on' }).click();
  await bench.settled();
  await bench.finds('does not lead out');
  await bench.row('Trestle lab carrier').getByRole('button', { name: 'Take it off' }).click();
  await bench.settled();
  await bench.finds('does not lead out', 0);
});
