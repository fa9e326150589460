/** What the hand needs while it measures: where the probes go, and which number is which part. */
import { expect, test } from '@playwright/test';
import { Bench, choose, cupboard } from './bench';

test.describe.configure({ timeout: 180_000 });

test('the board shows the two probes of the line in hand, and the part where there are none', async ({ page }) => {
  await cupboard(page);
  const board = page.getByRole('region', { name: 'where the probes go' });
  await expect(board).toContainText(/^Before power/, { timeout: 60_000 });
  await expect(board.locator('[data-probe]')).toHaveCount(2);
  await page.getByRole('textbox', { name: /^Supply of display: measured/ }).focus();
  await expect(board).toContainText('red in display, VCC');
  await expect(board.locator('[data-probe="red"]')).toContainText('red on VCC');
  await expect(board.locator('[data-probe="black"]')).toContainText('black on GND');
  // Nothing is moved by accident while somebody measures.
  await expect(board.locator('[data-movable]')).toHaveCount(0);
  await page.getByRole('textbox', { name: /^Addresses on I²C: measured/ }).focus();
  await expect(board).toContainText('Addresses on I²C');
  await expect(board.locator('[data-probe]')).toHaveCount(0);
});

test('one probe after the other is warmed in the hand; the last one is left over; settings and steps carry them', async ({
  page,
}) => {
  const bench = await cupboard(page);
  await page.getByRole('button', { name: 'Put the build on it' }).click();
  await page.getByRole('button', { name: 'Run it on the simulated bench' }).click();
  const numbers = page.getByRole('group', { name: 'which number is which part' });
  await expect(numbers.getByText('Which is which? Warm one in the hand')).toBeVisible();
  const given: string[] = [];
  for (const probe of ['first wheel probe', 'second wheel probe']) {
    await numbers.getByRole('button', { name: `Hold ${probe} in the hand` }).click();
    const said = numbers.getByText(
      /^[0-9A-F ]{23} rose by 8\.0 °C, the others by 0\.0 °C at most: it is the one in the hand\.$/,
    );
    await expect(said).toBeVisible();
    const rom = ((await said.textContent()) ?? '').slice(0, 23);
    given.push(rom);
    await choose(numbers.getByRole('combobox', { name: `part with the number ${rom}` }), { label: probe });
    await expect(said).toBeHidden();
  }
  expect(new Set(given).size).toBe(2);
  const left = numbers.getByRole('button', { name: /is left: it is third wheel probe$/ });
  given.push(((await left.textContent()) ?? '').slice(0, 23));
  await left.click();
  await expect(left).toBeHidden();
  await bench.verified();
  // One that is broken off is now missed by its name.
  await page.getByText('A number from a label').click();
  await numbers.getByRole('textbox', { name: 'number from a label' }).fill('28 00 00 00 00 00 00 00');
  await choose(numbers.getByRole('combobox', { name: 'part with that label' }), { label: 'third wheel probe' });
  await expect(numbers.getByRole('alert')).toContainText('whose last one checks the others');
  await bench.go('Pins');
  await page.getByRole('tab', { name: 'settings for the program' }).click();
  for (const rom of given)
    await expect(page.getByRole('tabpanel').getByText(`number ${rom.replaceAll(' ', '').toLowerCase()}`)).toBeVisible();
  await bench.go('Wiring');
  await page
    .getByRole('button', { name: /first wheel probe/ })
    .first()
    .click();
  await expect(page.getByText(`Label its lead ${given[0]}.`)).toBeVisible({ timeout: 60_000 });
});

test('readings are held against what such parts read when something is wrong; a calibration reaches the program', async ({
  page,
}) => {
  const bench = await cupboard(page);
  const read = async (what: string, value: string) => {
    const field = page.getByRole('textbox', { name: `${what}: it reads`, exact: true });
    await field.fill(value);
    await field.press('Tab');
  };
  const line = (what: string) =>
    page.getByRole('group').filter({ has: page.getByRole('textbox', { name: `${what}: it reads` }) });
  await read('core temperature of first wheel probe', '85');
  await expect(line('core temperature of first wheel probe').last()).toContainText('before the first conversion');
  await read('air temperature of top shelf sensor', '53.6');
  await expect(line('air temperature of top shelf sensor').last()).toContainText('As degrees Fahrenheit that is 12 °C');
  await read('core temperature of second wheel probe', '12.1 °C');
  await expect(line('core temperature of second wheel probe').last()).toContainText('a sound part can read that');
  await read('core temperature of third wheel probe', '13.4');
  await expect(
    page.getByText(
      /second wheel probe and third wheel probe.*1\.3 °C apart, 600 m°C allowed|1\.3 °C apart, 0\.6 °C allowed/,
    ),
  ).toBeVisible();
  // A series: one a line, some of them lost.
  const carbon = line('carbon dioxide of carbon dioxide sensor').last();
  await carbon.getByRole('button', { name: 'Series' }).click();
  await carbon.getByRole('textbox', { name: /readings, one a line/ }).fill('0, 612\n1, nan\n2, 618\n3, 620');
  await carbon.getByRole('button', { name: 'Take the series' }).click();
  await expect(carbon).toContainText('1 of 4 are no number');
  await expect(carbon).toContainText('it is read every 1 s, and wants 5 s');
  // Compared with ice, the offset goes where the program is told.
  const second = line('core temperature of second wheel probe').last();
  await read('core temperature of second wheel probe', '0.4');
  await second.getByText('Compare with what is true').click();
  await second.getByRole('textbox', { name: /: it is$/ }).fill('0');
  await second.getByRole('textbox', { name: /compared to$/ }).fill('ice in water');
  await second.getByRole('button', { name: 'Add a point' }).click();
  await expect(second).toContainText('against ice in water');
  await bench.go('Pins');
  await page.getByRole('tab', { name: 'settings for the program' }).click();
  await expect(page.getByRole('tabpanel').getByText(/^offset −(0\.4 °C|400 m°C)$/)).toBeVisible();
  // What is tried on the simulated bench says nothing to the real program.
  await bench.go('Bring-up');
  await page.getByRole('button', { name: 'Put the build on it' }).click();
  await read('core temperature of second wheel probe', '5');
  await second.getByText('Compare with what is true').click();
  await second.getByRole('textbox', { name: /: it is$/ }).fill('9');
  await second.getByRole('button', { name: 'Add a point' }).click();
  await expect(second).toContainText('+4 °C');
  await bench.go('Pins');
  await page.getByRole('tab', { name: 'settings for the program' }).click();
  await expect(page.getByRole('tabpanel').getByText(/^offset −(0\.4 °C|400 m°C)$/)).toBeVisible();
});

test('a measured current is laid over the round of the plan, and the part that does not rest is named', async ({
  page,
}) => {
  const bench = new Bench(page);
  await bench.open();
  await bench.menu('Rain-barrel level logger');
  await bench.settled();
  await bench.go('Bring-up');
  const pasted = page.getByRole('textbox', { name: 'current over time, pasted' });
  await pasted.fill('time (s),current (mA)\n0,22\n1,kettle', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Lay it over' }).click();
  await expect(page.getByRole('alert')).toHaveText('line 3: expected a time and a current, found “1,kettle”');
  // As planned it would be a tenth of a milliampere between two readings; here the controller never lies down.
  const rows = Array.from({ length: 900 }, (_, i) => `${i},${i % 900 < 2 ? 60 : 22 + (i % 3) / 10}`);
  await pasted.fill(['time (s),current (mA)', ...rows].join('\n'));
  await page.getByRole('button', { name: 'Lay it over' }).click();
  await expect(page.getByText(/controller is at work all the time/)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('img', { name: /^Current of .*measured 22\.\d mA/ })).toBeVisible();
  // A day is 96 rounds of a quarter of an hour.
  const day = page.getByRole('table', { name: 'In a day' });
  await expect(day.getByRole('row', { name: /^controller 96 .* mAh always/ })).toBeVisible();
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(page.getByRole('img', { name: /^Current of .*planned 308 µA on the average$/ })).toBeVisible();
});
