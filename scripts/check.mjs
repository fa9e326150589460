/**
 * The quick look before a commit: lint of what changed, rooms, types, and the tests beside what changed. Under 90 seconds; `npm test` is
 * the whole. What changed is what differs from the commit named (HEAD where none is), new files included.
 */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { ensurePackages, ensureRouteTypes, ROOT } from './lib/ensure.mjs';

/** Enough to meet a change of one room; a change of all of them is for `npm test`. */
const MAX_TEST_FILES = 12;

ensurePackages();
ensureRouteTypes();
const base = process.argv[2] ?? 'HEAD';

function git(...args) {
  const { status, stdout, stderr } = spawnSync('git', args, { cwd: ROOT, encoding: 'utf8' });
  if (status !== 0) throw new Error(`git ${args.join(' ')}: ${stderr}`);
  return stdout.split('\n').filter(Boolean);
}

const changed = [
  ...new Set([...git('diff', '--name-only', base), ...git('ls-files', '--others', '--exclude-standard')]),
].filter((file) => existsSync(join(ROOT, file)));

/** The tests of a source file: core/src/room/name.ts is tested in core/test/room by what begins with its name. */
function testsOf(file) {
  if (/\.test\.ts$/.test(file)) return [file];
  const room = /^(core|web|cli)\/src\//.exec(file) && dirname(file).replace('/src', '/test');
  if (!room || !existsSync(join(ROOT, room))) return [];
  const name = basename(file).replace(/\.[^.]+$/, '');
  return readdirSync(join(ROOT, room))
    .filter((test) => test === `${name}.test.ts` || test.startsWith(`${name}-`))
    .filter((test) => test.endsWith('.test.ts'))
    .map((test) => join(room, test));
}

const tests = [...new Set(changed.flatMap(testsOf))];
const taken = tests.slice(0, MAX_TEST_FILES);
const code = changed.filter((file) => /\.(ts|mjs|cjs|js|svelte)$/.test(file));

/** What the compiler knew last time, so that it looks at what changed alone. */
const remembered = (name) => [
  '--incremental',
  '--tsBuildInfoFile',
  join(ROOT, 'node_modules', '.cache', `${name}.tsbuildinfo`),
];

const jobs = [
  ...(code.length > 0 ? [['lint of what changed', 'npx', ['eslint', '--no-warn-ignored', ...code]]] : []),
  ...(changed.length > 0
    ? [
        [
          'format of what changed',
          'npx',
          ['prettier', '--check', '--log-level', 'warn', '--ignore-unknown', ...changed],
        ],
      ]
    : []),
  ['rooms', 'npm', ['run', 'rooms', '--silent']],
  ['types of core and its tests', 'npx', ['tsc', '-p', 'core/tsconfig.test.json', ...remembered('core')]],
  ['types of cli', 'npx', ['tsc', '-p', 'cli/tsconfig.json', ...remembered('cli')]],
  // One after the other: both write what SvelteKit generates.
  ['no unused export, types of web', 'sh', ['-c', 'npm run unused --silent && npm run check -w web --silent']],
  ...['core', 'web', 'cli'].flatMap((workspace) => {
    const own = taken
      .filter((file) => file.startsWith(`${workspace}/`))
      .map((file) => file.slice(workspace.length + 1));
    if (own.length === 0) return [];
    // Without its configuration, which names every test of the workspace.
    const args = ['mocha', '--no-config', '--timeout', '120000', ...own];
    return [[`tests beside what changed in ${workspace}`, 'npx', args, join(ROOT, workspace)]];
  }),
];

/** mocha alone would look for tsx beside the tests. */
const ENV = { ...process.env, FORCE_COLOR: '0', NODE_OPTIONS: `--import ${import.meta.resolve('tsx')}` };

function run([name, command, args, cwd = ROOT]) {
  return new Promise((done) => {
    const began = performance.now();
    let output = '';
    const child = spawn(command, args, { cwd, env: ENV });
    child.stdout.on('data', (data) => (output += data));
    child.stderr.on('data', (data) => (output += data));
    child.on('close', (status) => {
      console.log(`${status === 0 ? 'ok  ' : 'FAIL'} ${name}, ${((performance.now() - began) / 1000).toFixed(0)} s`);
      if (status !== 0) console.log(output);
      done(status === 0);
    });
  });
}

/** Two at a time: more than that only wait for each other. */
const queue = [...jobs];
const results = [];
await Promise.all(
  [0, 1].map(async () => {
    for (let job = queue.shift(); job; job = queue.shift()) results.push(await run(job));
  }),
);
if (tests.length > taken.length) {
  console.log(`${tests.length - taken.length} more test files stand beside what changed: npm test runs them.`);
}
process.exit(results.every(Boolean) ? 0 : 1);
