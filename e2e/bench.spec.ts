import { expect, test } from '@playwright/test';

import { Hands, isKeyboard, openDemo, visit } from './hands';

const minute = 60_000;

test('the plan moves with what happens, and can be told what not to do', { tag: '@wide' }, async ({ page }, info) => {
  test.setTimeout(240_000);
  page.setDefaultTimeout(20_000);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page);
  await page.clock.runFor(3000);
  await h.noViolations('bench with its plan');

  await test.step('the whole plan as a list; a task is put off by key or finger', async () => {
    await page.getByRole('link', { name: 'The whole plan as a list' }).click();
    await page.clock.runFor(3000);
    await h.noViolations('plan');
    await h.press(page.getByRole('button', { name: / more$/ }));
    const row = page.getByRole('button', { name: /Dry fit J-0141/ });
    await h.press(row);
    await h.type(page.getByRole('textbox', { name: 'Because' }), 'glass comes at seven');
    await h.type(page.getByRole('textbox', { name: 'Not before, time or date and time' }), '19:00');
    await page.clock.runFor(2000);
    await expect(page.getByRole('button', { name: /^19:0\d to .*Dry fit J-0141/ })).toBeVisible();
    for (let i = 0; i < 20 && !(await page.getByText(/^(It costs nothing|No promise|It makes jobs)/).count()); i++)
      await page.clock.runFor(1000);
    await expect(page.getByTestId('wishCost')).toContainText('1 wish in the plan');
    await expect(page.getByTestId('wishCost')).toContainText(
      /It costs nothing|No promise suffers|It makes jobs \d+ (min|h).* later/,
    );
    await h.type(page.getByRole('textbox', { name: 'Not before, time or date and time' }), '2026-04-01 10:00');
    await expect(page.getByText(/Not before: .* is too early, enter a time/)).toBeVisible();
    await h.press('Free again');
    await page.clock.runFor(1500);
    await expect(page.getByTestId('wishCost')).toHaveCount(0);
  });

  if (isKeyboard(info.project.name))
    await test.step('a bar is dragged', async () => {
      await page.getByTestId('timeline').scrollIntoViewIfNeeded();
      const box = (await page.getByTestId('timeline').boundingBox())!;
      // the first bar that has not begun in Mirel's row, an hour on
      await page.mouse.move(box.x + 76 + (box.width - 76) * 0.5, box.y + 34);
      await page.mouse.down();
      await page.mouse.move(box.x + 76 + (box.width - 76) * 0.6, box.y + 34, { steps: 4 });
      await page.mouse.move(box.x + 76 + (box.width - 76) * 0.8, box.y + 34, { steps: 4 });
      await page.mouse.up();
      await page.clock.runFor(1500);
      await expect(page.getByText(/J-01\d\d not before \d\d:\d\d, by Mirel\./)).toBeVisible();
      await expect(page.getByTestId('taskEdit')).toBeVisible();
      await h.press('Free again');
      await page.clock.runFor(1500);
      // the same without a mouse: taken up, half an hour later, set down
      const bar = page
        .getByTestId('timeline')
        .getByRole('button', { name: /^J-01\d\d Check/ })
        .first();
      await bar.focus();
      const keys = ['Space', ...Array.from({ length: 6 }, () => 'ArrowRight'), 'Space'];
      for (const key of keys) {
        await page.keyboard.press(key);
        await page.clock.runFor(50);
      }
      await page.clock.runFor(1500);
      await expect(page.getByText(/J-01\d\d not before \d\d:\d\d/)).toBeVisible();
      await h.press('Free again');
    });

  await test.step('called away: the plan does without; back again', async () => {
    await h.press('Called away');
    await h.press('30 min');
    await page.clock.runFor(1500);
    await expect(page.getByText('Mirel is away until 13:3', { exact: false })).toBeVisible();
    await h.press('Mirel is back');
    await page.clock.runFor(1500);
    await expect(page.getByText(/Mirel is away/)).toHaveCount(0);
  });

  await test.step('a window that was missed gets its reheat, and a shop that never opens keeps its last plan', async () => {
    await visit(page, '/jobs/demo-0142/heat');
    await page.clock.runFor(2000);
    await page.clock.fastForward(3 * minute);
    await h.press('Off the plate');
    await page.clock.fastForward(20 * minute);
    await visit(page, '/');
    await page.clock.runFor(3000);
    await expect(page.getByText('J-0142 has gripped: reheat').first()).toBeVisible();
    await h.press('Why and what else');
    await expect(page.getByTestId('quality')).toContainText('J-0142: its window was missed, a reheat is planned.');
  });

  await test.step('statistics, money and stock stand on the two months before', async () => {
    for (const [path, text] of [
      ['/statistics', 'Clean runs over its plan'],
      ['/money', 'Quote against outcome'],
      ['/stock', 'to order'],
    ] as const) {
      await visit(page, path);
      await expect(page.getByText(text, { exact: false }).first()).toBeVisible();
      await page.clock.runFor(500);
      await h.noViolations(path);
    }
  });
});
