// npm run trials: what the browser, the storage and strangers can do to a shop, and whether anything is lost, doubled or wrong.
// Bounded to about five minutes; `npm run trials -- --full` takes 200 kills and 100,000 imports. Needs `npm run build` first.
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { chromium, type BrowserContext, type Page } from '@playwright/test';

import { demoJobs, demoSettings } from '../src/demo/shop';
import { deviceTrials } from './deviceTrials.mts';
import { readFile, writeJobFile, writeShopFile } from '../src/model/files';
import { stageIds } from '../src/model/stages';

const full = process.argv.includes('--full');
/** `--only imports`: one of the trials */
const only = process.argv.includes('--only') ? process.argv.at(-1) : null;
const port = Number(process.env.TRIALS_PORT ?? 8941);
const root = `http://127.0.0.1:${port}`;
const args = ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--no-first-run'];
const executablePath = process.env.CHROMIUM ?? '/usr/bin/chromium';

interface Result {
  trial: string;
  n: number;
  lost: number;
  doubled: number;
  wrong: number;
}
const results: Result[] = [];
const done = (r: Result) => {
  results.push(r);
  console.log(
    `${r.trial.padEnd(58)} ${String(r.n).padStart(7)} ${r.lost} lost, ${r.doubled} doubled, ${r.wrong} wrong`,
  );
};

/** Numbers from a seed: the same trials each time. */
function random(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
}
const rnd = random(20260414);

const notesOf = async (page: Page): Promise<string[]> => {
  const lines = await page.getByRole('list', { name: 'Log' }).getByRole('listitem').allInnerTexts();
  return lines.flatMap((t) => /note: (n\d+)\b/.exec(t)?.[1] ?? []);
};
const count = (made: readonly string[], seen: readonly string[]) => ({
  lost: made.filter((m) => !seen.includes(m)).length,
  doubled: seen.length - new Set(seen).size,
});

/** The row of one note in the log. */
const row = (page: Page, text: string) =>
  page
    .getByRole('list', { name: 'Log' })
    .getByText(new RegExp(`note: ${text}\\b`))
    .first();

const logPage = `${root}/jobs/demo-0143/log`;
async function openLog(page: Page): Promise<void> {
  await page.goto(logPage);
  await page.getByRole('textbox', { name: 'Note' }).waitFor();
}
async function add(page: Page, text: string): Promise<void> {
  await page.getByRole('textbox', { name: 'Note' }).fill(text);
  await page.getByRole('button', { name: 'Add the note' }).click();
}
/** One more entry, on a page of its own. */
async function tapOnNewPage(context: BrowserContext, made: string[]): Promise<Page> {
  const page = await context.newPage();
  await openLog(page);
  const text = `n${made.length}`;
  made.push(text);
  await add(page, text);
  return page;
}
/** The first start, with the demo in the storage. */
async function seed(page: Page): Promise<void> {
  await page.goto(root);
  await page.getByTestId('next').waitFor();
  await page.waitForTimeout(1500);
}

const profile = mkdtempSync(path.join(tmpdir(), 'northcove-trials-'));
const pause = (ms: number) => new Promise((r) => setTimeout(r, ms));
/** Every process of this profile at once, as when the battery is pulled; back when none is left. */
async function pull(): Promise<void> {
  for (let i = 0; i < 100; i++) {
    if (spawnSync('pkill', ['-9', '-f', `user-data-dir=${profile}`]).status === 1) return;
    await pause(20);
  }
}
/** The killed browser’s lock names a process that is gone: a new one takes it over, not always at the first try. */
async function openProfile(): Promise<BrowserContext> {
  for (let i = 0; ; i++)
    try {
      return await chromium.launchPersistentContext(profile, { executablePath, args, serviceWorkers: 'block' });
    } catch (e) {
      if (i === 4) throw e;
      await pull();
      await pause(200);
    }
}

async function kills(n: number): Promise<void> {
  const made: string[] = [];
  const waits: number[] = [];
  let context = await openProfile();
  await seed(await context.newPage());
  for (let i = 0; i < n; i++) {
    await tapOnNewPage(context, made);
    waits.push(rnd() * (i % 2 ? 60 : 2000));
    await pause(waits[i]!);
    await pull();
    await context.close().catch(() => undefined);
    context = await openProfile();
  }
  const page = await context.newPage();
  await openLog(page);
  await row(page, made.at(-1)!)
    .waitFor({ timeout: 15_000 })
    .catch(() => undefined);
  const seen = await notesOf(page);
  const alert = await page.getByText('not readable').count();
  const lost = made.filter((m) => !seen.includes(m)).map((m) => `${Math.round(waits[Number(m.slice(1))]!)} ms`);
  if (lost.length) console.log(`lost, killed so long after the tap: ${lost.join(', ')}`);
  done({ trial: 'the whole browser killed within 2 s of a tap', n, ...count(made, seen), wrong: alert });
  await context.close();
}

async function inOne(name: string, n: number, work: (context: BrowserContext) => Promise<Omit<Result, 'trial' | 'n'>>) {
  const browser = await chromium.launch({ executablePath, args });
  try {
    const context = await browser.newContext({ serviceWorkers: 'block' });
    done({ trial: name, n, ...(await work(context)) });
  } finally {
    await browser.close();
  }
}

const crashes = (n: number) =>
  inOne('the page’s process crashed right after a tap', n, async (context) => {
    const made: string[] = [];
    await seed(await context.newPage());
    for (let i = 0; i < n; i++) {
      const page = await tapOnNewPage(context, made);
      await page.waitForTimeout(rnd() * 40);
      await page.goto('chrome://crash').catch(() => undefined);
      await page.close().catch(() => undefined);
    }
    const page = await context.newPage();
    await openLog(page);
    await page.waitForTimeout(1000);
    return { ...count(made, await notesOf(page)), wrong: await page.getByText('not readable').count() };
  });

const reloads = (n: number) =>
  inOne('reloaded right after a tap', n, async (context) => {
    const page = await context.newPage();
    await seed(page);
    await openLog(page);
    const made: string[] = [];
    for (let i = 0; i < n; i++) {
      made.push(`n${i}`);
      await add(page, `n${i}`);
      await page.reload();
      await page.getByRole('textbox', { name: 'Note' }).waitFor();
    }
    await page.waitForTimeout(500);
    return { ...count(made, await notesOf(page)), wrong: 0 };
  });

const refusals = (n: number) =>
  inOne('writes refused at random, then room again', n, async (context) => {
    await context.addInitScript(() => {
      const put = IDBObjectStore.prototype.put;
      let k = 7;
      IDBObjectStore.prototype.put = function (...a: Parameters<typeof put>) {
        k = (k * 1103515245 + 12345) % 2147483648;
        if ((window as { full?: boolean }).full && k % 3) throw new DOMException('full', 'QuotaExceededError');
        return put.apply(this, a);
      };
    });
    const page = await context.newPage();
    await seed(page);
    await openLog(page);
    const made: string[] = [];
    await page.evaluate(() => void ((window as { full?: boolean }).full = true));
    for (let i = 0; i < n; i++) {
      made.push(`n${i}`);
      await add(page, `n${i}`);
    }
    await page.evaluate(() => void ((window as { full?: boolean }).full = false));
    await add(page, `n${n}`);
    made.push(`n${n}`);
    await page.waitForTimeout(1000);
    await page.evaluate(() => localStorage.clear());
    await page.reload();
    await row(page, `n${n}`).waitFor();
    return { ...count(made, await notesOf(page)), wrong: await page.getByText('not readable').count() };
  });

/** A tap in a tab that may stand behind another one, where nothing is drawn and a real click is never answered. */
async function addBehind(page: Page, text: string): Promise<void> {
  await page.getByRole('textbox', { name: 'Note' }).fill(text, { force: true });
  await page.getByRole('button', { name: 'Add the note' }).dispatchEvent('click');
}
/** Notes on a page, once the one is among them or after 10 s. */
async function notesWith(page: Page, text: string): Promise<string[]> {
  for (let k = 0; ; k++) {
    const seen = await notesOf(page);
    if (seen.includes(text) || k === 100) return seen;
    await pause(100);
  }
}

const tabs = (n: number) =>
  inOne('two tabs at once', n, async (context) => {
    const [a, b] = [await context.newPage(), await context.newPage()];
    await seed(a);
    await Promise.all([openLog(a), openLog(b)]);
    const made: string[] = [];
    let gone = 0;
    for (let i = 0; i < n; i += 2) {
      made.push(`n${i}`, `n${i + 1}`);
      await Promise.all([addBehind(a, `n${i}`), addBehind(b, `n${i + 1}`)]);
      // what was shown once never leaves the screen, whatever the other tab makes this one read meanwhile
      for (const [tab, own] of [
        [a, 0],
        [b, 1],
      ] as const) {
        const shown = new Set(await notesWith(tab, `n${i + own}`));
        for (let k = own; k <= i + own; k += 2) if (!shown.has(`n${k}`)) gone++;
      }
    }
    const [seenA, seenB] = [await notesWith(a, `n${n - 1}`), await notesWith(b, `n${n - 2}`)];
    await a.bringToFront();
    await a.reload();
    const both = count(made, await notesWith(a, `n${n - 1}`));
    return { ...both, wrong: gone + count(made, seenA).lost + count(made, seenB).lost };
  });

const clocks = (n: number) =>
  inOne('the clock set back or forward between taps', n, async (context) => {
    const page = await context.newPage();
    await seed(page);
    await openLog(page);
    const made: string[] = [];
    await page.evaluate(() => {
      const real = Date.now;
      (window as { shift?: number }).shift = 0;
      Date.now = () => real() + ((window as { shift?: number }).shift ?? 0);
    });
    for (let i = 0; i < n; i++) {
      const shift = Math.round((rnd() - 0.5) * [2e4, 7.2e6, 6e10][i % 3]!);
      await page.evaluate((ms) => void ((window as { shift?: number }).shift = ms), shift);
      made.push(`n${i}`);
      await add(page, `n${i}`);
      await row(page, `n${i}`).waitFor();
    }
    await page.waitForTimeout(500);
    await page.reload();
    await row(page, 'n0').waitFor();
    const seen = (await notesOf(page)).reverse();
    const order = seen.filter((t, i) => t !== made[i]).length;
    return { ...count(made, seen), wrong: order };
  });

async function workers(): Promise<void> {
  for (const kind of ['missing', 'hanging'] as const)
    await inOne(`workers ${kind}: no statement without an answer`, 3, async (context) => {
      await context.addInitScript((how) => {
        (window as { Worker: unknown }).Worker = class {
          private readonly on: [string, (e: unknown) => void][] = [];
          constructor() {
            if (how === 'missing')
              setTimeout(() => this.on.forEach(([t, f]) => t === 'error' && f({ message: '' })), 30);
          }
          addEventListener(t: string, f: (e: unknown) => void) {
            this.on.push([t, f]);
          }
          removeEventListener() {}
          postMessage() {}
          terminate() {}
        };
      }, kind);
      const page = await context.newPage();
      await seed(page);
      let wrong = 0;
      await page.goto(`${root}/jobs/demo-0143/cracks`);
      await page.getByLabel(/^Points as x,y/).fill('10,10 40,60');
      await page.getByRole('button', { name: 'Add the crack' }).click();
      await page.waitForTimeout(3000);
      wrong += await page.getByText(/no crack frees a part/).count();
      await page.goto(`${root}/jobs/demo-0138/ways`);
      // a worker that hangs is given up after two minutes of silence
      wrong += await page
        .getByText(/not computed/)
        .first()
        .waitFor({ timeout: 150_000 })
        .then(
          () => 0,
          () => 1,
        );
      await page.goto(root);
      wrong += (await page
        .getByTestId('next')
        .waitFor()
        .then(
          () => 0,
          () => 1,
        )) as number;
      return { lost: 0, doubled: 0, wrong };
    });
}

/** Changes a few places of a text: cut, doubled, swapped, overwritten. */
function mutate(text: string): string {
  let t = text;
  const times = 1 + Math.floor(rnd() * 3);
  const bits = [
    'null',
    '-1',
    '1e999',
    '""',
    '"x"',
    '[]',
    '{}',
    '"constructor"',
    '"__proto__"',
    '\\u0000',
    '9999999999999999',
    '<b>',
    ',',
  ];
  for (let k = 0; k < times; k++) {
    const at = Math.floor(rnd() * t.length);
    const span = Math.floor(rnd() * 40);
    const kind = Math.floor(rnd() * 5);
    if (kind === 0) t = t.slice(0, at);
    else if (kind === 1) t = t.slice(0, at) + t.slice(at + span);
    else if (kind === 2) t = t.slice(0, at) + t.slice(at, at + span) + t.slice(at);
    else if (kind === 3) {
      const values = [...t.matchAll(/:\s*("[^"]*"|-?[\d.]+|true|false|null)/g)];
      const v = values[Math.floor(rnd() * values.length)];
      if (v) t = t.slice(0, v.index) + ':' + bits[Math.floor(rnd() * bits.length)]! + t.slice(v.index + v[0].length);
    } else t = t.slice(0, at) + String.fromCharCode(Math.floor(rnd() * 0x2100)) + t.slice(at + 1);
  }
  return t;
}

function imports(n: number): void {
  const at = Date.UTC(2026, 3, 14, 13);
  const jobs = demoJobs(at);
  const short = jobs.reduce((m, l) => (l.length < m.length ? l : m));
  const texts = [writeJobFile(short.slice(0, 12), at), writeShopFile(demoSettings, [short.slice(0, 6)], {}, at)];
  let wrong = 0;
  let taken = 0;
  for (let i = 0; i < n; i++) {
    try {
      const read = readFile(mutate(texts[i % 8 ? 0 : 1]!));
      if (!read.ok) {
        if (!read.problem) wrong++;
        continue;
      }
      taken++;
      // what was taken in is read again as it is
      for (const log of read.value.jobs) if (!readFile(writeJobFile(log, at)).ok) wrong++;
    } catch {
      wrong++;
    }
  }
  done({ trial: `changed files read (${taken} still whole, each read again)`, n, lost: 0, doubled: 0, wrong });
}

const hostile = [
  '<img src=x onerror="window.hit=1">',
  '"><script>window.hit=1</script>',
  '=cmd|calc!A1',
  '__proto__',
  'constructor',
  '\u202Egnp.exe',
  '𝟘'.repeat(40),
  '-1e999',
];
const places = ['/', '/jobs', '/jobs/new', '/shelf', '/shop', '/stock', '/heaters', '/adhesives', '/money', '/records'];
const stages = [...stageIds, 'log', 'cracks', 'quote', 'functions', 'seal'];

const fields = () =>
  inOne(
    'hostile texts in every field of every page',
    (places.length + stages.length) * hostile.length,
    async (context) => {
      const page = await context.newPage();
      let wrong = 0;
      page.on('dialog', (d) => {
        wrong++;
        void d.dismiss();
      });
      await seed(page);
      for (const url of [...places, ...stages.map((s) => `/jobs/demo-0143/${s}`)]) {
        await page.goto(root + url);
        await page
          .getByRole('heading', { level: 1 })
          .first()
          .waitFor({ timeout: 15_000 })
          .catch(() => wrong++);
        for (const text of hostile) {
          const boxes = await page
            .locator('input[type=text]:visible, textarea:visible, input:not([type]):visible')
            .all();
          for (const b of boxes.slice(0, 12)) {
            await b.fill(text, { timeout: 500 }).catch(() => undefined);
            await b.press('Enter', { timeout: 500 }).catch(() => undefined);
          }
          if (await page.getByTestId('broken').count()) wrong++;
          if (await page.evaluate(() => 'hit' in window || 'polluted' in {})) wrong++;
          if (!page.url().endsWith(url)) await page.goto(root + url);
        }
      }
      await page.goto(`${root}/shop`);
      await page.waitForTimeout(1000);
      wrong += await page.getByText('not readable').count();
      return { lost: 0, doubled: 0, wrong };
    },
  );

async function served(): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    env: { ...process.env, PORT: String(port), STRICT_PORT: '1', DEMO: '1' },
    stdio: 'ignore',
  });
  for (let i = 0; i < 100; i++) {
    if (
      await fetch(`${root}/api/health`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return server;
    await new Promise((r) => setTimeout(r, 200));
  }
  server.kill();
  throw new Error('the server does not answer: npm run build first');
}

const server = await served();
try {
  const trials: Record<string, () => Promise<void> | void> = {
    imports: () => imports(full ? 100_000 : 10_000),
    kills: () => kills(full ? 200 : 16),
    crashes: () => crashes(full ? 40 : 8),
    reloads: () => reloads(full ? 100 : 15),
    refusals: () => refusals(full ? 60 : 20),
    tabs: () => tabs(full ? 60 : 20),
    clocks: () => clocks(full ? 90 : 21),
    workers,
    fields,
    devices: () => deviceTrials(full ? 1000 : 200, { root, executablePath, args, random: rnd, done }),
  };
  // what is about several devices, without its histories
  if (only === 'month') await deviceTrials(0, { root, executablePath, args, random: rnd, done });
  for (const [name, run] of Object.entries(trials)) if (!only || name === only) await run();
} finally {
  server.kill();
  await pull();
  rmSync(profile, { recursive: true, force: true, maxRetries: 10, retryDelay: 200 });
}
const bad = results.filter((r) => r.lost || r.doubled || r.wrong);
console.log('\n| trial | N | lost | doubled | wrong |\n| --- | --- | --- | --- | --- |');
for (const r of results) console.log(`| ${r.trial} | ${r.n} | ${r.lost} | ${r.doubled} | ${r.wrong} |`);
process.exitCode = bad.length ? 1 : 0;
