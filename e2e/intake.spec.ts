import { readFileSync } from 'node:fs';

import { expect, test, type Page } from '@playwright/test';

import { Hands, isKeyboard, openDemo, visit } from './hands';

/** Draws on the plan with a finger or pen: from one place of the picture to another, in shares of its size. */
async function stroke(page: Page, from: [number, number], to: [number, number]): Promise<void> {
  const box = (await page.getByTestId('plan').boundingBox())!;
  const at = ([x, y]: [number, number]) => [box.x + x * box.width, box.y + y * box.height] as const;
  await page.mouse.move(...at(from));
  await page.mouse.down();
  await page.mouse.move(...at(to), { steps: 25 });
  await page.mouse.up();
}

test(
  'crack map by finger or by keys, order, route, quote, print, reload, undo',
  { tag: '@both' },
  async ({ page }, info) => {
    test.setTimeout(240_000);
    await page.clock.install({ time: new Date('2026-04-14T13:00:00') });
    await page.addInitScript(() => {
      window.print = () => void document.documentElement.setAttribute('data-printed', 'yes');
    });
    const h = new Hands(page, isKeyboard(info.project.name));
    const orderItems = page.getByRole('list', { name: 'Order of lifting' }).getByRole('listitem');
    await openDemo(page, '/jobs');

    await test.step('a new job on a fully bonded back', async () => {
      await h.press('New job');
      await h.press(page.getByRole('radio', { name: 'Full-bond 6.4' }));
      await h.press('Open the job');
      await expect(h.call()).toContainText('8 answers to go: where it is cracked.');
    });

    await test.step('cracks are drawn, snapped, numbered; a short one ends inside', async () => {
      await h.press(page.getByRole('link', { name: /^Crack map/ }));
      await expect(h.call()).toHaveText('No crack drawn.');
      if (h.keyboard) {
        for (const line of ['0,60 74,66', '30,158 38,62', '20,120 26,132']) {
          await h.type(page.getByLabel(/^Points as x,y/), line);
          await h.press('Add the crack');
        }
      } else {
        await stroke(page, [0.1, 0.4], [0.9, 0.44]);
        await expect(h.call()).toContainText('2 pieces');
        await stroke(page, [0.45, 0.98], [0.5, 0.425]);
        await expect(h.call()).toContainText('3 pieces');
        await stroke(page, [0.36, 0.7], [0.4, 0.78]);
      }
      await expect(h.call()).toContainText(/^3 pieces\. Piece 1 first: [\d.]+ cm²/);
      await expect(page.getByText(/of crack ends inside and frees no piece/)).toBeVisible();
      await expect(orderItems).toHaveCount(3);
      await expect(orderItems.last()).toContainText('at the camera');
      await h.noViolations('crack map');
    });

    await test.step('a reload loses nothing; undo takes the last crack back, one more by hand', async () => {
      await page.reload();
      await expect(h.call()).toContainText('3 pieces');
      await h.press('Undo');
      await expect(page.getByText(/of crack ends inside/)).toHaveCount(0);
      await h.press('Rub out crack 2');
      await expect(h.call()).toContainText('2 pieces');
      await h.press('Undo');
      await expect(h.call()).toContainText('3 pieces');
      await h.type(page.getByLabel(/^Points as x,y/), '5,5 5,5');
      await h.press('Add the crack');
      await expect(page.getByRole('alert')).toContainText(/crack: (length|points)/);
      await expect(h.call()).toContainText('3 pieces');
      await h.press('Map is done');
      await expect(page.getByRole('link', { name: 'Crack map: 3 pieces and 0 chips' })).toBeVisible();
    });

    await test.step('route: the cheapest is recommended, another one needs no reason, and keeps one', async () => {
      await h.press(page.getByRole('link', { name: /^Route/ }));
      await expect(h.call()).toContainText('on average');
      await expect(page.getByRole('radio', { name: 'Open and close again: the back is cracked' })).toBeVisible();
      await h.press(page.getByRole('radio', { name: /^Glass only, new genuine/ }));
      await expect(h.button('Take this route')).toBeEnabled();
      await h.type(page.getByLabel('Why not the cheapest'), 'customer wants the genuine one');
      await h.noViolations('route');
      await h.press('Take this route');
      await expect(page.getByRole('link', { name: 'Route: Glass only, new genuine' })).toBeVisible();
    });

    await test.step('quote: three ways, signed, printed alone on its page', async () => {
      await h.press(page.getByRole('link', { name: /^Quote/ }));
      await expect(page.getByRole('radiogroup', { name: 'Options' }).getByRole('radio')).toHaveCount(3);
      await h.press('Quote it');
      await expect(h.button('Quoted')).toBeVisible();
      if (h.keyboard) await h.type(page.getByLabel('or the name, typed'), 'A. Rower');
      else {
        // hover waits until the page has stopped moving under the pen
        const pad = page.getByTestId('signature');
        await pad.hover({ position: { x: 30, y: 60 } });
        const box = (await pad.boundingBox())!;
        await page.mouse.down();
        await page.mouse.move(box.x + 120, box.y + 30, { steps: 8 });
        await page.mouse.move(box.x + 200, box.y + 90, { steps: 8 });
        await page.mouse.up();
      }
      await page.clock.runFor(1000);
      await h.press('Signed');
      await expect(page.getByTestId('signed')).toContainText('Agreed by');
      await h.noViolations('quote');
      await h.press('Print');
      await expect(page.locator('html')).toHaveAttribute('data-printed', 'yes');
      await page.emulateMedia({ media: 'print' });
      await expect(page.getByTestId('quote')).toHaveCSS('visibility', 'visible');
      // what print hides is gone for roles too, so the element itself is asked
      await expect(page.locator('[aria-label="Actions"]').first()).toHaveCSS('visibility', 'hidden');
      expect((await page.pdf({ format: 'A4' })).length).toBeGreaterThan(5000);
      await page.emulateMedia({ media: 'screen' });
      await page.reload();
      await expect(page.getByTestId('signed')).toContainText('Agreed by');
    });

    await test.step('tag and customer', async () => {
      await h.press(page.getByRole('link', { name: 'Intake' }));
      await h.press(page.getByRole('link', { name: /^Tag and customer/ }));
      await h.choose('Backup of the customer’s data', 'Made');
      await h.press(page.getByRole('checkbox', { name: /is on the device$/ }));
      await h.noViolations('tag');
      await h.press('Back to Intake');
      await expect(page.getByRole('link', { name: /^Tag and customer: \w{4}, backup made/ })).toBeVisible();
    });
  },
);

test('a device model is changed on the shelf, saved, exported, and used by a new job', async ({ page }, info) => {
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/jobs');
  await h.press(page.getByRole('link', { name: 'Phones' }));
  await h.press(page.getByRole('link', { name: 'Ring-bond 6.1' }));
  await expect(page.getByTestId('checks')).toContainText('The model holds together');
  await h.noViolations('device editor');
  await h.type(page.getByLabel('Outline: width, mm'), '60');
  await expect(page.getByTestId('checks')).toContainText('outside the outline');
  await h.type(page.getByLabel('Outline: width, mm'), '73');
  await expect(page.getByTestId('checks')).toContainText('The model holds together');
  if (!h.keyboard) {
    // the coil is dragged and snaps back to the middle line
    await page.getByTestId('plan').scrollIntoViewIfNeeded();
    const plan = (await page.getByTestId('plan').boundingBox())!;
    const mm = Math.max(79 / plan.width, 156 / plan.height);
    const at = (x: number, y: number) =>
      [plan.x + plan.width / 2 + (x - 36.5) / mm, plan.y + plan.height / 2 + (y - 75) / mm] as const;
    await page.mouse.move(...at(24, 78));
    await page.mouse.down();
    await page.mouse.move(...at(24.7, 84), { steps: 10 });
    await page.mouse.up();
    await expect(page.getByLabel('charging coil: centre from the left, mm')).toHaveValue('36.50');
  }
  await page.reload();
  await expect(page.getByLabel('Outline: width, mm')).toHaveValue('73.00');
  await h.press('Save the model');
  await expect(page.getByTestId('message')).toContainText('saved as version 2');
  const [file] = await Promise.all([page.waitForEvent('download'), h.press('Export the model')]);
  const model = JSON.parse(readFileSync((await file.path())!, 'utf8')) as {
    format: string;
    device: { version: number };
  };
  expect(model).toMatchObject({ format: 'northcove-device', device: { version: 2 } });
  await visit(page, '/jobs/new');
  await h.press(page.getByRole('radio', { name: 'Ring-bond 6.1' }));
  await h.press('Open the job');
  await expect(h.call()).toContainText('answers to go');
});

test('photos: one that is kept goes out with the job; 60 MB and a text file are named', async ({ page }, info) => {
  await openDemo(page, '/jobs/demo-0143/intake');
  await page.getByRole('button', { name: 'Photos (0)' }).click();
  const choose = async (file: string | { name: string; mimeType: string; buffer: Buffer }) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Photo from a file' }).click(),
    ]);
    await chooser.setFiles(file);
  };
  await choose('docs/screenshots/heat-phone.png');
  await expect(page.getByText(/^1 photo, 0\.\d\d of 2\.50 MB used/)).toBeVisible();
  await choose({ name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture') });
  await expect(page.getByRole('alert')).toContainText(
    'notes.jpg is not a picture that this browser can read. Nothing was changed.',
  );
  const { writeFileSync } = await import('node:fs');
  const big = info.outputPath('huge.png');
  writeFileSync(big, Buffer.alloc(60e6));
  await choose(big);
  await expect(page.getByRole('alert')).toContainText('huge.png: 60 MB, up to 40 MB is allowed. Nothing was changed.');
  await page.reload();
  await page.getByRole('button', { name: 'Photos (1)' }).click();
  await expect(page.getByRole('img', { name: /^photo of/ })).toBeVisible();
  await visit(page, '/jobs/demo-0143/log');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export the job' }).click(),
  ]);
  const job = JSON.parse(readFileSync((await file.path())!, 'utf8')) as { photos: Record<string, string> };
  expect(Object.values(job.photos)[0]).toMatch(/^data:image\/jpeg;base64,/);
});

test('device and job files that are wrong are named and change nothing', async ({ page }, info) => {
  await openDemo(page, '/shelf');
  const rows = page.getByRole('list', { name: 'Phone models' }).getByRole('listitem');
  await expect(rows.first()).toBeVisible();
  const count = await rows.count();
  await page.getByRole('link', { name: 'Ring-bond 5.4' }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export the model' }).click(),
  ]);
  const model = JSON.parse(readFileSync((await file.path())!, 'utf8')) as { device: Record<string, never> };
  const spoil = (f: (d: never) => void) => {
    const copy = structuredClone(model);
    f(copy.device as never);
    return JSON.stringify(copy);
  };
  await visit(page, '/shelf');
  for (const [text, said] of [
    [spoil((d: { bonds: { widthMm: number }[] }) => void (d.bonds[0]!.widthMm = 29.9) as never), 'ring width'],
    [
      spoil(
        (d: { faces: { cover: { outline: unknown } }[] }) =>
          void (d.faces[0]!.cover.outline = {
            kind: 'polygon',
            pts: [
              [0, 0],
              [60, 120],
              [60, 0],
              [0, 120],
            ],
          }) as never,
      ),
      'an outline that does not cross itself',
    ],
    [
      spoil((d: { parts: { shape: unknown }[] }) => void (d.parts[0]!.shape = { kind: 'disc', c: [1, 1] }) as never),
      'device.parts.0',
    ],
  ] as const) {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Import a phone model' }).click(),
    ]);
    await chooser.setFiles({ name: 'model.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await expect(page.getByTestId('message')).toContainText(said);
    await expect(page.getByTestId('message')).toContainText('Nothing was changed');
  }
  await expect(rows).toHaveCount(count);
});
