/** Everything leaves as one file and comes back whole, in another browser. */
import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { Bench, rename, saved } from './bench';

test('one key exports everything; it comes back whole beside what is there', async ({ page, browser }) => {
  const bench = new Bench(page);
  await bench.open();
  await rename(page, 'Taken along');
  await saved(page);
  // A note of the logbook, in a plan that the other browser has just so.
  await bench.open('bring-up', 'cupboard-verified');
  await page.getByRole('textbox', { name: 'note' }).fill('The adapter hums.');
  await page.getByRole('button', { name: 'Add the note' }).click();
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
  // Given once more, nothing of it lies there twice.
  await give(archive);
  await expect(other.getByRole('status').filter({ hasText: '4 plans lay here just so' })).toBeVisible();
  await expect(other.locator('[data-plan]')).toHaveCount(5);
  await other.locator('[data-plan]', { hasText: 'Taken along' }).click();
  await new Bench(other).settled();
  // With its history.
  await other.getByRole('button', { name: /^undo/ }).click();
  await expect(other.locator('.plan-name')).toHaveText('Cupboard, first draft');
  await other.close();
});
