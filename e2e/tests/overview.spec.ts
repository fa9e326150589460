/** The whole build as one picture: reached by a key, walked by keyboard, and a way to everything that is in it. */
import { expect, test } from '@playwright/test';
import { Bench } from './bench';

test('the overview shows the build, what belongs together, and leads to each finding', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  await page.keyboard.press('o');
  await expect(page.getByRole('heading', { name: 'Overview' })).toBeVisible();
  const scale = page.getByRole('button', { name: /^scale 5\.15 V \+1/ });
  await expect(scale).toHaveAccessibleDescription(/ 5 V .*5\.15 V of 3\.6 V/);
  // Pointed at, its own way stands out and the rest steps back; its figures are said.
  await scale.hover();
  await expect(page.getByText(/^scale · first wheel · 5 V · \+350 mV · 5\.15 V of 3\.6 V \+1$/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^buzzer/ })).toHaveAttribute('data-faint');
  await expect(scale).not.toHaveAttribute('data-faint');
  await expect(page.locator('[data-thing^="rail "]').first()).not.toHaveAttribute('data-faint');
  // By keyboard: the finding at the part is opened at its station.
  await scale.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Levels' })).toBeVisible();
  await expect(page.locator('[data-detail]')).toContainText('can lift scale data to 5.15 V');
  // A row of a bus leads to the bus, a feed to the power.
  await page.keyboard.press('o');
  await page.locator('[data-thing^="rail "]').first().focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Power' })).toBeVisible();
  await page.keyboard.press('o');
  // The same as a table, and smaller until all of it is seen.
  await page.locator('.overview summary').click();
  await expect(page.getByRole('row', { name: /third wheel probe/ })).toContainText('P7');
  await page.locator('.overview summary').click();
  await page.getByRole('button', { name: 'fit' }).click();
  const [frame, drawn] = [page.locator('.overview .frame'), page.locator('.overview .frame > svg')];
  const [room, taken] = [await frame.boundingBox(), await drawn.boundingBox()];
  expect(taken?.width ?? 0).toBeLessThanOrEqual((room?.width ?? 0) + 1);
});

test('all of seventeen parts are in a window of 1280 px, with all figures once they are asked for', async ({
  page,
}) => {
  const bench = new Bench(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await bench.open('overview');
  const frame = page.locator('.overview .frame');
  const overhang = () => frame.evaluate((at) => at.scrollWidth - at.clientWidth);
  await expect.poll(overhang).toBe(0);
  const sizes = await frame
    .locator('text')
    .evaluateAll((all) => all.map((text) => text.getBoundingClientRect().height));
  expect(Math.min(...sizes)).toBeGreaterThan(11);
  await expect(frame).not.toContainText('+350 mV');
  await page.getByRole('checkbox', { name: 'all figures' }).check();
  await expect(frame).toContainText('+350 mV');
  await expect.poll(overhang).toBeGreaterThan(100);
  // Where there is room they are there without being asked for.
  await page.setViewportSize({ width: 1920, height: 1080 });
  await expect(page.getByRole('checkbox', { name: 'all figures' })).toHaveCount(0);
  await expect(frame).toContainText('+350 mV');
  await expect.poll(overhang).toBe(0);
});

test('an edit is in the picture at once, and the picture is the first page of the print', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open();
  await bench.addPart('Peg push button');
  await bench.settled();
  await page.keyboard.press('o');
  await expect(page.locator('.overview [data-thing^="part "]', { hasText: /button/ })).toHaveCount(1);
  await page.emulateMedia({ media: 'print' });
  // Too wide for the paper, it stands in columns.
  const columns = page.locator('article.print-only .overview > div > svg');
  await expect.poll(() => columns.count()).toBeGreaterThan(1);
  await expect(page.locator('article.print-only .overview')).toContainText('third wheel probe');
  // Set in the fonts that it was measured in: as the page sets them, no word lies on another.
  for (const [media, drawn] of [
    ['print', 'article.print-only .overview > div > svg'],
    ['screen', '.overview .frame > svg'],
  ] as const) {
    await page.emulateMedia({ media });
    await page.evaluate(() => document.fonts.ready);
    const covered = await page.locator(drawn).evaluateAll((pictures: SVGSVGElement[]) =>
      pictures.flatMap((svg) => {
        const words = [...svg.querySelectorAll('text')].map((text) => ({
          said: text.textContent.trim(),
          box: text.getBBox(),
        }));
        return words.flatMap(({ said, box }, i) =>
          words
            .slice(i + 1)
            .filter(
              ({ box: b }) =>
                box.x + box.width > b.x + 1.5 &&
                b.x + b.width > box.x + 1.5 &&
                box.y + box.height * 0.7 > b.y + b.height * 0.3 &&
                b.y + b.height * 0.7 > box.y + box.height * 0.3,
            )
            .map((other) => `${said} / ${other.said}`),
        );
      }),
    );
    expect(covered, media).toEqual([]);
  }
});

test('what a remedy would change is drawn before it is taken', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open('overview');
  await bench.take(/^Scale DT can lift/);
  await expect(page.locator('[data-remedy="0"]')).toBeFocused();
  await expect(page.locator('[data-thing="part scale"]')).toHaveAttribute('data-change', 'changed');
  await expect(page.locator('[data-change="added"]')).toHaveCount(0);
  await page.locator('[data-remedy]', { hasText: 'translator' }).first().hover();
  await expect(page.locator('[data-change="added"]').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-change]')).toHaveCount(0);
});
