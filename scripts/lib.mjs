// Helpers of the two commands: plain Node, nothing installed yet.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';

export const root = path.join(import.meta.dirname, '..');
export const env = { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', FORCE_COLOR: '0' };

export const say = (text) => console.log(`\n== ${text}`);

/** Runs a command with its output shown; resolves to its exit code and text. */
export function run(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, env, stdio: ['ignore', 'pipe', 'pipe'], ...options });
    let text = '';
    const take = (to) => (chunk) => {
      text += chunk;
      if (!options.quiet) to.write(chunk);
    };
    child.stdout.on('data', take(process.stdout));
    child.stderr.on('data', take(process.stderr));
    child.on('error', (e) => resolve({ code: 127, text: String(e) }));
    child.on('close', (code) => resolve({ code: code ?? 1, text }));
  });
}

/** Installs the packages by the lockfile when they are missing or the lockfile has changed. */
export async function needPackages() {
  const lock = readFileSync(path.join(root, 'package-lock.json'));
  const mark = createHash('sha256').update(lock).digest('hex');
  const stamp = path.join(root, 'node_modules', '.northcove-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === mark) return;
  if (!existsSync(stamp) && existsSync(path.join(root, 'node_modules', '.package-lock.json'))) {
    const probe = spawnSync('npm', ['ls', '--depth=0', '--silent'], { cwd: root });
    if (probe.status === 0) {
      writeFileSync(stamp, mark);
      return;
    }
  }
  say('Installing packages by the lockfile (about 1300, one to three minutes)');
  const done = await run('npm', ['ci', '--no-audit', '--no-fund'], { env: process.env });
  if (done.code !== 0) throw new Error('npm ci failed');
  writeFileSync(stamp, mark);
}

/** Without windows first: it draws the same and does nothing beside it, a quarter less work for a test. */
const shell = '/usr/bin/chromium-headless-shell';
export const chromiumPath = () =>
  [process.env.CHROMIUM, shell, '/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'].find(
    (p) => p && existsSync(p),
  );

/** Debian's packages, by whoever may install them. */
function apt(...args) {
  const [command, ...rest] = [...(process.getuid?.() === 0 ? [] : ['sudo', '-n']), 'apt-get', ...args];
  return run(command, rest, { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } });
}

/** Installs Debian's Chromium for tests when it is not there; a Chromium with windows does where there is no other. */
export async function needChromium() {
  const known = chromiumPath();
  // what makes a browser trust a shop's own certificate, for the test of https
  if (!existsSync('/usr/bin/certutil')) {
    await apt('update', '-q');
    await apt('install', '-y', '-q', '--no-install-recommends', 'libnss3-tools');
  }
  if (known && known === (process.env.CHROMIUM ?? shell)) return known;
  say('Installing Debian’s chromium for the browser tests');
  await apt('update', '-q');
  for (const name of known ? ['chromium-headless-shell'] : ['chromium-headless-shell', 'chromium']) {
    await apt('install', '-y', '-q', '--no-install-recommends', name);
    const found = chromiumPath();
    if (found) return found;
  }
  throw new Error('chromium could not be installed');
}

const sources = [
  'src',
  'public',
  'app.json',
  'babel.config.js',
  'metro.config.js',
  'tailwind.config.js',
  'global.css',
  'package-lock.json',
];

function newest(p) {
  const full = path.join(root, p);
  if (!existsSync(full)) return 0;
  const s = statSync(full);
  if (!s.isDirectory()) return s.mtimeMs;
  return readdirSync(full).reduce((m, f) => Math.max(m, newest(path.join(p, f))), s.mtimeMs);
}

/** Builds the application unless the last build is newer than everything it was made from. */
export async function needBuild({ quiet = false } = {}) {
  const stamp = path.join(root, 'dist', '.built');
  if (existsSync(stamp) && statSync(stamp).mtimeMs > Math.max(...sources.map(newest))) return;
  say('Building the application (one to three minutes the first time)');
  const steps = [
    ['npx', ['expo', 'export', '--platform', 'web']],
    ['node', ['scripts/split.mjs', 'dist']],
    ['node', ['scripts/sw.mjs', 'dist']],
    ['node', ['scripts/compress.mjs', 'dist']],
  ];
  for (const [command, args] of steps) {
    const done = await run(command, args, { quiet });
    if (done.code !== 0) throw new Error(`${quiet ? done.text : ''}${command} ${args.join(' ')} failed`);
  }
  mkdirSync(path.join(root, 'dist'), { recursive: true });
  writeFileSync(stamp, '');
}
