// A thousand jobs and twenty thousand entries in the browser's own store: how soon places open and a search answers, against
// the demo shop with its few. The whole application in a real browser; the built one, served by the real server.
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium, type Page } from '@playwright/test';

import { demoJobs, demoSettingsAt } from '../src/demo/shop';
import { writeShopFile } from '../src/model/files';
import { at, bigJobs } from './bigShop';

type Line = (name: string, value: string) => void;

const port = 8931;
const root = `http://127.0.0.1:${port}`;

function bigShop(count: number): { text: string; entries: number } {
  const jobs = bigJobs(count, demoJobs(at));
  return {
    text: writeShopFile(demoSettingsAt(at), jobs, {}, at, {}),
    entries: jobs.reduce((n, l) => n + l.length, 0),
  };
}

const middle = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

/** From the press on a place's name to the frame in which it stands, ms. */
const openPlace = (page: Page, name: string, selector: string): Promise<number> =>
  page.evaluate(
    ([to, sel]) =>
      new Promise<number>((done) => {
        const began = performance.now();
        [...document.querySelectorAll('a')].find((a) => a.textContent === to)?.click();
        const look = () =>
          document.querySelector(sel!)
            ? requestAnimationFrame(() => done(performance.now() - began))
            : requestAnimationFrame(look);
        look();
      }),
    [name, selector],
  );

/** From a letter in the search to the end of the work that it causes, ms. */
const typeInto = (page: Page, text: string): Promise<number> =>
  page.evaluate(
    (t) =>
      new Promise<number>((done) => {
        const box = document.querySelector<HTMLInputElement>('[aria-label="Search jobs"]')!;
        const write = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
        const list = box.closest('[role=main]') ?? document.body;
        const began = performance.now();
        let last = began;
        const seen = new MutationObserver(() => (last = performance.now()));
        seen.observe(list, { childList: true, subtree: true, characterData: true });
        write.call(box, t);
        box.dispatchEvent(new Event('input', { bubbles: true }));
        setTimeout(() => {
          seen.disconnect();
          done(last - began);
        }, 400);
      }),
    text,
  );

async function measure(page: Page) {
  const jobs: number[] = [];
  const bench: number[] = [];
  const search: number[] = [];
  await page.goto(`${root}/shelf`);
  await page.getByRole('link', { name: 'Jobs' }).first().waitFor();
  await page.waitForTimeout(3000);
  for (let k = 0; k < 6; k++) {
    jobs.push(await openPlace(page, 'Jobs', '[aria-label="Search jobs"]'));
    await page.getByRole('radio', { name: 'Show: All' }).click();
    await page.waitForTimeout(300);
    for (const t of ['5', '54', 'locker', '']) search.push(await typeInto(page, t));
    bench.push(await openPlace(page, 'Bench', '[data-testid="next"]'));
    await page.waitForTimeout(1500);
  }
  const cold: number[] = [];
  for (let k = 0; k < 3; k++) {
    const began = performance.now();
    await page.goto(`${root}/`, { waitUntil: 'commit' });
    await page.getByTestId('next').waitFor();
    cold.push(performance.now() - began);
  }
  return {
    first: { jobs: jobs[0]!, bench: bench[0]! },
    jobs: middle(jobs.slice(1)),
    bench: middle(bench.slice(1)),
    search: middle(search),
    cold: middle(cold),
  };
}

export async function benchOpenings(line: Line): Promise<void> {
  console.log('\nA thousand jobs, in a browser');
  const exe = ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((p) => existsSync(p));
  if (!exe || !existsSync('dist/index.html')) {
    line('not measured', exe ? 'no build: npm run build first' : 'no Chromium');
    return;
  }
  const dir = mkdtempSync(path.join(tmpdir(), 'northcove-bench-'));
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    env: { ...process.env, PORT: String(port) },
    stdio: 'ignore',
  });
  const browser = await chromium.launch({ executablePath: exe, args: ['--no-sandbox'] });
  try {
    for (let k = 0; k < 60; k++) {
      if (
        await fetch(`${root}/`).then(
          (r) => r.ok,
          () => false,
        )
      )
        break;
      await new Promise((done) => setTimeout(done, 250));
    }
    const open = async (text: string) => {
      const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
      const page = await context.newPage();
      // what the bench's own compiler adds round named functions
      await page.addInitScript('globalThis.__name = (f) => f');
      await page.clock.setFixedTime(new Date(at));
      await page.goto(`${root}/shop`);
      const file = path.join(dir, 'shop.northcove.json');
      writeFileSync(file, text);
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        page.getByRole('button', { name: 'Import a file' }).click(),
      ]);
      await chooser.setFiles(file);
      await page.getByTestId('restore').waitFor({ timeout: 120_000 });
      await page.getByRole('button', { name: 'Take it in' }).click();
      await page.getByTestId('restore').waitFor({ state: 'detached', timeout: 240_000 });
      await page.waitForTimeout(6000);
      return page;
    };
    const few = bigShop(70);
    const { text, entries } = bigShop(1000);
    const small = await measure(await open(few.text));
    const big = await measure(await open(text));
    const ms = (v: number) => `${v.toFixed(0)} ms`;
    const pair = (a: number, b: number) => `${(a / b).toFixed(1)} : 1 (${ms(a)} against ${ms(b)})`;
    line(
      'entries in the store, of 1,000 jobs against 70',
      `${entries.toLocaleString('en')} : ${few.entries.toLocaleString('en')}`,
    );
    line('Bench opens, target 300 ms', pair(big.bench, small.bench));
    line('Jobs opens, target 300 ms', pair(big.jobs, small.jobs));
    line('the first time, with the page’s own code: Bench, Jobs', `${ms(big.first.bench)}, ${ms(big.first.jobs)}`);
    line('search, target 50 ms', pair(big.search, small.search));
    line('the whole app from nothing to the Bench', pair(big.cold, small.cold));
  } finally {
    await browser.close();
    server.kill();
    rmSync(dir, { recursive: true, force: true });
  }
}
