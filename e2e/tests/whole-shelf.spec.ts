/** Everything leaves as one file and comes back whole, in another browser. */
import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { Bench } from './bench';

async function rename(page: Page, name: string): Promise<void> {
  await new Bench(page).menu('Name and my rules');
  const field = page.getByRole('dialog').getByLabel('name of the plan');
  await field.fill(name);
  await field.press('Enter');
  await page.keyboard.press('Escape');
}

test('one key exports everything; it comes back whole beside what is there', async ({ page, browser }) => {
  const bench = new Bench(page);
  await bench.open();
  await rename(page, 'Taken along');
  await expect(page.locator('.saved[data-unsaved="0"]')).toContainText('saved');
  await page.goto('/#shelf');
  await expect(page.locator('[data-exported]')).toHaveText('never');
  const download = page.waitForEvent('download');
  await page.keyboard.press('x');
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/^idle-breadboard-\d{4}-\d\d-\d\d\.zip$/);
  const archive = await readFile(await file.path());
  await expect(page.locator('[data-exported]')).toHaveText('today');

  const other = await (await browser.newContext()).newPage();
  await other.goto('/#shelf');
  await expect(other.locator('[data-plan]')).toHaveCount(4);
  const give = (bytes: Buffer) =>
    other
      .getByLabel('plan file to import')
      .setInputFiles({ name: 'shelf.zip', mimeType: 'application/zip', buffer: bytes });
  // Cut off, nothing of it is taken.
  await give(archive.subarray(0, archive.length - 400));
  await expect(other.getByRole('dialog')).toContainText('Nothing was stored');
  await other.keyboard.press('Escape');
  await expect(other.locator('[data-plan]')).toHaveCount(4);

  await give(archive);
  await expect(other.locator('[data-plan]')).toHaveCount(5);
  await expect(other.getByRole('status').filter({ hasText: '3 plans lay here just so' })).toBeVisible();
  await other.locator('[data-plan]', { hasText: 'Taken along' }).click();
  await new Bench(other).settled();
  // With its history.
  await other.getByRole('button', { name: /^undo/ }).click();
  await expect(other.locator('.plan-name')).toHaveText('Cupboard, first draft');
  await other.close();
});
