/** Nothing that was typed at the desk is lost: killed tabs, Escape, two tabs; and cards that come back from elsewhere. */
import { expect, test, type Page } from '@playwright/test';
import { Bench, textOf } from './bench';
import { DeskUser } from './desk';
import { SENSOR } from './own-parts';

async function begun(page: Page): Promise<DeskUser> {
  const bench = new Bench(page);
  await bench.open();
  const desk = new DeskUser(page, bench);
  await desk.begin('bus-sensor');
  await desk.printed([{ text: 'VIN GND SCL SDA' }]);
  return desk;
}
const toCatalogue = (page: Page) => new Bench(page).menu('Catalogue of cards');
const draftLine = (page: Page) => page.getByRole('list', { name: 'drafts' }).getByRole('button').first();

test('a killed tab loses nothing, not even what was being typed', async ({ page, context }) => {
  const desk = await begun(page);
  await desk.through({ name: 'Half entered' });
  const range = page.locator('[data-pattern="supplies/*/range"] [data-answer]');
  await range.focus();
  await page.keyboard.type('2.4 to 5');
  // What is typed is put away a moment later.
  await page.waitForTimeout(600);
  await page.close({ runBeforeUnload: false });

  const again = await context.newPage();
  await new Bench(again).open();
  await toCatalogue(again);
  await expect(draftLine(again)).toContainText('Half entered');
  await draftLine(again).click();
  await expect(again.locator('[data-pattern="name"] [data-answer]')).toHaveValue('Half entered');
  await expect(again.locator('[data-pattern="supplies/*/range"] [data-answer]')).toHaveValue('2.4 to 5');
  await expect(again.getByLabel('printed along the first header')).toHaveValue('VIN GND SCL SDA');
});

test('a photo of the part is shown beside it', async ({ page }) => {
  await begun(page);
  const pixel = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
  await page.getByText('A photo beside it').click();
  await page
    .getByLabel('photo of the part')
    .setInputFiles({ name: 'part.png', mimeType: 'image/png', buffer: Buffer.from(pixel, 'base64') });
  const shown = page.getByRole('img', { name: 'the part as it lies there' });
  await expect.poll(() => shown.evaluate((image) => (image as HTMLImageElement).naturalWidth)).toBe(1);
});

test('Escape asks; a draft left is there again, one thrown away is not', async ({ page }) => {
  const desk = await begun(page);
  await desk.through({ name: 'Left behind' });
  await page.keyboard.press('Escape');
  await expect(page.getByRole('alertdialog')).toContainText('Left behind is not in the drawer yet');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByRole('alertdialog')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Enter');
  await expect(draftLine(page)).toContainText('Left behind');
  await draftLine(page).click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Throw it away' }).click();
  await expect(page.getByRole('list', { name: 'drafts' })).toHaveCount(0);
});

test('a pin is moved along its header by the keyboard and by dragging, and keeps what was said of it', async ({
  page,
}) => {
  const desk = await begun(page);
  await desk.through({ name: 'Other order' });
  const high = page.locator('[data-pattern="signals/*/absoluteMax"] [data-answer]').first();
  await high.fill('5 V');
  await high.press('Enter');
  const header = page.getByLabel('printed along the first header');
  await page.locator('[data-pin="sda"]').focus();
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(header).toHaveValue('VIN GND SDA SCL');
  await expect(page.locator('[data-pin="sda"]')).toBeFocused();
  const from = await page.locator('[data-pin="sda"] .hit').boundingBox();
  const to = await page.locator('[data-pin="vin"] .hit').boundingBox();
  if (!from || !to) throw new Error('no pins');
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 5 });
  await page.mouse.up();
  await expect(header).toHaveValue('SDA VIN GND SCL');
  await expect(high).toHaveValue('5 V');
});

test('two tabs do not overwrite each other: a draft is open in one, and revisions are numbered by the store', async ({
  page,
  context,
}) => {
  const desk = await begun(page);
  await desk.through({ name: 'In two tabs' });
  const other = await context.newPage();
  await new Bench(other).open();
  await toCatalogue(other);
  await draftLine(other).click();
  await expect(other.getByRole('alert')).toContainText('open in another tab');
  await expect(other.locator('[data-question]')).toHaveCount(0);

  // Both tabs clone and edit the same card; neither revision is lost.
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Throw it away' }).click();
  const revise = async (tab: Page, range: string) => {
    await tab.getByRole('searchbox', { name: 'find a card' }).fill('Sedge H1');
    await tab.getByRole('button', { name: /^Sedge H1/ }).click();
    await tab.getByRole('button', { name: 'Edit', exact: true }).click();
    const field = tab.locator('[data-pattern="supplies/*/range"] [data-answer]');
    await field.fill(range);
    await field.press('Enter');
  };
  await revise(page, '3 to 5 V');
  await revise(other, '3.1 to 5 V');
  await page.getByRole('button', { name: 'Into the drawer' }).click();
  const revisionIn = async (tab: Page) => {
    await tab.getByRole('button', { name: 'Edit', exact: true }).waitFor();
    return Number(/revision (\d+)/.exec((await tab.getByRole('dialog').textContent()) ?? '')?.[1]);
  };
  const first = await revisionIn(page);
  await other.getByRole('button', { name: 'Into the drawer' }).click();
  expect(await revisionIn(other)).toBe(first + 1);
});

test('a part can be edited whole; a plan that uses it says what differs and what it would break', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  const desk = new DeskUser(page, bench);
  await desk.enter(SENSOR);
  await page.getByRole('button', { name: 'Add to the plan' }).click();
  await bench.settled();
  await bench.menu('Catalogue of cards');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: new RegExp(`^${SENSOR.name}`) })
    .click();
  await page.getByRole('button', { name: 'Edit', exact: true }).click();
  // Its structure, too: a fixed address in place of two, and a supply of 5 V alone.
  await page.getByLabel('printed along the first header').fill('VIN GND SCL SDA');
  const range = page.locator('[data-pattern="supplies/*/range"] [data-answer]');
  await range.fill('4.5 to 5.5 V');
  await range.press('Enter');
  await page.getByRole('button', { name: 'Into the drawer' }).click();
  const newer = page.locator('.newer');
  await expect(newer).toContainText('made with revision 1; this is 2');
  await expect(newer).toContainText('vin supply');
  await expect(newer.locator('[data-effect]')).toContainText(/Taken into the plan it brings/);
  await page.getByRole('button', { name: 'Take revision 2 into the plan' }).click();
  await expect(page.locator('.newer')).toHaveCount(0);
});

test('a pack shows its cards one by one: the same, newer, apart; and takes what is chosen', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  const desk = new DeskUser(page, bench);
  await desk.enter(SENSOR);
  await page.getByRole('button', { name: 'catalogue' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export mine' }).click(),
  ]);
  const pack = JSON.parse(await textOf(download)) as { cards: Record<string, unknown>[] };
  const [mine] = pack.cards;
  const give = (cards: readonly unknown[]) =>
    page.getByLabel('pack of cards to import').setInputFiles({
      name: 'pack.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify({ ...pack, cards })),
    });
  const apart = { ...mine, name: 'Gorse H3, of a friend' };
  await give([mine]);
  await expect(page.locator('[data-pack="same"]')).toHaveCount(1);
  await expect(page.getByRole('button', { name: /^Take 0 cards/ })).toBeDisabled();
  await page.getByRole('dialog').getByRole('button', { name: 'catalogue' }).click();
  await give([apart, { ...mine, id: 'another', name: 'Another one' }]);
  await expect(page.locator('[data-pack="apart"]')).toContainText('changed apart from mine');
  await expect(page.locator('[data-pack="new"]')).toHaveCount(1);
  await page
    .getByRole('radiogroup', { name: 'which of Gorse H3, of a friend' })
    .getByRole('radio', { name: 'both' })
    .click();
  await page.getByRole('button', { name: 'Take 2 cards' }).click();
  await page.getByLabel('mine alone').check();
  await expect(page.getByRole('region', { name: 'cards' }).locator('.line')).toHaveCount(3);
});
