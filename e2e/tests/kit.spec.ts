/** The page of the kit: every component in every state, clean by day and by night. */
import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';

test('the kit is clean for axe by day and by night, and its parts answer', async ({ page }) => {
  await page.goto('/kit');
  await expect(page.getByRole('heading', { name: 'The kit' })).toBeVisible();
  for (const dark of [false, true]) {
    await page.getByRole('checkbox', { name: 'by night' }).setChecked(dark);
    await expect(page.locator('html')).toHaveAttribute('data-theme', dark ? 'dark' : 'light');
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)).toEqual([]);
  }
  // Typed, found, taken: and what was typed and is no choice is one of its own only where that is said.
  const classes = page.getByRole('combobox', { name: 'a class', exact: true });
  await classes.fill('rad');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(classes).toHaveValue('radio');
  const place = page.getByRole('combobox', { name: 'a place' });
  await place.fill('roof');
  await page.keyboard.press('Enter');
  await expect(place).toHaveValue('roof');
});
