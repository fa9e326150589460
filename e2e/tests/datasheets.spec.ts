/** A part enters the catalogue in several ways, each is used in a plan, and its proofs cite where the figures come from. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { circular, cutOff, locked, long, noPdf, scanned, swollen } from '../../fixtures/hostile.mjs';
import { FOLDER, writeDatasheets } from '../../fixtures/write.mjs';
import { Bench, textOf } from './bench';
import { DeskUser } from './desk';

let bench: Bench;
test.beforeAll(async () => {
  await writeDatasheets();
});
test.beforeEach(async ({ page }) => {
  bench = new Bench(page);
  await bench.open();
});

async function enter(page: Page): Promise<void> {
  await bench.menu('Catalogue of cards');
  await page.getByRole('button', { name: 'Enter a part' }).click();
}
const sheetOf = (page: Page) => page.getByRole('dialog');
const give = (page: Page, name: string, buffer: Buffer, mimeType = 'application/pdf') =>
  page.getByLabel('datasheet or table of parts').setInputFiles({ name, mimeType, buffer });

/** Takes every figure that waits, one after the other, as the keyboard does. */
async function takeAll(page: Page): Promise<number> {
  const open = page.locator('[data-figure].open');
  await expect(page.locator('[data-figure]').first()).toBeVisible();
  const count = await open.count();
  await page.locator('[data-figure][data-current] [data-take]').focus();
  for (let i = 0; i < count; i++) await page.keyboard.press('Enter');
  await expect(open).toHaveCount(0);
  return count;
}

/** Takes what was read to the desk, and from there into the drawer; what the sheet does not say is answered or assumed. */
async function atDesk(page: Page, answers: Readonly<Record<string, string>> = {}, print?: string): Promise<void> {
  await page.getByRole('button', { name: /^To the desk/ }).click();
  const desk = new DeskUser(page, bench);
  const printed = page.getByLabel('printed along the first header');
  if (print !== undefined) await printed.fill(print);
  await printed.press('Enter');
  await desk.through(answers);
}

async function useIt(
  page: Page,
  name: string,
  answers: Readonly<Record<string, string>> = {},
  print?: string,
): Promise<void> {
  await atDesk(page, answers, print);
  await new DeskUser(page, bench).keep(name);
  await page.getByRole('button', { name: 'Add to the plan' }).click();
  await bench.settled();
}

/** Opens the proof of a check about a part, and gives what it rests on. */
async function restsOf(page: Page, part: string, check: string): Promise<string> {
  await bench.verdict.click();
  await page
    .getByRole('dialog')
    .getByRole('row')
    .filter({ hasText: part })
    .filter({ hasText: check })
    .first()
    .getByRole('button')
    .first()
    .click();
  return (await page.locator('[data-detail]').textContent()) ?? '';
}

test('from a PDF: spot by spot, into the plan, and the proof cites the page', async ({ page }) => {
  await enter(page);
  await give(page, 'marram.pdf', await readFile(join(FOLDER, 'ruled-1.pdf')));
  await expect(page.getByText(/30 figures read/)).toBeVisible();
  await expect(sheetOf(page).getByLabel('name of the part')).toHaveValue('Marram HX2 humidity and temperature sensor');
  // The page is drawn, and the mark lies on the row of the figure in hand.
  const canvas = page.locator('.sheet canvas');
  await expect.poll(async () => canvas.evaluate((c: HTMLCanvasElement) => c.width)).toBeGreaterThan(600);
  await page.locator('[data-figure]', { hasText: 'supply voltage' }).getByRole('button').first().click();
  await expect(page.locator('.mark')).toBeInViewport();
  // One is mended, one is dropped.
  const supply = page.getByLabel('supply voltage, min');
  await supply.fill('2.5');
  await supply.press('Enter');
  await page
    .getByRole('button', { name: /^drop resolution/ })
    .first()
    .click();
  await takeAll(page);
  await useIt(page, 'Marram HX2 humidity and temperature sensor');
  const proof = await restsOf(page, 'Marram HX2', 'supply/range');
  expect(proof).toContain('2.5 V');
  expect(proof).toMatch(/Marram HX2.*p(?:age|\.) ?1/);
});

test('from a pasted table, used and proved', async ({ page }) => {
  await enter(page);
  await page
    .getByLabel('Text or a table, pasted')
    .fill(
      'Parameter\tMin\tTyp\tMax\tUnit\nSupply voltage\t2.6\t3.3\t3.6\tV\nStandby current\t\t2\t5\tµA\nSCL clock frequency\t\t\t400\tkHz\nI2C address: 0x29',
    );
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.locator('.pasted [data-here]')).toContainText('Supply voltage');
  await sheetOf(page).getByLabel('name of the part').fill('Pasted distance sensor');
  // What it is follows from the bus that it speaks; a search finds another class.
  await page.getByRole('button', { name: 'a sensor on a bus' }).click();
  await page.getByRole('searchbox', { name: 'find a class' }).fill('relay');
  await expect(page.locator('[data-class]')).toHaveCount(1);
  await page.getByRole('searchbox', { name: 'find a class' }).fill('on a bus');
  await page.getByRole('searchbox', { name: 'find a class' }).press('Enter');
  expect(await takeAll(page)).toBe(4);
  await useIt(page, 'Pasted distance sensor', { 'supplies/*/current/active': '20 mA' }, 'VIN GND SCL SDA');
  expect(await restsOf(page, 'Pasted distance', 'supply/range')).toContain('pasted text');
});

test('two figures of one sheet stand against each other, and what was dropped is less sure on the next sheet', async ({
  page,
}) => {
  await enter(page);
  const paste = async (text: string) => {
    await page.getByLabel('Text or a table, pasted').fill(text);
    await page.getByRole('button', { name: 'Read it' }).click();
    await expect(page.locator('[data-figure]').first()).toBeVisible();
  };
  const table = 'Parameter\tMin\tTyp\tMax\tUnit\nSupply voltage\t2.6\t3.3\t3.6\tV\nStandby current\t\t2\t5\tµA';
  await paste(`${table}\nSupply voltage\t1.8\t3.3\t5.5\tV`);
  // Both are shown as a pair, each with a way to the other.
  const supplies = page.locator('[data-figure="supply.range"]');
  await expect(supplies.first()).toContainText('against');
  await supplies
    .first()
    .getByRole('button', { name: /^show what stands against/ })
    .click();
  await expect(supplies.last()).toHaveClass(/current/);
  await supplies.last().getByRole('button', { name: /^drop/ }).click();
  await page.getByRole('button', { name: /^drop idle current/ }).click();
  await sheetOf(page).getByLabel('name of the part').fill('Two voltages');
  await supplies.first().getByRole('button', { name: /^take/ }).click();
  await page.getByRole('button', { name: /say what it is|^a / }).click();
  await page.locator('[data-class="bus-sensor"]').click();
  await page.getByRole('button', { name: /^To the desk/ }).click();
  await expect(
    page.getByText(/1 of 1 figures of the sheet/).or(page.getByText(/0 of 1 figures of the sheet/)),
  ).toBeVisible();
  await page.getByRole('button', { name: 'catalogue' }).click();
  await page.getByRole('button', { name: 'Enter a part' }).click();
  await paste(table);
  await expect(page.locator('[data-figure="supply.idle"]')).toContainText('on a sheet before');
  await expect(page.locator('[data-figure="supply.idle"]')).toContainText('likely:');
});

test('from a CSV with two parts, one after the other', async ({ page }) => {
  await enter(page);
  await give(
    page,
    'parts.csv',
    Buffer.from(
      'part,class,parameter,min,typ,max,unit\nFirst light,ambient light,Supply voltage,2.5,,3.6,V\nFirst light,,I2C address,,0x23,,\nSecond light,ambient light,Supply voltage,3,,5.5,V\n',
    ),
    'text/csv',
  );
  await expect(page.getByText('1 more part follows')).toBeVisible();
  await takeAll(page);
  await page.getByRole('button', { name: /say what it is|^a / }).click();
  await page.locator('[data-class="bus-sensor"]').click();
  await atDesk(page, { 'supplies/*/current/active': '1 mA' }, 'VCC GND SCL SDA');
  await page.getByRole('button', { name: 'Into the drawer' }).click();
  await expect(sheetOf(page).getByLabel('name of the part')).toHaveValue('Second light');
  await takeAll(page);
  await useIt(page, 'Second light', { 'supplies/*/current/active': '1 mA' }, 'VCC GND SCL SDA');
  expect(await restsOf(page, 'Second light', 'supply/range')).toContain('parts.csv');
});

test('from its class, resting on memory, so its proofs stay assumed', async ({ page }) => {
  const desk = new DeskUser(page, bench);
  await desk.enter({
    name: 'Drawer thermometer',
    cls: 'one-wire-probe',
    headers: [{ text: 'VDD DQ GND' }],
    answers: { 'supplies/*/range': '3 to 5.5 V', 'supplies/*/current/active': '1 mA' },
  });
  await page.getByRole('button', { name: 'Add to the plan' }).click();
  await bench.settled();
  expect(await restsOf(page, 'Drawer thermometer', 'supply/range')).toMatch(/from memory|assumed/);
});

test('files that are none, locked, scanned, damaged or circular get a clear message, and the page lives', async ({
  page,
}) => {
  await enter(page);
  const whole = await readFile(join(FOLDER, 'ruled-1.pdf'));
  const said = page.locator('.sheet').getByRole('alert');
  for (const [name, file, message] of [
    ['letter.pdf', noPdf(), /no PDF, or it is damaged/],
    ['locked.pdf', await locked(), /locked with a password/],
    ['scan.pdf', scanned(), /holds a picture and no text: it was scanned/],
    ['ring.pdf', circular(), /damaged|cannot be read/],
    ['empty.pdf', Buffer.alloc(0), /no PDF|cannot be read/],
  ] as const) {
    await give(page, name, file);
    await expect(said, name).toContainText(message);
    await expect(said).toContainText(name);
  }
  // What was cut off is read as far as it goes, or refused; either way the next file is read.
  await give(page, 'cut.pdf', cutOff(whole));
  await expect(page.locator('[data-figure]').first().or(said)).toBeVisible();
});

test('five hundred pages are read with progress, and the one table is found', async ({ page }) => {
  await enter(page);
  await give(page, 'long.pdf', await long());
  await expect(page.getByText(/page \d+ of 500/)).toBeVisible();
  // Five hundred pages take their time on a busy machine.
  await expect(page.locator('[data-figure]', { hasText: 'supply voltage' })).toContainText('p. 250', {
    timeout: 90_000,
  });
});

test('a swollen file can be cancelled while the page stays alive', async ({ page }) => {
  await enter(page);
  await give(page, 'swollen.pdf', swollen());
  const cancel = page.getByRole('button', { name: 'Cancel' });
  await expect(cancel).toBeVisible();
  const began = Date.now();
  await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))));
  expect(Date.now() - began).toBeLessThan(5000);
  await cancel.click();
  await expect(page.getByLabel('datasheet or table of parts')).toBeVisible();
  await page.getByLabel('Text or a table, pasted').fill('Supply voltage: 3 to 5 V');
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.locator('[data-figure]')).toHaveCount(1);
});

test('own cards: edited to a next revision, taken into the plan when the maker says so, packed and unpacked', async ({
  page,
}) => {
  await bench.menu('Catalogue of cards');
  await page.getByRole('searchbox', { name: 'find a card' }).fill('Sedge H1');
  await page.getByRole('button', { name: /^Sedge H1/ }).click();
  await page.getByRole('button', { name: 'Clone' }).click();
  await page.getByRole('button', { name: 'Into the drawer' }).click();
  await expect(page.getByRole('heading', { name: 'Sedge H1 humidity module, copy' })).toBeVisible();
  await page.getByRole('button', { name: 'Add to the plan' }).click();
  await bench.settled();
  await bench.menu('Catalogue of cards');
  await page.getByRole('button', { name: 'Export mine' }).waitFor();
  await sheetOf(page).getByRole('button', { name: /copy/ }).click();
  await page.getByRole('button', { name: 'Edit', exact: true }).click();
  const range = page.locator('[data-pattern="supplies/*/range"] [data-answer]');
  await range.fill('3 to 5.5 V');
  await range.press('Enter');
  await page.getByRole('button', { name: 'Into the drawer' }).click();
  await expect(page.locator('.newer')).toContainText(
    'made with revision 1; this is 2. It differs in 1 figure: vcc supply.',
  );
  await page.getByRole('button', { name: 'Take revision 2 into the plan' }).click();
  await expect(page.locator('.newer')).toHaveCount(0);
  await page.getByRole('button', { name: 'catalogue' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export mine' }).click(),
  ]);
  const pack = await textOf(download);
  await page.getByLabel('pack of cards to import').setInputFiles({
    name: 'bad.json',
    mimeType: 'application/json',
    buffer: Buffer.from(pack.replace('"revision": 2', '"revision": 0')),
  });
  await expect(page.locator('.sheet').getByRole('alert')).toContainText('/cards/0/revision');
  await page
    .getByLabel('pack of cards to import')
    .setInputFiles({ name: 'mine.json', mimeType: 'application/json', buffer: Buffer.from(pack) });
  await expect(page.locator('.sheet').getByRole('alert')).toHaveCount(0);
  await expect(page.locator('[data-pack="same"]')).toHaveCount(1);
  await page.keyboard.press('Escape');
  await expect(sheetOf(page)).toHaveCount(0);
  await page.locator('body').press('Control+z');
  await bench.settled();
  await bench.menu('Catalogue of cards');
  await sheetOf(page).getByRole('button', { name: /copy/ }).click();
  await expect(page.locator('.newer')).toContainText('made with revision 1');
});

const SHEETS = join(import.meta.dirname, '../../fixtures/sheets');

test('a sheet is left by Escape and by a reload, goes on as it was, and is corrected and pointed at', async ({
  page,
}) => {
  await enter(page);
  await give(page, 'columns.pdf', await readFile(join(SHEETS, 'b-two-columns.pdf')));
  const rows = page.locator('[data-figure]');
  await expect(rows.first()).toBeVisible();
  // The first that waits has the focus, and one key takes all that are sure.
  await expect(page.locator('[data-figure][data-current] [data-take]')).toBeFocused();
  await page.keyboard.press('s');
  const taken = await page.locator('[data-figure].taken').count();
  expect(taken).toBeGreaterThan(5);
  // What nothing was read from is marked, and read when it is pressed.
  const count = await rows.count();
  await page.getByRole('button', { name: /^read what stands here, 1 of/ }).press('Enter');
  await expect(rows).toHaveCount(count + 1);
  // A figure is corrected as a sheet would write it.
  const row = page.locator('[data-figure="supply.range"]').last();
  await row.getByRole('button', { name: /^mend/ }).click();
  await row.getByLabel(/as it is written$/).fill('3 V to 3.4 V');
  await row.getByLabel(/as it is written$/).press('Enter');
  await expect(row.getByLabel(/, max$/)).toHaveValue('3.4 V');
  await row.getByLabel(/as it is written$/).fill('7 mA');
  await row.getByLabel(/as it is written$/).press('Enter');
  await expect(row.getByRole('alert')).toContainText('this figure is in V');

  await page.keyboard.press('Escape');
  await page.reload();
  await bench.settled();
  await enter(page);
  await page.getByRole('button', { name: /^Go on with/ }).click();
  await expect(page.locator('[data-figure].taken')).toHaveCount(taken);
  // At the desk, back to the sheet for one more, and at the desk again: what was typed there stays.
  await page.getByRole('button', { name: /^To the desk/ }).click();
  await page.getByLabel('printed along the first header').fill('VCC GND SCL SDA');
  await expect(page.getByText(/figures of the sheet have their place/)).toContainText(`of ${taken} figures`);
  await page.getByRole('button', { name: 'to the sheet' }).click();
  await page.locator('[data-figure].open [data-take]').first().click();
  await page.getByRole('button', { name: /^To the desk/ }).click();
  await expect(page.getByLabel('printed along the first header')).toHaveValue('VCC GND SCL SDA');
  await expect(page.getByText(/figures of the sheet have their place/)).toContainText(`of ${taken + 1} figures`);
  await page.getByRole('button', { name: 'to the sheet' }).click();
  await expect(
    page
      .locator('[data-figure="supply.range"]')
      .last()
      .getByLabel(/, max$/),
  ).toHaveValue('3.4 V');
});
