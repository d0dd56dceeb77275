import { expect, test, type Page } from '@playwright/test';

import { Hands, openDemo, visit } from './hands';

const speed = (page: Page, n: string) => page.getByRole('radio', { name: `Time: ${n}` });
const said = (page: Page) => page.getByTestId('hands').getByRole('status');

/** Begins an exercise and heats until its call says that it goes. */
async function heated(page: Page, h: Hands, name: string): Promise<void> {
  await page.clock.install();
  await openDemo(page, '/practice');
  await h.press(`Begin: ${name}`);
  await expect(h.button('On the plate')).toBeVisible();
  // a look takes a while on a busy machine: not so fast that the moment is over by then
  await h.press(speed(page, '4×'));
  await h.press('On the plate');
  await h.until(/Lift now\./);
  await h.press(h.button(/^Off the plate/));
  await h.press(speed(page, '1×'));
}

test('the first exercise, guided, by touch: heated, pulled, looked at; nothing of it reaches the shop', async ({
  page,
}) => {
  const h = new Hands(page, false);
  await heated(page, h, 'Heat until it goes');
  const cup = h.button('Cup: hold to pull');
  await cup.scrollIntoViewIfNeeded();
  const box = (await cup.boundingBox())!;
  await page.mouse.move(box.x + 20, box.y + 20);
  await page.mouse.down();
  await expect(said(page)).toHaveText(/^A gap, at \d+ N\.$/);
  await page.mouse.up();
  await h.noViolations('practice');
  // a reload in the middle: it goes on where it was
  await page.reload();
  await expect(said(page)).toHaveText(/^A gap, at \d+ N\.$/);
  await h.press('Look at how it went');
  await expect(h.call()).toHaveText(/^Passed in \d+ min( \d+ s)?, one heat\.$/);
  await expect(page.getByText(/^By the calls the same phone takes/)).toBeVisible({ timeout: 60_000 });
  await h.noViolations('debrief');
  await h.press('End this exercise');
  await expect(page.getByText('Mirel, Heat until it goes: 1 of 1').first()).toBeVisible();
  await visit(page, '/jobs');
  await expect(page.getByText('11 of 70')).toBeVisible();
  await expect(page.getByText(/^Practice ·/)).toHaveCount(0);
});

test('the first exercise by keys alone, on a wide screen', { tag: '@wide' }, async ({ page }) => {
  const h = new Hands(page, true);
  await heated(page, h, 'Heat until it goes');
  await h.button('Cup: hold to pull').focus();
  await page.keyboard.down(' ');
  await expect(said(page)).toHaveText(/^A gap, at \d+ N\.$/);
  await page.keyboard.up(' ');
  await h.press('Look at how it went');
  await expect(h.call()).toHaveText(/^Passed in/);
});

test('worked recklessly it breaks: cold, and forced on; alone no call is told', async ({ page }) => {
  const h = new Hands(page, false);
  await page.clock.install();
  await openDemo(page, '/practice');
  await h.press(page.getByRole('radio', { name: 'Calls: Alone: no calls' }));
  await h.press('Begin: Pick and depth');
  await expect(h.call()).toHaveText('You decide.');
  await h.press(speed(page, '20×'));
  await h.press('On the plate');
  await page.clock.runFor(9000);
  await h.press(h.button(/^Off the plate/));
  await expect(page.getByRole('textbox', { name: 'How warm is the edge now?, °C' })).toBeVisible();
  await h.type(page.getByRole('textbox', { name: 'How warm is the edge now?, °C' }), '55');
  await h.press(speed(page, '1×'));
  const cup = h.button('Cup: hold to pull');
  await cup.scrollIntoViewIfNeeded();
  const box = (await cup.boundingBox())!;
  await page.mouse.move(box.x + 20, box.y + 20);
  await page.mouse.down();
  await expect(said(page)).toHaveText(/^A gap/);
  await page.mouse.up();
  // a pick before it is warm again: ten minutes gone by
  await h.press(speed(page, '20×'));
  await page.clock.runFor(18_000);
  await h.press(speed(page, '1×'));
  const strip = page.getByTestId('strip');
  await strip.scrollIntoViewIfNeeded();
  const s = (await strip.boundingBox())!;
  const y = s.y + s.height * 0.4;
  for (let n = 0; n < 30 && !(await h.button('Look at how it went').isVisible()); n++) {
    await page.mouse.move(s.x + s.width * 0.5, y);
    await page.mouse.down();
    for (let i = 0; i < 8; i++) {
      await page.mouse.move(s.x + s.width * (0.5 + 0.05 * i), y);
      await page.waitForTimeout(60);
    }
    await page.mouse.up();
  }
  await h.press('Look at how it went');
  await expect(h.call()).toHaveText(/^The back broke at bottom edge after/);
  await expect(page.getByText(/^You said 55 °C, it was \d+ °C\.$/)).toBeVisible();
});

test('today’s job first: a copy is worked, the customer’s job stays as it is', async ({ page }) => {
  const h = new Hands(page, false);
  await openDemo(page, '/jobs/demo-0143/log');
  const entries = await page.getByRole('main').textContent();
  await visit(page, '/practice');
  await h.press('Practise J-0143 first');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Ring-bond 5.4');
  await h.tick('At hand: picks, blade, gloves, eye cover. Alcohol put away');
  await h.press('On the plate');
  await expect(h.button(/^Off the plate/)).toBeVisible();
  await visit(page, '/jobs/demo-0143/log');
  await expect(page.getByRole('main')).toHaveText(entries!);
});

test('old glue by touch: rubbed here and there, shut, and what came of it is told', async ({ page }) => {
  const h = new Hands(page, false);
  await openDemo(page, '/practice');
  await h.press('Begin: Old glue and crumbs');
  const strip = page.getByTestId('strip');
  await strip.scrollIntoViewIfNeeded();
  const s = (await strip.boundingBox())!;
  const drag = async (from: number, to: number) => {
    await page.mouse.move(s.x + s.width * from, s.y + s.height / 2);
    await page.mouse.down();
    for (let i = 1; i <= 5; i++) {
      await page.mouse.move(s.x + s.width * (from + ((to - from) * i) / 5), s.y + s.height / 2);
      await page.waitForTimeout(60);
    }
    await page.mouse.up();
  };
  for (let n = 0; n < 20 && (await said(page).textContent()) !== 'Bare to the eye there.'; n++) await drag(0.1, 0.9);
  await expect(said(page)).toHaveText('Bare to the eye there.');
  await h.noViolations('old glue');
  // it goes on where it was
  const left = await page.getByText(/^Old glue seen: \d+ % of the ledge/).textContent();
  await page.reload();
  await expect(page.getByText(left!)).toBeVisible();
  await h.press('Lay the glass on and press');
  await h.press('Look at how it went');
  await expect(h.call()).toHaveText('It lifts after some months: old glue was left under it.');
  await expect(page.getByText(/^Left on \d+ mm, at /)).toBeVisible();
  await h.noViolations('debrief of a joint');
  await h.press('End this exercise');
  await expect(page.getByText('Mirel, Old glue and crumbs: 0 of 1').first()).toBeVisible();
});

test('clips and hours by keys: held, a night, let go and handed over', { tag: '@wide' }, async ({ page }) => {
  const h = new Hands(page, true);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  await openDemo(page, '/practice');
  await h.press('Begin: Clips and hours');
  await h.press('Hold it now');
  await expect(said(page)).toHaveText('It is held.');
  await h.press('Next morning at nine');
  await expect(page.getByRole('region', { name: 'Time' })).toContainText(/· (19|20):\d\d h/);
  await h.press('Take it off');
  await expect(said(page)).toHaveText('Off, and it stays where it is.');
  await h.press('Next morning at nine');
  await h.press('Hand it over');
  await h.press('Look at how it went');
  await expect(h.call()).toHaveText(
    /^Passed: it holds, handed over after 1 day|^Passed: it holds, handed over after 4\d h/,
  );
});

test('two phones and the counter: one warms while the other is looked at, a customer is seen to, and both are told of', async ({
  page,
}) => {
  const h = new Hands(page, false);
  await page.clock.install();
  await openDemo(page, '/practice');
  await h.press('Begin: Two phones and the counter');
  const phone = (n: number) => page.getByRole('radio', { name: new RegExp(`^Phone ${n}:`) });
  await expect(phone(1)).toHaveAttribute('aria-checked', 'true');
  // a probe on the made-up device, connected like the shop's
  await h.press('Live probe');
  await h.press('Connect the instruments');
  await expect(page.getByTestId('probe')).toHaveText(/^1\d °C$/);
  await h.press('On the plate');
  await h.press(speed(page, '20×'));
  await expect(page.getByTestId('probe')).toHaveText(/^[4-9]\d °C$/);
  await expect(page.getByTestId('basis')).toHaveText(/^The clock runs on model and probe\./);
  // it comes within 60 to 200 s, by the number of the phone; at 20× it would wait for a few seconds of a busy machine only
  await h.press(speed(page, '4×'));
  await expect(page.getByTestId('counter')).toHaveText(/^Somebody is at the counter/, { timeout: 30_000 });
  await h.press(speed(page, 'stop'));
  await expect(h.button('Go to the counter')).toBeDisabled();
  await h.press(speed(page, '1×'));
  await h.press(h.button(/^Off the plate/));
  await h.press(phone(2));
  await expect(phone(1)).toHaveAccessibleName(/^Phone 1: off/);
  await expect(phone(2)).toHaveAccessibleName('Phone 2: not heated yet');
  await h.noViolations('two phones');
  await h.press('Go to the counter');
  await expect(page.getByTestId('atCounter')).toHaveText(/^You are at the counter, back in/);
  // nothing can be done there, and a reload does not bring one back
  await expect(h.button('On the plate')).toHaveCount(0);
  await page.reload();
  await expect(page.getByTestId('atCounter')).toBeVisible();
  await h.press(speed(page, '20×'));
  await expect(page.getByTestId('counter')).toHaveText('The counter is done.', { timeout: 30_000 });
  await expect(h.button('On the plate')).toBeVisible();
  await visit(page, '/practice/debrief');
  await expect(h.call()).toHaveText(/^Ended after \d+ min( \d+ s)? before both were done\.$/);
  await expect(page.getByText(/^The customer came after 1 min( \d+ s)?, took/)).toBeVisible();
  await h.noViolations('debrief of two');
});
