/** What has to come over the wire before the first screen is there, counted in bytes. */
import { expect, test, type Page, type Request } from '@playwright/test';

const KB = 1000;
/** Bytes at most: 130 kB of script and 250 in all were asked for. The plans of the demo, 25 kB, come as script. */
const MOST = { script: 130 * KB, data: 40 * KB, style: 15 * KB, font: 60 * KB, all: 250 * KB } as const;

type Kind = Exclude<keyof typeof MOST, 'all'>;
const KINDS: Readonly<Record<string, Kind>> = {
  document: 'data',
  fetch: 'data',
  xhr: 'data',
  script: 'script',
  stylesheet: 'style',
  font: 'font',
};

/**
 * Says from then on when the plan was on the screen: what is asked for later is none of the first screen, although it
 * may come before a test has looked.
 */
const watchFor = (name: string): void => {
  new MutationObserver((_, observer) => {
    if (![...document.querySelectorAll('main button')].some(({ textContent }) => textContent.includes(name))) return;
    observer.disconnect();
    document.documentElement.dataset.seen = String(Date.now());
  }).observe(document, { subtree: true, childList: true, characterData: true });
};

/** @returns bytes as they come over the wire, of everything asked for until the screen is there */
async function weigh(page: Page, plan: string): Promise<Map<Kind, number>> {
  const asked: Request[] = [];
  page.on('request', (request) => asked.push(request));
  await page.addInitScript(watchFor, plan);
  await page.goto('/');
  await expect(page.getByRole('button', { name: plan }).first()).toBeVisible();
  const seen = Number(await page.locator('html').getAttribute('data-seen'));
  const weight = new Map<Kind, number>();
  for (const request of asked) {
    const kind = KINDS[request.resourceType()];
    if (!kind || !request.url().startsWith('http')) continue;
    await request.response();
    if (request.timing().startTime > seen) continue;
    const { responseBodySize } = await request.sizes();
    weight.set(kind, (weight.get(kind) ?? 0) + responseBodySize);
  }
  return weight;
}

test('the first screen comes in few bytes, and what is not on it comes later', async ({ page }) => {
  const weight = await weigh(page, 'Cupboard, first draft');
  const kinds = Object.entries(MOST).filter((entry): entry is [Kind, number] => entry[0] !== 'all');
  for (const [kind, most] of kinds) expect(weight.get(kind) ?? 0, kind).toBeLessThan(most);
  const all = [...weight.values()].reduce((sum, bytes) => sum + bytes, 0);
  expect(all).toBeLessThan(MOST.all);
  // Fewer than this would mean that nothing was counted.
  expect(weight.get('script') ?? 0).toBeGreaterThan(50 * KB);
});
