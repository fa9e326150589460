/** What is worked out before it is asked for, and what is drawn a moment later: neither may be seen. */
import { expect, test } from '@playwright/test';
import { Bench } from './bench';

let bench: Bench;
test.beforeEach(async ({ page }) => {
  bench = new Bench(page);
});

test('to point at choices, ticks, fields and remedies changes nothing', async ({ page }) => {
  const said = () => page.locator('[data-counts]').textContent();
  const undo = page.getByRole('button', { name: /^undo/ });
  for (const station of ['power', 'bus', 'pins', 'need', 'levels', 'control', 'parts'] as const) {
    await bench.open(station);
    const before = [await bench.verdict.textContent(), await said()];
    for (const tick of await page.locator('main').getByRole('checkbox').all()) {
      await tick.hover();
      await tick.focus();
    }
    for (const field of (await page.locator('main [aria-haspopup=listbox]').all()).slice(0, 4)) {
      await field.click();
      for (const option of await page.getByRole('option').all()) await option.hover({ force: true });
      await page.keyboard.press('Escape');
    }
    for (const field of (await page.locator('main input.value').all()).slice(0, 4)) {
      const now = await field.inputValue();
      await field.pressSequentially('1');
      await page.waitForTimeout(60);
      await field.fill(now);
    }
    await page.waitForTimeout(200);
    expect([await bench.verdict.textContent(), await said()]).toEqual(before);
    await expect(undo).toBeDisabled();
  }
  // In a field it would be a letter.
  await page.locator('main').focus();
  await page.keyboard.press(']');
  await expect(page.locator('[data-remedy="0"]')).toBeFocused();
  for (const remedy of await page.locator('[data-remedy]').all()) await remedy.hover();
  await expect(undo).toBeDisabled();
});

test('what was pointed at is taken with the verdict that it has without', async ({ page }) => {
  await bench.open('power');
  const rail = page.getByLabel('rail that feeds VIN of controller');
  const told = async () => [
    await bench.verdict.textContent(),
    await page.locator('[data-counts]').textContent(),
    await page.locator('main').textContent(),
  ];
  const other = page.locator('[role=option]:not([data-disabled]):not([data-selected])').first();
  await rail.click();
  await other.hover();
  await page.waitForTimeout(600);
  await other.click();
  await bench.settled();
  // Rows that nobody sees are told a moment later.
  await page.waitForTimeout(600);
  const pointed = await told();
  await page.reload();
  await bench.settled();
  await page.waitForTimeout(600);
  expect(await told()).toEqual(pointed);
});

test('a row out of sight says what holds when one comes to it', async ({ page }) => {
  await bench.open('power');
  const text = () => page.locator('main').textContent();
  const before = await text();
  await page.getByLabel('rail that feeds VIN of controller').click();
  await page.locator('[role=option]:not([data-disabled]):not([data-selected])').first().click();
  await bench.settled();
  for (let i = 0; i < 12; i++) {
    await page.locator('main').evaluate((main) => main.scrollBy(0, main.clientHeight));
    await page.waitForTimeout(30);
  }
  const scrolled = await text();
  expect(scrolled).not.toBe(before);
  await page.waitForTimeout(600);
  expect(await text()).toBe(scrolled);
});
