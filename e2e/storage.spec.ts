import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';

import { expect, test, type Page } from '@playwright/test';

import { Hands, openDemo } from './hands';

async function importFile(page: Page, button: string, name: string, text: string): Promise<void> {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: button, exact: true }).click(),
  ]);
  await chooser.setFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
}

test('a clock that is set back: off the plate counts, a stop counts, times go on, and it is said', async ({ page }) => {
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const hands = new Hands(page, false);
  await openDemo(page, '/jobs/demo-0142/heat');
  const off = page.getByRole('button', { name: /^Off the / });
  await expect(off).toBeVisible();
  await page.clock.runFor(6000);
  // the wall clock alone: what passes in the page goes on
  await page.evaluate(() => {
    const real = Date.now;
    Date.now = () => real() - 60_000;
  });
  await page.clock.runFor(6000);
  await expect(page.getByText(/clock went back by 1:0\d/)).toBeVisible();
  await hands.press(off);
  await page.clock.runFor(1000);
  await expect(page).toHaveURL(/lift/);
  await page.goto('/jobs/demo-0142/log');
  await expect(page.getByRole('list', { name: 'Log' }).getByRole('listitem').first()).toBeVisible();
  // the log of a clock that went back says off after on: nothing offers to take it off again
  await page.goto('/jobs/demo-0142/heat');
  await expect(page.getByRole('button', { name: /^Off the / })).toHaveCount(0);
  await expect(hands.call()).toBeVisible();
});

test('a person called constructor, and a shop with one person too many', async ({ page }) => {
  await openDemo(page, '/shop');
  const name = page.getByLabel('Another person');
  const add = page.getByRole('button', { name: 'Add', exact: true });
  const people = page.getByRole('radiogroup', { name: 'Who is at the bench' });
  await expect(people.getByRole('radio', { name: /Osk/ })).toBeVisible();
  const before = await people.getByRole('radio').count();
  await name.fill('constructor');
  await add.click();
  await expect(people.getByRole('radio')).toHaveCount(before + 1);
  for (let n = before + 1; n < 20; n++) {
    await name.fill(`P${n}`);
    await add.click();
    await expect(people.getByRole('radio')).toHaveCount(n + 1);
  }
  await name.fill('one too many');
  await add.click();
  await expect(page.getByTestId('refused')).toContainText(/people/);
  await expect(people.getByRole('radio')).toHaveCount(20);
  await page.reload();
  await expect(people.getByRole('radio')).toHaveCount(20);
  await expect(page.getByText('cannot be read')).toHaveCount(0);
});

test('a stock list with a date of 1900 is refused by name; one dated 2099 leaves the page usable', async ({ page }) => {
  await openDemo(page, '/stock');
  await page.getByRole('button', { name: 'Files and changes' }).click();
  const head = 'kind,item,device,part,origin,lot,quantity,unit,expires';
  const line = (date: string) => `${head}\npart,glass-x,ring61,glass,genuine,L1,3,pieces,${date}\n`;
  await importFile(page, 'Count from a CSV', 'old.csv', line('1900-01-01'));
  await expect(page.getByText(/old\.csv: line 2, expires: allowed is 2000-01-01 to 2099-12-31/)).toBeVisible();
  await importFile(page, 'Count from a CSV', 'far.csv', line('2099-12-31'));
  await expect(page.getByText('1 line is counted in.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Stock' })).toBeVisible();
  await expect(page.getByTestId('broken')).toHaveCount(0);
});

test('a page of another origin cannot switch the plate on', async ({ page, baseURL }) => {
  const own = createServer((_, r) => {
    r.setHeader('content-type', 'text/html');
    r.end(`<script>
      const to = ${JSON.stringify(baseURL)} + '/api/instruments/control';
      const body = '{"heating":true,"setC":250}';
      Promise.allSettled([
        fetch(to, { method: 'POST', mode: 'no-cors', body }),
        fetch(to, { method: 'POST', mode: 'no-cors', headers: { 'content-type': 'text/plain' }, body }),
        fetch(to, { method: 'POST', headers: { 'content-type': 'application/json' }, body }),
        fetch(to.replace('/control', '')).then((r) => r.json()),
      ]).then((all) => { document.title = 'tried ' + all.map((a) => a.status[0]).join(''); });
    </script>`);
  });
  await new Promise<void>((done) => own.listen(0, '127.0.0.1', done));
  try {
    await page.goto(`http://127.0.0.1:${(own.address() as AddressInfo).port}/`);
    // those that the browser lets out (no-cors) are answered and refused, those that read are not let out
    await expect(page).toHaveTitle(/tried/);
    expect(await page.title()).toMatch(/rr$/);
  } finally {
    own.close();
  }
  await openDemo(page, '/jobs/demo-0143/log');
  const heating = await page.evaluate(
    () =>
      new Promise<boolean>((done) => {
        const s = new EventSource('/api/instruments/stream');
        const take = (e: MessageEvent<string>) => {
          s.close();
          done((JSON.parse(e.data) as { heating: boolean }).heating);
        };
        s.addEventListener('reading', take);
        s.addEventListener('plate', take);
      }),
  );
  expect(heating).toBe(false);
});

test('workers that are missing: the crack map says that it is not computed, and the bench has a plan', async ({
  page,
}) => {
  await page.addInitScript(() => {
    (window as { Worker: unknown }).Worker = class {
      private readonly listeners: [string, (e: unknown) => void][] = [];
      constructor() {
        setTimeout(() => this.listeners.forEach(([type, f]) => type === 'error' && f({ message: 'no such file' })), 50);
      }
      addEventListener(type: string, f: (e: unknown) => void) {
        this.listeners.push([type, f]);
      }
      removeEventListener() {}
      postMessage() {}
      terminate() {}
    };
  });
  await openDemo(page, '/jobs/demo-0143/cracks');
  await page.getByLabel(/^Points as x,y/).fill('10,10 40,60');
  await page.getByRole('button', { name: 'Add the crack' }).click();
  await expect(page.getByText('The pieces could not be worked out.')).toBeVisible();
  await expect(page.getByText(/no such file/i).first()).toBeVisible();
  await expect(page.getByText(/no crack frees a part/)).toHaveCount(0);
  // off the cover: refused by name, and nothing is noted that would be set aside later
  await page.getByLabel(/^Points as x,y/).fill('10,10 900,60');
  await page.getByRole('button', { name: 'Add the crack' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'crack, point' })).toBeVisible();
});

test('a note and a form that were typed and not sent are there after a reload', async ({ page }) => {
  await openDemo(page, '/jobs/demo-0143/log');
  await page.getByRole('textbox', { name: 'Note' }).fill('customer asks for the old glass');
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('customer asks for the old glass');
  await page.getByRole('button', { name: 'Add the note' }).click();
  await expect(page.getByText('note: customer asks for the old glass')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('');
  await page.goto('/jobs/new');
  await page.getByLabel('Mark of the device (no name needed)').fill('locker 7');
  await page.reload();
  await expect(page.getByLabel('Mark of the device (no name needed)')).toHaveValue('locker 7');

  // tapped and left in the same breath: the page is gone before the storage proper has answered
  const tapAndReload = (label: string) =>
    page.evaluate((l) => {
      document.querySelector<HTMLElement>(`[role=radio][aria-label="${l}"]`)!.click();
      location.reload();
    }, label);
  for (const [where, label] of [
    ['/jobs/demo-0143/intake', 'Save this back?: Write it off'],
    ['/shop', 'Sound: Off'],
  ] as const) {
    await page.goto(where);
    const radio = page.getByRole('radio', { name: label, exact: true });
    await expect(radio).not.toBeChecked();
    await Promise.all([page.waitForEvent('load'), tapAndReload(label)]);
    await expect(radio, label).toBeChecked();
  }
});

test('back up in one tap, read it back, and it counts; a changed file does not', async ({ page }) => {
  await openDemo(page, '/jobs/demo-0143/log');
  await page.getByRole('textbox', { name: 'Note' }).fill('own');
  await page.getByRole('button', { name: 'Add the note' }).click();
  await page.goto('/shop');
  await expect(page.getByText(/None yet; 1 entries|None yet; 1 /)).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Back up now' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/^northcove-backup-\d{4}-\d{2}-\d{2}-\d{4}\.json$/);
  const stream = await file.createReadStream();
  let text = '';
  for await (const part of stream) text += (part as Buffer).toString('utf8');
  await importFile(page, 'Read it back', 'other.json', text.slice(0, -2));
  await expect(page.getByText(/this is not the file/)).toBeVisible();
  await importFile(page, 'Read it back', file.suggestedFilename(), text);
  await expect(page.getByText(/counts as a backup\./)).toBeVisible();
  await expect(page.getByText(/Last one .*; 0 entries since/)).toBeVisible();
});

test('backups into a folder that is picked once: read back there, and any of them is looked into before it is taken', async ({
  page,
}) => {
  // the browser's own folder stands in for the dialog: the same handles, the same writing and reading
  await page.addInitScript(() => {
    (window as unknown as { showDirectoryPicker: () => Promise<unknown> }).showDirectoryPicker = async () =>
      (await navigator.storage.getDirectory()).getDirectoryHandle('Shop backups', { create: true });
  });
  await openDemo(page, '/jobs/demo-0143/log');
  await page.getByRole('textbox', { name: 'Note' }).fill('own');
  await page.getByRole('button', { name: 'Add the note' }).click();
  await page.goto('/shop');
  await page.getByRole('button', { name: 'Choose a folder' }).click();
  await expect(page.getByText('Backups go to Shop backups from now on.')).toBeVisible();
  // the folder is known to the next page too
  await page.reload();
  await page.getByRole('button', { name: 'Back up now' }).click();
  await expect(page.getByText(/^northcove-backup-.*: in Shop backups, read back and the same\.$/)).toBeVisible();
  await expect(page.getByText(/Last one .*, to Shop backups; 0 entries since/)).toBeVisible();
  await page.getByRole('button', { name: 'Earlier backups' }).click();
  await page.getByRole('button', { name: /^Look into northcove-backup-/ }).click();
  await expect(page.getByTestId('restore')).toBeVisible();
});
