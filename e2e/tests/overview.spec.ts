/** The whole build as one picture: reached by a key, walked by keyboard, and a way to everything that is in it. */
import { expect, test } from '@playwright/test';
import { Bench } from './bench';

test('the overview shows the build, what belongs together, and leads to each finding', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  await page.keyboard.press('o');
  await expect(page.getByRole('heading', { name: 'Overview' })).toBeVisible();
  const scale = page.getByRole('button', { name: /^scale 5 V.*5\.15 V of 3\.6 V/ });
  await expect(scale).toBeVisible();
  // Pointed at, its own way stands out and the rest steps back.
  await scale.hover();
  await expect(page.getByRole('button', { name: /^buzzer/ })).toHaveClass(/faint/);
  await expect(scale).not.toHaveClass(/faint/);
  await expect(page.locator('[data-thing^="rail "]').first()).not.toHaveClass(/faint/);
  // By keyboard: the finding at the part is opened at its station.
  await scale.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Levels' })).toBeVisible();
  await expect(page.locator('.tray')).toContainText('can lift scale data to 5.15 V');
  // A row of a bus leads to the bus, a feed to the power.
  await page.keyboard.press('o');
  await page.locator('[data-thing^="rail "]').first().focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Power' })).toBeVisible();
  await page.keyboard.press('o');
  // The same as a table, and smaller until all of it is seen.
  await page.locator('.overview summary').click();
  await expect(page.getByRole('row', { name: /third wheel probe/ })).toContainText('P7');
  await page.locator('.overview summary').click();
  await page.getByRole('button', { name: 'fit' }).click();
  const [frame, drawn] = [page.locator('.overview .frame'), page.locator('.overview .frame > svg')];
  const [room, taken] = [await frame.boundingBox(), await drawn.boundingBox()];
  expect(taken?.width ?? 0).toBeLessThanOrEqual((room?.width ?? 0) + 1);
});

test('an edit is in the picture at once, and the picture is the first page of the print', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  await bench.addPart('Peg push button');
  await bench.settled();
  await page.keyboard.press('o');
  await expect(page.locator('.overview [data-thing^="part "]', { hasText: /button/ })).toHaveCount(1);
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('article.print-only .overview > svg')).toBeVisible();
  await expect(page.locator('article.print-only .overview > svg')).toContainText('third wheel probe');
});
