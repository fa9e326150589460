/** The electrical proof through the interface: from a mistake to a clean plan, and what the charts let a maker try. */
import { expect, test } from '@playwright/test';
import { Bench, settleDraft, choose } from './bench';
import { bareThermistor, sameAddress, translatedTwice, withWord } from './plans';

let bench: Bench;
test.beforeEach(async ({ page }) => {
  bench = new Bench(page);
  await bench.open('levels');
});

test('a 3.3 V part and a 5 V display on one bus, to clean', async ({ page }) => {
  await bench.take(/pull-up on display lifts I²C SDA to 4\.15 V/);
  await expect(page.locator('[data-detail] table').first()).toContainText('into the lower rail');
  await bench.remedy('translator between the controller and display');
  await bench.finds('pull-up on display', 0);
  await expect(bench.row(/translator for display \w1/).first()).toBeVisible();
  await settleRest(bench);
  await bench.proved();
});

/** What the first draft has besides the mixed bus. */
async function settleRest(b: Bench): Promise<void> {
  for (const [finding, remedy] of [
    [/without a resistor/, 'in series with status light'],
    [/fan has no diode/, 'Flap rectifier diode'],
    [/Scale DT can lift/, 'Feed scale from the 3.3 V of controller'],
    [/P0 must be high/, 'Move door contact'],
    [/3.3 V of controller has to give/, 'fed from the 5 V of 5 V regulator'],
    [/both answer at 0x44/, 'Sedge H2 humidity module as bottom shelf sensor'],
    [/top shelf sensor is about .* warmer than the air/, 'on a lead of 30 cm, away from controller'],
  ] as const) {
    await b.take(finding);
    await b.remedy(remedy);
  }
}

for (const [way, title] of [
  ['another part', /Take Sedge H2 humidity module as bottom shelf sensor/],
  ['a second bus', /Put bottom shelf sensor on a second I²C bus/],
  ['a bus switch', /each on a channel of a Points B8 bus switch/],
  ['gated translators', /each behind a Weir gated translator, switched in turn/],
  ['switched supplies', /Switch the supplies of .* in turn/],
] as const) {
  test(`two parts at one fixed address, to clean by ${way}`, async ({ page }) => {
    await bench.openFile('Same address', sameAddress());
    await bench.take(/both answer at 0x44/);
    await bench.remedy(title);
    await bench.proved();
    await page.keyboard.press('Control+z');
    await bench.finds('both answer at 0x44');
  });
}

test('a double translation is taken out', async () => {
  await bench.openFile('Twice', translatedTwice());
  await bench.take(/carries a translator of its own/);
  await bench.remedy(/Take top shelf sensor out from behind the translator and feed it from the 3\.3 V of controller/);
  await bench.finds('translator of its own', 0);
  await bench.proved();
});

test('an address is told in its three forms, and an 8-bit one is asked about and halved', async ({ page }) => {
  await bench.go('Bus');
  const row = page.locator('.row:not([data-head])', { hasText: 'top shelf sensor' }).first();
  await expect(row).toContainText('68, 8-bit 0x88');
  await row.getByLabel('address of top shelf sensor').fill('0x88');
  await page.keyboard.press('Enter');
  await bench.take(/looks like the 8-bit form.*Is 0x44 meant\?/);
  await bench.remedy('the 7-bit form');
  await expect(row.getByLabel('address of top shelf sensor')).toHaveValue('0x44');
});

test('a bare thermistor gets the resistor that was worked out, and its curve', async ({ page }) => {
  await bench.openFile('Bare thermistor', bareThermistor());
  await bench.go('Levels');
  await bench.take(/bare resistance and has no fixed resistor/);
  await bench.remedy(/^Give bead a fixed resistor of/);
  const curve = page.getByRole('img', { name: /bead: volts at the pin/ });
  await expect(curve).toBeVisible();
  await bench.proved();
  // Another value from the row of those that are most even.
  const values = page.getByRole('group', { name: 'most even fixed resistors for bead' }).getByRole('button');
  const before = await page.getByRole('textbox', { name: 'fixed resistor of bead' }).inputValue();
  await values.nth(1).click();
  await expect(page.getByRole('textbox', { name: 'fixed resistor of bead' })).not.toHaveValue(before);
});

test('a lead is tried with the slider: the edge follows, the plan only when told', async ({ page }) => {
  await bench.go('Bus');
  const before = await bench.fingerprint();
  const edge = page.getByRole('img', { name: /^I²C SDA: rises/ });
  const said = await edge.getAttribute('aria-label');
  await bench.slide('lead of top shelf sensor', 5);
  await expect(page.getByText('Trying 5 m of lead to top shelf sensor')).toBeVisible();
  await expect(edge).not.toHaveAttribute('aria-label', said ?? '');
  expect(await bench.fingerprint()).toBe(before);
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(edge).toHaveAttribute('aria-label', said ?? '');
  await bench.slide('lead of top shelf sensor', 2);
  await page.getByRole('button', { name: 'Take it' }).click();
  await bench.settled();
  expect(await bench.fingerprint()).not.toBe(before);
  await page.keyboard.press('Control+z');
  await bench.settled();
  expect(await bench.fingerprint()).toBe(before);
});

test('a clock is tried: the time that the edge may take shrinks; another plan ends the trial', async ({ page }) => {
  await bench.go('Bus');
  const edge = page.getByRole('img', { name: /^I²C SDA: rises/ });
  await expect(edge).toHaveAttribute('aria-label', /1 µs allowed/);
  await bench.slide('clock of I²C, tried', 400e3);
  await expect(edge).toHaveAttribute('aria-label', /300 ns allowed/);
  await expect(page.getByText('Trying 400 kHz on I²C')).toBeVisible();
  await bench.menu('Cupboard, verified');
  await bench.settled();
  await expect(page.getByText(/^Trying/)).toHaveCount(0);
});

test('a pull-up is moved along its window with the keyboard', async ({ page }) => {
  await bench.go('Bus');
  await page.getByRole('button', { name: 'add a pull-up to I²C SDA' }).first().click();
  await bench.settled();
  const handle = page.getByRole('slider', { name: 'resistor on I²C SDA' });
  await handle.focus();
  const from = await handle.getAttribute('aria-valuetext');
  await page.keyboard.press('ArrowRight');
  await expect(handle).not.toHaveAttribute('aria-valuetext', from ?? '');
  await expect(page.getByText(/^Trying .* on I²C SDA/)).toBeVisible();
  const to = await handle.getAttribute('aria-valuetext');
  await page.keyboard.press('Enter');
  await bench.settled();
  await expect(page.getByLabel('pull-up on I²C SDA')).toHaveValue(to ?? '');
});

test('a voltage is tried over all ladders, and cannot be taken', async ({ page }) => {
  const ladder = page.getByRole('img', { name: /^controller P10\./ });
  const before = await ladder.getAttribute('aria-label');
  await bench.slide(/^voltage of 3\.3 V of controller/, 2.7);
  await expect(ladder).not.toHaveAttribute('aria-label', before ?? '');
  await expect(page.getByRole('button', { name: 'Take it' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(ladder).toHaveAttribute('aria-label', before ?? '');
});

test('a figure that is pointed at or has the focus shows its sum', async ({ page }) => {
  await bench.go('Bus');
  const proof = page.locator('[data-proof^="bus/pull-up-weak|i2c.sda"]').first();
  await proof.hover();
  const tip = page.getByRole('tooltip');
  await expect(tip).toContainText('0.8473 ×');
  await expect(proof).toHaveAttribute('aria-describedby', 'workings');
  await page.keyboard.press('Escape');
  await expect(tip).toHaveCount(0);
  await page.mouse.move(10, 10);
  await page.locator('[data-proof^="bus/clock|i2c"]').focus();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('tooltip')).toBeVisible();
});

test('a house rule tells what it ends and brings before it is taken', async ({ page }) => {
  await page.keyboard.press('/');
  await page.keyboard.type('my rules');
  await page.keyboard.press('Enter');
  const before = page.getByRole('combobox', { name: /^Pull-ups/ });
  await choose(before, 'keep');
  await expect(page.getByText('Ends 2 findings, brings 0 findings.')).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(before).toHaveAttribute('data-value', 'one-pair');
  await choose(before, 'keep');
  await page.getByRole('button', { name: 'Take the rule' }).click();
  await page.keyboard.press('Escape');
  await bench.settled();
  await bench.finds('my rules want one pair', 0);
});

test('the spread of an edge is drawn beside, with its share that is too slow', async ({ page }) => {
  await bench.go('Bus');
  await page.getByRole('button', { name: 'spread of 2,000 draws' }).first().click();
  await expect(page.getByText(/2,000 draws: nine in ten from .* to .*, none too slow/)).toBeVisible({
    timeout: 60_000,
  });
});

test('the first draft is settled in the order of its findings', async () => {
  await settleDraft(bench);
  await bench.proved();
});

test('a configuration word is put together from its fields, typed, and taken apart', async ({ page }) => {
  await bench.openFile('A word', withWord());
  await bench.go('Bus');
  await page.getByRole('button', { name: 'words', exact: true }).click();
  const group = page.getByRole('group', { name: /^set-up, register/ });
  await choose(group.getByLabel(/^gain/), '2');
  await choose(group.getByLabel(/^integration/), '3');
  // 2 at bits 12 to 11 is 0x1000, 3 at bits 9 to 6 is 0x00C0.
  const field = group.getByLabel('set-up of light sensor as a number');
  await expect(field).toHaveValue('0x10C0');
  await expect(group).toContainText('0001 0000 1100 0000');
  await expect(group).toContainText('0x10 0xC0');
  await field.fill('0x0001');
  await field.press('Enter');
  await expect(group.getByLabel(/^power/)).toHaveAttribute('data-value', '1');
  await field.fill('0x12345');
  await field.press('Enter');
  await expect(group.getByRole('alert')).toContainText('expected 16 bits');
  // It is in the plan, and in its file.
  expect(await bench.exported()).toMatch(/"words":\s*\{\s*"set-up":\s*1\s*\}/);
});
