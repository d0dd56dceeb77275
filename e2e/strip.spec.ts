import { readFileSync } from 'node:fs';

import { expect, test } from '@playwright/test';

import { Hands, isKeyboard, openDemo, visit } from './hands';

test('a housing swap: 34 screws, nine parts to move, one missing, one pair swapped, reloaded in the middle', async ({
  page,
}, info) => {
  test.setTimeout(240_000);
  page.setDefaultTimeout(15_000);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/jobs/demo-0135/strip');
  const readings = page.getByRole('list', { name: 'Readings' });
  const screws = async () => Number(/(\d+) \/ 34screws out/.exec((await readings.textContent())!)?.[1]);

  await test.step('out: every screw into its cell, one is missing', async () => {
    await expect(h.call()).toContainText(/^Screw 1 of 10, cover: into [A-C]\d\.$/);
    await h.noViolations('strip out');
    await h.tick('Wrist strap on, grounded');
    await h.press('Missing');
    await expect(h.call()).toContainText('Screw 2 of 10');
    const main = h.button(/^(Out, into [A-C]\d|.* is (out|off)|Now move over)$/);
    for (let i = 0; i < 60; i++) {
      const label = (await main.textContent())!;
      if (label === 'Now move over') break;
      const before = await readings.textContent();
      await h.press(main);
      await expect(readings).not.toHaveText(before!);
      if (i === 20) {
        await page.reload();
        await expect(readings).not.toHaveText(before!);
      }
    }
    expect(await screws()).toBe(33);
    await expect(readings).toContainText('33 / 34screws out, 1 missing');
    await expect(h.call()).toHaveText('Everything that comes out is out.');
  });

  await test.step('tray, list and heap', async () => {
    await h.press(page.getByRole('link', { name: 'Tray, mat, screw list' }));
    await expect(h.call()).toHaveText('34 screws, 6 boxes.');
    await h.noViolations('tray');
    const save = async (label: string) => {
      const [file] = await Promise.all([page.waitForEvent('download'), h.press(label)]);
      return readFileSync((await file.path())!, 'utf8');
    };
    expect(await save('Print mat')).toContain('this bar is 50 mm: print at 100 %');
    const list = await save('Screw list as CSV');
    expect(list.trim().split('\n')).toHaveLength(35);
    expect(list).toContain('missing');
    await visit(page, '/jobs/demo-0135/heap');
    await expect(h.call()).toHaveText('33 screws should lie there, of 6 kinds.');
    await h.noViolations('heap');
    await visit(page, '/jobs/demo-0135/order');
    await expect(h.call()).toContainText('the fewest there are');
    await h.noViolations('order');
    await visit(page, '/jobs/demo-0135/strip');
  });

  await test.step('move over: nine to move, four new ones, a film off', async () => {
    await expect(page.getByRole('radio', { name: 'Now: Move over' })).toBeChecked();
    await expect(readings).toContainText('0 / 10small pieces; 4 to renew');
    await expect(readings).toContainText('/ 4parts in the new housing');
    await h.noViolations('strip move');
    for (let i = 0; i < 10; i++) {
      await h.press(h.button(/ is (over|new|off)$/));
      if (i < 9) await expect(readings).toContainText(`${i + 1} / 10small pieces`);
    }
  });

  await test.step('back in: a swapped pair is named before it pierces, and put right', async () => {
    await h.press('Now back in');
    await expect(page.getByRole('radio', { name: 'Now: Back in' })).toBeChecked();
    const main = h.button(/ is (in|started)$|^It clicked$| screws are tight$/);
    /** Presses on until the button says this. */
    const until = async (label: RegExp) => {
      for (let i = 0; i < 60; i++) {
        const now = (await main.textContent())!;
        if (label.test(now)) return;
        await h.press(main);
        await expect(main).not.toHaveText(now);
      }
      throw new Error(`the button never said ${label}`);
    };
    await until(/^foot8 is started/);
    await expect(h.call()).toContainText(/^From [A-C]\d into foot8: one turn\.$/);
    await until(/^camera4 is started/);
    await h.press(page.getByRole('radio', { name: /^Screw that goes into camera4: cross, 1\.2 mm × 2\.5 mm/ }));
    await h.press('camera4 is started');
    await expect(main).not.toHaveText('camera4 is started');
    await expect(h.call()).toContainText(/^camera4: /);
    await expect(page.getByRole('list', { name: 'Findings' })).toContainText('pierces what lies under it');
    await page.reload();
    await expect(page.getByRole('list', { name: 'Findings' })).toContainText('pierces what lies under it');
    await until(/^board8 is started/);
    await h.press(page.getByRole('radio', { name: /^Screw that goes into board8: cross, 1\.2 mm × 2\.0 mm/ }));
    await h.press('board8 is started');
    await expect(main).not.toHaveText('board8 is started');
    await expect(page.getByRole('list', { name: 'Findings' })).toContainText(
      /board8 and camera4: each has the other’s screw/,
    );
    await h.noViolations('strip back in');
    // change them: both out again, then each its own
    for (const hole of ['camera4', 'board8']) await h.press(h.button(`${hole}: take it out again`));
    for (const hole of ['camera4', 'board8']) {
      await until(new RegExp(`^${hole} is started`));
      await h.press(`${hole} is started`);
      await expect(main).not.toHaveText(`${hole} is started`);
    }
    await expect(page.getByText(/each has the other’s screw/)).toHaveCount(0);
    for (let i = 0; i < 60; i++) {
      const now = await readings.textContent();
      if (/^(\d+) \/ \1steps/.test(now!)) break;
      const text = await main.textContent();
      await h.press(main);
      await expect
        .poll(
          async () =>
            `${await readings.textContent()}${await main
              .or(h.button(/^Go to Clean/))
              .first()
              .textContent()}`,
        )
        .not.toBe(`${now}${text}`);
    }
  });

  await test.step('ready only when tested and the battery is off again; then the cover may be called ready', async () => {
    await expect(h.call()).toHaveText('Test before closing.');
    await h.press('The rest works');
    await h.tick('Tested, all that should work works');
    await h.tick('Battery unplugged again');
    await expect(h.call()).toHaveText('All back in, tested, battery off.');
    await h.press('Go to Clean');
    await expect(page).toHaveURL(/\/clean$/);
  });
});
