/** Everything that is tested, one after the other. The last line is the sum of all runners. */
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
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

function add(name, passed, failed) {
  total.passed += passed;
  total.failed += failed;
  console.log(`${failed === 0 ? 'ok  ' : 'FAIL'} ${name}: ${passed} passed, ${failed} failed`);
}

function exec(command, args, cwd = ROOT) {
  const { status } = spawnSync(command, args, { cwd, stdio: 'inherit', env: { ...process.env, FORCE_COLOR: '0' } });
  return status === 0;
}

/** A runner that only says yes or no counts as one test. */
function check(name, command, args, cwd) {
  if (!wanted(name)) return;
  const ok = exec(command, args, cwd);
  add(name, ok ? 1 : 0, ok ? 0 : 1);
}

/** Reads the counts that a runner left; a runner that left none has failed. */
function counted(name, file, read) {
  try {
    const [passed, failed] = read(JSON.parse(readFileSync(file, 'utf8')));
    add(name, passed, failed);
  } catch (error) {
    console.error(`${name} left no result: ${error.message}`);
    add(name, 0, 1);
  }
}

function mocha(name, workspace, covered) {
  if (!wanted(name)) return;
  const file = join(cache, `${name.replaceAll(' ', '-')}.json`);
  const args = ['mocha', '--reporter', 'json', '--reporter-option', `output=${file}`];
  const ok = exec('npx', covered ? ['c8', ...args] : args, join(ROOT, workspace));
  counted(name, file, ({ stats, failures }) => {
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

check('lint', 'npx', ['eslint', '.']);
check('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
check('rooms', 'npm', ['run', 'rooms', '--silent']);
check('no unused export', 'npm', ['run', 'unused', '--silent']);
check('types of core', 'npx', ['tsc', '-p', 'core/tsconfig.json']);
check('types of tests', 'npx', ['tsc', '-p', 'core/tsconfig.test.json']);
check('types of cli', 'npx', ['tsc', '-p', 'cli/tsconfig.json']);
check('types of e2e', 'npx', ['tsc', '-p', 'e2e/tsconfig.json']);
check('types of web', 'npm', ['run', 'check', '-w', 'web', '--silent']);
check('docs are current', 'node', ['--import', 'tsx', 'scripts/docs.mjs', '--check']);
if (wanted('core')) {
  ensureSimulator();
  ensureReaders();
}
mocha('core', 'core', true);
mocha('web units', 'web', false);
if (wanted('cli') || wanted('e2e')) ensureBuild();
mocha('cli', 'cli', false);
if (wanted('e2e')) {
  ensureChromium();
  const file = join(cache, 'e2e.json');
  exec('npx', ['playwright', 'test'], join(ROOT, 'e2e'));
  counted('e2e', file, ({ stats }) => [stats.expected, stats.unexpected + stats.flaky + stats.skipped]);
}

console.log(`${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
