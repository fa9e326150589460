import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { Bench } from './bench';

const good = readFileSync(new URL('../../catalogue/plans/cupboard-verified.json', import.meta.url), 'utf8');
const changed = (
  change: (file: {
    version: number;
    plan: Record<string, unknown> & { parts: { id: string; card: string }[]; helpers: { ohms?: number }[] };
  }) => void,
): string => {
  const file = JSON.parse(good) as Parameters<typeof change>[0];
  change(file);
  return JSON.stringify(file);
};

const files: readonly (readonly [string, string, string])[] = [
  ['cut off', good.slice(0, 4000), 'cut off'],
  ['not JSON', 'a plan, honestly', 'expected JSON'],
  ['a newer version', changed((f) => (f.version += 1000)), 'newer Idle Breadboard'],
  ['an unknown card', changed((f) => Object.assign(f.plan.parts[2] ?? {}, { card: 'dream' })), 'found “dream”'],
  ['doubled ids', changed((f) => Object.assign(f.plan.parts[2] ?? {}, { id: 'adapter' })), 'used once'],
  ['NaN', good.replace('"lifeYears": 2', '"lifeYears": NaN'), 'expected JSON'],
  ['negative ohms', changed((f) => Object.assign(f.plan.helpers[0] ?? {}, { ohms: -4700 })), '/plan/helpers/0/ohms'],
  ['a minimum above the maximum', good.replace('"min": 3.234', '"min": 33.234'), 'min ≤ typ ≤ max'],
  [
    'a hundred thousand parts',
    changed((f) => (f.plan.parts = Array.from({ length: 100_000 }, (_, i) => ({ id: `p${i}`, card: 'x' })))),
    'found 100000',
  ],
];

test('a bad file is refused with its problems; nothing is stored, the open plan stays', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  await page.locator('.plan-name').click();
  const plans = await page.getByRole('menuitem').count();
  await page.keyboard.press('Escape');
  for (const [name, text, says] of files) {
    await bench.importFile(`${name}.json`, text);
    const dialog = page.getByRole('dialog');
    await expect(dialog, name).toContainText(says);
    await expect(dialog, name).toContainText('Nothing was stored');
    await page.keyboard.press('Escape');
    await expect(dialog).toBeHidden();
    await expect(bench.verdict, name).toHaveText(/Open · 9 to settle/);
  }
  await page.locator('.plan-name').click();
  await expect(page.getByRole('menuitem')).toHaveCount(plans);
});

test('script in names is text everywhere', async ({ page }) => {
  const bench = new Bench(page);
  const evil = '<img src=x onerror="window.hurt=1">';
  let dialogs = 0;
  page.on('dialog', (dialog) => {
    dialogs += 1;
    void dialog.dismiss();
  });
  await bench.open();
  const named = changed((f) => {
    f.plan.name = evil;
    for (const part of f.plan.parts) Object.assign(part, { label: evil });
  });
  await bench.importFile('evil.json', named);
  await expect(page.locator('.plan-name')).toContainText('<img');
  for (const station of ['Need', 'Levels', 'Bus', 'Pins', 'Power', 'Wiring', 'Parts']) await bench.go(station);
  await bench.verdict.click();
  expect(await page.evaluate(() => Reflect.get(window, 'hurt'))).toBeUndefined();
  expect(dialogs).toBe(0);
});

test('long names do not break the page', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  const long = 'a'.repeat(60);
  await bench.importFile(
    'long.json',
    changed((f) => {
      f.plan.name = 'n'.repeat(80);
      for (const part of f.plan.parts) Object.assign(part, { label: long });
    }),
  );
  await bench.settled();
  for (const station of ['Need', 'Levels', 'Bus', 'Pins', 'Power', 'Wiring', 'Parts']) {
    await bench.go(station);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth), station).toBe(true);
  }
});
