/** What ships with the program is named with its licence, where a user finds it. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';

test('the shelf leads to the licences of everything that ships', async ({ page, context }) => {
  await page.goto('/#shelf');
  const opened = context.waitForEvent('page');
  await page.getByRole('link', { name: 'Licences of what ships' }).click();
  const text = (await (await opened).locator('body').textContent()) ?? '';
  // The fonts, those of the reader of PDF files among them.
  expect(text.match(/SIL OPEN FONT LICENSE/gi)?.length ?? 0).toBeGreaterThan(3);
  expect(text).toContain('LICENSE_FOXIT');
  const { dependencies } = JSON.parse(readFileSync(new URL('../../web/package.json', import.meta.url), 'utf8')) as {
    dependencies: Record<string, string>;
  };
  // Our own, and what stays on the server.
  const others = Object.keys(dependencies).filter((name) => !/^@idle-breadboard\/|^(piscina|compression)$/.test(name));
  for (const name of others) expect(text).toContain(name);
});
