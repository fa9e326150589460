/** Parts of a maker's own, entered by keyboard and mouse from what lies on the table, and each used in a plan that is verified. */
import { mkdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { PRINTED_SHEETS } from '../../core/test/support/pin-sheets';
import { writePinSheet } from '../../fixtures/pin-sheet.mjs';
import { FOLDER } from '../../fixtures/write.mjs';
import { Bench, choose } from './bench';
import { DeskUser, type Entered } from './desk';
import * as own from './own-parts';

test.setTimeout(300_000);

interface Use {
  /** What else is in the plan, by words of names. */
  readonly parts: readonly string[];
  /** Own parts are in the drawer; this one is put in as what it is. */
  readonly own?: string;
}

async function begun(page: Page): Promise<{ bench: Bench; desk: DeskUser }> {
  const bench = new Bench(page);
  await bench.open();
  return { bench, desk: new DeskUser(page, bench) };
}

/** A new plan with these parts, completed at one stroke. */
async function verifiedPlan(bench: Bench, { parts }: Use): Promise<void> {
  const { page } = bench;
  await page.keyboard.press('Escape');
  await bench.menu('New plan');
  await expect(bench.verdict).toHaveText(/nothing to prove yet/);
  for (const part of parts) await bench.addPart(part);
  await bench.mended();
}

function tell(name: string, { answers, confirmed, actions }: DeskUser): void {
  console.log(`${name}: ${answers} answers, ${confirmed} confirmed, ${actions} actions`);
}

test('a plain sensor on a bus, in at most 25 answers', async ({ page }) => {
  const { bench, desk } = await begun(page);
  await desk.enter(own.SENSOR);
  tell('plain sensor', desk);
  expect(desk.answers).toBeLessThanOrEqual(25);
  await verifiedPlan(bench, { parts: ['Marram W3', own.SENSOR.name] });
});

test('a 3.3 V controller with two rows, from a pasted table of pins', async ({ page }) => {
  const { bench, desk } = await begun(page);
  await desk.begin('controller');
  await desk.printed(own.CONTROLLER.headers ?? []);
  await page.getByLabel('table of pins', { exact: true }).fill(own.CONTROLLER_TABLE);
  await page.getByLabel('table of pins', { exact: true }).press('Tab');
  await expect(page.getByText(/27 pins with \d+ functions read/)).toBeVisible();
  await page.locator('[data-pattern="name"] [data-answer]').focus();
  await desk.through({ name: own.CONTROLLER.name, ...own.CONTROLLER.answers });
  await desk.keep(own.CONTROLLER.name);
  tell('controller of 32 pins', desk);
  expect(desk.answers).toBeLessThanOrEqual(60);
  await verifiedPlan(bench, { parts: [own.CONTROLLER.name, 'Sedge H2'] });
});

test('a 5 V board, from the table of pins in a PDF', async ({ page }) => {
  const sheet = PRINTED_SHEETS.find(({ print }) => print.title === own.BOARD_5V.name);
  if (!sheet) throw new Error('no sheet');
  await mkdir(FOLDER, { recursive: true });
  const file = join(FOLDER, 'own-board.pdf');
  await writePinSheet(file, sheet.print);
  const { bench, desk } = await begun(page);
  await desk.begin('controller');
  await desk.printed(own.BOARD_5V.headers ?? []);
  await page
    .getByLabel('sheet with a table of pins')
    .setInputFiles({ name: 'cairn.pdf', mimeType: 'application/pdf', buffer: await readFile(file) });
  await expect(page.getByText(/12 pins with \d+ functions read/)).toBeVisible();
  await page.locator('[data-pattern="name"] [data-answer]').focus();
  await desk.through({ name: own.BOARD_5V.name, ...own.BOARD_5V.answers });
  await desk.keep(own.BOARD_5V.name);
  tell('5 V board from a PDF', desk);
  await verifiedPlan(bench, { parts: [own.BOARD_5V.name, 'Peg push button'] });
});

test('a carrier, from a pasted list of names', async ({ page }) => {
  const { bench, desk } = await begun(page);
  await desk.begin('carrier');
  await desk.printed(own.CARRIER.headers ?? []);
  await choose(page.getByLabel('controller that the carrier fits'), 'board-8bit');
  await page.getByLabel('names on the carrier').fill(own.CARRIER_NAMES);
  await page.getByLabel('names on the carrier').press('Tab');
  await expect(page.getByText(/6 names lead to a pin/)).toBeVisible();
  desk.actions += 3;
  desk.answers += 1;
  await page.locator('[data-pattern="name"] [data-answer]').focus();
  await desk.through({ name: own.CARRIER.name, ...own.CARRIER.answers });
  await desk.keep(own.CARRIER.name);
  tell('carrier', desk);
  await page.keyboard.press('Escape');
  await bench.menu('New plan');
  await bench.addPart('Thrift N8');
  await bench.go('Control');
  await page.locator('.row', { hasText: own.CARRIER.name }).getByRole('button', { name: 'Put it on' }).click();
  await bench.settled();
  await bench.mended();
});

const CASES: readonly (readonly [string, Entered, Use])[] = [
  ['a terminal adapter with a resistor in it', own.ADAPTER, { parts: ['Marram W3', 'Rill bare', own.ADAPTER.name] }],
  ['a bare thermistor', own.THERMISTOR, { parts: ['Marram W3', own.THERMISTOR.name] }],
  ['a relay board', own.RELAY, { parts: ['Hollin 12 V adapter', 'Teasel stick', own.RELAY.name, 'Waft 12 V fan'] }],
  ['a two-mode sensor with straps for four addresses', own.TWO_MODES, { parts: ['Marram W3', own.TWO_MODES.name] }],
  ['a display with another header order', own.DISPLAY, { parts: ['Marram W3', own.DISPLAY.name] }],
  ['a probe with its own lead colours', own.PROBE, { parts: ['Marram W3', own.PROBE.name] }],
  ['a battery', own.BATTERY, { parts: ['Teasel stick', own.BATTERY.name, 'Sedge H2'] }],
];
for (const [name, part, use] of CASES)
  test(name, async ({ page }) => {
    const { bench, desk } = await begun(page);
    await desk.enter(part);
    tell(name, desk);
    await verifiedPlan(bench, use);
  });

test('a breakout with regulator, translator and pull-ups that come off, from a meter', async ({ page }) => {
  const { bench, desk } = await begun(page);
  const part = own.BREAKOUT;
  await desk.begin(part.cls);
  await desk.printed(part.headers ?? []);
  // The chip between the bus and the sensor is seen on the board; it only has to be said before the meter is read.
  await desk.more('ports/*/ownTranslator', 'yes');
  await desk.measure('rails', '3.29 V');
  await expect(page.getByText(/A regulator makes 3.29 V/)).toBeVisible();
  await desk.measure('signals/*/fittedPullUp/value', '9.8 kΩ');
  await page.locator('[data-pattern="name"] [data-answer]').focus();
  await desk.through({ name: part.name, ...part.answers });
  await desk.keep(part.name);
  tell('breakout from a meter', desk);
  await verifiedPlan(bench, { parts: ['Thrift N8', part.name] });
});
