/** How long an edit of the demo plan takes until its verdict is on screen, in the browser, beside a handler that does nothing. */
import { optionOf, settled, withApp } from './app.mjs';

const EDITS = 60;

const at = (list, share) => list.toSorted((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))];
const says = (list) => `${at(list, 0.5).toFixed(0)} ms (95 %: ${at(list, 0.95).toFixed(0)} ms)`;

/** From a press to the first frame after the verdict of this very change. Runs in the page. */
const untilShown = (element) =>
  new Promise((done) => {
    const button = document.querySelector('[data-verdict]');
    const before = button?.getAttribute('data-revision');
    const began = performance.now();
    const look = () => {
      const now = button?.getAttribute('data-revision');
      if (now !== before && button?.getAttribute('data-verdict') !== 'stale')
        requestAnimationFrame(() => done([Number(button?.getAttribute('data-took')), performance.now() - began]));
      else requestAnimationFrame(look);
    };
    // A line of a list is taken when the finger leaves it.
    if (element.role === 'option') element.dispatchEvent(new PointerEvent('pointerup', { bubbles: true }));
    else element.click();
    look();
  });

/** The same way with nothing on it: a press, a handler that does nothing, two frames. Runs in the page. */
const untilNothing = () =>
  new Promise((done) => {
    const button = document.createElement('button');
    const began = performance.now();
    button.addEventListener('click', () =>
      requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - began))),
    );
    button.click();
  });

function report(where, shown, empty) {
  const [verdicts, screens] = [shown.map(([took]) => took), shown.map(([, took]) => took)];
  console.log(
    `${shown.length} edits at ${where}: verdict after ${says(verdicts)}, on screen after ${says(screens)}; a handler that does nothing ${says(empty)}: ${(at(screens, 0.95) / at(empty, 0.95)).toFixed(1)} times`,
  );
}

export async function benchEdits() {
  await withApp(async (browser, address) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/#power&plan=cupboard-first-draft`);
    await settled(page);
    const feed = page.getByLabel('rail that feeds VCC of scale');
    const empty = [];
    const atPower = [];
    for (let i = 0; i < EDITS; i++) {
      empty.push(await page.evaluate(untilNothing));
      await feed.click();
      atPower.push(await optionOf(page, i % 2 === 0 ? 'board.3v3' : 'five-volt.5v').evaluate(untilShown));
    }
    report('Power', atPower, empty);
    // The whole build is drawn again with every one of them.
    await page.goto(`${address}/#overview&plan=cupboard-first-draft`);
    await page.locator('.overview svg').first().waitFor();
    const atOverview = [];
    for (let i = 0; i < EDITS; i++)
      atOverview.push(await page.getByRole('button', { name: i % 2 === 0 ? /^undo/ : /^redo/ }).evaluate(untilShown));
    report('Overview', atOverview, empty);
  });
}
