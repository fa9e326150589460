/** What the hand needs while it measures: where the probes go, and which number is which part. */
import { expect, test } from '@playwright/test';
import { choose, cupboard } from './bench';

test.describe.configure({ timeout: 180_000 });

test('the board shows the two probes of the line in hand, and the part where there are none', async ({ page }) => {
  await cupboard(page);
  const board = page.getByRole('region', { name: 'where the probes go' });
  await expect(board).toContainText(/^Before power/, { timeout: 60_000 });
  await expect(board.locator('[data-probe]')).toHaveCount(2);
  await page.getByRole('textbox', { name: /^Supply of display: measured/ }).focus();
  await expect(board).toContainText('red in display, VCC');
  await expect(board.locator('[data-probe="red"]')).toContainText('red VCC');
  await expect(board.locator('[data-probe="black"]')).toContainText('black GND');
  // Nothing is moved by accident while somebody measures.
  await expect(board.locator('[data-movable]')).toHaveCount(0);
  await page.getByRole('textbox', { name: /^Addresses on I²C: measured/ }).focus();
  await expect(board).toContainText('Addresses on I²C');
  await expect(board.locator('[data-probe]')).toHaveCount(0);
});

test('one probe after the other is warmed in the hand; the last one is left over; settings and steps carry them', async ({
  page,
}) => {
  const bench = await cupboard(page);
  await page.getByRole('button', { name: 'Put the build on it' }).click();
  await page.getByRole('button', { name: 'Run it on the simulated bench' }).click();
  const numbers = page.getByRole('group', { name: 'which number is which part' });
  await expect(numbers.getByText('Which is which? Warm one in the hand')).toBeVisible();
  const given: string[] = [];
  for (const probe of ['first wheel probe', 'second wheel probe']) {
    await numbers.getByRole('button', { name: `Hold ${probe} in the hand` }).click();
    const said = numbers.getByText(
      /^[0-9A-F ]{23} rose by 8\.0 °C, the others by 0\.0 °C at most: it is the one in the hand\.$/,
    );
    await expect(said).toBeVisible();
    const rom = ((await said.textContent()) ?? '').slice(0, 23);
    given.push(rom);
    await choose(numbers.getByRole('combobox', { name: `part with the number ${rom}` }), { label: probe });
    await expect(said).toBeHidden();
  }
  expect(new Set(given).size).toBe(2);
  const left = numbers.getByRole('button', { name: /is left: it is third wheel probe$/ });
  given.push(((await left.textContent()) ?? '').slice(0, 23));
  await left.click();
  await expect(left).toBeHidden();
  await bench.verified();
  // One that is broken off is now missed by its name.
  await page.getByText('A number from a label').click();
  await numbers.getByRole('textbox', { name: 'number from a label' }).fill('28 00 00 00 00 00 00 00');
  await choose(numbers.getByRole('combobox', { name: 'part with that label' }), { label: 'third wheel probe' });
  await expect(numbers.getByRole('alert')).toContainText('whose last one checks the others');
  await bench.go('Pins');
  await page.getByRole('tab', { name: 'settings for the program' }).click();
  for (const rom of given)
    await expect(page.getByRole('tabpanel').getByText(`number ${rom.replaceAll(' ', '').toLowerCase()}`)).toBeVisible();
  await bench.go('Wiring');
  await page
    .getByRole('button', { name: /first wheel probe/ })
    .first()
    .click();
  await expect(page.getByText(`Label its lead ${given[0]}.`)).toBeVisible({ timeout: 60_000 });
});
