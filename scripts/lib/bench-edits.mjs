/** How long an edit of the demo plan takes until its verdict is on the screen, by real input in the browser, beside a handler that does nothing. */
import { optionOf, settled, withApp } from './app.mjs';

const EDITS = 60;
/** ms that a hand rests on what it presses, and between the last key and Enter. */
const HAND = 200;
/** ms between two edits. */
const PAUSE = 300;

const at = (list, share) => list.toSorted((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))];
const says = (list) => `${at(list, 0.5).toFixed(0)} ms (95 %: ${at(list, 0.95).toFixed(0)} ms)`;

/**
 * From the press that is heard next to the first frame after the one that shows the verdict of its change. Runs in the page.
 * @param isEmpty nothing is changed by it: two frames
 */
const untilShown = (isEmpty) => {
  const button = document.querySelector('[data-verdict]');
  const before = button?.getAttribute('data-revision');
  globalThis.shown = new Promise((done) => {
    const heard = new AbortController();
    const press = ({ timeStamp, key }) => {
      if (key !== undefined && key !== 'Enter') return;
      heard.abort();
      const look = () => {
        const now = button?.getAttribute('data-revision');
        if (isEmpty || (now !== before && button?.getAttribute('data-verdict') !== 'stale'))
          requestAnimationFrame(() => done([Number(button?.getAttribute('data-took')), performance.now() - timeStamp]));
        else requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
    };
    for (const type of ['pointerup', 'keydown']) addEventListener(type, press, { capture: true, signal: heard.signal });
  });
};

/** Time of a press, ms: [until the verdict, until it is on the screen]. */
async function timed(page, press, isEmpty = false) {
  await page.evaluate(untilShown, isEmpty);
  await press();
  return page.evaluate(() => globalThis.shown);
}

async function press(page, rest) {
  await page.waitForTimeout(rest);
  await page.mouse.down();
  await page.mouse.up();
}

/** Rails of several parts, each step another: no two plans of a round are the same. Step i changes the lowest bit that i has. */
async function choices(page) {
  const rails = page.getByLabel(/^rail that feeds /);
  await rails.first().waitFor();
  const fields = await rails.all();
  const able = [];
  for (const field of fields) {
    await field.click();
    const values = await page
      .locator('[role=option]:not([data-disabled])')
      .evaluateAll((all) =>
        all.map((one) => one.getAttribute('data-value')).filter((v) => v && !v.startsWith('plug ')),
      );
    await page.keyboard.press('Escape');
    if (values.length > 1) able.push({ label: await field.getAttribute('aria-label'), values: values.slice(0, 2) });
  }
  return able;
}
const bit = (i) => Math.log2(i & -i);

async function picked(page, able, first, rest) {
  const took = [];
  for (let i = first; i < first + EDITS; i++) {
    const { label, values } = able[bit(i) % able.length];
    const field = page.getByLabel(label, { exact: true });
    const now = await field.getAttribute('data-value');
    await page.waitForTimeout(PAUSE);
    await field.click();
    const to = values.find((value) => value !== now);
    const option = optionOf(page, to);
    if (rest > 0) {
      await option.hover();
      took.push(await timed(page, () => press(page, rest)));
    } else {
      // Nobody points at it before: as a finger does that comes down on it.
      await page.evaluate(untilShown, false);
      await option.dispatchEvent('pointerup');
      took.push(await page.evaluate(() => globalThis.shown));
    }
  }
  return took;
}

async function typed(page) {
  const field = page.getByLabel(/^leads to /).first();
  const took = [];
  for (let i = 0; i < EDITS; i++) {
    await page.waitForTimeout(PAUSE);
    await field.fill('');
    await field.pressSequentially(`${41 + i} cm`, { delay: 40 });
    await page.waitForTimeout(HAND);
    took.push(await timed(page, () => page.keyboard.press('Enter')));
  }
  return took;
}

async function undone(page) {
  const took = [];
  const button = page.getByRole('button', { name: /^undo/ });
  await button.hover();
  for (let i = 0; i < EDITS; i++) took.push(await timed(page, () => press(page, PAUSE)));
  return took;
}

async function nothing(page) {
  await page.evaluate(() => {
    const button = document.createElement('button');
    button.id = 'nothing';
    button.style.cssText = 'position: fixed; inset: 0 auto auto 0; width: 40px; height: 30px; z-index: 999';
    document.body.append(button);
  });
  await page.locator('#nothing').hover();
  const took = [];
  for (let i = 0; i < EDITS; i++) took.push(await timed(page, () => press(page, PAUSE), true));
  await page.evaluate(() => document.querySelector('#nothing')?.remove());
  return took;
}

function report(where, took, empty) {
  const [verdicts, screens] = [0, 1].map((i) => took.map((one) => one[i]));
  const idle = empty.map((one) => one[1]);
  console.log(
    `${took.length} edits, ${where}: verdict after ${says(verdicts)}, on screen after ${says(screens)}; a handler that does nothing ${says(idle)}: ${(at(screens, 0.95) / at(idle, 0.95)).toFixed(1)} times`,
  );
}

export async function benchEdits() {
  await withApp(async (browser, address) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/#power&plan=cupboard-first-draft`);
    await settled(page);
    const empty = await nothing(page);
    const able = await choices(page);
    report('chosen at Power', await picked(page, able, 1, HAND), empty);
    report('chosen at Power, not pointed at before', await picked(page, able, 1 + EDITS, 0), empty);
    report('typed at Power', await typed(page), empty);
    await page.goto(`${address}/#overview&plan=cupboard-first-draft`);
    await page.locator('.overview svg').first().waitFor();
    // The whole build is drawn again with every one of them.
    report('a step back at Overview', await undone(page), await nothing(page));
  });
}
