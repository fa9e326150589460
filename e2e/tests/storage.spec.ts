/** A store that is missing, full, broken or taken over: what still works is said, and the work can be got out. */
import { expect, test, type Page } from '@playwright/test';
import { Bench, nameOf, rename, saved, textOf } from './bench';

/** Tabs that are killed; more when asked for. */
const KILLS = Number(process.env['KILLS'] ?? 4);

const trouble = (page: Page, key: string) => page.locator(`[data-trouble="${key}"]`);

/** Everything works in this tab: a change, its verdict, the file of it. */
async function worksHere(page: Page): Promise<void> {
  const bench = new Bench(page);
  await rename(page, 'Still at work');
  await expect(nameOf(page)).toHaveText('Still at work');
  await bench.settled();
  expect(await bench.exported()).toContain('"Still at work"');
}

/** Puts the app's store into a state before the app opens it. */
async function withStore(page: Page, version: number): Promise<void> {
  await page.goto('/healthz');
  await page.evaluate(
    (to) =>
      new Promise<void>((done) => {
        const open = indexedDB.open('idle-breadboard', to);
        open.onupgradeneeded = () => {
          if (!open.result.objectStoreNames.contains('plans'))
            open.result.createObjectStore('plans', { keyPath: 'id' });
        };
        open.onsuccess = () => {
          // Held as a page does that does not answer.
          Object.assign(window, { held: open.result });
          done();
        };
      }),
    version,
  );
}

test('a browser without a store: everything works in this tab, and that is said', async ({ page }) => {
  await page.addInitScript(() => Object.defineProperty(window, 'indexedDB', { value: undefined }));
  const bench = new Bench(page);
  await bench.open();
  await expect(trouble(page, 'only here')).toContainText('lets nothing be stored');
  await expect(trouble(page, 'only here')).toContainText('gone when the tab is closed');
  await expect(page.locator('.saved')).toHaveText('in this tab only');
  await worksHere(page);
});

test('a store that may not be opened', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('access is denied', 'SecurityError');
    };
  });
  await new Bench(page).open();
  await expect(trouble(page, 'only here')).toContainText('lets nothing be stored');
  await worksHere(page);
});

test('a store that fails as it opens', async ({ page }) => {
  await page.addInitScript(() => {
    const open = IDBFactory.prototype.open;
    IDBFactory.prototype.open = function (name, version) {
      const request = Reflect.apply(open, this, [`${name} broken`, version]);
      request.addEventListener('upgradeneeded', () => request.transaction?.abort());
      return request;
    };
  });
  await new Bench(page).open();
  await expect(trouble(page, 'only here')).toContainText('store did not open');
  await worksHere(page);
});

test('a store that another tab holds in an older version', async ({ page, context }) => {
  const holder = await context.newPage();
  await withStore(holder, 10);
  await page.goto('/#need&plan=cupboard-first-draft');
  await expect(trouble(page, 'only here')).toContainText('Close the other tabs');
  await worksHere(page);
});

test('a store of a newer version is left as it is', async ({ page, context }) => {
  const holder = await context.newPage();
  await withStore(holder, 9990);
  await page.goto('/#need&plan=cupboard-first-draft');
  await expect(trouble(page, 'only here')).toContainText('newer version');
  await worksHere(page);
  const plans = await holder.evaluate(
    () =>
      new Promise((done) => {
        const held = Reflect.get(window, 'held') as IDBDatabase;
        const all = held.transaction('plans').objectStore('plans').count();
        all.onsuccess = () => done(all.result);
      }),
  );
  expect(plans).toBe(0);
});

/** From the word on every write of a plan fails as the browser makes it fail. */
async function failing(page: Page, how: 'full' | 'abort'): Promise<void> {
  await page.addInitScript((as) => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, value: unknown, key?: IDBValidKey) {
      if (Reflect.get(window, 'failing') === true && this.name === 'plans') {
        if (as === 'full') throw new DOMException('no space', 'QuotaExceededError');
        const request = Reflect.apply(put, this, key === undefined ? [value] : [value, key]) as IDBRequest<IDBValidKey>;
        this.transaction.abort();
        return request;
      }
      return Reflect.apply(put, this, key === undefined ? [value] : [value, key]) as IDBRequest<IDBValidKey>;
    };
  }, how);
}
const setFailing = (page: Page, to: boolean) => page.evaluate((on) => Object.assign(window, { failing: on }), to);

for (const [how, says] of [
  ['full', 'has no space left: 1 change is not stored'],
  ['abort', 'store failed: 1 change is not stored'],
] as const)
  test(`writes that fail (${how}): not called saved, worked on, and stored once they can be`, async ({ page }) => {
    await failing(page, how);
    const bench = new Bench(page);
    await bench.open();
    await saved(page);
    await setFailing(page, true);
    await rename(page, 'Not stored');
    await expect(trouble(page, 'unsaved')).toContainText(says);
    await expect(page.locator('.saved')).toHaveText('not saved');
    await page.getByRole('button', { name: /^undo/ }).click();
    await page.getByRole('button', { name: /^redo/ }).click();
    await expect(trouble(page, 'unsaved')).toContainText('3 changes are not stored');
    expect(await bench.exported()).toContain('"Not stored"');
    // A killed tab shows what was stored, not what was tried.
    const other = await page.context().newPage();
    await new Bench(other).open();
    await expect(nameOf(other)).toHaveText('Cupboard, first draft');
    await other.close();
    await setFailing(page, false);
    await trouble(page, 'unsaved').getByRole('button', { name: 'Try again' }).click();
    await expect(trouble(page, 'unsaved')).toBeHidden();
    await saved(page);
    await page.reload();
    await expect(nameOf(page)).toHaveText('Not stored');
    await page.getByRole('button', { name: /^undo/ }).click();
    await expect(nameOf(page)).toHaveText('Cupboard, first draft');
  });

test('a newer version in another tab takes the store over', async ({ page, context }) => {
  const bench = new Bench(page);
  await bench.open();
  await saved(page);
  const newer = await context.newPage();
  await withStore(newer, 9990);
  await expect(trouble(page, 'newer')).toContainText('newer version');
  await expect(page.locator('.saved')).toHaveText('not saved');
  await rename(page, 'Too late');
  await expect(trouble(page, 'newer')).toContainText('1 change is not');
  expect(await bench.exported()).toContain('"Too late"');
});

test('a store that the browser empties: the open plan is put back with the next change', async ({ page, context }) => {
  await new Bench(page).open();
  await saved(page);
  const session = await context.newCDPSession(page);
  await session.send('Storage.clearDataForOrigin', { origin: new URL(page.url()).origin, storageTypes: 'indexeddb' });
  await rename(page, 'Put back');
  await saved(page);
  await page.reload();
  await expect(nameOf(page)).toHaveText('Put back');
});

test('a catalogue that cannot be had: plans open all the same, and it is asked for again', async ({ page }) => {
  await page.route('**/api/v1/catalogue', (route) => route.fulfill({ status: 503 }));
  await page.goto('/#need&plan=cupboard-first-draft');
  const bench = new Bench(page);
  await bench.settled();
  await expect(trouble(page, 'catalogue')).toContainText('503');
  await worksHere(page);
  await page.unroute('**/api/v1/catalogue');
  await trouble(page, 'catalogue').getByRole('button', { name: 'Try again' }).click();
  await expect(trouble(page, 'catalogue')).toBeHidden();
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByRole('combobox', { name: 'catalogue' }).fill('Ember red light');
  await expect(page.getByRole('option', { name: /Ember red light/ }).first()).toBeVisible();
});

test('a plan whose record is broken is said to be; the shelf and the others stay', async ({ page }) => {
  await new Bench(page).open();
  await saved(page);
  await page.evaluate(
    () =>
      new Promise<void>((done) => {
        const open = indexedDB.open('idle-breadboard');
        open.onsuccess = () => {
          const steps = open.result.transaction('steps', 'readwrite').objectStore('steps');
          steps.put({ planId: 'cupboard-first-draft', index: 0, why: 'opened', plan: { id: 'cupboard-first-draft' } });
          steps.transaction.oncomplete = () => {
            open.result.close();
            done();
          };
        };
      }),
  );
  await page.reload();
  const told = page.getByRole('alert').filter({ hasText: 'Cupboard, first draft could not be opened' });
  await expect(told).toBeVisible();
  const download = page.waitForEvent('download');
  await told.getByRole('button', { name: 'Export it as it is stored' }).click();
  expect(JSON.parse(await textOf(await download))).toMatchObject({ plan: { id: 'cupboard-first-draft' } });
  await page.locator('[data-plan="cupboard-verified"]').click();
  await new Bench(page).settled();
});

test(`${KILLS} tabs killed the moment they say saved: each change is there`, async ({ context }) => {
  test.setTimeout(60_000 + KILLS * 20_000);
  for (let i = 0; i < KILLS; i++) {
    const page = await context.newPage();
    await new Bench(page).open();
    await rename(page, `kept ${i}`);
    await page.locator('.saved[data-unsaved="0"]').waitFor();
    const crashed = page.waitForEvent('crash');
    const session = await context.newCDPSession(page);
    session.send('Page.crash').catch(() => undefined);
    await crashed;
    await page.close();
    const again = await context.newPage();
    await new Bench(again).open();
    await expect(nameOf(again)).toHaveText(`kept ${i}`);
    await again.close();
  }
});
