/** Everything that is tested. The last line is the sum of all runners. */
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import {
  ensureBuild,
  ensureChromium,
  ensurePackages,
  ensureRouteTypes,
  ensureReaders,
  ensureSimulator,
  ROOT,
} from './lib/ensure.mjs';

const only = new Set(process.argv.slice(2));
const wanted = (name) => only.size === 0 || only.has(name);
const total = { passed: 0, failed: 0 };
const cache = join(ROOT, '.cache');
const LANES = Math.max(1, Math.min(4, availableParallelism()));

function add(name, passed, failed) {
  total.passed += passed;
  total.failed += failed;
  console.log(`${failed === 0 ? 'ok  ' : 'FAIL'} ${name}: ${passed} passed, ${failed} failed`);
}

function exec(command, args, cwd = ROOT) {
  const { status } = spawnSync(command, args, { cwd, stdio: 'inherit', env: { ...process.env, FORCE_COLOR: '0' } });
  return status === 0;
}

/** Runs a command beside others: what it says is shown when it ends. */
function execBeside([name, command, args]) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, env: { ...process.env, FORCE_COLOR: '0' } });
    const said = [];
    child.stdout.on('data', (data) => said.push(data));
    child.stderr.on('data', (data) => said.push(data));
    child.on('error', (error) => said.push(Buffer.from(String(error))));
    child.on('close', (status) => {
      process.stdout.write(Buffer.concat(said));
      // A runner that only says yes or no counts as one test.
      add(name, status === 0 ? 1 : 0, status === 0 ? 0 : 1);
      resolve();
    });
  });
}

/** Runs all of these, as many at a time as there are lanes; those that take longest stand first. */
async function checks(list) {
  const left = list.filter(([name]) => wanted(name));
  const lane = async () => {
    for (let next = left.shift(); next; next = left.shift()) await execBeside(next);
  };
  await Promise.all(Array.from({ length: LANES }, lane));
}

/** Reads the counts that a runner left; one that left none has failed, and so has one that ended badly without saying which. */
function counted(name, file, ok, read) {
  try {
    const [passed, failed] = read(JSON.parse(readFileSync(file, 'utf8')));
    add(name, passed, failed > 0 || (ok && passed > 0) ? failed : 1);
  } catch (error) {
    console.error(`${name} left no result: ${error.message}`);
    add(name, 0, 1);
  }
}

function mocha(name, workspace, covered) {
  if (!wanted(name)) return;
  const file = join(cache, `${name.replaceAll(' ', '-')}.json`);
  const args = [
    'mocha',
    '--parallel',
    '--jobs',
    String(LANES),
    '--reporter',
    'json',
    '--reporter-option',
    `output=${file}`,
  ];
  const ok = exec('npx', covered ? ['c8', ...args] : args, join(ROOT, workspace));
  counted(name, file, ok || covered, ({ stats, failures }) => {
    for (const { fullTitle, err } of failures) console.error(`${fullTitle}\n${err.stack ?? err.message}\n`);
    // A test that is left out has not passed.
    return [stats.passes, stats.failures + stats.pending];
  });
  if (covered) add(`coverage of ${name}`, ok ? 1 : 0, ok ? 0 : 1);
}

ensurePackages();
ensureRouteTypes();
rmSync(cache, { recursive: true, force: true });
mkdirSync(cache, { recursive: true });

await checks([
  ['lint', 'npx', ['eslint', '.']],
  ['types of web', 'npm', ['run', 'types', '-w', 'web', '--silent']],
  ['types of tests', 'npx', ['tsc', '-p', 'core/tsconfig.test.json']],
  ['format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']],
  ['types of core', 'npx', ['tsc', '-p', 'core/tsconfig.json']],
  ['rooms', 'npm', ['run', 'rooms', '--silent']],
  ['no unused export', 'npx', ['knip', '--no-progress']],
  ['types of cli', 'npx', ['tsc', '-p', 'cli/tsconfig.json']],
  ['types of e2e', 'npx', ['tsc', '-p', 'e2e/tsconfig.json']],
  ['docs are current', 'node', ['--import', 'tsx', 'scripts/docs.mjs', '--check']],
]);
if (wanted('core')) {
  ensureSimulator();
  ensureReaders();
}
mocha('core', 'core', true);
if (wanted('web units')) {
  // Drawn sheets are printed by the browser, too.
  ensureReaders();
  ensureChromium();
}
mocha('web units', 'web', false);
if (wanted('cli') || wanted('e2e')) ensureBuild();
mocha('cli', 'cli', false);
if (wanted('e2e')) {
  ensureChromium();
  const file = join(cache, 'e2e.json');
  const ok = exec('npx', ['playwright', 'test'], join(ROOT, 'e2e'));
  counted('e2e', file, ok, ({ stats }) => [stats.expected, stats.unexpected + stats.flaky + stats.skipped]);
}

console.log(`${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
