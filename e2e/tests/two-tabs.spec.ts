/** Two tabs on one shelf: one follows what the other does, and nothing that either called saved is lost. */
import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { Bench, nameOf, rename, saved } from './bench';

/** Pairs of changes at the same moment; more when asked for. */
const PAIRS = Number(process.env['PAIRS'] ?? 6);

async function tab(context: BrowserContext, plan = 'cupboard-first-draft'): Promise<Page> {
  const page = await context.newPage();
  await new Bench(page).open('need', plan);
  return page;
}

test('a tab follows what another does, also a step back; either may go on', async ({ context }) => {
  const [one, two] = [await tab(context), await tab(context)];
  await rename(one, 'Seen in both');
  await expect(nameOf(two)).toHaveText('Seen in both');
  await expect(two.getByRole('status').filter({ hasText: 'Done in another tab' })).toBeVisible();
  await two.getByRole('button', { name: /^undo/ }).click();
  await expect(nameOf(one)).toHaveText('Cupboard, first draft');
  // Where it was taken back it is done again.
  await one.getByRole('button', { name: /^redo/ }).click();
  await expect(nameOf(two)).toHaveText('Seen in both');
  for (const page of [one, two]) {
    await saved(page);
    await page.reload();
    await expect(nameOf(page)).toHaveText('Seen in both');
  }
});

test(`${PAIRS} pairs of changes at the same moment: whatever was called saved is on the shelf`, async ({ context }) => {
  test.setTimeout(60_000 + PAIRS * 30_000);
  const [one, two] = [await tab(context), await tab(context)];
  const said: string[] = [];
  for (let i = 0; i < PAIRS; i++) {
    const names = [`one ${i}`, `two ${i}`] as const;
    await Promise.all([rename(one, names[0]), rename(two, names[1])]);
    for (const page of [one, two]) {
      await saved(page);
      said.push((await nameOf(page).textContent())?.trim() ?? '');
    }
    const shown = said.slice(-2);
    // Each tab either shows its own change, beside the other's where they met, or follows the other.
    for (const name of shown) expect(names.some((own) => name.startsWith(own))).toBe(true);
    // Both go on with the same plan, so that they may meet again.
    for (const page of [one, two]) await new Bench(page).open();
  }
  const third = await tab(context);
  const kept = await third.evaluate(
    () =>
      new Promise<string[]>((answer, fail) => {
        const open = indexedDB.open('idle-breadboard');
        open.onerror = () => fail(new Error('no store'));
        open.onsuccess = () => {
          const all = open.result.transaction('steps').objectStore('steps').getAll();
          all.onsuccess = () => answer(all.result.map((step: { plan: { name: string } }) => step.plan.name));
        };
      }),
  );
  for (const name of said) expect(kept).toContain(name);
});

/** A tab that the browser has put to sleep hears nothing of the others, until it writes itself. */
function sleepy(): void {
  const open = IDBDatabase.prototype.transaction;
  Object.defineProperty(IDBDatabase.prototype, 'transaction', {
    value: function (this: IDBDatabase, stores: string[], mode?: IDBTransactionMode, options?: object) {
      if (mode === 'readwrite' && stores.includes('plans')) Object.assign(window, { asleep: false });
      if (Reflect.get(window, 'asleep') === true && mode !== 'readwrite')
        throw new DOMException('asleep', 'AbortError');
      return Reflect.apply(open, this, [stores, mode, options]) as IDBTransaction;
    },
  });
}

test('where two changes meet, one is kept beside the other and both go on', async ({ context }) => {
  const one = await tab(context);
  const two = await context.newPage();
  await two.addInitScript(sleepy);
  await new Bench(two).open();
  await saved(two);
  await two.evaluate(() => Object.assign(window, { asleep: true }));
  await rename(one, 'Made in one');
  await saved(one);
  await rename(two, 'Made in two');
  const told = two.locator('[data-trouble="apart"]');
  await expect(told).toContainText('“Made in two, second version”');
  await told.getByRole('button', { name: 'Understood' }).click();
  await expect(told).toBeHidden();
  await expect(nameOf(two)).toHaveText('Made in two, second version');
  await expect(nameOf(one)).toHaveText('Made in one');
  await two.reload();
  await expect(nameOf(two)).toHaveText('Made in two, second version');
  await two.locator('.plan-name').click();
  await expect(two.getByRole('menuitem', { name: 'Made in one', exact: true })).toBeVisible();
});

test('a plan removed in one tab is gone in the other and does not come back', async ({ context }) => {
  const [one, two] = [await tab(context), await tab(context)];
  await new Bench(one).menu('Remove this plan');
  await one.getByRole('button', { name: 'Remove it' }).click();
  await expect(two.getByRole('region', { name: 'shelf' })).toBeVisible();
  await expect(two.locator('[data-plan="cupboard-first-draft"]')).toHaveCount(0);
  await two.reload();
  await expect(two.getByRole('region', { name: 'shelf' })).toBeVisible();
  await expect(two.locator('[data-plan]')).toHaveCount(3);
});

test('three tabs at a first start make four demo plans', async ({ context }) => {
  const pages = await Promise.all([1, 2, 3].map(() => context.newPage()));
  await Promise.all(pages.map((page) => page.goto('/#shelf')));
  for (const page of pages) await expect(page.locator('[data-plan]')).toHaveCount(4);
  const again = await context.newPage();
  await again.goto('/#shelf');
  await expect(again.locator('[data-plan]')).toHaveCount(4);
});
