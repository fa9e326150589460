/** From a verified plan to the bench: steps ticked off, parts moved, files written, and all of it without a network. */
import { expect, test, type Page } from '@playwright/test';
import { Bench, textOf, choose } from './bench';

let bench: Bench;

async function openVerified(page: Page): Promise<void> {
  bench = new Bench(page);
  await bench.open();
  await page.locator('.plan-name').click();
  await page.getByRole('menuitem', { name: /^Cupboard, verified/ }).click();
  await expect(page.locator('.plan-name')).toContainText('Cupboard, verified');
  await expect(page.locator('[data-verdict="verified"]')).toBeVisible();
}

const map = (page: Page) => page.getByRole('group', { name: /^Boards with the leads of/ });
const heads = (page: Page) => page.locator('.station .heads');

test('steps are ticked off at the bench, through a reload without a network, and nothing is lost', async ({
  browser,
}) => {
  const context = await browser.newContext({ serviceWorkers: 'allow', viewport: { width: 360, height: 740 } });
  const page = await context.newPage();
  await openVerified(page);
  await bench.go('Wiring');
  await expect(page.locator('main')).toContainText('all as the circuit wants them');
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  for (const step of [1, 2, 3]) await page.getByLabel(new RegExp(`^step ${step} done`)).check();
  await expect(heads(page)).toContainText('3 of ');
  await expect(page.locator('.saved[data-unsaved="0"]')).toBeVisible();

  await context.setOffline(true);
  await page.reload();
  await expect(heads(page)).toContainText('3 of ');
  await expect(page.locator('main')).toContainText('all as the circuit wants them');
  await page.getByLabel(/^step 4 done/).check();
  await expect(heads(page)).toContainText('4 of ');
  await expect(page.locator('.saved[data-unsaved="0"]')).toBeVisible();
  await page.reload();
  await expect(heads(page)).toContainText('4 of ');
  // Stations that were not looked at before are there as well.
  await bench.go('Parts');
  await expect(page.locator('main')).toContainText('117.20 EUR with shipping');

  await context.setOffline(false);
  await page.reload();
  await bench.go('Wiring');
  for (const step of [1, 2, 3, 4]) await expect(page.getByLabel(new RegExp(`^step ${step} done`))).toBeChecked();
  await expect(page.locator('[data-verdict="verified"]')).toBeVisible();
  await context.close();
});

test('the step in hand is lit on the map, and the next one comes when it is ticked', async ({ page }) => {
  await openVerified(page);
  await bench.go('Wiring');
  await expect(map(page).locator('.lead')).toHaveCount(5);
  const sda = page.getByRole('button', { name: /I²C SDA \d+ leads/ });
  const leads = Number(/(\d+) leads/.exec((await sda.textContent()) ?? '')?.[1]);
  expect(leads).toBeGreaterThan(3);
  await sda.click();
  await expect(map(page).locator('.lead')).toHaveCount(leads);
  await expect(page.getByRole('list', { name: /checks after step/ })).toContainText('beeps from controller, P10');
  await page.getByLabel('all leads').check();
  expect(await map(page).locator('.lead').count()).toBeGreaterThan(70);
  await page.getByLabel('all leads').uncheck();
  await page.getByLabel(/^step 1 done/).check();
  await expect(page.locator('li[data-current]')).toContainText('Resistors and other helpers');
  await expect(page.locator('li[data-current]')).toContainText('4.47 kΩ to 4.94 kΩ');
});

test('a part is moved with the keys, stays there, and the rest flows round it; let go, it is placed again', async ({
  page,
}) => {
  await openVerified(page);
  await bench.go('Wiring');
  const scale = page.getByRole('button', { name: /^scale, in the board/ });
  await expect(scale).toHaveAccessibleName(/arrow keys move it/);
  await scale.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /^scale, in the board, put there by hand/ })).toBeVisible();
  await expect(page.locator('main')).toContainText('all as the circuit wants them');
  await expect(page.locator('[data-verdict="verified"]')).toBeVisible();
  await page.getByRole('button', { name: /^scale, in the board/ }).focus();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('button', { name: /^scale, in the board:/ })).toBeVisible();
  await page.getByRole('button', { name: 'Keep all places' }).click();
  await expect(page.getByRole('button', { name: /put there by hand/ })).toHaveCount(10);
  await page.getByRole('button', { name: 'Place anew' }).click();
  await expect(page.getByRole('button', { name: /put there by hand/ })).toHaveCount(0);
});

test('a part is dragged over the holes', async ({ page }) => {
  await openVerified(page);
  await bench.go('Wiring');
  const light = page.getByRole('button', { name: /^status light, in the board/ });
  const box = await light.boundingBox();
  if (!box) throw new Error('no light');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 60, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  // Either it stands there now, or it is said that it does not fit.
  await expect(
    page
      .getByRole('button', { name: /^status light, in the board, put there by hand/ })
      .or(page.getByText(/does not fit there/)),
  ).toBeVisible();
});

test('a board that is too small is said, and the plan is not called verified until there is room', async ({ page }) => {
  await openVerified(page);
  await bench.go('Wiring');
  await choose(page.getByLabel('board 1', { exact: true }), 'board-mini');
  await expect(page.locator('main')).toContainText('No layout.');
  await expect(bench.verdict).toContainText('Open · no layout');
  await page.getByRole('button', { name: /^undo/ }).click();
  await expect(page.locator('[data-verdict="verified"]')).toBeVisible();
});

test('the board map, the steps and the sheet are written as files', async ({ page }) => {
  await openVerified(page);
  await bench.go('Wiring');
  await expect(page.locator('main')).toContainText('all as the circuit wants them');
  const save = async (name: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name, exact: true }).click(),
    ]);
    return { name: download.suggestedFilename(), text: await textOf(download) };
  };
  const svg = await save('SVG');
  expect(svg.name).toBe('cupboard-verified-board.svg');
  // A strict reader of XML takes it, and an image of it can be shown.
  const read = await page.evaluate(async (text) => {
    const parsed = new DOMParser().parseFromString(text, 'image/svg+xml');
    const image = new Image();
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
    await image.decode();
    return {
      error: parsed.querySelector('parsererror')?.textContent ?? null,
      root: parsed.documentElement.namespaceURI,
      names: [...new Set([...parsed.querySelectorAll('*')].map((e) => e.localName))].sort(),
      wide: image.naturalWidth > image.naturalHeight,
    };
  }, svg.text);
  expect(read).toEqual({
    error: null,
    root: 'http://www.w3.org/2000/svg',
    names: ['circle', 'path', 'rect', 'svg', 'text', 'title'],
    wide: true,
  });
  const csv = await save('CSV');
  expect(csv.text.split('\r\n')[0]).toBe('step,title,number,from,to,kind,colour,ends,metres,value,leads');
  await choose(page.getByLabel('paper of the PDF'), 'LETTER');
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'PDF', exact: true }).click(),
  ]);
  expect(pdf.suggestedFilename()).toBe('cupboard-verified-plan.pdf');
  const bytes = await textOf(pdf);
  expect(bytes.slice(0, 5)).toBe('%PDF-');
  // Letter is 612 by 792 points.
  expect(bytes).toContain('/MediaBox [0 0 612 792]');
  const sheet = await save('Sheet');
  expect(sheet.name).toBe('cupboard-verified-build-sheet.md');
  expect(sheet.text).toContain('the wiring was read back and agrees with the circuit');
  expect(sheet.text).toContain('- [ ] done');
});

test('the printed plan names the colours, on A4 and on Letter', async ({ page }) => {
  await openVerified(page);
  await bench.go('Wiring');
  await expect(page.locator('main')).toContainText('all as the circuit wants them');
  await page.emulateMedia({ media: 'print' });
  const sheet = page.locator('article.print-only');
  await expect(sheet).toContainText('the wiring was read back and agrees with the circuit');
  // What stands at the ends of a lead in the picture stands before it in the table, with its colour.
  await expect(sheet.locator('.picture svg').first().locator('text', { hasText: /^4$/ })).toHaveCount(2);
  await expect(sheet.locator('tr', { hasText: 'orange, male–male' }).first()).toContainText('5');
  await expect(sheet).toContainText('Where colours meet');
  for (const format of ['A4', 'Letter'] as const) {
    const pdf = await page.pdf({ format });
    const pages = pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)?.length ?? 0;
    expect(pages, format).toBeGreaterThan(5);
    expect(pages, format).toBeLessThan(25);
  }
});

test('what a coin or a day more buys, and how many spares', async ({ page }) => {
  await openVerified(page);
  await bench.go('Parts');
  const total = page.locator('.row[data-head]').first();
  await expect(total).toContainText('117.20 EUR with shipping, here in 3 days');
  await choose(page.getByLabel('how to buy'), 'cheap');
  await expect(total).toContainText('here in 18 days');
  await expect(bench.row('Rill core probe')).toContainText('4, 1 of them a spare');
  await choose(page.getByLabel('how sure that enough of each kind works'), '0.5');
  await expect(bench.row('Rill core probe')).not.toContainText('spare');
  await expect(page.locator('main')).toContainText('resistors');
});
