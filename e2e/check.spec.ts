import { readFileSync } from 'node:fs';

import { expect, test, type Page } from '@playwright/test';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

import { Hands, isKeyboard, openDemo, visit } from './hands';

const minute = 60_000;

/** Text of a PDF, page by page, read by another library than the one that wrote it. */
async function pdfText(bytes: Buffer): Promise<string[]> {
  const doc = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  const out: string[] = [];
  for (let i = 1; i <= doc.numPages; i++) {
    const { items } = await (await doc.getPage(i)).getTextContent();
    out.push(items.map((x) => ('str' in x ? x.str : '')).join(' '));
  }
  return out;
}

async function choose(page: Page, h: Hands, button: string, file: { name: string; mimeType: string; buffer: Buffer }) {
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), h.press(button)]);
  await chooser.setFiles(file);
}

test('from cure to closed: a failing function is diagnosed, mended and signed by another; the sheet is a PDF of one page', async ({
  page,
}, info) => {
  test.setTimeout(300_000);
  page.setDefaultTimeout(20_000);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/jobs/demo-0139/cure');
  await expect(h.call()).toContainText('Clamps off in');
  await page.clock.fastForward(25 * minute);
  await expect(h.call()).toHaveText('Clamps may come off.');
  await h.press('Clamps off');
  await h.press('Go to Check');

  await test.step('steps, with a bump over a crumb that is cleared', async () => {
    await h.press('Measure instead');
    for (let i = 0; i < 16; i++) {
      const field = page.getByRole('textbox', { name: new RegExp(`^Step ${i + 1} of 16`) });
      await expect(field).toBeVisible();
      await h.type(field, i % 2 ? '-0.01' : '-0.02');
    }
    await expect(h.call()).toContainText(/^Flush\. Now \d+ functions\.$/);
  });

  await test.step('functions: two fail together, and the cause is looked for', async () => {
    await h.press(h.button(/^Functions: 0 of/));
    for (let i = 0; i < 40; i++) {
      const name = (await h.call().textContent())!;
      if (/function/.test(name)) break;
      if (name.endsWith('?')) {
        // what the work hardly put at risk is asked for in one go
        const which = (await page.getByTestId('reason').textContent())!;
        await h.press(/flash|rear microphone/.test(which) ? 'Not all' : 'All work');
        await expect(h.call()).not.toHaveText(name);
        continue;
      }
      await h.press(/^(Flash|Rear microphone)\.$/.test(name) ? 'Fails' : 'Works');
      await expect(h.call()).not.toHaveText(name);
    }
    await expect(h.call()).toHaveText('2 functions fail.');
    const card = page.getByTestId('faults');
    await expect(card).toContainText('Most likely: cable of flash or rear microphone not seated, or torn.');
    await expect(card).not.toContainText(/\d %/);
    await h.noViolations('fault');
    await h.press('It was that');
    await h.press('Done: test again');
    await h.press('Works');
    await h.press('Works');
    await expect(h.call()).toHaveText('All tested.');
    await page.reload();
    await expect(h.call()).toHaveText('All tested.');
    await h.hold(h.button(/^Mirel checked and signs, hold/));
    await expect(page.getByText('Signed by Mirel; repaired by Osk.')).toBeVisible();
    // signed and nothing open: straight on
    await h.press('Go to Hand over');
  });

  await test.step('the sheet: signed, saved as PDF and read back', async () => {
    await page.clock.fastForward(30 * minute);
    await expect(h.call()).toHaveText('It may go.');
    await h.noViolations('hand over');
    await h.press('The customer signs for it');
    await h.type(page.getByRole('textbox', { name: 'or the name, typed' }), 'A. Tarn');
    await h.press('Signed');
    await expect(page.getByTestId('sheet')).toContainText('Received: A. Tarn');
    const [file] = await Promise.all([page.waitForEvent('download'), h.press('Sheet as PDF')]);
    const pages = await pdfText(readFileSync((await file.path())!));
    expect(pages).toHaveLength(1);
    const text = pages[0]!.replace(/\s+/g, ' ');
    expect(text).toContain('J-0139 · Ring-bond 5.4');
    expect(text).toContain('Glass flush with the frame all round, measured at 16 points.');
    expect(text).toMatch(/What may be done when.*careful.*as usual.*full bond/);
    expect(text).toContain('No water resistance is promised.');
    expect(text).toContain('Checked by Mirel, repaired by Osk.');
    expect(text).toContain('Received: A. Tarn');
    await h.hold(h.button(/^Handed over, hold/));
    await expect(h.call()).toContainText('Handed over');
  });

  await test.step('it stands in the records, and its record holds what was found', async () => {
    await visit(page, '/records');
    await expect(page.getByText(/of 60 handed over/)).toBeVisible();
    await h.noViolations('records');
    await page.getByRole('textbox', { name: 'Search records' }).fill('J-0139');
    await h.press(page.getByRole('link', { name: /^Record of J-0139/ }));
    await expect(page.getByTestId('record')).toContainText('cause rearFlex: it was that');
    // on paper it goes on over several pages, and its end is there
    const printed = await pdfText(await page.pdf({ format: 'A5' }));
    expect(printed.length).toBeGreaterThan(1);
    expect(printed.join(' ').replace(/\s+/g, ' ')).toContain('Calls and overrides');
    await h.noViolations('record');
  });
});

test('camera cover: a target with a known blur, before and after; a picture without it is named', async ({
  page,
}, info) => {
  test.setTimeout(200_000);
  page.setDefaultTimeout(60_000);
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/jobs/demo-0136/camera');
  await h.noViolations('camera');
  const [svg] = await Promise.all([page.waitForEvent('download'), h.press('Target')]);
  const target = readFileSync((await svg.path())!, 'utf8');
  /** the shipped target as a camera would see it, blurred by a Gaussian of known width */
  const photo = async (blurPx: number) =>
    Buffer.from(
      await page.evaluate(
        async ({ target, blurPx }) => {
          const img = new Image();
          img.src = `data:image/svg+xml;base64,${btoa(target)}`;
          await img.decode();
          const canvas = document.createElement('canvas');
          [canvas.width, canvas.height] = [1108, 760];
          const c = canvas.getContext('2d')!;
          c.filter = `blur(${blurPx}px) brightness(0.9)`;
          c.drawImage(img, 0, 0, canvas.width, canvas.height);
          const blob = await new Promise<Blob>((r) => canvas.toBlob((b) => r(b!), 'image/png'));
          return [...new Uint8Array(await blob.arrayBuffer())];
        },
        { target, blurPx },
      ),
    );
  const take = (name: string, buffer: Buffer) =>
    choose(page, h, 'Picture of the target', { name, mimeType: 'image/png', buffer });
  await h.choose('When', 'Before, or without the cover');
  await take('sharp.png', await photo(1.2));
  await expect(page.getByRole('status').first()).toContainText(/sharp\.png: \d+ edges measured/);
  await h.choose('When', 'After, with it');
  await take(
    'blank.png',
    Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
      'base64',
    ),
  );
  await expect(page.getByRole('alert').first()).toContainText('at least 300 × 300 pixels');
  await take('no.png', Buffer.from('hello'));
  await expect(page.getByRole('alert').first()).toContainText('not a picture that this browser can read');
  await take('soft.png', await photo(2.4));
  await expect(h.call()).toHaveText(/^Clear loss of sharpness/);
  await h.noViolations('camera, result');
});

test('on the device: the grid by finger, and the result back as a code and as its picture', async ({ page }, info) => {
  test.setTimeout(200_000);
  const keyboard = isKeyboard(info.project.name);
  const { width, height } = page.viewportSize()!;
  const h = new Hands(page, keyboard);
  await openDemo(page, '/jobs/demo-0139/functions');
  await h.press('On the device itself');
  const link = (await page.getByTestId('device-link').textContent())!;
  const device = await page.context().newPage();
  // nothing of the shop is put on the device under test
  const asked: string[] = [];
  device.on('request', (r) => asked.push(new URL(r.url()).pathname));
  await visit(device, link);
  await device.getByRole('button', { name: 'Works' }).waitFor();
  const d = new Hands(device, keyboard);
  await d.noViolations('device test');
  expect(asked).not.toContain('/api/config');
  // once it is open it needs no network
  await device.context().setOffline(true);
  for (let i = 0; i < 40; i++) {
    const title = (await device.getByRole('heading', { level: 1 }).textContent())!;
    if (title === 'Done') break;
    if (title.startsWith('Touch')) {
      await d.press('Open the grid');
      const grid = device.getByTestId('touch-grid');
      await expect(grid).toBeVisible();
      await device.mouse.move(1, 1);
      await device.mouse.down();
      for (let r = 0; r < 12; r++)
        for (let c = 0; c < 6; c++) await device.mouse.move(((c + 0.5) * width) / 6, ((r + 0.5) * height) / 12);
      await expect(grid).toContainText('3 to go');
      for (const [x, y] of [
        [width - 2, 2],
        [2, height - 2],
        [width - 2, height - 2],
      ] as const)
        await device.mouse.move(x, y);
      await device.mouse.up();
    } else await d.press(title === 'Vibration' ? 'Fails' : 'Works');
    await expect(device.getByRole('heading', { level: 1 })).not.toHaveText(title);
  }
  const picture = await device.getByTestId('result-code').screenshot();
  const text = (await device.getByTestId('result-text').textContent())!;
  await device.context().setOffline(false);
  await h.type(
    page.getByRole('textbox', { name: 'Code from the device' }),
    `${text.slice(0, -1)}${text.endsWith('7') ? '8' : '7'}`,
  );
  await h.press('Take the code in');
  await expect(page.getByRole('alert').first()).toContainText('a sign is wrong');
  await choose(page, h, 'Read it from a picture', { name: 'code.png', mimeType: 'image/png', buffer: picture });
  await expect(page.getByRole('status').first()).toContainText('22 results taken in; failing: vibration.');
});

test('backup: into an empty browser and the same again; a cut file or one of a later version changes nothing', async ({
  page,
  browser,
}, info) => {
  test.setTimeout(200_000);
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/shop');
  const [file] = await Promise.all([page.waitForEvent('download'), h.press('Export everything')]);
  const text = readFileSync((await file.path())!, 'utf8');
  const backup = JSON.parse(text) as { version: number; jobs: { id: string }[][]; settings: unknown };
  expect(backup.jobs).toHaveLength(70);

  const other = await browser.newContext({ serviceWorkers: 'block', viewport: page.viewportSize() });
  const p2 = await other.newPage();
  await p2.route('**/api/config', (r) => r.fulfill({ status: 404, body: '' }));
  await visit(p2, '/shop');
  const h2 = new Hands(p2, true);
  const give = (name: string, t: string) =>
    choose(p2, h2, 'Import a file', { name, mimeType: 'application/json', buffer: Buffer.from(t) });
  await give('half.json', text.slice(0, text.length / 2));
  await expect(p2.getByTestId('message')).toContainText('the file is cut off or not JSON. Nothing was changed.');
  await give('later.json', text.replace('"version": 1', '"version": 9'));
  await expect(p2.getByTestId('message')).toContainText('this app reads up to 1. Nothing was changed.');
  await give('backup.json', text);
  await expect(p2.getByTestId('restore')).toContainText('70 new jobs');
  await h2.noViolations('restore');
  await h2.press('Take it in');
  await expect(p2.getByTestId('message')).toContainText('70 jobs read');
  const [again] = await Promise.all([p2.waitForEvent('download'), h2.press('Export everything')]);
  const back = JSON.parse(readFileSync((await again.path())!, 'utf8')) as typeof backup;
  const byId = (b: typeof backup) =>
    Object.fromEntries(b.jobs.map((j) => [(j[0] as unknown as { jobId: string }).jobId, j]));
  expect(byId(back)).toEqual(byId(backup));
  expect(back.settings).toEqual(backup.settings);
  // the same file once more brings nothing new
  await give('backup.json', text);
  await expect(p2.getByTestId('restore')).toContainText('0 new entries');
  await expect(p2.getByTestId('restore')).toContainText('70 jobs already here');
  await other.close();
});
