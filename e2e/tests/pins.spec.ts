/** Pins by hand, and the plan that completes itself, through the interface. */
import { expect, test, type Page } from '@playwright/test';
import { Bench, textOf, choose } from './bench';
import { bareTransistor } from './plans';

let bench: Bench;
test.beforeEach(async ({ page }) => {
  bench = new Bench(page);
  await bench.open('pins');
});

const pinOf = (page: Page, line: string) => page.getByLabel(`pin of ${line}`, { exact: true });
const grip = (page: Page, line: string) => page.getByRole('button', { name: `carry ${line} to another pin` });
const padOf = (page: Page, label: string) =>
  page.getByRole('button', { name: new RegExp(`(^|the line on )${label}, pin`) });

test('mend all takes the first draft to verified in one step, and one step takes it back', async ({ page }) => {
  const before = await bench.fingerprint();
  await page.getByRole('button', { name: 'Mend all' }).click();
  const take = page.getByRole('button', { name: /^Take all \d+ changes/ });
  await expect(take).toBeEnabled({ timeout: 60_000 });
  const changes = page.getByRole('list', { name: 'changes' });
  for (const words of [
    /Add a Brindle L3 regulator, fed from the 5 V of 5 V regulator/,
    /translator between the controller and display/,
    /Move door contact from P0 to/,
    /diode across fan/,
    /220 Ω in series with status light/,
  ])
    await expect(changes.getByText(words)).toBeVisible();
  await expect(page.getByText(/^Proved · hazards to read$/)).toBeVisible();
  await take.click();
  await expect(page.locator('[data-verdict="unread"]')).toBeVisible();
  await expect(page.locator('.notice')).toContainText('One step back undoes them all');
  await page.keyboard.press('Control+z');
  await bench.settled();
  expect(await bench.fingerprint()).toBe(before);
});

test('changes are taken in part; what stands on one that is left out is left out, too', async ({ page }) => {
  await page.keyboard.press('m');
  const regulator = page.getByRole('checkbox', { name: /Add a Brindle L3 regulator/ });
  await regulator.uncheck({ timeout: 60_000 });
  await expect(page.getByRole('checkbox', { name: /^\d+ Feed carbon dioxide sensor/ })).toBeDisabled();
  await expect(page.getByText(/^Open · 1 to settle$/)).toBeVisible();
  await page.getByRole('button', { name: /^Take \d+ changes/ }).click();
  await bench.settled();
  await expect(bench.verdict).toHaveText(/1 to settle/);
  await bench.finds('3.3 V of controller has to give');
});

test('a lock that stands in the way is named; opened, the rest is found', async ({ page }) => {
  await page.getByRole('button', { name: 'lock door contact to its pin' }).click();
  await bench.settled();
  await page.keyboard.press('m');
  await expect(page.getByText(/the lock of door contact on P0/).first()).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('Nothing was changed.')).toBeVisible();
  await page.getByRole('button', { name: 'Open the lock of door contact on P0' }).click();
  await page.getByRole('button', { name: /^Take all/ }).click({ timeout: 60_000 });
  await bench.verified();
  await expect(pinOf(page, 'door contact')).not.toHaveAttribute('data-value', 'p0');
});

test('a line is dragged to a pin; the one that was there takes its place', async ({ page }) => {
  await grip(page, 'door contact').dragTo(padOf(page, 'P16'));
  await bench.settled();
  await expect(pinOf(page, 'door contact')).toHaveAttribute('data-value', 'p16');
  await expect(bench.verdict).toHaveText(/8 to settle/);
  await grip(page, 'buzzer').dragTo(padOf(page, 'P12'));
  await bench.settled();
  await expect(pinOf(page, 'buzzer')).toHaveAttribute('data-value', 'p12');
  await expect(pinOf(page, 'knob a')).toHaveAttribute('data-value', 'p15');
});

test('with the keyboard: a line in hand says what each pin would cost before it is put down', async ({ page }) => {
  await grip(page, 'door contact').focus();
  await page.keyboard.press('Enter');
  const says = page.locator('.under');
  await expect(says).toContainText('door contact in hand');
  await padOf(page, 'A0').focus();
  await expect(says).toContainText('door contact on A0: ends 1, brings 0');
  await padOf(page, 'P2').focus();
  await expect(says).toContainText('P2 must be low while the controller starts');
  await page.keyboard.press('Escape');
  await expect(says).not.toContainText('door contact on');
  await expect(pinOf(page, 'door contact')).toHaveAttribute('data-value', 'p0');
  await grip(page, 'door contact').focus();
  await page.keyboard.press('Enter');
  await padOf(page, 'P17').focus();
  await page.keyboard.press('Enter');
  await bench.settled();
  await expect(pinOf(page, 'door contact')).toHaveAttribute('data-value', 'p17');
});

test('a locked line is not carried, and nothing is put down on it', async ({ page }) => {
  await page.getByRole('button', { name: 'lock knob a to its pin' }).click();
  await bench.settled();
  await expect(grip(page, 'knob a')).toBeDisabled();
  await grip(page, 'buzzer').click();
  await padOf(page, 'P12').hover();
  await expect(page.locator('.under')).toContainText('The line there is locked');
  await padOf(page, 'P12').click();
  await expect(pinOf(page, 'buzzer')).toHaveAttribute('data-value', 'p15');
});

test('two assignments are compared, and the kept one comes back', async ({ page }) => {
  await page.getByRole('button', { name: 'Keep to compare' }).click();
  await choose(pinOf(page, 'door contact'), 'p16');
  await bench.settled();
  const compare = page.getByRole('region', { name: 'two assignments' });
  await expect(compare.getByRole('row', { name: 'door contact P0 P16' })).toBeVisible();
  await expect(compare).toContainText('The kept one would end 0 and bring 1');
  await compare.getByRole('button', { name: 'Go back to the kept one' }).click();
  await bench.settled();
  await expect(pinOf(page, 'door contact')).toHaveAttribute('data-value', 'p0');
});

test('a pin tells what it can do and must not; the radio takes its converter', async ({ page }) => {
  await padOf(page, 'P6').click();
  await expect(page.locator('.under')).toContainText('P6 can be in, out, analog');
  await expect(page.locator('.under')).toContainText('Must be low at boot');
  await bench.openFile('Analog on the radio’s converter', await analogOnTwo());
  await bench.finds('whose converter the radio takes');
  await page.getByLabel('the radio is in use').uncheck();
  await bench.settled();
  await bench.finds('whose converter the radio takes', 0);
});

/** The stairwell with its dial on a pin of the second converter. */
async function analogOnTwo(): Promise<string> {
  await bench.menu('Stairwell night lights');
  await bench.settled();
  const file = JSON.parse(await bench.exported()) as {
    plan: { name: string; parts: { id: string; card: string; fittedOn?: string; ports: unknown }[] };
  };
  file.plan.name = 'Analog on the radio’s converter';
  file.plan.parts = file.plan.parts
    .filter(({ card }) => card !== 'carrier-lab')
    .map(({ fittedOn: _on, ...part }) =>
      part.id === 'dial-on-the-carrier'
        ? { ...part, ports: { out: { lines: { out: { pin: 'p16', locked: false } } } } }
        : part,
    );
  return JSON.stringify(file);
}

test('what the program must be told is shown, and goes to it with the fingerprint of the plan', async ({ page }) => {
  await bench.verdict.click();
  const fingerprint =
    /[0-9a-f]{16}/.exec((await page.locator('[data-fingerprint]').textContent()) ?? '')?.[0] ?? 'none';
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'settings for the program' }).click();
  const told = page.getByRole('tabpanel');
  await expect(told.getByText('columns 20')).toBeVisible();
  await expect(told.getByText('address 0x26')).toBeVisible();
  for (const [button, file, words] of [
    ['C header', 'settings.h', '#define DOOR_CONTACT 0'],
    ['Python', 'settings.py', 'DOOR_CONTACT = 0'],
    ['JSON', 'settings.json', '"idle-breadboard/settings"'],
  ] as const) {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: button, exact: true }).click(),
    ]);
    expect(download.suggestedFilename()).toBe(file);
    const text = await textOf(download);
    expect(text).toContain(fingerprint);
    expect(text).toContain(words);
  }
  // A finding about a pin is at its row, whatever is looked at.
  await bench.finds('P0 must be high');
  await page.locator('[data-counts]').click();
  await page.locator('[data-finding]', { hasText: 'P0 must be high' }).first().click();
  await expect(page.locator('[data-detail]')).toBeVisible();
  await expect(page.getByRole('tab', { name: 'pins', exact: true })).toHaveAttribute('aria-selected', 'true');
});

test('a board of forty pins lies there with odd numbers at the left, and has an overlay', async ({ page }) => {
  await bench.go('Control');
  const linux = page.locator('.row', { hasText: 'Hazel L40 board' });
  await linux
    .getByRole('button', { name: /Take|Move/ })
    .first()
    .click();
  await bench.settled();
  await bench.go('Pins');
  await expect(padOf(page, 'GPIO2')).toHaveAttribute('aria-label', /GPIO2, pin 3/);
  await expect(page.locator('.board .line')).toHaveCount(20);
  await page.getByRole('tab', { name: 'settings for the program' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Device tree', exact: true }).click(),
  ]);
  expect(await textOf(download)).toContain('compatible = "w1-gpio"');
  await page.getByRole('button', { name: 'Mend all' }).click();
  await expect(page.getByText(/No way of wiring fan driver on controller was found/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: /^Take Sluice D low-side driver as fan driver/ }).click();
  await expect(page.getByText(/No way of wiring carbon dioxide sensor on controller was found/)).toBeVisible({
    timeout: 60_000,
  });
});

test('the base of a bare transistor gets its resistor from the series', async ({ page }) => {
  await bench.openFile('Bare transistor', bareTransistor());
  await bench.go('Pins');
  const row = page.locator('.row', { hasText: ', base' }).first();
  await expect(row).toContainText('hangs straight on its pin');
  await row.getByRole('button', { name: 'resistor' }).click();
  await bench.settled();
  const ohms = row.getByRole('textbox', { name: /^resistor of/ });
  await expect(ohms).toHaveValue(/Ω$/);
  await expect(page.locator('[data-proof="drive/transistor|fan-switch|base"]')).toContainText('+');
  await ohms.fill('10k');
  await ohms.press('Enter');
  await bench.settled();
  await bench.finds('not fully on');
});
