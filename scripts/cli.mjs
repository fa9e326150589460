/** The command line; everything after `--` is its own. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages, ROOT } from './lib/ensure.mjs';

ensurePackages();
const { status } = spawnSync(
  process.execPath,
  ['--import', import.meta.resolve('tsx'), join(ROOT, 'cli', 'src', 'main.ts'), ...process.argv.slice(2)],
  {
    stdio: 'inherit',
    // npm moves to the root; files are named from where the maker stands.
    cwd: process.env.INIT_CWD ?? process.cwd(),
  },
);
process.exit(status ?? 2);
