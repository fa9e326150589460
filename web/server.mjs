/** Serves the built application: who may hold a connection how long, what every answer is marked with, and how it ends. */
import { createServer } from 'node:http';
import compression from 'compression';

// Before the application is there, which takes up what is set when it starts.
process.env.IDLE_WORK ??= new URL('./build/work.js', import.meta.url).href;
const { handler } = await import('./build/handler.js');

/** Slow senders are dropped: ms until the head, and until the whole request, has come. */
const HEAD_TIME = 10_000;
const REQUEST_TIME = 25_000;
/** How often that is looked at, ms. */
const LOOK = 2_000;
/** What is under way when the end is asked for may take as long as any request, ms. */
const LAST_TIME = 30_000;

const HEADERS = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'permissions-policy': 'camera=(), microphone=(), geolocation=(), usb=(), serial=(self)',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
};

/** What is not compressed already: answers, the catalogue above all. */
const compress = compression();

const server = createServer(
  { headersTimeout: HEAD_TIME, requestTimeout: REQUEST_TIME, connectionsCheckingInterval: LOOK },
  (request, response) => {
    for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
    compress(request, response, () => handler(request, response, () => response.writeHead(404).end()));
  },
);

let ending = false;
function end() {
  if (ending) return;
  ending = true;
  server.close(() => {
    process.emit('sveltekit:shutdown');
    process.exit(0);
  });
  server.closeIdleConnections();
  setTimeout(() => server.closeAllConnections(), LAST_TIME).unref();
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, end);

const { PORT = '4173', HOST = '127.0.0.1' } = process.env;
server.listen(Number(PORT), HOST, () =>
  console.log(`Idle Breadboard is at http://localhost:${server.address().port} (Ctrl+C ends it)`),
);
