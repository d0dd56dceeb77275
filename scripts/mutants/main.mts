// npm run mutants: one operator or number of core changed at a time, at random from a seed; do the tests notice?
// `-- --n 200 --seed 7`, `--only 3,17` for single ones of them, `--at src/core/money/choices.ts:46` for all of a line. In a copy of the tree, so nothing here is touched: all the changes are
// written into it behind switches, every test is run once to learn which changes it meets, then each change is put on and those
// tests are asked, the quickest of them first.
import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { sitesOf, switched, type Site } from './sites';

const word = (name: string) => process.argv[process.argv.indexOf(`--${name}`) + 1] ?? '';
const option = (name: string, or: number) => (process.argv.includes(`--${name}`) ? Number(word(name)) : or);
const n = option('n', 40);
const only = process.argv.includes('--only') ? new Set(word('only').split(',').map(Number)) : null;
/** Every change of these lines in place of drawn ones: what a new test was written for. */
const at = process.argv.includes('--at') ? word('at').split(',') : [];
/** Changes that are tried at once. */
const hands = option('hands', 2);
let state = option('seed', 20260414) >>> 0;
/** Numbers from the seed: the same changes each time. */
const random = () => {
  state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
  return state / 2 ** 32;
};

const filesIn = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true }).flatMap((d) => {
    const p = path.join(dir, d.name);
    if (d.isDirectory()) return filesIn(p);
    return d.name.endsWith('.ts') && !d.name.endsWith('.test.ts') ? [p] : [];
  });

const sites = filesIn(path.join('src', 'core')).flatMap(sitesOf);
/** By their number, from 1; each place once. */
const chosen = new Map<number, Site>();
const drawn = new Set<Site>();
for (const s of sites) if (at.includes(`${s.file}:${s.line}`)) chosen.set(chosen.size + 1, s);
while (!at.length && chosen.size < Math.min(n, sites.length)) {
  const site = sites[Math.floor(random() * sites.length)]!;
  if (!drawn.has(site)) chosen.set(chosen.size + 1, site);
  drawn.add(site);
}

const copy = mkdtempSync(path.join(tmpdir(), 'northcove-mutants-'));
const left = new Set(['node_modules', '.git', '.expo', 'test-results']);
for (const name of readdirSync('.'))
  if (!left.has(name) && !name.startsWith('dist')) cpSync(name, path.join(copy, name), { recursive: true });
symlinkSync(path.resolve('node_modules'), path.join(copy, 'node_modules'));
for (const file of new Set([...chosen.values()].map((s) => s.file))) {
  const own = new Map([...chosen].filter(([, s]) => s.file === file));
  writeFileSync(path.join(copy, file), switched(readFileSync(file, 'utf8'), file, own));
}
writeFileSync(
  path.join(copy, 'jest.mutants.js'),
  `const { projects, testTimeout } = require('./jest.config.js');
module.exports = { ...projects[0], testTimeout, setupFiles: ['<rootDir>/switch.js'], setupFilesAfterEnv: ['<rootDir>/hits.js'],
  testSequencer: '<rootDir>/order.js' };`,
);
writeFileSync(
  path.join(copy, 'switch.js'),
  `const met = (globalThis.__met = new Set());
const on = Number(process.env.MUTANT ?? 0);
globalThis.__mutant = process.env.HITS ? (i) => (met.add(i), false) : (i) => i === on;`,
);
writeFileSync(
  path.join(copy, 'hits.js'),
  `if (process.env.HITS) afterAll(() => require('node:fs').appendFileSync(process.env.HITS,
  JSON.stringify({ test: expect.getState().testPath, met: [...globalThis.__met] }) + '\\n'));`,
);
// in the order in which they are asked for
writeFileSync(
  path.join(copy, 'order.js'),
  `const Sequencer = require('@jest/test-sequencer').default;
module.exports = class extends Sequencer {
  sort(tests) {
    const order = (process.env.ORDER ?? '').split(',');
    return [...tests].sort((a, b) => order.indexOf(a.path) - order.indexOf(b.path));
  }
};`,
);

type Ended = 'passed' | 'failed' | 'late';
const node = (args: string[], env: Record<string, string>, ms = 2 ** 31 - 1): Promise<Ended> =>
  new Promise((told) => {
    const child = spawn(process.execPath, args, { cwd: copy, stdio: 'ignore', env: { ...process.env, ...env } });
    const late = setTimeout(() => child.kill('SIGKILL'), ms);
    child.on('exit', (code, signal) => {
      clearTimeout(late);
      told(code === 0 ? 'passed' : signal === 'SIGKILL' ? 'late' : 'failed');
    });
  });
const jest = ['node_modules/jest/bin/jest.js', '--config', 'jest.mutants.js', '--forceExit'];

const figures = ['--import', 'tsx', 'scripts/write-figures.mts', '--check'];

interface Asked {
  test: string;
  ms: number;
}

/** Every test once with no change put on: how long each takes, and which changes it meets. */
async function meetings(): Promise<Map<number, Asked[]>> {
  const hits = path.join(copy, 'hits.txt');
  const results = path.join(copy, 'results.json');
  writeFileSync(hits, '');
  const ended = await node([...jest, '--maxWorkers', String(hands), '--json', '--outputFile', results], { HITS: hits });
  const told = JSON.parse(readFileSync(results, 'utf8')) as {
    testResults: { name: string; startTime: number; endTime: number; status: string }[];
  };
  if (ended !== 'passed') {
    const names = told.testResults.filter((r) => r.status !== 'passed').map((r) => path.relative(copy, r.name));
    throw new Error(`with no change put on, tests fail: ${names.join(', ')}`);
  }
  const took = new Map(told.testResults.map((r) => [r.name, r.endTime - r.startTime]));
  const by = new Map<number, Asked[]>();
  for (const line of readFileSync(hits, 'utf8').trim().split('\n')) {
    const { test, met } = JSON.parse(line) as { test: string; met: number[] };
    for (const i of met) by.set(i, [...(by.get(i) ?? []), { test, ms: took.get(test) ?? 0 }]);
  }
  return by;
}

/** What `npm test` says of a change; a run that takes ten times as long as without it goes round for ever. */
async function notices(i: number, asked: readonly Asked[]): Promise<'noticed' | 'hangs' | 'not met' | 'SURVIVED'> {
  const MUTANT = String(i);
  const near = path.join(copy, path.dirname(chosen.get(i)!.file));
  const list = [...asked].sort(
    (a, b) => Number(b.test.startsWith(near)) - Number(a.test.startsWith(near)) || a.ms - b.ms,
  );
  const tests = list.map((a) => a.test);
  if (tests.length) {
    const ms = 60_000 + 10 * list.reduce((s, a) => s + a.ms, 0);
    const ended = await node(
      [...jest, '--bail', '-i', '--runTestsByPath', ...tests],
      { MUTANT, ORDER: tests.join() },
      ms,
    );
    if (ended !== 'passed') return ended === 'failed' ? 'noticed' : 'hangs';
  }
  // a figure that is not what the list of figures says is noticed there
  const listed = await node(figures, { MUTANT }, 120_000);
  return listed === 'failed' ? 'noticed' : tests.length ? 'SURVIVED' : 'not met';
}

const survivors: string[] = [];
let noticed = 0;
let tried = 0;
try {
  console.log(`${sites.length} places in core; ${chosen.size} changes`);
  const by = await meetings();
  const none = { MUTANT: '0' };
  if ((await node(figures, none)) !== 'passed')
    throw new Error('with no change put on, the list of figures is another');
  const queue = [...chosen.keys()].filter((i) => !only || only.has(i));
  const work = async () => {
    for (let i = queue.shift(); i !== undefined; i = queue.shift()) {
      const s = chosen.get(i)!;
      const said = await notices(i, by.get(i) ?? []);
      const what = `${s.file}:${s.line}: ${s.was} becomes ${s.becomes}`;
      tried++;
      if (said === 'noticed' || said === 'hangs') noticed++;
      else survivors.push(`${i} ${what}${said === 'not met' ? ' (no test comes by)' : ''}`);
      console.log(`${String(i).padStart(4)} ${said.padEnd(8)} ${what}`);
    }
  };
  await Promise.all(Array.from({ length: hands }, work));
} finally {
  rmSync(copy, { recursive: true, force: true, maxRetries: 5 });
}
console.log(`\n${noticed} of ${tried} noticed`);
for (const s of survivors) console.log(`  ${s}`);
