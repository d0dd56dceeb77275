// npm run kept: the unit tests run once more with the functions of core noted, and of what each was asked and answered some calls
// are kept in test-support/kept. The tests in src/core/*/kept.test.ts ask them again. To be run after a change of core that is meant.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  createReadStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { Script } from 'node:vm';

import { answerOf, decode, Unfit, type Plain } from '../../test-support/keptCode';
import { keptChains } from '../../test-support/keptChains';
import { nearAnswer, short, type Kept, type KeptFile } from '../../test-support/keptReplay';

/** Calls of one function that are kept, and what they may weigh together, characters. */
const [most, heaviest] = [10, 12_000];
/** A call that takes longer is not kept, ms. */
const slowestMs = 100;
/** Questions near each kept call: that are tried, and kept; how long one may take and those of one function together, ms. */
const near = { tried: 60, kept: 8, refused: 2, slowestMs: 8, togetherMs: 40 };
/** Parts of what is given that are this long stand once for all calls, characters. */
const sharedFrom = 300;
/** Machinery of the figures that is the same for every call, and what only checks its input. */
const left = new Set(['errors', 'source', 'bare', 'digest', 'ownFiguresText']);

interface Noted {
  source: string;
  name: string;
  given: string;
  answer: Plain;
}

const raw = process.env.KEPT_DIR ?? mkdtempSync(path.join(tmpdir(), 'northcove-kept-'));
if (!process.env.KEPT_DIR) {
  const { status } = spawnSync(
    process.execPath,
    ['node_modules/jest/bin/jest.js', '--config', 'scripts/kept/jest.config.cjs', '--forceExit', '--maxWorkers', '2'],
    { stdio: 'inherit', env: { ...process.env, KEPT_DIR: raw } },
  );
  if (status !== 0) throw new Error('a test fails: what core answers now is not kept');
}

const hash = (text: string) => createHash('sha256').update(text).digest('hex');
/** By function, each question once. */
const byFunction = new Map<string, Map<string, Noted>>();
for (const name of readdirSync(raw))
  for await (const line of createInterface({ input: createReadStream(path.join(raw, name)) })) {
    const call = JSON.parse(line) as Noted;
    if (left.has(call.source) || call.given.length > 60_000) continue;
    const key = `${call.source} ${call.name}`;
    const of = byFunction.get(key) ?? byFunction.set(key, new Map()).get(key)!;
    of.set(hash(call.given), call);
  }

/** Whether it answers the same when it is asked on its own, and soon enough to be asked in every run of the tests. */
async function holds(c: Noted): Promise<boolean> {
  const module = (await import(path.resolve('src', 'core', `${c.source}.ts`))) as Record<
    string,
    (...g: unknown[]) => unknown
  >;
  const given = (JSON.parse(c.given) as Plain[]).map((g) => decode(g));
  const began = performance.now();
  let answer: Plain;
  try {
    answer = answerOf(() => module[c.name]!(...given));
  } catch (e) {
    // asked on its own it answers with more than can be kept
    if (e instanceof Unfit) return false;
    throw e;
  }
  return performance.now() - began < slowestMs && JSON.stringify(answer) === JSON.stringify(c.answer);
}

/** Some of them, as unlike as can be: each answer once first, short questions and whichever the digest draws. */
async function some(calls: readonly [string, Noted][], weighs: (c: Noted) => number): Promise<Noted[]> {
  const drawn = [...calls].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, c]) => c);
  const answers = new Set<string>();
  const unlike = drawn.filter((c) => {
    const a = JSON.stringify(c.answer);
    return !answers.has(a) && answers.add(a);
  });
  const order = [...new Set([...unlike, ...drawn])];
  const out: Noted[] = [];
  let weight = 0;
  for (const c of order) {
    const w = weighs(c);
    if (out.length >= most || (out.length && weight + w > heaviest) || !(await holds(c))) continue;
    out.push(c);
    weight += w;
  }
  return out;
}

const limited = new Script('globalThis.__ask()');
const asking = globalThis as unknown as { __ask: () => unknown };

/**
 * Questions near kept calls of a function that are answered each in another way, soon enough. What goes round for ever is cut off.
 * @returns for each call its `near`
 */
async function nearOf(calls: readonly Noted[]): Promise<(string | undefined)[]> {
  const { source, name } = calls[0]!;
  const module = (await import(path.resolve('src', 'core', `${source}.ts`))) as Record<
    string,
    (...g: unknown[]) => unknown
  >;
  const seen = new Set<string>();
  let spent = 0;
  return calls.map((c) => {
    const given = JSON.parse(c.given) as Plain[];
    const pairs: string[] = [];
    let refused = 0;
    for (let which = 1; which <= near.tried && pairs.length < near.kept && spent < near.togetherMs; which++) {
      let threw = false;
      const mine = given.map((g) => decode(g));
      asking.__ask = () =>
        nearAnswer(
          (g) => {
            try {
              return module[name]!(...g);
            } catch (e) {
              threw = true;
              throw e;
            }
          },
          mine,
          which,
        );
      const began = performance.now();
      let answer: string | null;
      try {
        answer = limited.runInThisContext({ timeout: 60 }) as string | null;
      } catch {
        // no end to it, or more than a list can hold
        continue;
      }
      const took = performance.now() - began;
      if (!answer || answer === 'unfit' || seen.has(answer) || took > near.slowestMs) continue;
      if (threw && ++refused > near.refused) continue;
      seen.add(answer);
      spent += took;
      pairs.push(`${which}:${answer}`);
    }
    return pairs.length ? pairs.join(' ') : undefined;
  });
}

const files = new Map<string, KeptFile & { at: Map<string, number> }>();
/** The same with what is long and comes more than once put by. */
function intern(x: Plain, file: { shared: Plain[]; at: Map<string, number> }): Plain {
  if (x === null || typeof x !== 'object') return x;
  const inner: Plain = Array.isArray(x)
    ? x.map((v) => intern(v, file))
    : Object.fromEntries(Object.entries(x).map(([k, v]) => [k, intern(v, file)]));
  const text = JSON.stringify(inner);
  if (text.length < sharedFrom) return inner;
  const key = hash(text);
  let at = file.at.get(key);
  if (at === undefined) {
    at = file.shared.push(inner) - 1;
    file.at.set(key, at);
  }
  return { $r: at };
}

for (const [key, of] of [...byFunction].sort(([a], [b]) => (a < b ? -1 : 1))) {
  const [source, f] = key.split(' ') as [string, string];
  const part = source.includes('/') ? source.split('/')[0]! : 'root';
  const file = files.get(part) ?? { shared: [], calls: {}, at: new Map() };
  files.set(part, file);
  const taken = await some([...of], (x) => Math.min(x.given.length, 4000));
  const beside = taken.length ? await nearOf(taken) : [];
  taken.forEach((c, i) =>
    (file.calls[source] ??= []).push({
      f,
      given: (JSON.parse(c.given) as Plain[]).map((g) => intern(g, file)),
      answer: short(c.answer),
      ...(beside[i] ? { near: beside[i] } : {}),
    } satisfies Kept),
  );
}

/** What the chains of a part answer, as the last of its file. */
function chainsOf(part: string): string {
  const chains = Object.entries(keptChains[part] ?? {}).map(([name, ask]) => {
    const began = performance.now();
    const answer = short(answerOf(ask));
    console.log(`  ${part}: ${name}: ${Math.round(performance.now() - began)} ms`);
    return `${JSON.stringify(name)}:${JSON.stringify(answer)}`;
  });
  return chains.length ? `,\n"chains":{\n${chains.join(',\n')}}` : '';
}

const dir = path.join('test-support', 'kept');
if (existsSync(dir)) rmSync(dir, { recursive: true });
mkdirSync(dir, { recursive: true });
/** By part, what its chains answered: asked once. */
const chains = new Map([...files.keys()].map((part) => [part, chainsOf(part)]));
function write(part: string, { shared, calls }: KeptFile): void {
  const lines = Object.entries(calls).map(
    ([s, l]) => `${JSON.stringify(s)}:[\n${l.map((k) => JSON.stringify(k)).join(',\n')}]`,
  );
  writeFileSync(
    path.join(dir, `${part}.json`),
    `{"shared":[\n${shared.map((s) => JSON.stringify(s)).join(',\n')}],\n"calls":{\n${lines.join(',\n')}}${chains.get(part)}}\n`,
  );
}
for (const [part, file] of files) write(part, file);

// asked once more as the tests ask: what is not answered alike goes
const unlikeFile = path.join(tmpdir(), `northcove-unlike-${process.pid}`);
writeFileSync(unlikeFile, '');
const again = ['node_modules/jest/bin/jest.js', '--selectProjects', 'core', '--testPathPattern', 'kept\\.test'];
spawnSync(process.execPath, again, { stdio: 'inherit', env: { ...process.env, KEPT_UNLIKE: unlikeFile } });
const unlike = readFileSync(unlikeFile, 'utf8').trim().split('\n').filter(Boolean);
rmSync(unlikeFile);
for (const line of unlike) {
  const [part, source, i, pair] = line.split(' ') as [string, string, string, string];
  const k = files.get(part)!.calls[source]![Number(i)]!;
  const left = k.near!.split(' ').filter((p) => p !== pair);
  if (left.length) k.near = left.join(' ');
  else delete k.near;
}
console.log(`${unlike.length} questions near others are not answered alike twice: left out`);
for (const [part, file] of files) {
  write(part, file);
  const { calls } = file;
  const n = Object.values(calls).flat().length;
  console.log(
    `${part}: ${n} calls of ${new Set(Object.entries(calls).flatMap(([s, l]) => l.map((k) => s + k.f))).size} functions, ${
      Object.values(calls).flatMap((l) => l.flatMap((k) => k.near?.split(' ') ?? [])).length
    } near them`,
  );
}
if (!process.env.KEPT_DIR) rmSync(raw, { recursive: true, force: true });
