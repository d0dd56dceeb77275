import { readFileSync } from 'node:fs';

import { expect, test } from '@playwright/test';

import { Hands, isKeyboard, openDemo, visit } from './hands';

const minute = 60_000;

test(
  'one job from intake to hand-over, reloaded on the way, exported and read back',
  { tag: '@wide' },
  async ({ page, browser }, info) => {
    test.setTimeout(400_000);
    await page.clock.install({ time: new Date('2026-04-14T13:00:00') });
    const h = new Hands(page, isKeyboard(info.project.name));
    await openDemo(page);
    await h.noViolations('bench');

    await test.step('new job', async () => {
      await h.press('New job');
      await expect(page.getByRole('heading', { name: 'New job J-0144' })).toBeVisible();
      await h.press('Open the job');
      await expect(page.getByRole('alert')).toContainText('Device: choose one from the list');
      await h.noViolations('new job');
      await h.press(page.getByRole('radio', { name: 'Ring-bond 6.1' }));
      await page.getByLabel('Promised for').fill('23:30');
      await h.press('Open the job');
      await expect(h.call()).toContainText('8 answers to go');
    });

    await test.step('intake', async () => {
      await h.press('Something is not so');
      await h.choose('Battery swollen, bent or smelling?', 'No');
      await h.choose('Chips at the edge?', 'No');
      await h.choose('Frame bent or split?', 'No');
      await h.tick('bottom edge');
      await h.press(h.button('To the percent'));
      await h.type(page.getByLabel('Battery level, %'), '28');
      await h.tick('Power is off');
      await h.tick('Card tray is out');
      await h.press(page.getByRole('link', { name: /^Route/ }));
      await h.press(page.getByRole('radio', { name: /^Glass only, aftermarket/ }));
      await h.press('Take this route');
      await h.press(h.button(/^Works before\?/));
      await h.press('The rest works');
      await expect(h.call()).toHaveText('Ready to heat.');
      await expect(page.getByText('earliest pick-up', { exact: false }).first()).toBeVisible();
      await h.noViolations('intake');
      await h.press('Go to Heat');
    });

    await test.step('heat: plan, plate, reload, off', async () => {
      await expect(h.call()).toContainText(/^Try from [\d hmins]+, easy by [\d hmins]+, at the latest [\d hmins]+\.$/);
      if (h.keyboard) {
        await page.keyboard.press('?');
        await expect(page.getByRole('region', { name: 'Keys' })).toContainText('main action');
        await page.keyboard.press('1');
        await expect(h.call()).toHaveText('Ready to heat.');
        await page.keyboard.press('2');
        await expect(h.call()).toContainText('Try from');
      }
      // pick and setpoint move picture, call and curves at once
      const before = await h.call().textContent();
      await h.press(page.getByRole('radio', { name: 'Pick 0.8 mm' }));
      await expect(h.call()).not.toHaveText(before!);
      await h.press(page.getByRole('radio', { name: 'Pick 0.5 mm' }));
      await expect(h.call()).toHaveText(before!);
      await h.tick('At hand: picks, blade, gloves, eye cover. Alcohol put away');
      await h.noViolations('heat');
      await h.press('On the plate');
      await expect(h.call()).toContainText(/^Try in [\d hmins]+, easy in [\d hmins]+\.$/);
      await h.wait(15_000);
      const seconds = async () => Number(/(\d+) s/.exec((await h.call().textContent()) ?? '')?.[1]);
      const left = await seconds();
      await page.reload();
      await expect(h.call()).toContainText(/^Try in [\d hmins]+/);
      expect(Math.abs((await seconds()) - left)).toBeLessThan(8);
      await h.until(/Try the bottom edge now\./);
      await h.until(/Lift now\. Start at the bottom edge\./);
      await h.press('Off the plate');
    });

    await test.step('lift: cut, grip, reheat, free', async () => {
      await expect(h.call()).toContainText(/^Cut the bottom edge now: easy for [\d hmins]+\.$/);
      await h.noViolations('lift');
      await h.press('Bottom edge is free');
      await expect(h.button(/edge is free$/)).not.toHaveText(/Bottom/);
      await page.clock.fastForward(40 * minute);
      await expect(h.call()).toContainText(/^Back on the plate: the (right|left) edge has gripped, to \d\d °C\.$/);
      await h.press('It grips: reheat');
      await expect(h.call()).toContainText('Try in');
      await h.until(/Lift now/);
      await h.press('Off the plate');
      for (const edge of ['Left edge is free', 'Right edge is free', 'Top edge is free']) await h.press(edge);
      await expect(h.call()).toHaveText('All edges are free.');
      await h.press('Back is off');
    });

    await test.step('strip says that it is not needed; clean', async () => {
      await expect(page).toHaveURL(/\/clean$/);
      await visit(page, page.url().replace('/clean', '/strip'));
      await expect(h.call()).toHaveText('Not needed on this route.');
      await h.noViolations('strip');
      await h.press('Go to Clean');
      for (let i = 1; i <= 8; i++) await h.press(`${i}: wiped dry`);
      await h.press('All clean at a glance');
      await h.tick('No crumbs on the ledge');
      await h.tick('Lenses blown off');
      await expect(h.call()).toContainText('Let it cool');
      await page.clock.fastForward(45 * minute);
      await expect(h.call()).toHaveText('Clean and cool: go on.');
      await h.noViolations('clean');
      await h.press('Clean and cool');
    });

    await test.step('dry fit: a wrong entry, then sixteen gaps', async () => {
      await h.press('Measure instead');
      const field = page.getByRole('textbox', { name: /^Gap \d+ of 16/ });
      await h.type(field, 'NaN');
      await expect(page.getByRole('alert')).toContainText('enter 0 to 3 mm (you entered');
      for (let i = 0; i < 16; i++) {
        await expect(page.getByRole('textbox', { name: new RegExp(`^Gap ${i + 1} of 16`) })).toBeVisible();
        // wider at the top, narrower at the bottom: a slide toward the top evens it
        const gap = i <= 1 || i >= 15 ? '0.06' : i >= 7 && i <= 9 ? '0.26' : '0.16';
        await h.type(field, gap);
      }
      await expect(h.call()).toHaveText(/^Slide 0\.\d\d mm toward the top/);
      await h.noViolations('dry fit');
      await h.press('It fits. Go to Bond');
    });

    await test.step('bond: cut list, and the other way beside it', async () => {
      await expect(h.call()).toHaveText('Lay the new ring from one corner.');
      await h.choose('Way of bonding', 'tape cut in strips');
      await expect(h.call()).toHaveText('Cut 21 pieces, 431 mm of tape.');
      await expect(page.getByRole('table', { name: 'Cut list' })).toContainText('130.0 mm');
      await h.noViolations('bond');
      await h.tick('Lenses blown off once more');
      await h.tick('Photo of the open inside, or none wanted');
      await h.tick('All of these work');
      await h.press('Laid and closed');
    });

    await test.step('cure: clips, reload, clocks', async () => {
      await expect(h.call()).toHaveText(/^15 gentle clips, 6 N each, every 28 mm\.$/);
      await h.press('Clamps on');
      await expect(h.call()).toContainText('Clamps off in');
      await page.clock.fastForward(10 * minute);
      await page.reload();
      await expect(h.call()).toContainText(/^Clamps off in [\d hmins]+\.$/);
      await h.noViolations('cure');
      await page.clock.fastForward(30 * minute);
      await expect(h.call()).toHaveText('Clamps may come off.');
      await h.press('Clamps off');
      await h.press('Go to Check');
    });

    await test.step('check: steps and functions, a fault from nowhere and back', async () => {
      // by eye and finger: one tap when all is well
      await expect(h.call()).toHaveText('Is it flush all round?');
      await h.press('Flush all round');
      await expect(h.call()).toContainText(/^Flush\. Now 24 functions\.$/);
      await h.press('Functions: 0 of 24');
      await expect(page.getByText('0 of 24', { exact: true })).toBeVisible();
      await h.noViolations('functions');
      await h.press('Fails');
      await h.press('All 24');
      await h.press('The rest works');
      await expect(h.call()).toHaveText('1 function fails.');
      await h.press('Done: test again');
      await h.press('Works');
      await expect(h.call()).toHaveText('All tested.');
      await h.press(page.getByRole('link', { name: 'Check' }));
      await expect(h.call()).toHaveText('Flush, all tested. Still: a second person signs.');
      await h.hold(h.button(/^Osk checked and signs, hold/));
      await expect(h.call()).toHaveText('Flush, and everything works as before.');
      await h.noViolations('check');
      await h.press('Go to Hand over');
    });

    await test.step('hand over, export, and read it back in another browser', async () => {
      await expect(h.call()).toHaveText('It may go.');
      await expect(page.getByTestId('sheet')).toContainText('No water resistance is promised.');
      await h.noViolations('hand over');
      await h.hold(h.button(/^Handed over, hold/));
      await expect(h.call()).toContainText('Handed over');
      const [file] = await Promise.all([page.waitForEvent('download'), h.press('Export the job')]);
      const path = (await file.path())!;
      const events = (JSON.parse(readFileSync(path, 'utf8')) as { events: unknown[] }).events;
      expect(events.length).toBeGreaterThan(90);

      const other = await browser.newContext({ serviceWorkers: 'block', viewport: page.viewportSize() });
      const p2 = await other.newPage();
      await openDemo(p2, '/shop');
      const h2 = new Hands(p2, true);
      const [chooser] = await Promise.all([p2.waitForEvent('filechooser'), h2.press('Import a file')]);
      await chooser.setFiles(path);
      await expect(p2.getByTestId('restore')).toContainText('1 new job: J-0144');
      await h2.press('Take it in');
      await expect(p2.getByTestId('message')).toContainText(`1 job read, ${events.length} new entries.`);
      await visit(p2, '/jobs');
      await h2.press(p2.getByRole('radio', { name: 'Show: Handed over' }));
      await h2.press(p2.getByRole('button', { name: /^J-0144/ }));
      await h2.press('Open J-0144');
      await expect(h2.call()).toContainText('Handed over');
      const [again] = await Promise.all([p2.waitForEvent('download'), h2.press('Export the job')]);
      expect((JSON.parse(readFileSync((await again.path())!, 'utf8')) as { events: unknown[] }).events).toEqual(events);
      await other.close();
    });
  },
);
