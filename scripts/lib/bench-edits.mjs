/** How long an edit of the demo plan takes until its verdict is on screen, in the browser. */
import { settled, withApp } from './app.mjs';

const EDITS = 60;

export async function benchEdits() {
  await withApp(async (browser, address) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/#power&plan=cupboard-first-draft`);
    await settled(page);
    const feed = page.getByLabel('rail that feeds VCC of scale');
    const verdicts = [];
    const screens = [];
    for (let i = 0; i < EDITS; i++) {
      const rail = i % 2 === 0 ? 'board.3v3' : 'five-volt.5v';
      // From the change to the first frame after the verdict of this very change.
      const took = await feed.evaluate(
        (select, value) =>
          new Promise((done) => {
            const button = document.querySelector('[data-verdict]');
            const before = button?.getAttribute('data-revision');
            const began = performance.now();
            const look = () => {
              const now = button?.getAttribute('data-revision');
              if (now !== before && button?.getAttribute('data-verdict') !== 'stale') {
                requestAnimationFrame(() =>
                  done([Number(button?.getAttribute('data-took')), performance.now() - began]),
                );
              } else requestAnimationFrame(look);
            };
            if (select instanceof HTMLSelectElement) select.value = value;
            select.dispatchEvent(new Event('change', { bubbles: true }));
            look();
          }),
        rail,
      );
      verdicts.push(took[0]);
      screens.push(took[1]);
    }
    const at = (list, share) =>
      list.toSorted((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))]?.toFixed(0);
    console.log(
      `${EDITS} edits in the browser: verdict after ${at(verdicts, 0.5)} ms (95 %: ${at(verdicts, 0.95)} ms), on screen after ${at(screens, 0.5)} ms (95 %: ${at(screens, 0.95)} ms)`,
    );
  });
}
