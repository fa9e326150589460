/** The sheet written by a meter: a stand-in for the serial interface writes what such meters write. */
import { expect, type Page, test } from '@playwright/test';
import { Bench } from './bench';
import { plugSerial } from './serial';

const NAME = 'cupboard-verified';

/** A meter at the port: it writes line by line, and what it is asked is kept. */
class Meter {
  readonly asked: string[] = [];
  /** What it answers; nothing where it is not asked. */
  answer: string | null = null;
  private say: (text: string) => Promise<void> = () => Promise.resolve();

  constructor(private readonly page: Page) {}

  async plug(): Promise<void> {
    this.say = await plugSerial(this.page, (text) => {
      this.asked.push(...text.split('\n').filter(Boolean));
      // With an echo, as some have it.
      if (this.answer !== null)
        void this.write(text.trim())
          .then(() => this.write(this.answer ?? ''))
          // The page may be gone by then.
          .catch(() => undefined);
    });
  }

  async write(line: string, times = 1): Promise<void> {
    for (let i = 0; i < times; i++) {
      await this.say(`${line}\r\n`);
      await this.page.waitForTimeout(250);
    }
  }

  /** Lifted, put down and held. */
  async hold(line: string): Promise<void> {
    await this.write('O.L MOhm', 2);
    await this.write(line, 7);
  }
}

async function listening(page: Page, asks: boolean): Promise<Meter> {
  const meter = new Meter(page);
  await meter.plug();
  await new Bench(page).open('bring-up', NAME);
  const group = page.getByRole('group', { name: 'meter' });
  await expect(group).toBeVisible({ timeout: 60_000 });
  if (asks) await group.getByRole('checkbox').click();
  await group.getByRole('button', { name: 'Listen to the meter' }).click();
  await expect(group.getByRole('button', { name: 'Stop listening to the meter' })).toBeVisible();
  return meter;
}

test('what stands still is written down at the row in hand, what is open at a press, and a short holds', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const meter = await listening(page, false);
  const map = page.getByRole('region', { name: 'where the probes go' });
  const taken = page.locator('[data-taken]');

  // The probes lie on something from before: nothing is taken.
  const first = (await map.locator('strong').textContent()) ?? '';
  await meter.write('4.712 kOhm', 8);
  await expect(map.locator('strong')).toHaveText(first);
  await expect(taken).toHaveCount(0);

  await meter.hold('4.712 kOhm');
  await expect(taken).toContainText(`${first}: 4.712 kΩ, as expected`);
  await expect(map.locator('strong')).not.toHaveText(first);
  await expect(page.getByRole('textbox', { name: `${first}: measured` })).toHaveValue('4.712 kΩ');

  // At another station whatever is measured is no row of the sheet.
  const before = await taken.textContent();
  await page.keyboard.press('8');
  await meter.hold('1.000 kOhm');
  await page.keyboard.press('0');
  await expect(map.locator('strong')).not.toHaveText(first);
  await expect(taken).toHaveText(before ?? '');

  // Turned to volts, a display that is held, another device: nothing is taken, and it is said.
  const second = (await map.locator('strong').textContent()) ?? '';
  await meter.write('O.L MOhm', 2);
  await meter.write('3.312 V DC', 6);
  await expect(page.getByText('this row wants Ω')).toBeVisible();
  await meter.write('4.712 kOhm HOLD', 6);
  await expect(page.getByText('this row wants Ω')).toBeVisible();
  await meter.write('O.L MOhm', 2);
  await meter.write('4712', 6);
  await expect(page.getByText('4712 says no unit')).toBeVisible();
  await meter.write('uptime 12 s', 1);
  await expect(page.getByText('Not a reading: uptime 12 s')).toBeVisible();
  await expect(map.locator('strong')).toHaveText(second);

  // Open ends show no contact: whoever holds the probes says that they are on.
  await meter.write('O.L MOhm', 6);
  await expect(map.locator('strong')).toHaveText(second);
  await page.keyboard.press('t');
  await meter.write('O.L MOhm', 1);
  await expect(taken).toContainText(second);
  await expect(map.locator('strong')).not.toHaveText(second);

  // A short: the sheet holds, and the meter goes on with what is looked for without power.
  const third = (await map.locator('strong').textContent()) ?? '';
  expect(third).toMatch(/^No short/);
  await meter.hold('000.4 Ohm');
  await expect(page.getByRole('alert', { name: 'stop' })).toContainText('Do not connect power');
  await expect(taken).toContainText(`${third}: 400 mΩ, outside`);
});

test('a meter that writes when asked is asked for what the row wants', async ({ page }) => {
  test.setTimeout(120_000);
  const meter = await listening(page, true);
  const taken = page.locator('[data-taken]');
  await expect.poll(() => meter.asked.length).toBeGreaterThan(0);
  meter.answer = '+9.90000000E+37';
  await page.waitForTimeout(5000);
  await expect(taken).toHaveCount(0);
  meter.answer = '+4.71200000E+03';
  await expect(taken).toContainText('4.712 kΩ, as expected');
  expect(new Set(meter.asked)).toEqual(new Set(['MEAS:RES?']));
});

test('on the simulated bench the simulated meter fills the sheet, with a press where nothing proves contact', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await new Bench(page).open('bring-up', NAME);
  await page.getByRole('button', { name: 'Put the build on it' }).click();
  await page.getByRole('button', { name: 'Listen to the simulated meter' }).click();
  await page.keyboard.press('t');
  const taken = page.locator('[data-taken]');
  const written = page.locator('main input[aria-label$=": measured"]');
  const filled = () => written.evaluateAll((all) => all.filter((one) => (one as HTMLInputElement).value !== '').length);
  await expect(taken).toBeVisible({ timeout: 30_000 });
  for (let i = 0; i < 40 && (await filled()) < 8; i++) {
    await page.keyboard.press('t');
    await page.waitForTimeout(2500);
  }
  expect(await filled()).toBeGreaterThanOrEqual(8);
  await expect(page.getByText(/, outside$/)).toHaveCount(0);
});

test('what the maker’s own program prints of a converter goes to the row of its part', async ({ page }) => {
  test.setTimeout(120_000);
  await new Bench(page).open('bring-up', 'stairwell');
  const print = page.getByRole('group', { name: 'what a program prints' });
  await expect(print).toBeVisible({ timeout: 60_000 });
  await print.getByRole('textbox').fill('uptime 12\nLight sensor on the carrier = 4.2 mV\nother = 3.3 V');
  await print.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('textbox', { name: /^light sensor on the carrier, at the converter/ })).toHaveValue(
    '4.2 mV',
  );
});
