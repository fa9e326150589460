import { expect, test } from '@playwright/test';
import { Bench, settleDraft, textOf, choose } from './bench';

test('the demo opens with the first draft and its mistakes', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  await expect(page.locator('.plan-name')).toHaveText(/Cupboard, first draft/);
  await expect(bench.verdict).toHaveText(/Open · 9 to settle/);
  await expect(page.locator('[data-counts]')).toHaveAccessibleName(/5 danger 4 fault/);
});

test('from the first draft to verified by remedies; reload keeps it; undo returns to the start', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  const start = await bench.fingerprint();
  await settleDraft(bench);
  await bench.proved();
  const end = await bench.fingerprint();
  expect(end).not.toBe(start);

  await expect(page.locator('.saved')).toHaveText(/^saved \d/);
  await page.reload();
  await bench.proved();
  expect(await bench.fingerprint()).toBe(end);

  for (let i = 0; i < 9; i++) {
    await page.locator('body').press('Control+z');
    await bench.settled();
  }
  await expect(page.getByRole('button', { name: 'undo', exact: true })).toBeDisabled();
  expect(await bench.fingerprint()).toBe(start);

  for (let i = 0; i < 9; i++) await page.locator('body').press('Control+Shift+z');
  await bench.settled();
  expect(await bench.fingerprint()).toBe(end);
});

test('the wiring plan prints with every lead, and the parts list comes as CSV', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  await settleDraft(bench);
  await bench.verified();
  await expect(bench.verdict).toHaveText(/Verified · \d+ proofs, tightest \+.*; \d+ rest on assumed figures/);
  await bench.go('Wiring');
  await expect(page.getByRole('complementary', { name: 'Safety' })).toContainText('licensed practice');
  await expect(page.locator('main')).toContainText('Read: mains');
  await expect(page.locator('main')).toContainText('all as the circuit wants them');

  await page.emulateMedia({ media: 'print' });
  const sheet = page.locator('article.print-only');
  await expect(sheet).toBeVisible();
  await expect(page.locator('[data-strip]')).toBeHidden();
  await expect(sheet).toContainText('Verified');
  await expect(sheet).toContainText('the wiring was read back and agrees with the circuit');
  expect(await sheet.locator('section[data-pictured] tbody tr').count()).toBeGreaterThan(60);
  await expect(sheet).toContainText('resistor 4.7 kΩ');
  const pdf = await page.pdf();
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  await page.emulateMedia({ media: 'screen' });

  await bench.go('Parts');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'CSV' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('cupboard-first-draft-parts.csv');
  const csv = await textOf(download);
  expect(csv).toContain('Rill core probe');
  expect(csv.split('\r\n')[0]).toBe(
    'part,class,needed,drawer,buy,spares,packs,pack,supplier,price,total,currency,days,for',
  );
});

test('an exported plan opens in a fresh profile with the same fingerprint and verdict', async ({ page, browser }) => {
  const bench = new Bench(page);
  await bench.open();
  await settleDraft(bench);
  const fingerprint = await bench.fingerprint();
  const file = await bench.exported();

  const fresh = await browser.newContext();
  const other = new Bench(await fresh.newPage());
  await other.open();
  await other.importFile('mended.json', file);
  await other.settled();
  await other.proved();
  expect(await other.fingerprint()).toBe(fingerprint);
  await fresh.close();
});

test('a plan from nothing: needs, parts from the catalogue, verified', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  await bench.menu('New plan');
  // Until the new plan is open, the verdict on screen is the old one's.
  await expect(bench.verdict).toHaveText(/nothing to prove yet/);
  const add = async (name: string) => {
    await bench.addPart(name);
    await expect(page.getByRole('textbox', { name: 'name of the part' }).last()).toHaveValue(new RegExp(name));
  };
  for (const name of ['Hollin 12 V adapter', 'Brindle 5 V step-down', 'Marram W3 board']) await add(name);
  await page.getByRole('button', { name: 'sense' }).click();
  await choose(page.getByLabel('quantity'), 'carbon dioxide');
  await bench.settled();
  await page.getByLabel('carbon dioxide at somewhere, to').fill('5000');
  await page.getByLabel('carbon dioxide at somewhere, to').press('Enter');
  await page.getByLabel('carbon dioxide at somewhere, from').fill('400');
  await page.getByLabel('carbon dioxide at somewhere, from').press('Enter');
  await page.getByLabel('carbon dioxide at somewhere, within').fill('100');
  await page.getByLabel('carbon dioxide at somewhere, within').press('Enter');
  await expect(bench.row('carbon dioxide').first()).toContainText(/1 card meets it\s+1 fails by accuracy/);
  await choose(page.getByLabel('who serves carbon dioxide at somewhere'), 'card:co2-acoustic');
  await bench.settled();
  // One more finding than a person expects: its peak is too much for the board's regulator.
  await bench.take(/has to give/);
  await bench.remedy('Brindle 3.3 V step-down');
  await bench.verified();
});
