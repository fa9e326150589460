/** Installs and builds what is missing, so that each command works on a fresh machine. */
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('../..', import.meta.url));
export const CHROMIUM = '/usr/bin/chromium';

const at = (...parts) => join(ROOT, ...parts);

/** Runs a command; its output goes to stderr, so that a command's own output stays clean. */
function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: ROOT, stdio: ['ignore', 2, 2], ...options });
  if (error) throw error;
  return status ?? 1;
}

/** What takes long or changes the machine is said before it is done. */
function must(command, args, options) {
  console.error(`> ${command} ${args.join(' ')}`);
  const status = run(command, args, options);
  if (status !== 0) throw new Error(`${command} ${args.join(' ')} ended with ${status}`);
}

/** npm packages, as the lock file has them. */
export function ensurePackages() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    throw new Error(`Node 20.19 or newer is needed; this is ${process.versions.node}`);
  }
  const installed = at('node_modules', '.package-lock.json');
  const stale = !existsSync(installed) || statSync(installed).mtimeMs < statSync(at('package-lock.json')).mtimeMs;
  if (stale) must('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
}

/** What SvelteKit writes about the routes of today: types and lint of the web application read it. */
export function ensureRouteTypes() {
  must('npm', ['run', 'sync', '-w', 'web', '--silent']);
}

/** Debian's Chromium, for the tests of the real interface. */
export const ensureChromium = () => ensurePackage('chromium', CHROMIUM);

/** Debian's circuit simulator, which the sums over networks are held against. */
export const ensureSimulator = () => ensurePackage('ngspice', '/usr/bin/ngspice');

/** The ordinary tools that read the files of pins: a C compiler, Python and the devicetree compiler. */
export function ensureReaders() {
  ensurePackage('gcc', '/usr/bin/gcc');
  // Self-tests are compiled whole and run.
  ensurePackage('libc6-dev', '/usr/include/stdio.h');
  ensurePackage('python3', '/usr/bin/python3');
  ensurePackage('device-tree-compiler', '/usr/bin/dtc');
  // Sheets to score the reader on are typeset, too.
  ensurePackage('groff', '/usr/bin/gropdf');
}

function ensurePackage(name, path) {
  if (existsSync(path)) return;
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    must(command, rest, { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } });
  };
  apt('update', '-qq');
  apt('install', '-y', '-qq', '--no-install-recommends', name);
}

function newest(path) {
  if (!existsSync(path)) return 0;
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))));
}

/** The built application, unless it is newer than everything that it is made from. */
export function ensureBuild() {
  // The last file that is built.
  const built = at('web', 'build', 'work.js');
  const sources = [
    'web/src',
    'web/static',
    'web/vite.config.ts',
    'web/vite.work.config.ts',
    'web/svelte.config.js',
    'core/src',
    'catalogue',
    'package-lock.json',
  ];
  const stale = !existsSync(built) || sources.some((path) => newest(at(path)) > statSync(built).mtimeMs);
  if (!stale) return;
  for (const part of ['build:app', 'build:work'])
    must('npm', ['run', part, '-w', 'web', '--silent', '--', '--logLevel', 'error']);
}
