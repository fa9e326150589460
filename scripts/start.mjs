/** Starts the built application. `npm run demo` is the same with the demo plans on an empty shelf. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, ROOT } from './lib/ensure.mjs';

export function start(env = {}) {
  ensurePackages();
  ensureBuild();
  const port = process.env.PORT ?? '4173';
  const host = process.env.HOST ?? '127.0.0.1';
  const server = spawn(process.execPath, [join(ROOT, 'web', 'build', 'index.js')], {
    stdio: ['ignore', 'inherit', 'inherit'],
    // The routes limit bodies themselves and say so in words.
    env: { ...process.env, PORT: port, HOST: host, BODY_SIZE_LIMIT: 'Infinity', ...env },
  });
  server.on('exit', (code) => process.exit(code ?? 0));
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  console.log(`Idle Breadboard is at http://localhost:${port} (Ctrl+C ends it)`);
}

if (process.argv[1] === new URL(import.meta.url).pathname) start();
