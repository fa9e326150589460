/** Benchmarks: ratios within one run, never part of the tests. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ensureChromium, ensurePackages, ensureReaders, ROOT } from './lib/ensure.mjs';

ensurePackages();
const args = ['--import', import.meta.resolve('tsx'), join(ROOT, 'core', 'benchmarks', 'main.ts')];
const { status } = spawnSync(process.execPath, args, { stdio: 'inherit', cwd: ROOT });
if (status !== 0) process.exit(status ?? 1);

ensureChromium();
ensureReaders();
const reader = spawnSync(
  process.execPath,
  ['--import', import.meta.resolve('tsx'), join(ROOT, 'web', 'benchmarks', 'reader.ts')],
  { stdio: 'inherit', cwd: join(ROOT, 'web') },
);
if (reader.status !== 0) process.exit(reader.status ?? 1);
ensureBuild();
const { benchEdits } = await import('./lib/bench-edits.mjs');
await benchEdits();
const { benchSweep } = await import('./lib/bench-sweep.mjs');
await benchSweep();
const { benchFirst } = await import('./lib/bench-first.mjs');
await benchFirst();
