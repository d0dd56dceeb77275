import { writeFileSync } from 'node:fs';

import { expect, test, type Page } from '@playwright/test';

import { demoSettings } from '../src/demo/shop';
import type { JobEvent, NewEvent } from '../src/model/event';
import { writeShopFile } from '../src/model/files';
import { counterJob, eventsOn, notedAfter, offTheHeater } from '../test-support/dayOf';
import { Hands, visit } from './hands';

const minute = 60_000;
const start = new Date('2026-04-14T08:00:00');

/** What another tab of the same browser notes: into the store, and told to this one. */
async function fromAnotherTab(page: Page, events: readonly JobEvent[]): Promise<void> {
  await page.evaluate(
    (list) =>
      new Promise<void>((done, fail) => {
        const open = indexedDB.open('northcove');
        open.onerror = () => fail(open.error);
        open.onsuccess = () => {
          const tx = open.result.transaction('entries', 'readwrite');
          const entries = tx.objectStore('entries');
          for (const jobId of new Set(list.map((e) => e.jobId))) {
            // the next numbers of the job's counter, as a tab takes them that has read what is there
            const kept = entries.getAll(IDBKeyRange.bound(`job/${jobId}/`, `job/${jobId}0`));
            kept.onsuccess = () => {
              let nth = Math.max(
                0,
                ...(kept.result as string[]).map((t) => (JSON.parse(t) as { nth?: number }).nth ?? 0),
              );
              nth = Math.max(nth, kept.result.length);
              for (const e of list.filter((x) => x.jobId === jobId))
                entries.put(
                  JSON.stringify({ ...e, nth: ++nth }),
                  `job/${e.jobId}/${e.writer}/${String(e.seq).padStart(8, '0')}`,
                );
            };
          }
          tx.oncomplete = () => {
            open.result.close();
            const channel = new BroadcastChannel('northcove');
            channel.postMessage('log');
            channel.close();
            done();
          };
          tx.onerror = () => fail(tx.error);
        };
      }),
    events.map((e) => ({ ...e }) as unknown as { jobId: string; writer: string; seq: number }),
  );
}

test('a day with five jobs, a walk-in and an overrun, worked by the plan to its end', async ({ page }, info) => {
  test.setTimeout(420_000);
  page.setDefaultTimeout(20_000);
  await page.clock.install({ time: start });
  const h = new Hands(page, false);
  await page.route('**/api/config', (r) => r.fulfill({ json: { demo: false } }));
  const lots = [{ id: 'a', qty: 7, expiresAt: null, openedAt: null, openLifeDays: null }];
  const settings = {
    ...demoSettings,
    people: ['Mirel'],
    rota: {},
    parts: [
      {
        id: 'ring54-glass-genuine',
        deviceId: 'ring54',
        item: 'glass',
        origin: 'genuine',
        lots,
        countedAt: start.getTime() - 1,
        leadDays: 3,
        leadSdDays: 1,
        onOrder: [],
      },
    ],
  };
  const jobs = [1, 2, 3, 4, 5].map((n) => counterJob(n, start.getTime() - n, 'ring54', 600).events);
  const file = info.outputPath('day.northcove.json');
  writeFileSync(file, writeShopFile(settings, jobs, {}, start.getTime(), {}));
  await visit(page, '/shop');
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), h.press('Import a file')]);
  await chooser.setFiles(file);
  await expect(page.getByTestId('restore')).toBeVisible();
  // a browser that has nothing of its own takes the settings of the file too
  await h.press('Take it in');
  await expect(page.getByTestId('restore')).toHaveCount(0);

  const ids = new Map(jobs.map((l, i) => [`J-02${String(i + 1).padStart(2, '0')}`, l[0]!.jobId]));
  let seq = 0;
  const now = () => page.evaluate(() => Date.now());
  const note = async (label: string, list: readonly NewEvent[]) => {
    const made = eventsOn(ids.get(label)!, 'tab', seq, await now(), 'Mirel', list);
    seq += made.length;
    await fromAnotherTab(page, made);
  };
  const toBench = async () => {
    await page.getByRole('link', { name: 'Bench', exact: true }).first().tap();
    await expect(page.getByRole('heading', { name: 'Bench', level: 1 })).toBeVisible();
    await page.clock.runFor(1200);
  };
  const next = page.getByTestId('next');
  await toBench();
  let walkIn: string | null = null;
  let slow = false;
  let waitedS = 0;
  for (let step = 0; step < 220; step++) {
    if (step === 14 && walkIn === null) {
      await test.step('a walk-in: its promise comes from this plan', async () => {
        await h.press('New job');
        await h.press(page.getByRole('radio', { name: 'Ring-bond 5.4' }));
        await h.press('Open the job');
        await expect(page).toHaveURL(/\/intake$/);
        const promise = h.button(/^Promise /);
        for (let i = 0; i < 40 && !(await promise.isVisible()); i++) await page.clock.runFor(500);
        await h.press(promise);
        await expect(page.getByText(/^Promise /)).toHaveCount(0);
        const jobId = /jobs\/([^/]+)\//.exec(page.url())![1]!;
        walkIn = 'J-0206';
        ids.set(walkIn, jobId);
        await note(
          walkIn,
          counterJob(9, 0, 'ring54', null)
            .events.slice(1)
            .map(
              ({ v: _v, id: _i, jobId: _j, writer: _w, seq: _s, at: _a, loggedAt: _l, by: _b, ...e }) => e as NewEvent,
            ),
        );
        await toBench();
      });
    }
    if (!(await next.isVisible())) {
      await page.clock.runFor(1500);
      if (await page.getByText('Nothing on the bench.').isVisible()) break;
    }
    const title = (await next.getByRole('heading').textContent())!;
    const label = /J-\d{4}/.exec(title)![0];
    const figure = (await page.getByTestId('nextFigure').textContent())!;
    const line = (await page.getByTestId('nextLine').textContent())!;
    await expect(page.getByText('window was missed')).toHaveCount(0);
    if (/^Take J-\d+ off/.test(title)) {
      // it runs: the countdown is waited out, and the lift begins at once
      await page.clock.fastForward(60_000);
      const began = await now();
      await note(label, [...offTheHeater(80), { type: 'work', stage: 'lift', to: 'begun' }]);
      waitedS = Math.max(waitedS, ((await now()) - began) / 1e3);
      await page.clock.fastForward(8 * minute);
      await note(label, notedAfter('lift', { readyInS: 60, widthMm: 1.8 }));
      await page.clock.runFor(1200);
      continue;
    }
    const verb = title.slice(0, title.indexOf(label)).trim();
    const task = {
      'Take in': 'intake',
      'Lay on': 'load',
      Heat: 'load',
      Clean: 'clean',
      'Dry fit': 'dryFit',
      Bond: 'bond',
      'Take the clamps off': 'unclamp',
      Check: 'check',
      'Hand over': 'handover',
    }[verb];
    expect(task, title).toBeDefined();
    const wait = /^(\d+):(\d\d)$/.exec(figure);
    if (wait || figure !== 'now') {
      // nothing can be done before: until a clock lets go
      await page.clock.fastForward(wait ? (Number(wait[1]) * 60 + Number(wait[2])) * 1000 + 1000 : 10 * minute);
      await page.clock.runFor(1200);
      // what comes next may be another job by now: it is read anew
      continue;
    }
    const startButton = h.button(new RegExp(`^(Start|Go to) ${label}$`));
    // a better plan may put another job first between looking and pressing: then it is read anew too
    const pressed = await startButton.tap({ timeout: 5_000 }).then(
      () => true,
      () => false,
    );
    if (!pressed && !page.url().includes('/jobs/')) continue;
    await expect(page).toHaveURL(/\/jobs\/[^/]+\//);
    // a better plan may come between looking and pressing: what was begun is what the page says, and that is worked
    const [, begunId, stage] = /\/jobs\/([^/]+)\/(\w+)/.exec(page.url())!;
    const begun = [...ids].find(([, id]) => id === begunId)![0];
    const doing = begun === label ? task! : ({ heat: 'load', cure: 'unclamp' }[stage!] ?? stage!);
    // one job takes far longer than the plan had counted on
    const long = !slow && doing === 'clean';
    if (long) slow = true;
    const minutes = Number(/^(\d+) min,/.exec(line)?.[1] ?? 3);
    await page.clock.fastForward((long ? 3 : 1) * Math.max(1, minutes) * minute);
    await note(begun, notedAfter(doing, { readyInS: 60, widthMm: 1.8 }));
    await toBench();
  }
  await expect(page.getByText('Nothing on the bench.')).toBeVisible();
  expect(slow && walkIn !== null).toBe(true);
  expect(waitedS).toBeLessThan(80);

  await test.step('every promise was kept, the walk-in’s too', async () => {
    await visit(page, '/records');
    await expect(page.getByText('6 of 6 handed over')).toBeVisible();
    await page.clock.runFor(500);
    await h.press('More figures');
    await expect(page.getByText(/^In time: 100 %/)).toContainText('6 of 6');
  });

  await test.step('what they took is gone from the shelf; it is ordered, comes, and is there again', async () => {
    await visit(page, '/stock');
    const part = page.getByTestId('part-ring54-glass-genuine');
    await expect(part).toContainText('1 here');
    await expect(page.getByTestId('orders')).toContainText('Ring-bond 5.4: glass only, new genuine: order');
    await h.press(page.getByRole('button', { name: /^Order Ring-bond 5\.4/ }));
    await h.press(page.getByRole('button', { name: /ordered of Ring-bond 5\.4/ }));
    await expect(part).toContainText(/\d+ on order, due/);
    await expect(page.getByTestId('orders')).not.toContainText('Ring-bond 5.4: glass only, new genuine: order');
    await page.clock.fastForward(3 * 24 * 60 * minute);
    await h.press(page.getByRole('button', { name: /(They are|It is) here: \d+ of Ring-bond 5\.4/ }));
    await expect(part).not.toContainText('on order');
    await page.reload();
    await expect(page.getByTestId('part-ring54-glass-genuine')).not.toContainText('1 here');
  });
});
