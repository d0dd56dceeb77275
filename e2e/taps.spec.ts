import { expect, test, type Page } from '@playwright/test';

import { Hands, isKeyboard, openDemo } from './hands';
import { checkAll } from './worker';

const minute = 60_000;
const mainOf = (page: Page) => page.getByRole('region', { name: 'Actions' }).getByRole('button').last();

/** What the page asks: groups of choices, of ticks and of lines that are said in one, and fields. */
const questions = async (page: Page) =>
  (await page.getByRole('radiogroup').count()) +
  (await page.getByRole('textbox').count()) +
  (await page.locator('[data-missing="true"]:not([role=radiogroup] *)').count());

/** What a plain job may cost: taps, with nothing typed. */
const most = { toHeat: 6, toBare: 12, all: 41 };

test('a plain job from new to handed over: its taps are counted, and nothing is typed', async ({ page }, info) => {
  test.setTimeout(240_000);
  await page.clock.install({ time: new Date('2026-04-14T13:00:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page);

  await test.step('intake', async () => {
    await h.press('New job');
    await h.press(page.getByRole('radio', { name: 'Ring-bond 6.1' }));
    await h.press('Open the job');
    // nothing is recommended before it was said where it is cracked
    await expect(page.getByTestId('usualRoute')).toBeHidden();
    await h.tick('bottom edge');
    expect(await questions(page)).toBeLessThanOrEqual(7);
    await h.press('All of this is so');
    await expect(h.call()).toContainText(/^Usually here: Glass only, .*€$/);
    await expect(page.getByTestId('usualRoute')).toBeVisible();
    await h.noViolations('intake in few taps');
    await h.press('Use this repair. Go to Heat');
    await expect(h.call()).toContainText('easy by');
  });
  const toHeat = h.taps;

  await test.step('heat, lift, clean', async () => {
    await h.tick('At hand: picks, blade, gloves, eye cover. Alcohol put away');
    await h.press('On the plate');
    await h.wait(140_000);
    await h.press('Off the plate');
    for (const edge of ['Bottom', 'Left', 'Right', 'Top']) await h.press(`${edge} edge is free`);
    await h.press('Back is off');
    await h.press(h.button(/^All \d+ are wiped dry$/));
    // whoever had scrolled down sees the next thing at the top
    await expect(h.call()).toBeInViewport();
    await h.press('All clean at a glance');
    await h.press('No crumbs, lenses blown off');
  });
  const toBare = h.taps - toHeat;

  await test.step('fit, bond, cure', async () => {
    await page.clock.fastForward(45 * minute);
    await h.press('Clean and cool');
    await expect(page).toHaveURL(/dryFit|dry-fit/);
    await h.press(mainOf(page));
    await h.press(mainOf(page));
    await expect(page).toHaveURL(/bond/);
    await h.press('All of this is done, and it works');
    await h.press(mainOf(page));
    await expect(page).toHaveURL(/cure/);
    await h.press('Clamps on');
    await page.clock.fastForward(40 * minute);
    await h.press('Clamps off');
    await h.press('Go to Check');
  });

  await test.step('check and hand over', async () => {
    await checkAll(h, page);
    await h.hold(h.button(/^Handed over, hold/));
    await expect(h.call()).toContainText('Handed over');
  });
  console.log(`${h.taps} taps in all: ${toHeat} to the heat call, ${toBare} from there to a bare frame`);
  expect(toHeat).toBeLessThanOrEqual(most.toHeat);
  expect(toBare).toBeLessThanOrEqual(most.toBare);
  expect(h.taps).toBeLessThanOrEqual(most.all);
});
