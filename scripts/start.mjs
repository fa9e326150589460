/** Starts the built application. `npm run demo` is the same with the demo plans on an empty shelf. */
import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, ROOT } from './lib/ensure.mjs';

/** In this very process: whatever ends it ends the server, with what is under way finished. */
export async function start(env = {}) {
  ensurePackages();
  ensureBuild();
  // The routes limit bodies themselves and say so in words.
  Object.assign(process.env, { BODY_SIZE_LIMIT: 'Infinity', ...env });
  await import(pathToFileURL(join(ROOT, 'web', 'server.mjs')).href);
}

if (process.argv[1] === new URL(import.meta.url).pathname) await start();
