import { expect, test, type Page } from '@playwright/test';
import { Bench, settleDraft } from './bench';

let bench: Bench;
test.beforeEach(async ({ page }) => {
  bench = new Bench(page);
  await bench.open();
});

test('keys: stations, findings, the first remedy, back again', async ({ page }) => {
  for (const [key, title] of [
    ['2', 'Compare'],
    ['3', 'Control'],
    ['4', 'Levels'],
    ['5', 'Bus'],
    ['6', 'Pins'],
    ['7', 'Power'],
    ['8', 'Wiring'],
    ['9', 'Parts'],
    ['1', 'Need'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(title);
  }
  await page.keyboard.press(']');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Pins');
  await expect(page.locator('[data-detail]')).toContainText('without a resistor');
  await expect(page.locator('[data-remedy="0"]')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(bench.verdict).toHaveText(/8 to settle/);
  await page.keyboard.press('Control+z');
  await expect(bench.verdict).toHaveText(/9 to settle/);
  await page.keyboard.press('[');
  await expect(page.locator('[data-detail]')).toHaveCount(1);
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('the next finding');
});

test('find or do: a part, a net, an action', async ({ page }) => {
  await page.keyboard.press('/');
  await page.getByRole('combobox', { name: 'find or do' }).fill('one-wire data');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('/');
  await page.keyboard.type('dark by night');
  await page.keyboard.press('Enter');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await expect.poll(() => storedSetting(page, 'theme')).toBe('dark');
  await page.reload();
  await bench.settled();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

test('what is typed before the box is there is in it when it comes', async ({ page }) => {
  await page.evaluate(() => {
    for (const key of ['/', ...'my rulls', 'Backspace', 'Backspace', 'e', 's', 'Enter'])
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  });
  await expect(page.getByRole('dialog', { name: 'Name and my rules' })).toBeVisible();
});

test('the verdict opens every proof, passes included, tightest first', async ({ page }) => {
  await settleDraft(bench);
  await bench.verified();
  const tightest = /tightest \+([\d.]+)/.exec((await bench.verdict.textContent()) ?? '')?.[1];
  await bench.verdict.click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.locator('tbody tr').first()).toContainText(`+${tightest}`);
  const shown = await dialog.locator('tbody tr').count();
  expect(shown).toBeGreaterThan(150);
  await dialog.getByLabel('only proofs with these words').fill('drive/led');
  await expect(dialog.locator('tbody tr')).toHaveCount(1);
  await dialog.locator('tbody tr button').click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Pins');
  await expect(page.locator('[data-detail]')).toContainText('÷ 16 mA');
});

test('a finding shows its sum, what it rests on, and remedies with their effect', async ({ page }) => {
  await bench.take(/pull-up on display lifts I²C SDA/);
  const detail = page.locator('[data-detail]');
  await expect(detail).toContainText('It can be damaged');
  await expect(detail).toContainText('/4.465 kΩ');
  await expect(detail).toContainText('class-typical');
  await expect(detail).toContainText('ends 2 findings, adds 1 part, +1.90');
});

test('several plans: new, duplicate, rename, remove', async ({ page }) => {
  await bench.menu('Duplicate this plan');
  await expect(page.locator('.plan-name')).toHaveText(/Cupboard, first draft, copy/);
  await bench.menu('Name and my rules');
  await page.getByLabel('name of the plan').fill('Mine');
  await page.getByLabel('name of the plan').press('Enter');
  await page.keyboard.press('Escape');
  await expect(page.locator('.plan-name')).toHaveText(/Mine/);
  await bench.menu('Cupboard, verified');
  await expect(bench.verdict).toHaveText(/Verified/);
  await bench.menu('Mine');
  await bench.menu('Remove this plan');
  await page.getByRole('button', { name: 'Remove it' }).click();
  await expect(page.locator('.plan-name')).not.toHaveText(/Mine/);
});

test('the channel: arrow keys share the width, double-click levels', async ({ page }) => {
  await bench.go('Levels');
  const channel = page.getByRole('slider', { name: 'width of decisions and proofs' });
  await channel.focus();
  await page.keyboard.press('ArrowRight');
  await expect(channel).toHaveAttribute('aria-valuenow', '38');
  await channel.dblclick({ position: { x: 4, y: 200 } });
  await expect(channel).toHaveAttribute('aria-valuenow', '50');
});

test('nothing is fetched from elsewhere', async ({ page }) => {
  const hosts = new Set<string>();
  page.on('request', (request) => hosts.add(new URL(request.url()).host));
  await page.reload();
  await bench.settled();
  for (const station of ['Levels', 'Bus', 'Pins', 'Power', 'Wiring', 'Parts']) await bench.go(station);
  expect([...hosts].filter((host) => !host.startsWith('localhost') && host !== '')).toEqual([]);
});

/** A setting as the browser keeps it: what is written a moment before a reload may still be on its way. */
const storedSetting = (page: Page, key: string): Promise<unknown> =>
  page.evaluate(
    (name) =>
      new Promise((done) => {
        const opening = indexedDB.open('idle-breadboard');
        opening.onsuccess = () => {
          const get = opening.result.transaction('settings').objectStore('settings').get(name);
          get.onsuccess = () => {
            opening.result.close();
            const found: unknown = get.result;
            done(found && typeof found === 'object' ? Reflect.get(found, 'value') : undefined);
          };
        };
      }),
    key,
  );

test('every sign of the trade comes in a font that ships with the app', async ({ page }) => {
  const loaded = await page.evaluate(async () => {
    const sets = await Promise.all(
      [...'ΩµΣπ≤≥≈∞√'].map(async (sign) => [sign, await document.fonts.load('14px "Signs"', sign)] as const),
    );
    return sets.map(([sign, faces]) => `${sign} ${faces.map(({ status }) => status).join()}`);
  });
  expect(loaded).toEqual([...'ΩµΣπ≤≥≈∞√'].map((sign) => `${sign} loaded`));
});

test('a part that is fed from another rail keeps the focus at its field, though its row moves', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open('power');
  const feed = page.getByLabel('rail that feeds VCC of scale');
  for (const rail of ['board.3v3', 'five-volt.5v']) {
    const before = await feed.evaluate((field) => field.getBoundingClientRect().top);
    await feed.focus();
    await page.keyboard.press('Enter');
    await page.locator(`[role="option"][data-value="${rail}"]`).click();
    await expect.poll(() => feed.evaluate((field) => field.getBoundingClientRect().top)).not.toBe(before);
    await bench.settled();
    await expect(feed).toBeFocused();
  }
});
