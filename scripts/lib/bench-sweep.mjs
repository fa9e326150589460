/** How long a swept value takes until ladders and edges are drawn anew, in the browser, on the demo plan. */
import { settled, withApp } from './app.mjs';

const STEPS = 60;

/** Moves a slider and waits until all that follows is laid out. */
const sweep = (slider, values) =>
  slider.evaluate(async (input, list) => {
    const times = [];
    for (const value of list) {
      await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
      const began = performance.now();
      if (input instanceof HTMLInputElement) input.value = String(value);
      input.dispatchEvent(new Event('input', { bubbles: true }));
      // What follows is done in microtasks; the layout is asked for at once.
      await new Promise((done) => queueMicrotask(() => queueMicrotask(done)));
      void document.body.offsetHeight;
      times.push(performance.now() - began);
    }
    return times;
  }, values);

export async function benchSweep() {
  await withApp(async (browser, address) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const at = (list, share) => list.toSorted((a, b) => a - b)[Math.floor(list.length * share)]?.toFixed(1);
    const steps = (from, to) => Array.from({ length: STEPS }, (_, i) => from + ((to - from) * i) / (STEPS - 1));
    for (const [station, name, label, from, to] of [
      ['levels', 'supply, all ladders', /^voltage of 3\.3 V/, 2.8, 3.8],
      ['bus', 'lead, edges and window', 'lead of top shelf sensor', 0.2, 5],
      ['bus', 'clock, edges and window', 'clock of I²C, tried', 100e3, 600e3],
    ]) {
      await page.goto(`${address}/#${station}&plan=cupboard-first-draft`);
      await page.reload();
      await settled(page);
      const slider = page.getByRole('slider', { name: label });
      await slider.waitFor();
      await sweep(slider, steps(from, to).slice(0, 15)); // warmed up
      const times = await sweep(slider, steps(to, from));
      console.log(`sweep of the ${name}: drawn anew in ${at(times, 0.5)} ms (95 %: ${at(times, 0.95)} ms)`);
    }
  });
}
