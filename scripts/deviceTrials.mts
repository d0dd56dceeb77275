// Three browsers of one shop, real ones, with clocks that differ by hours: random taps, cuts and loads, and at the end of each
// history the same entries everywhere. And a device that was away for a month.
import { chromium, type Browser, type Page } from '@playwright/test';

import { demoJobs } from '../src/demo/shop';
import { defaultSettings } from '../src/model/defaultSettings';
import { writeShopFile } from '../src/model/files';

interface Uses {
  root: string;
  executablePath: string;
  args: string[];
  random: () => number;
  done: (r: { trial: string; n: number; lost: number; doubled: number; wrong: number }) => void;
}

const hour = 3_600_000;

/** Keys of all entries in the storage of this browser. */
const keysIn = (page: Page): Promise<string[]> =>
  page.evaluate(
    () =>
      new Promise<string[]>((ok, bad) => {
        const open = indexedDB.open('northcove');
        open.onerror = () => bad(new Error('no database'));
        open.onsuccess = () => {
          const db = open.result;
          const store = db.objectStoreNames[0]!;
          const keys = db.transaction(store).objectStore(store).getAllKeys();
          keys.onerror = () => bad(new Error('no keys'));
          keys.onsuccess = () => {
            db.close();
            ok(
              (keys.result as string[])
                .map(String)
                .filter((k) => k.startsWith('job/'))
                .sort(),
            );
          };
        };
      }),
  );

async function begin(browser: Browser, root: string, skewMs: number): Promise<Page> {
  const context = await browser.newContext({ serviceWorkers: 'block', viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  page.setDefaultTimeout(30_000);
  if (skewMs) await page.clock.install({ time: Date.now() + skewMs });
  await page.goto(root);
  await page.getByText(/^Demo day/).waitFor();
  return page;
}

async function join(host: Page, guest: Page, root: string, name: string): Promise<void> {
  await host.goto(`${root}/devices`);
  await host.getByRole('button', { name: 'Add a device' }).click();
  await guest.goto(await host.getByTestId('join-link').innerText());
  await guest.getByLabel('Name of this device').fill(name);
  await guest.getByRole('button', { name: 'Knock' }).click();
  await guest.getByTestId('digits').waitFor();
  await host.getByRole('button', { name: 'Same digits: let it in' }).click();
  await guest.waitForURL(`${root}/`);
}

const same = (lists: readonly string[][]) => lists.every((l) => l.join() === lists[0]!.join());

export async function deviceTrials(n: number, { root, executablePath, args, random, done }: Uses): Promise<void> {
  const browser = await chromium.launch({ executablePath, args });
  try {
    const pages = [
      await begin(browser, root, 0),
      await begin(browser, root, 3 * hour),
      await begin(browser, root, -5 * hour),
    ] as const;
    const [host] = pages;
    await host.getByRole('button', { name: 'Start with an empty shop' }).click();
    await host.getByText(/^The shop is empty and yours/).waitFor();
    let log = '';
    /** A log that has grown long makes a page slow, which is not what is tried here. */
    const newLog = async () => {
      await host.goto(`${root}/jobs/new`);
      await host.getByRole('radio', { name: 'Ring-bond 6.1' }).click();
      await host.getByRole('button', { name: 'Open the job' }).click();
      await host.getByRole('checkbox', { name: 'bottom edge' }).waitFor();
      log = `${new URL(host.url()).pathname.replace(/\/[^/]*$/, '')}/log`;
      for (const p of pages) await open(p);
    };
    const open = async (p: Page) => {
      await p.goto(root + log);
      await p.getByRole('textbox', { name: 'Note' }).waitFor();
    };
    for (const [i, p] of pages.slice(1).entries()) await join(host, p, root, `Phone ${i}`);
    await newLog();
    await taps(pages, 30, done);
    let made = 0;
    let lost = 0;
    let doubled = 0;
    let wrong = 0;
    let before = (await keysIn(host)).length;
    const cut = new Set<Page>();
    const delays: number[] = [];
    for (let k = 0; k < n; k++) {
      if (k && k % 25 === 0) {
        const were = (await keysIn(host)).length;
        await newLog();
        before += (await keysIn(host)).length - were;
      }
      for (let s = 0; s < 6; s++) {
        const p = pages[Math.floor(random() * 3)]!;
        const what = random();
        if (what < 0.6) {
          await p.getByRole('textbox', { name: 'Note' }).fill(`n${made++}`);
          await p.getByRole('button', { name: 'Add the note' }).click();
        } else if (what < 0.8 || (cut.has(p) && what < 0.9)) {
          if (cut.delete(p)) await p.context().setOffline(false);
          else {
            cut.add(p);
            await p.context().setOffline(true);
          }
        } else if (!cut.has(p)) await open(p);
      }
      const mended = Date.now();
      for (const p of cut) await p.context().setOffline(false);
      cut.clear();
      let lists: string[][] = [];
      for (;;) {
        lists = await Promise.all(pages.map(keysIn));
        if (same(lists) && lists[0]!.length >= before + made) break;
        if (Date.now() - mended > 30_000) break;
        await new Promise((r) => setTimeout(r, 100));
      }
      delays.push(Date.now() - mended);
      if (!same(lists)) wrong++;
      const [first] = lists;
      lost = Math.max(lost, before + made - first!.length);
      doubled = Math.max(doubled, first!.length - new Set(first).size, first!.length - before - made);
      if (k % 25 === 24) console.log(`  ${k + 1} histories, ${made} notes`);
    }
    if (n) {
      delays.sort((a, b) => a - b);
      console.log(
        `  the same everywhere after ${delays[Math.floor(n / 2)]} ms (median), ${delays.at(-1)} ms (longest)`,
      );
      done({ trial: 'three browsers, cuts, loads, clocks hours apart', n, lost, doubled, wrong });
    }
    await monthAway(host, pages[2], root, done);
  } finally {
    await browser.close();
  }
}

/** From a tap on one screen to the other one. */
async function taps(pages: readonly Page[], n: number, done: Uses['done']): Promise<void> {
  const [a, b] = pages as [Page, Page];
  const waits: number[] = [];
  for (let i = 0; i < n; i++) {
    const text = `tap${i}x`;
    await a.getByRole('textbox', { name: 'Note' }).fill(text);
    await a.getByRole('button', { name: 'Add the note' }).click();
    const at = Date.now();
    await b.getByText(new RegExp(text)).first().waitFor();
    waits.push(Date.now() - at);
  }
  waits.sort((x, y) => x - y);
  console.log(`  from one screen to the other: ${waits[Math.floor(n / 2)]} ms (median), ${waits.at(-1)} ms (longest)`);
  done({
    trial: 'a tap is on the other screen within a second',
    n,
    lost: 0,
    doubled: 0,
    wrong: waits.filter((w) => w > 1000).length,
  });
}

/** A month of a shop, which one device has missed: so many jobs with so many entries. */
function monthOf(jobs: number, each: number): string {
  const at = Date.now() - 30 * 24 * hour;
  const opened = demoJobs(at).flatMap((l) => l.filter((e) => e.type === 'opened'))[0]!;
  const { v, by, at: when, loggedAt } = opened;
  const note = { v, by, at: when, loggedAt, type: 'note' };
  const logs = Array.from({ length: jobs }, (_, j) =>
    Array.from({ length: each }, (_, i) => ({
      ...(i ? { ...note, text: `entry ${i} of a month` } : opened),
      ...{ id: `month-${j}-${i}`, jobId: `month-${j}`, writer: 'month', seq: j * each + i, nth: i + 1 },
    })),
  );
  return writeShopFile(defaultSettings, logs as never, {}, Date.now());
}

/** From the moment that a device is back until it has everything that was noted meanwhile. */
async function monthAway(host: Page, away: Page, root: string, done: Uses['done']): Promise<void> {
  await away.context().setOffline(true);
  const before = (await keysIn(away)).length;
  await host.goto(`${root}/shop`);
  const chosen = host.waitForEvent('filechooser');
  await host.getByRole('button', { name: 'Import a file' }).click();
  const file = { name: 'month.json', mimeType: 'application/json', buffer: Buffer.from(monthOf(72, 70)) };
  await (await chosen).setFiles(file);
  await host.getByRole('button', { name: 'Take it in' }).click();
  await host
    .getByTestId('message')
    .getByText(/jobs read/)
    .waitFor();
  const whole = (await keysIn(host)).length;
  // the others have it by then, and one machine carries them all
  await new Promise((r) => setTimeout(r, 8000));
  const at = Date.now();
  await away.context().setOffline(false);
  for (let got = 0; got < whole && Date.now() - at < 60_000;) {
    await new Promise((r) => setTimeout(r, 100));
    got = (await keysIn(away)).length;
  }
  const took = Date.now() - at;
  const lost = whole - (await keysIn(away)).length;
  console.log(`  ${whole - before} entries of a month joined in ${took} ms`);
  done({ trial: 'a month away joins in 3 s', n: whole - before, lost, doubled: 0, wrong: took > 3000 ? 1 : 0 });
}
