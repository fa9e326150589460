/** The first minute: doors, picks, whole sets, a plan that is proved; counted as a person counts: each click and each key is an action. */
import { expect, test, type Locator, type Page } from '@playwright/test';
import { Bench } from './bench';

class Hands {
  actions = 0;
  constructor(private readonly page: Page) {}
  async click(target: Locator): Promise<void> {
    this.actions += 1;
    await target.click();
  }
  async press(...keys: string[]): Promise<void> {
    for (const key of keys) {
      this.actions += 1;
      await this.page.keyboard.press(key);
    }
  }
  async type(text: string): Promise<void> {
    this.actions += text.length;
    await this.page.keyboard.type(text);
  }
}

const atDoors = async (page: Page): Promise<void> => {
  await page.goto('/');
  await expect(page.locator('[data-door]:enabled')).toHaveCount(3);
};
/** By keyboard alone. */
async function throughDoor(page: Page, hands: Hands, name: RegExp): Promise<void> {
  await atDoors(page);
  await page.locator('body').focus();
  const door = page.getByRole('button', { name });
  while (!(await door.evaluate((element) => element === document.activeElement))) await hands.press('Tab');
  await hands.press('Enter');
}
const takes = (page: Page): Locator => page.getByRole('button', { name: /^Take (?:all \d+ changes|the change)/ });

/** A greenhouse logger has two humidity sensors, light, soil, a display, a 12 V fan on a relay and a status light. */
async function isGreenhouse(page: Page): Promise<void> {
  const table = page.getByRole('table').first();
  await page.locator('.overview summary').click();
  for (const part of ['humidity', 'illuminance', 'soil', 'display', 'fan', 'relay', 'light'])
    await expect(table).toContainText(part);
  await page.locator('.overview summary').click();
}

test('the greenhouse logger by mouse', async ({ page }) => {
  const hands = new Hands(page);
  const bench = new Bench(page);
  await atDoors(page);
  await hands.click(page.getByRole('button', { name: /^Start my build/ }));
  const pick = (id: string) => hands.click(page.locator(`[data-pick="${id}"]`));
  await pick('sense air humidity');
  await hands.click(page.getByRole('button', { name: /^another like this.*air humidity/ }));
  for (const id of ['sense illuminance', 'sense soil moisture', 'serve text', 'load fan-12v', 'serve light'])
    await pick(id);
  await hands.click(page.getByRole('button', { name: 'by a relay' }));
  await hands.click(page.getByRole('button', { name: 'Find whole sets' }));
  const sets = page.getByRole('list', { name: 'whole sets' });
  await expect(sets).toBeVisible({ timeout: 90_000 });
  await expect(sets).toContainText('cheapest');
  await expect(sets).toContainText('soonest');
  await expect(sets).not.toContainText('stay to be settled');
  await hands.click(sets.getByRole('button', { name: 'Take the cheapest' }));
  await expect(takes(page)).toBeEnabled({ timeout: 90_000 });
  await hands.click(takes(page));
  await bench.proved();
  await expect(page.locator('.overview')).toBeVisible();
  await isGreenhouse(page);
  test.info().annotations.push({ type: 'actions by mouse', description: String(hands.actions) });
  expect(hands.actions).toBeLessThanOrEqual(60);
});

test('the greenhouse logger by keyboard alone', async ({ page }) => {
  const hands = new Hands(page);
  const bench = new Bench(page);
  await throughDoor(page, hands, /^Start my build/);
  await expect(page.getByRole('searchbox', { name: 'find what it is to do' })).toBeFocused();
  for (const word of ['hum', 'hum', 'ill', 'soi', 'tex', 'fan 12 relay', 'stat']) {
    await hands.type(word);
    await hands.press('Enter');
  }
  await expect(page.locator('[data-picked-line]')).toHaveCount(7);
  await hands.press('Enter');
  await expect(page.getByRole('button', { name: 'Take the cheapest' })).toBeFocused({ timeout: 90_000 });
  await hands.press('Enter');
  await expect(takes(page)).toBeFocused({ timeout: 90_000 });
  await hands.press('Enter');
  await bench.proved();
  await isGreenhouse(page);
  test.info().annotations.push({ type: 'actions by keyboard', description: String(hands.actions) });
  expect(hands.actions).toBeLessThanOrEqual(60);
});

test('the faulty plan is mended by keyboard alone, finding by finding', async ({ page }) => {
  const hands = new Hands(page);
  const bench = new Bench(page);
  await throughDoor(page, hands, /^Mend a faulty one/);
  await bench.settled();
  const blocking = async () => Number(/(\d+) to settle/.exec((await bench.verdict.textContent()) ?? '')?.[1] ?? 0);
  expect(await blocking()).toBe(9);
  for (let round = 0; round < 12 && (await blocking()) > 0; round++) {
    // The worst is next; its first remedy has the focus.
    await hands.press(']');
    await expect(page.locator('[data-detail] [data-remedy="0"]')).toBeFocused();
    const before = await bench.verdict.getAttribute('data-revision');
    await hands.press('Enter');
    await expect(bench.verdict).not.toHaveAttribute('data-revision', before ?? '');
    await bench.settled();
    // It is met now, or gone: the focus is not.
    await expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).not.toBe('BODY');
  }
  await bench.proved();
  test.info().annotations.push({ type: 'keys for the faulty plan', description: String(hands.actions) });
  expect(hands.actions).toBeLessThanOrEqual(30);
});

test('the doors lead to what they say, and a plan on the shelf to itself', async ({ page }) => {
  const bench = new Bench(page);
  await atDoors(page);
  await page.getByRole('button', { name: /^Look at a finished one/ }).click();
  await bench.proved();
  await page.goBack();
  await expect(page.locator('[data-door]').first()).toBeVisible();
  await page.locator('[data-plan="stairwell"]').click();
  await expect(page.locator('.plan-name')).toHaveText(/Stairwell/);
  await page.reload();
  await expect(page.locator('.plan-name')).toHaveText(/Stairwell/);
});
