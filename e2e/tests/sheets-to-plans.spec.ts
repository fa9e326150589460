/** From a sheet that nobody tuned to, by keyboard, to a plan that is verified: read, looked through, finished at the desk, mended. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { Bench } from './bench';
import { DeskUser, type Entered } from './desk';

test.setTimeout(300_000);
const SHEETS = join(import.meta.dirname, '../../fixtures/sheets');

interface Case {
  /** What the sheet calls the part, as it is proposed. */
  readonly name: string;
  /** What the sheet says that it is, as it is proposed. */
  readonly cls: string;
  /** What is printed on the part, where the sheet has no list of pins. */
  readonly print?: string;
  /** What the maker knows beside the sheet. */
  readonly knows?: Entered['answers'];
  /** What the maker reads otherwise than it was read. */
  readonly mends?: Readonly<Record<string, string>>;
  /** What else is in the plan, by words of names. */
  readonly parts: readonly string[];
}

const CASES: Readonly<Record<string, Case>> = {
  'a-classical': { name: 'OSTERBY OS-31', cls: 'sensor on a bus', parts: ['Marram W3'] },
  'b-two-columns': {
    name: 'BRACK BK-7 Luftdruck / Barometric pressure module',
    cls: 'sensor on a bus',
    print: 'VCC GND SCL=SCK SDA=SDI CSB SDO',
    knows: { 'signals/*/fittedPullUp/removable': 'solder' },
    parts: ['Marram W3'],
  },
  'c-seller': {
    name: 'Gas board',
    cls: 'analog sensor',
    knows: { 'supplies/*/current/active': '160 mA' },
    // A seller's tolerance that no supply keeps behind a lead.
    mends: { 'supplies/*/range': '4.7 to 5.3 V' },
    parts: ['Thrift N8'],
  },
  'd-groff': {
    name: 'FERRANT F-8 eight-bit port extender',
    cls: 'sensor on a bus',
    print: 'VDD GND SCL SDA',
    parts: ['Marram W3'],
  },
  'e-prose': {
    name: 'KELDA C-20',
    cls: 'pulse or serial sensor',
    // "Works at 3.3 V levels": the sheet has no number for the most that its outputs give.
    mends: { 'signals/*/outputHigh': '2.4 to 3.4 V' },
    parts: ['Teasel stick'],
  },
  'f-landscape': {
    name: 'VESPER V-12 ambient light sensor Rev 1.4',
    cls: 'sensor on a bus',
    print: 'VDD GND SCL SDA',
    parts: ['Marram W3'],
  },
};

for (const [file, { name, cls, print, knows = {}, mends = {}, parts }] of Object.entries(CASES))
  test(`${file}: read, entered, verified`, async ({ page }) => {
    const bench = new Bench(page);
    await bench.open();
    const desk = new DeskUser(page, bench);
    await bench.menu('Catalogue of cards');
    await page.getByRole('button', { name: 'Enter a part' }).click();
    await page.getByLabel('datasheet or table of parts').setInputFiles({
      name: `${file}.pdf`,
      mimeType: 'application/pdf',
      buffer: await readFile(join(SHEETS, `${file}.pdf`)),
    });
    let keys = 4;
    const rows = page.locator('[data-figure]');
    await expect(rows.first()).toBeVisible();
    await expect(page.getByRole('button', { name: /^a / }).filter({ hasText: cls })).toBeVisible();
    // All that is sure by one key, the others one by one as they come.
    await expect(page.locator('[data-figure][data-current] [data-take]')).toBeFocused();
    await page.keyboard.press('s');
    keys++;
    for (let open = await page.locator('[data-figure].open').count(); open > 0; open--) {
      await page.keyboard.press('Enter');
      keys++;
    }
    await expect(page.locator('[data-figure].open')).toHaveCount(0);
    const field = desk.sheet.getByLabel('name of the part');
    if ((await field.inputValue()) !== name) {
      await field.fill(name);
      keys++;
    }
    await page.getByRole('button', { name: /^To the desk/ }).click();
    keys++;
    if (print !== undefined) {
      // The sheet has no list of pins: what is printed is asked first.
      const printed = page.getByLabel('printed along the first header');
      await expect(printed).toBeFocused();
      await printed.fill(print);
      await printed.press('Enter');
      desk.actions += 2;
    }
    await expect(page.locator('[data-question] :focus').first()).toBeVisible();
    await desk.through(knows);
    for (const [pattern, said] of Object.entries(mends)) await desk.mend(pattern, said);
    await desk.keep(name);
    const entered = keys + desk.actions;
    await page.keyboard.press('Escape');
    await bench.menu('New plan');
    await expect(bench.verdict).toHaveText(/nothing to prove yet/);
    for (const part of [...parts, name]) await bench.addPart(part);
    await bench.mended();
    console.log(
      `${file}: ${keys} at the sheet, ${desk.actions} at the desk (${desk.answers} answers), ${entered} to the card`,
    );
  });
