import { expect, type Page } from '@playwright/test';

import type { Hands } from './hands';

/** What a main button lacks, and what somebody does about it. */
const lacks: readonly (readonly [RegExp, RegExp])[] = [
  [/tools at hand first|At hand/, /^At hand: /],
  [/blow the lenses off/, /^Lenses blown off once more/],
  [/photo first/, /^Photo of the open inside/],
  [/test it before it is closed/, /^(All of these work|Tested; )/],
  [/crumbs/, /^No crumbs on the ledge/],
  [/lenses/, /^Lenses blown off$/],
  [/wrist strap/i, /wrist strap/i],
  [/test before closing/, /^(Tested: |Tested, |Battery unplugged again)/],
];

/** The stage that a page is about, with its face: "Heat, back". */
export const stageOn = async (page: Page): Promise<string> =>
  /^Stage (.*), \d+ of /.exec(
    (await page.locator('[role=banner] [aria-expanded]').first().getAttribute('aria-label')) ?? '',
  )?.[1] ?? '';

/**
 * Somebody who does what the page says: presses the main thing; where it lacks something, ticks that off or waits. Ends when
 * the stage is another one.
 */
export async function workOn(h: Hands, page: Page, most = 150): Promise<string> {
  const begun = await stageOn(page);
  const main = page.getByRole('region', { name: 'Actions' }).getByRole('button').last();
  for (let i = 0; i < most; i++) {
    await expect(main).toBeVisible();
    const now = await stageOn(page);
    if (now !== begun) return now;
    const name = (await main.getAttribute('aria-label')) ?? (await main.innerText());
    if (await main.isEnabled()) {
      await h.press(main);
      // the next thing is up when the button says something else, or the same of another thing
      await page.clock.runFor(50);
      continue;
    }
    const [, tick] = lacks.find(([why]) => why.test(name)) ?? [];
    const boxes = tick ? page.getByRole('checkbox', { name: tick, checked: false }) : null;
    if (boxes && (await boxes.first().isVisible())) {
      // on a busy machine the tick shows a moment later: it is not pressed twice
      const open = await boxes.count();
      await h.press(boxes.first());
      await page.clock.runFor(50);
      await expect(boxes).not.toHaveCount(open);
    } else await h.wait(3 * 60_000);
  }
  throw new Error(`${begun} came to no end: ${(await main.innerText()).replace(/\n/g, ' ')}`);
}

/**
 * Nobody's hands are free: one key is pressed, and let go after a second, until the call begins with what is waited for. Where
 * nothing more happens, some minutes go by.
 */
export async function byPedal(page: Page, key: string, until: string, most = 250): Promise<void> {
  const stands = async () => {
    const focus = await page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? '');
    const main = page.getByRole('region', { name: 'Actions' }).getByRole('button').last();
    const call = await page.getByTestId('call').textContent();
    // a clock that runs is no answer
    return [new URL(page.url()).pathname, call, await main.textContent(), focus].join().replace(/\d+/g, '');
  };
  for (let i = 0; i < most; i++) {
    await expect(page.getByTestId('call')).toBeVisible();
    const before = await stands();
    if ((await page.getByTestId('call').textContent())!.includes(until)) return;
    await page.keyboard.down(key);
    await page.clock.runFor(1100);
    await page.keyboard.up(key);
    await page.clock.runFor(100);
    if ((await stands()) === before) {
      await page.clock.fastForward(3 * 60_000 - 2000);
      await page.clock.runFor(2000);
    }
  }
  throw new Error(`the pedal came to no end: ${await stands()}`);
}

/** Everything works after it: flush all round, each function tried, signed, on to hand-over. */
export async function checkAll(h: Hands, page: Page): Promise<void> {
  await h.press('Flush all round');
  await h.press(h.button(/^Functions: 0 of/));
  for (let i = 0; i < 40; i++) {
    const before = (await h.call().textContent())!;
    if (before === 'All tested.') break;
    await h.press(before.endsWith('?') ? 'All work' : 'Works');
    await expect(h.call()).not.toHaveText(before);
  }
  // whoever works alone signs after a pause
  const sign = h.button(/^\w+ checked( again after the pause,)? and signs, hold/);
  if (await sign.isDisabled()) await h.wait(10 * 60_000);
  await h.hold(sign);
  await h.press('Go to Hand over');
}
