// npm test: installs what is missing, then lint, types, unit, component and end-to-end tests; ends with one line of counts.
import { needBuild, needChromium, needPackages, run, say } from './lib.mjs';

await needPackages();
await needChromium();

/** The compiler of types in native code: the same answer in a quarter of the time; what lints needs the one before. */
const typesBy = 'node_modules/typescript-native/bin/tsc';

const start = Date.now();
let passed = 0;
let failed = 0;
let secondTime = 0;
/** @param beside what it says is shown when it has ended, and it takes the time that is left: something else runs beside it */
const check = async (name, command, args, beside = false) => {
  if (!beside) say(name);
  const began = Date.now();
  const done = await run(command, args, { quiet: beside, low: beside });
  if (beside) {
    say(name);
    process.stdout.write(done.text);
  }
  console.log(`-- ${name}: ${done.code === 0 ? 'done' : 'FAILED'} after ${Math.round((Date.now() - began) / 1000)} s`);
  return done;
};
/** A check that either holds or not. */
const single = async (name, command, args) => {
  const { code } = await check(name, command, args, true);
  if (code === 0) passed++;
  else failed++;
};
/** A runner that counts its own tests; a crash without a count is a failure. */
const counted = async (name, command, args, read, beside = false) => {
  const { code, text } = await check(name, command, args, beside);
  const [p, f] = read(text);
  passed += p;
  failed += f;
  if (code !== 0 && f === 0) failed++;
};
const number = (text, pattern) => Number(pattern.exec(text)?.[1] ?? 0);

const jest = (name, project) =>
  counted(
    name,
    'npx',
    ['jest', '--ci', '--forceExit', '--selectProjects', project, '--maxWorkers=1'],
    (t) => [number(t, /^Tests:.*?(\d+) passed/m), number(t, /^Tests:.*?(\d+) failed/m)],
    true,
  );

// route types are generated; a clean tree has none
await run('npx', ['expo', 'customize', 'tsconfig.json'], { quiet: true });
// browsers wait a good part of their time, for pages and for clocks: what needs none takes what they leave of two cores
await Promise.all([
  (async () => {
    await single('Lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
    await jest('Unit tests', 'core');
  })(),
  (async () => {
    await single('Format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
    await single('Types', process.execPath, [typesBy, '--noEmit']);
    // what nothing uses, and what only tests use
    await single('Dead code', 'npx', ['knip', '--no-progress']);
    await single('Dead code but for tests', 'npx', [
      'knip',
      '--no-progress',
      '--production',
      '--include',
      'exports,files',
    ]);
    // what the page of figures shows is what is counted with
    await single('Figures', process.execPath, ['--import', 'tsx', 'scripts/write-figures.mts', '--check']);
    await jest('Component tests', 'web');
  })(),
  (async () => {
    try {
      await needBuild({ quiet: true });
    } catch (e) {
      console.log(String(e));
      failed++;
      return;
    }
    await single('Budget', process.execPath, ['scripts/budget.mjs']);
    await counted('End-to-end tests', 'npx', ['playwright', 'test'], (t) => [
      number(t, /^\s*(\d+) passed/m) + (secondTime = number(t, /^\s*(\d+) flaky/m)),
      number(t, /^\s*(\d+) failed/m),
    ]);
  })(),
]);

console.log(`\n-- all of it after ${Math.round((Date.now() - start) / 1000)} s`);
if (secondTime) console.log(`\n${secondTime} passed only the second time: they are named above, and want looking into`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
