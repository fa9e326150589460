/** The built application with its demo data and a browser to look at it with, for pictures and benchmarks. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { CHROMIUM, ROOT } from './ensure.mjs';

const PORT = 4181;
const BROWSER = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** @param use gets the browser and the address; both are ended afterwards */
export async function withApp(use) {
  const { chromium } = await import('@playwright/test');
  const server = spawn(process.execPath, [join(ROOT, 'web', 'server.mjs')], {
    env: { ...process.env, PORT: String(PORT), HOST: '127.0.0.1', IDLE_DEMO: '1', BODY_SIZE_LIMIT: 'Infinity' },
    stdio: 'inherit',
  });
  const address = `http://127.0.0.1:${PORT}`;
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: BROWSER });
  try {
    for (let i = 0; i < 100; i++) {
      const up = await fetch(`${address}/healthz`).catch(() => null);
      if (up?.ok) break;
      await new Promise((done) => setTimeout(done, 200));
    }
    await use(browser, address);
  } finally {
    await browser.close();
    server.kill();
  }
}

/** Waits until what is open has its verdict. */
export const settled = (page) =>
  page.waitForSelector('[data-verdict="open"], [data-verdict="verified"]', { timeout: 60_000 });

/** A line of the list that is open, by its value. */
export const optionOf = (page, value) =>
  page.locator(`[role="listbox"] [role="option"][data-value=${JSON.stringify(value)}]`);
