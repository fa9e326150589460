import { defineConfig } from '@playwright/test';

const PORT = 4179;

export default defineConfig({
  testDir: 'tests',
  outputDir: 'results',
  fullyParallel: true,
  workers: 2,
  retries: 0,
  // Generous, because shared machines stall for seconds; nothing here measures speed.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  reporter: [['dot'], ['json', { outputFile: '../.cache/e2e.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    // Only the tests that go offline keep the application at hand: filling its cache takes seconds each time.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      // Nothing of the browser's own may go to the network.
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: 'node ../web/server.mjs',
    url: `http://localhost:${PORT}/healthz`,
    env: { PORT: String(PORT), HOST: '127.0.0.1', IDLE_DEMO: '1', BODY_SIZE_LIMIT: 'Infinity' },
    reuseExistingServer: false,
  },
});
