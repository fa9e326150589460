/** A plan that the program fails at: said as what it is, kept as it is stored, left on the shelf at the next start. */
import { expect, test } from '@playwright/test';
import { Bench, textOf } from './bench';

/** From here on whatever is asked of that thread fails, as a mistake in the program would make it. */
const BROKEN = 'onmessage = () => { throw new Error("broken on purpose"); };';

test('a plan that fails is exported as it is stored, and the next start opens the shelf', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  await page.route('**/study.worker*.js', (route) => route.fulfill({ contentType: 'text/javascript', body: BROKEN }));
  await page.reload();
  const told = page.getByRole('alert').filter({ hasText: 'could not be worked out' });
  await expect(told).toContainText('broken on purpose');
  const download = page.waitForEvent('download');
  await told.getByRole('button', { name: 'Export it as it is stored' }).click();
  const file = JSON.parse(await textOf(await download)) as { plan: { id: string; parts: unknown[] } };
  expect(file.plan.id).toBe('cupboard-first-draft');
  expect(file.plan.parts.length).toBeGreaterThan(10);
  // The address still names the plan: it is left on the shelf all the same.
  await page.reload();
  await expect(page.getByRole('region', { name: 'shelf' })).toBeVisible();
  await expect(page.getByRole('alert')).toContainText('Cupboard, first draft could not be worked out');
  // Mended, it opens by hand and from then on by itself.
  await page.unroute('**/study.worker*.js');
  await bench.open();
  await page.reload();
  await bench.settled();
});

test('from a plan that fails the shelf can be gone to', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  await page.route('**/study.worker*.js', (route) => route.fulfill({ contentType: 'text/javascript', body: BROKEN }));
  await page.reload();
  await page.getByRole('button', { name: 'Back to the shelf' }).click();
  await expect(page.getByRole('region', { name: 'shelf' })).toBeVisible();
});
