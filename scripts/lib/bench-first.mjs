/**
 * From the first byte to the drawn verdict of the demo, on a slowed processor and a slow network, beside an empty page of the same framework and
 * the verdict itself, in the same run.
 */
import { settled, withApp } from './app.mjs';

const RUNS = 5;
const SLOWED = 4;
/** A slow mobile network: 1.6 Mbit/s, 150 ms. */
const NETWORK = { offline: false, latency: 150, downloadThroughput: 200_000, uploadThroughput: 94_000 };

const middle = (list) => list.toSorted((a, b) => a - b)[list.length >> 1];

async function slowPage(browser) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
  const page = await context.newPage();
  const slow = await context.newCDPSession(page);
  await slow.send('Network.enable');
  await slow.send('Network.emulateNetworkConditions', NETWORK);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  return { page, done: () => context.close() };
}

/** ms from the first byte of the page until something is there, by the clock of the page. */
const since = (page) =>
  page.evaluate(() => performance.now() - performance.getEntriesByType('navigation')[0].responseStart);

export async function benchFirst() {
  await withApp(async (browser, address) => {
    const [verdicts, empties, sums] = [[], [], []];
    for (let i = 0; i < RUNS; i++) {
      const empty = await slowPage(browser);
      // The page of this application is an empty one; the framework, its start and the style are as they are.
      await empty.page.route(/\/nodes\/2\.[^/]*\.js$/, (route) =>
        route.fulfill({
          contentType: 'text/javascript',
          body: 'const component = (anchor) => { const e = document.createElement("p"); e.id = "empty"; e.textContent = "empty"; anchor.before(e); }; export { component };',
        }),
      );
      await empty.page.goto(address, { waitUntil: 'commit' });
      await empty.page.waitForSelector('#empty');
      empties.push(await since(empty.page));
      await empty.done();

      const whole = await slowPage(browser);
      await whole.page.goto(`${address}/#overview&plan=cupboard-first-draft`, { waitUntil: 'commit' });
      await settled(whole.page);
      verdicts.push(await since(whole.page));
      sums.push(Number(await whole.page.locator('[data-took]').getAttribute('data-took')));
      await whole.done();
    }
    const [verdict, empty, sum] = [verdicts, empties, sums].map(middle);
    console.log(
      `first verdict of the demo, processor slowed ${SLOWED} times, slow network: ${verdict.toFixed(0)} ms after the first byte; ` +
        `an empty page of the same framework ${empty.toFixed(0)} ms and the verdict itself ${sum.toFixed(0)} ms: ${(verdict / (empty + sum)).toFixed(2)} times`,
    );
  });
}
