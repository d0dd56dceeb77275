// Lighthouse of this build against an empty application of the same stack, in one run: what the framework costs by itself is known
// that way. Lighthouse is fetched into a scratch folder and is no dependency; the empty application is built there.
import { execFileSync, spawn } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

const here = path.resolve(import.meta.dirname, '..');
const lighthouseVersion = '12.8.2';
const runs = Number(process.env.LIGHT_RUNS ?? 3);
const quiet = { stdio: ['ignore', 'ignore', 'inherit'] };

/** Inside the repository, where its packages are found; not kept. */
const empty = path.join(here, '.expo', 'empty');
function buildEmpty() {
  rmSync(empty, { recursive: true, force: true });
  mkdirSync(path.join(empty, 'app'), { recursive: true });
  const put = (file, text) => writeFileSync(path.join(empty, file), text);
  put('package.json', JSON.stringify({ name: 'empty', version: '0.0.0', main: 'expo-router/entry' }));
  put(
    'app.json',
    JSON.stringify({
      expo: {
        name: 'empty',
        slug: 'empty',
        platforms: ['web'],
        web: { bundler: 'metro', output: 'single' },
        plugins: ['expo-router'],
      },
    }),
  );
  put('babel.config.js', "module.exports = (api) => (api.cache(true), { presets: ['babel-preset-expo'] });\n");
  put(
    'metro.config.js',
    `const { getDefaultConfig } = require('expo/metro-config');
const config = getDefaultConfig(__dirname);
config.watchFolders = [${JSON.stringify(path.join(here, 'node_modules'))}];
config.resolver.nodeModulesPaths = [${JSON.stringify(path.join(here, 'node_modules'))}];
module.exports = config;
`,
  );
  put(
    'app/index.js',
    'import { Text, View } from \'react-native\';\nexport default function Empty() {\n  return <View><Text role="heading">Empty</Text></View>;\n}\n',
  );
  execFileSync('npx', ['expo', 'export', '--platform', 'web', '--output-dir', 'dist'], { cwd: empty, ...quiet });
  return path.join(empty, 'dist');
}

const chrome = ['/usr/bin/chromium', '/usr/bin/chromium-headless-shell'].find(existsSync);
const scratch = mkdtempSync(path.join(tmpdir(), 'light-'));
const wait = (ms) => new Promise((done) => setTimeout(done, ms));

async function served(root, port, demo, work) {
  const server = spawn('node', ['--import', 'tsx', 'server/main.ts'], {
    cwd: here,
    env: { ...process.env, PORT: String(port), STRICT_PORT: '1', WEB_ROOT: root, DEMO: demo ? '1' : '' },
    stdio: 'ignore',
  });
  try {
    for (let i = 0; i < 100; i++) {
      if (
        await fetch(`http://127.0.0.1:${port}/api/health`).then(
          (r) => r.ok,
          () => false,
        )
      )
        break;
      await wait(200);
    }
    return await work(`http://127.0.0.1:${port}/`);
  } finally {
    server.kill();
  }
}

const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];

function measure(url) {
  const all = Array.from({ length: runs }, (_, i) => {
    const out = path.join(scratch, `report-${i}.json`);
    execFileSync(
      'node',
      [
        path.join(scratch, 'node_modules/lighthouse/cli/index.js'),
        url,
        '--quiet',
        '--output=json',
        `--output-path=${out}`,
        '--only-categories=performance',
        '--chrome-flags=--headless --no-sandbox',
      ],
      { env: { ...process.env, CHROME_PATH: chrome }, timeout: 180_000, ...quiet },
    );
    const r = JSON.parse(readFileSync(out, 'utf8'));
    const of = (id) => r.audits[id].numericValue;
    return {
      score: r.categories.performance.score,
      paint: of('first-contentful-paint') / 1e3,
      largest: of('largest-contentful-paint') / 1e3,
      blocking: of('total-blocking-time') / 1e3,
      speed: of('speed-index') / 1e3,
      kB: of('total-byte-weight') / 1024,
    };
  });
  return Object.fromEntries(Object.keys(all[0]).map((k) => [k, median(all.map((r) => r[k]))]));
}

if (!chrome) {
  console.log('Lighthouse: no Chromium here, left out');
  process.exit(0);
}
try {
  console.log('\nLighthouse (its simulated mid-range phone), medians of', runs);
  execFileSync('npm', ['install', '--no-audit', '--no-fund', '--prefix', scratch, `lighthouse@${lighthouseVersion}`], {
    cwd: scratch,
    stdio: 'ignore',
  });
  const emptyRoot = buildEmpty();
  const e = await served(emptyRoot, 8795, false, measure);
  const o = await served(path.join(here, 'dist'), 8796, true, measure);
  const row = (name, k, digits) =>
    console.log(
      `${name.padEnd(44)} ${o[k].toFixed(digits).padStart(8)} against ${e[k].toFixed(digits)} empty (${(o[k] / e[k]).toFixed(2)} : 1)`,
    );
  row('performance', 'score', 2);
  row('first paint, s', 'paint', 2);
  row('largest paint, s', 'largest', 2);
  row('blocking time, s', 'blocking', 2);
  row('speed index, s', 'speed', 2);
  row('fetched, kB', 'kB', 0);
} finally {
  rmSync(scratch, { recursive: true, force: true });
  rmSync(empty, { recursive: true, force: true });
}
