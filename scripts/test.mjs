// npm test: installs what is missing, then lint, types, unit, component and end-to-end tests; ends with one line of counts.
import { needBuild, needChromium, needPackages, run, say } from './lib.mjs';

await needPackages();
await needChromium();

/** The compiler of types in native code: the same answer in a quarter of the time; what lints needs the one before. */
const typesBy = 'node_modules/typescript-native/bin/tsc';

const start = Date.now();
/** What did not hold, said again at the very end: who reads only the last lines of a long run needs no more. */
const broken = [];
let passed = 0;
let failed = 0;
let secondTime = 0;
/** @param quiet what it says is shown when it has ended: something else runs beside it */
const check = async (name, command, args, quiet = false) => {
  if (!quiet) say(name);
  const began = Date.now();
  const done = await run(command, args, { quiet });
  if (quiet) {
    say(name);
    process.stdout.write(done.text);
  }
  console.log(`-- ${name}: ${done.code === 0 ? 'done' : 'FAILED'} after ${Math.round((Date.now() - began) / 1000)} s`);
  return done;
};
/** A check that either holds or not. */
const single = async (name, command, args) => {
  const { code, text } = await check(name, command, args, true);
  if (code === 0) passed++;
  else {
    failed++;
    broken.push(`${name}:\n${text.split('\n').slice(-60).join('\n')}`);
  }
};
/** What a runner prints of a test that failed: from its name to the next one. */
const failuresIn = (text) =>
  [...text.matchAll(/^ *● .*\n(?:(?! *● |PASS |FAIL |Test Suites:).*\n){0,60}/gm)]
    .map((m) => m[0])
    .filter((block) => !/^ *● Console/.test(block));
/** A runner that counts its own tests; a crash without a count is a failure. */
const counted = async (name, command, args, read, quiet = false) => {
  const { code, text } = await check(name, command, args, quiet);
  const [p, f] = read(text);
  passed += p;
  failed += f;
  if (code !== 0 && f === 0) failed++;
  if (code !== 0) broken.push(`${name}:\n${failuresIn(text).join('\n') || text.split('\n').slice(-60).join('\n')}`);
};
const number = (text, pattern) => Number(pattern.exec(text)?.[1] ?? 0);

const jest = (name, project, workers, quiet) =>
  counted(
    name,
    'npx',
    ['jest', '--ci', '--forceExit', '--selectProjects', project, `--maxWorkers=${workers}`],
    (t) => [number(t, /^Tests:.*?(\d+) passed/m), number(t, /^Tests:.*?(\d+) failed/m)],
    quiet,
  );

let built = true;
/** What needs no page of the whole, each on one core; the longest first, so that neither core is idle at the end. */
const parts = [
  () => jest('Unit tests', 'core', '1', true),
  async () => {
    built = await needBuild({ quiet: true }).then(
      () => true,
      (e) => {
        console.log(String(e));
        return false;
      },
    );
    if (built) await single('Budget', process.execPath, ['scripts/budget.mjs']);
  },
  () => jest('Component tests', 'web', '1', true),
  () => single('Lint', 'npx', ['eslint', '.', '--max-warnings', '0']),
  () => single('Format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']),
  async () => {
    // route types are generated; a clean tree has none
    await run('npx', ['expo', 'customize', 'tsconfig.json'], { quiet: true });
    await single('Types', process.execPath, [typesBy, '--noEmit']);
  },
  // what nothing uses, and what only tests use
  () => single('Dead code', 'npx', ['knip', '--no-progress']),
  () =>
    single('Dead code but for tests', 'npx', ['knip', '--no-progress', '--production', '--include', 'exports,files']),
  // what the page of figures shows is what is counted with
  () => single('Figures', process.execPath, ['--import', 'tsx', 'scripts/write-figures.mts', '--check']),
];
const core = async () => {
  for (let next = parts.shift(); next; next = parts.shift()) await next();
};
await Promise.all([core(), core()]);
if (built)
  await counted('End-to-end tests', 'npx', ['playwright', 'test'], (t) => [
    number(t, /^\s*(\d+) passed/m) + (secondTime = number(t, /^\s*(\d+) flaky/m)),
    number(t, /^\s*(\d+) failed/m),
  ]);
else failed++;

for (const what of broken) console.log(`\n== Did not hold. ${what}`);
console.log(`\n-- all of it after ${Math.round((Date.now() - start) / 1000)} s`);
if (secondTime) console.log(`\n${secondTime} passed only the second time: they are named above, and want looking into`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
