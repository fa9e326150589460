/** The build taken through its sheet on the simulated bench: a hidden swapped pair is found, mended and signed off. */
import { expect, test, type Page } from '@playwright/test';
import { Bench, choose, cupboard, textOf } from './bench';

// The dictionary of faults takes some seconds on a small machine.
test.describe.configure({ timeout: 180_000 });

/** How many proofs rest on assumed figures, as the verdict says it. */
const assumed = async (page: Page): Promise<number> =>
  Number(/(\d+) rest on assumed figures/.exec((await page.locator('.verdict').textContent()) ?? '')?.[1]);

const suspects = (page: Page) => page.getByRole('region', { name: 'what the readings point to' });
const act = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: typeof name === 'string' });

async function putIn(page: Page, says: RegExp): Promise<void> {
  await page.getByText('Put a fault of your choice in').click();
  const list = page.getByRole('combobox', { name: 'fault to put in' });
  // The list is long enough to be searched once the faults are there.
  await expect(list).toHaveAttribute('placeholder', /choose one of \d{3}/);
  await choose(list, says);
  await act(page, 'Put it in').click();
}

test('a hidden swapped pair is found by measuring what is proposed, mended, read again and signed off', async ({
  page,
}) => {
  await cupboard(page);
  const before = await assumed(page);
  await putIn(page, /SDA of carbon dioxide sensor and SCL of carbon dioxide sensor are swapped/);
  await act(page, 'Read scans').click();
  const panel = suspects(page);
  await expect(panel.getByText('It points to')).toBeVisible({ timeout: 120_000 });
  await expect(page.getByRole('textbox', { name: 'Addresses on I²C: measured' })).toHaveValue('0x26 0x44 0x45');

  // A reload in between: what was measured is still there, and so is the simulated build with its fault.
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Addresses on I²C: measured' })).toHaveValue('0x26 0x44 0x45', {
    timeout: 150_000,
  });
  await expect(page.getByText('The fault that you chose is in it.')).toBeVisible();
  await expect(panel.getByText('measure next')).toBeVisible({ timeout: 120_000 });
  for (let step = 0; step < 25; step++) {
    const read = panel.getByRole('button', { name: /^read it now: / });
    if ((await read.count()) === 0) break;
    const name = await read.getAttribute('aria-label');
    await read.click();
    await expect(panel.getByRole('button', { name: name ?? '', exact: true })).toHaveCount(0, { timeout: 30_000 });
  }
  const first = panel.getByRole('listitem').first();
  await expect(first).toContainText('SDA of carbon dioxide sensor and SCL of carbon dioxide sensor are swapped');
  await expect(first).toContainText(/9\d %/);
  await first.getByRole('button', { name: /^mended: SDA of carbon dioxide/ }).click();

  for (const phase of ['Read power off', 'Read power', 'Read at rest', 'Read scans', 'Read readings', 'Read edges'])
    await act(page, phase).click();
  await expect(panel.getByText('All as expected so far.')).toBeVisible({ timeout: 150_000 });
  await expect(page.getByText(/(\d+) of \1 measured/).first()).toBeVisible();
  await act(page, 'Sign off').click();
  await expect(page.getByText(/signed off, simulated: \d+ of \d+ as expected, 0 outside/).first()).toBeVisible();

  await page.reload();
  const entries = page.getByRole('list', { name: 'entries, newest first' });
  await expect(entries).toContainText('signed off', { timeout: 150_000 });
  await expect(page.getByText(/, \d{3} entries/)).toBeVisible();
  const [file] = await Promise.all([page.waitForEvent('download'), act(page, 'Markdown').click()]);
  const text = await textOf(file);
  expect(text).toContain('found: SDA of carbon dioxide sensor and SCL of carbon dioxide sensor are swapped.');
  expect(text).toContain('mended: ');
  // What the simulated bench shows is no evidence: as much is assumed as before, and nothing of the real build is measured.
  await expect(page.locator('.verdict')).toContainText(`${before} rest on assumed figures`);
  await act(page, 'Switch it off').click();
  await expect(page.getByText(/^0 of \d+ as expected/)).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Addresses on I²C: measured' })).toHaveValue('');
});

test('a real-looking scan is pasted, held against the plan and written down', async ({ page }) => {
  await cupboard(page);
  const box = page.getByRole('textbox', { name: /^scan, one-wire numbers/ });
  await box.fill(
    'Scanning...\nI2C device found at address 0x26  !\nI2C device found at address 0x44  !\nI2C device found at address 0x46  !\n3 devices found, done\n',
  );
  await expect(page.getByText('0x45 does not answer: bottom shelf sensor.')).toBeVisible();
  await expect(page.getByText(/0x46 answers, which no card of the plan names/)).toBeVisible();
  await act(page, 'Write it down').click();
  await expect(page.getByRole('textbox', { name: 'Addresses on I²C: measured' })).toHaveValue('0x26 0x44 0x46');
  await expect(page.getByText('2 of 2 measured', { exact: false })).toHaveCount(0);
  await box.fill('28-0316a2795bff\nROM = 28 FF 64 1E 0C 15 02 00');
  await expect(page.getByText('comes without its check')).toBeVisible();
  await expect(page.getByText(/its check is wrong/)).toBeVisible();
  await box.fill('T: 21.4 °C, H: nan %');
  await expect(page.getByText(/H: no number\. The part did not answer/)).toBeVisible();
});

test('the simulated port prints a scan, and a part that is unplugged is named', async ({ page }) => {
  await cupboard(page);
  await act(page, 'Put the build on it').click();
  await act(page, 'Listen to the simulated port').click();
  await expect(page.getByText('0x6A answers: carbon dioxide sensor.')).toBeVisible();
  await expect(page.getByText('its check is right')).toHaveCount(3);
  await act(page, 'Unplug one, scan again').click();
  await page.getByRole('textbox', { name: /^scan, one-wire numbers/ }).fill('[39, 68, 69]');
  await expect(page.getByText('0x6A left: carbon dioxide sensor.')).toBeVisible();
});

test('measured values lift proofs from trust when they are signed off; a value outside is said', async ({ page }) => {
  await cupboard(page);
  const before = await assumed(page);
  const supply = page.getByRole('textbox', { name: 'Supply of scale: measured' });
  await supply.fill('4.1 V');
  await supply.press('Enter');
  await expect(page.locator('.row', { has: supply })).toContainText('outside');
  await supply.fill('much');
  await supply.press('Enter');
  await expect(page.locator('.row', { has: supply }).getByRole('alert')).toBeVisible();
  await supply.fill('3.31 V');
  await supply.press('Enter');
  await expect(page.locator('.row', { has: supply })).toContainText('as expected');
  await act(page, 'Sign off').click();
  await expect(page.locator('.verdict')).toContainText(`${before - 2} rest on assumed figures`);
  // A rebuild begins with nothing measured; both stand side by side once it has a value.
  await act(page, 'Begin a rebuild').click();
  await expect(supply).toHaveValue('');
  await supply.fill('3.28 V');
  await supply.press('Enter');
  await page.getByText('2 builds side by side: 1 value').click();
  await expect(page.getByRole('row', { name: /Supply of scale 3\.31 V 3\.28 V/ })).toBeVisible();
  await act(page, /^undo/).click();
  await expect(page.locator('.verdict')).toContainText(`${before} rest on assumed figures`);
});

test('a capture is read with its columns told apart, and a broken one says where', async ({ page }) => {
  await cupboard(page);
  const rows = ['time,SDA,SCL'];
  // A start, and a clock of 100 kHz under an idle data line.
  for (let i = 0; i < 4000; i++) {
    const t = i * 0.1e-6;
    // One sample half way up: the capture is just fine enough to tell how long the clock rises.
    const half = Math.floor((i - 250) / 50);
    const scl = i < 250 || half % 2 === 1 ? (i >= 250 && (i - 250) % 50 === 0 ? 1.65 : 3.3) : 0.05;
    rows.push(`${t.toExponential(4)},${t < 20e-6 ? 3.3 : 0.05},${scl}`);
  }
  const openCapture = (text: string) =>
    page
      .getByLabel('capture as CSV or VCD')
      .setInputFiles({ name: 'scope.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await openCapture(rows.join('\n'));
  const capture = page.getByRole('group', { name: 'a capture' });
  await expect(capture.getByRole('combobox').first()).toHaveAttribute('data-value', 'i2c.sda');
  const read = async () => {
    const button = capture.getByRole('button', { name: 'Read it' });
    await expect(button).toBeEnabled();
    // By key: what is still being worked out above may move it from under the pointer.
    await button.press('Enter');
  };
  await read();
  await expect(page.getByText('The clock runs at 100 kHz; 100 kHz are planned.')).toBeVisible();
  await page.getByRole('button', { name: 'Write its rise down' }).click();
  await expect(page.getByRole('textbox', { name: 'Rise of I²C SCL, 30 to 70 %: measured' })).toHaveValue(
    /^8\d(\.\d+)? ns$/,
  );
  await openCapture([...rows.slice(0, 900), 'oops,1,2'].join('\n'));
  await read();
  await expect(capture.getByRole('alert')).toHaveText('Line 901: expected a time, found “oops”.');
});

test('practice hides a fault, counts what was measured and tells how few would have done', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  await page.locator('.plan-name').click();
  await page.getByRole('menuitem', { name: /^Stairwell/ }).click();
  await bench.settled();
  await bench.go('Bring-up');
  await act(page, 'Practise: hide a fault').click();
  await expect(page.getByText('One fault is hidden in it.')).toBeVisible({ timeout: 150_000 });
  await act(page, 'Read readings').click();
  await expect(page.getByText('8 of 8 measured')).toBeVisible();
  await act(page, 'Show what it is').click();
  await expect(page.getByText(/You took 8 measurements; \d+ could have told\./)).toBeVisible();
});

test('a clone at an address that no card names is suspected, and a photo is kept over a reload', async ({ page }) => {
  await cupboard(page);
  const box = page.getByRole('textbox', { name: /^scan, one-wire numbers/ });
  await box.fill('found: 0x26, 0x44, 0x45, 0x5d');
  await act(page, 'Write it down').click();
  await expect(suspects(page)).toContainText('carbon dioxide sensor is a clone', { timeout: 120_000 });
  const pixel = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
  await page
    .getByLabel('Photo')
    .setInputFiles({ name: 'strap.png', mimeType: 'image/png', buffer: Buffer.from(pixel, 'base64') });
  const entries = page.getByRole('list', { name: 'entries, newest first' });
  await expect(entries).toContainText('strap.png');
  await page.reload();
  await expect(entries).toContainText('strap.png', { timeout: 150_000 });
  await entries.getByRole('button', { name: 'Show' }).click();
  const shown = page.getByRole('dialog').getByRole('img');
  await expect.poll(() => shown.evaluate((image) => (image as HTMLImageElement).naturalWidth)).toBe(1);
});

test('two probes anywhere: refused with reasons, evidence for the finder, there again after a reload', async ({
  page,
}) => {
  await cupboard(page);
  const probes = page.getByRole('form', { name: 'two probes' });
  const [red, black] = [probes.getByLabel('red probe'), probes.getByLabel('black probe')];
  // By hand: a line with what it should show, ready for what the meter says.
  await red.fill('a700');
  await probes.getByRole('button').click();
  await expect(page.getByText(/no hole "a700": board 1 has rows 1 to \d+/)).toBeVisible();
  await red.fill('top shelf sensor, VCC');
  await black.fill('display, SDA');
  await black.press('Enter');
  const line = page.getByRole('textbox', { name: 'top shelf sensor, VCC to display, SDA: measured' });
  await expect(line).toBeFocused();
  await page.reload();
  await expect(probes).toBeVisible({ timeout: 150_000 });

  await putIn(page, /lead from .* to VCC of top shelf sensor is out/);
  await red.fill('top shelf sensor VCC');
  await black.fill('carbon dioxide sensor VDD');
  await act(page, 'Touch').click();
  const between = page.getByRole('textbox', { name: /^top shelf sensor, VCC to carbon dioxide sensor, VDD: measured/ });
  await expect(between).toHaveValue(/^−\d/);
  const seen = await between.inputValue();
  await expect(suspects(page)).toContainText(/top shelf sensor/, { timeout: 120_000 });
  await page.reload();
  await expect(between).toHaveValue(seen, { timeout: 150_000 });

  // A line on the oscilloscope has its picture, and the one of a build in order beside it.
  await page.getByRole('button', { name: /^read Rise of I²C SDA, / }).click();
  await expect(page.getByRole('img', { name: /^Rise of I²C SDA, .*ns from 30 to 70 %.*in order \d+/ })).toBeVisible();
});

test('the sheet goes on paper, with what was measured and room for the rest', async ({ page }) => {
  await cupboard(page);
  const scan = page.getByRole('textbox', { name: 'Addresses on I²C: measured' });
  await scan.fill('0x26 0x44 0x45');
  await scan.press('Enter');
  await expect(page.getByText(/0x26 0x44 0x45/).first()).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  const sheet = page.locator('article.print-only');
  await expect(sheet.getByRole('heading', { name: /^Bring-up: Cupboard, verified/ })).toBeVisible();
  for (const name of ['Safety', 'Before power', 'First power', 'Lines at rest', 'Who answers'])
    await expect(sheet.getByRole('heading', { name, exact: true })).toBeVisible();
  await expect(sheet.locator('tr', { hasText: 'Addresses on I²C' }).locator('td').last()).toHaveText(
    '0x26 0x44 0x45 (outside)',
  );
  const rows = await sheet.locator('tbody tr').count();
  expect(rows).toBeGreaterThan(60);
  expect((await page.pdf({ format: 'A4' })).subarray(0, 5).toString()).toBe('%PDF-');
});

test('a logbook goes to another plan as a file, and a bad file takes nothing with it', async ({ page }) => {
  const bench = await cupboard(page);
  const note = page.getByRole('textbox', { name: 'note', exact: true });
  for (const text of ['tinned the leads', 'a note that is wrong']) {
    await note.fill(text);
    await act(page, 'Add the note').click();
  }
  const scan = page.getByRole('textbox', { name: 'Addresses on I²C: measured' });
  await scan.fill('0x26 0x44 0x45 0x6a');
  await scan.press('Enter');
  const entries = page.getByRole('list', { name: 'entries, newest first' });
  await expect(entries.getByRole('listitem')).toHaveCount(3);
  // Removed only when asked twice.
  const wrong = entries.getByRole('listitem').filter({ hasText: 'a note that is wrong' });
  await wrong.getByRole('button', { name: /^remove the entry/ }).click();
  await expect(entries.getByRole('listitem')).toHaveCount(3);
  await wrong.getByRole('button', { name: 'Gone for good?' }).click();
  await expect(entries.getByRole('listitem')).toHaveCount(2);

  const [file] = await Promise.all([page.waitForEvent('download'), act(page, 'File').click()]);
  const text = await textOf(file);
  await bench.menu('Duplicate this plan');
  await expect(page.locator('.plan-name')).toContainText('copy');
  await expect(page.getByText(/build 1, 0 entries/)).toBeVisible({ timeout: 150_000 });
  const take = (name: string, body: string) =>
    page
      .getByLabel('logbook file to take in')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(body) });
  await take('broken.json', text.replace('"build": 1', '"build": "one"'));
  await expect(page.getByText('“broken.json” has 1 problem')).toBeVisible();
  await expect(page.getByText(/\/entries\/0\/build/)).toBeVisible();
  await page.keyboard.press('Escape');
  await take('log.json', text);
  await expect(page.getByText('2 entries of “Cupboard, verified” taken.')).toBeVisible();
  await expect(entries).toContainText('tinned the leads');
  await expect(scan).toHaveValue('0x26 0x44 0x45 0x6A');
  await take('log.json', text);
  await expect(page.getByText(/0 entries .* taken; 2 were there already/)).toBeVisible();

  // The plan that it came from still has its own.
  await page.locator('.plan-name').click();
  await page.getByRole('menuitem', { name: /^Cupboard, verified(?!, copy)/ }).click();
  await expect(page.getByText(/build 1, 2 entries/)).toBeVisible({ timeout: 150_000 });
});

test('a serial port is read in the pieces that it comes in, at the chosen speed', async ({ page }) => {
  await page.addInitScript(() => {
    const pieces = [
      'Scanning ...\r\nI2C device found at addr',
      'ess 0x26\r\nI2C device found at address 0x44\r',
      '\ndone\r\n',
    ];
    const port = {
      speed: 0,
      open({ baudRate }: { baudRate: number }) {
        this.speed = baudRate;
        return Promise.resolve();
      },
      close: () => Promise.resolve(),
      readable: new ReadableStream<Uint8Array>({
        start(stream) {
          for (const piece of pieces) stream.enqueue(new TextEncoder().encode(piece));
        },
      }),
    };
    Object.defineProperty(navigator, 'serial', { value: { requestPort: () => Promise.resolve(port) } });
    Object.defineProperty(window, 'portForTest', { value: port });
  });
  await cupboard(page);
  await choose(page.getByLabel('speed of the port'), '9600');
  await act(page, 'Listen to a serial port').click();
  const group = page.getByRole('group', { name: 'what a program prints' });
  await expect(group.getByRole('textbox')).toHaveValue(/0x26\nI2C device found at address 0x44\ndone\n$/);
  expect(await page.evaluate(() => Reflect.get(Reflect.get(window, 'portForTest') as object, 'speed'))).toBe(9600);
  await act(page, 'Stop listening').click();
  await act(page, 'Write it down').click();
  await expect(page.getByRole('textbox', { name: 'Addresses on I²C: measured' })).toHaveValue('0x26 0x44');
});
