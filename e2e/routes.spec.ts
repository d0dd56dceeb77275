import { expect, test, type Page } from '@playwright/test';

import { Hands, isKeyboard, newJobOf, openDemo, visit } from './hands';
import { byPedal, stageOn, workOn } from './worker';

const minute = 60_000;

const stages = (page: Page) => page.locator('[role=banner] [aria-expanded]');

/** What every job is asked before heat. */
async function takeIn(h: Hands) {
  await h.press('All of this is so');
  await expect(h.button('All of this is so')).toBeHidden();
}

/** Every zone wiped and looked over, then cool. */
async function clean(h: Hands, page: Page) {
  for (let i = 0; i < 60; i++) {
    const main = page.getByRole('region', { name: 'Actions' }).getByRole('button').last();
    const label = (await main.textContent())!;
    if (!/wiped dry|Now the back|Back to the frame|All clean at a glance|glass is out/.test(label)) break;
    await h.press(main);
    await expect(main).not.toHaveText(label);
  }
  const more = [/^No crumbs on the ledge/, /^Lenses blown off/];
  for (const name of more) {
    const tick = page.getByRole('checkbox', { name }).first();
    if (!(await tick.isChecked())) await h.press(tick);
  }
  await page.clock.fastForward(45 * minute);
  await expect(h.call()).toContainText('go on');
  await h.press('Clean and cool');
}

test('it came back: one tap on the old job opens the new one, linked to it', async ({ page }, info) => {
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/records');
  await h.press(page.getByRole('link', { name: /^Record of J-/ }).first());
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  const old = /J-\d+/.exec((await page.getByRole('heading', { level: 1 }).first().textContent())!)![0];
  await h.press('It came back: new job');
  await expect(page).not.toHaveURL(/\/record$/);
  await expect(page.getByText(old).first()).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 }).first()).not.toContainText(old);
});

/** Flush, every function works, a second person signs. */
async function check(h: Hands, page: Page) {
  await h.press(h.button(/^Flush all round$/));
  await h.press(h.button(/^Functions: 0 of /));
  await h.press(h.button(/^All \d+/));
  await h.press('The rest works');
  await h.hold(h.button(/checked and signs, hold/));
}

/** From a stage on to Check, doing what each page says. */
async function toCheck(h: Hands, page: Page) {
  for (let i = 0; i < 20 && (await stageOn(page)) !== 'Check'; i++) await workOn(h, page);
  await expect(h.call()).toBeVisible();
}

/** What is on the sheet; then it goes. */
async function handOver(h: Hands, page: Page, lines: readonly string[]) {
  const later = h.button(/^Handed over, hold/);
  for (let i = 0; i < 40 && (await h.call().textContent()) !== 'It may go.'; i++) await h.wait(60 * minute);
  await expect(h.call()).toHaveText('It may go.');
  for (const line of lines) await expect(page.getByTestId('sheet')).toContainText(line);
  await h.hold(later);
  await expect(h.call()).toContainText('Handed over');
}

test('a screen with its frame through a plastic back, every screw out and in again, to hand-over', async ({
  page,
}, info) => {
  test.setTimeout(120_000);
  const h = await newJobOf(page, info.project.name, 'Plastic-back 6.0');
  await h.tick('Screen with its frame');
  await h.press('Open the job');
  await expect(h.call()).toBeVisible();
  await takeIn(h);
  await h.tick('Not cracked');
  await h.press('Go to Heat');
  await expect(h.call()).toBeVisible();
  await toCheck(h, page);
  await check(h, page);
  // a new screen may want to be registered: asked before it goes
  await h.press('Back to Check');
  await expect(h.call()).toHaveText('Register the screen.');
  await h.press(h.button(/^Registering: screen/));
  await expect(page.getByText(/Without it the customer sees: a notice in the settings/)).toBeVisible();
  await h.choose('Registering the screen', 'Not possible here');
  await h.press('Go to Hand over');
  await handOver(h, page, ['Screen: not registered here; a notice can stay', 'Back cover taken off and closed again']);
});

test('a back and its lens covers, opened and closed side by side, to hand-over', async ({ page }, info) => {
  test.setTimeout(120_000);
  const h = await newJobOf(page, info.project.name, 'Lens-ring 6.7');
  await h.tick('Back glass');
  await h.tick('Lens covers');
  await h.press('Open the job');
  await expect(h.call()).toBeVisible();
  await takeIn(h);
  await h.tick('bottom edge');
  await h.press('Go to Heat, back');
  await expect(h.call()).toBeVisible();
  while ((await stageOn(page)) !== 'Lift, lens covers') await workOn(h, page);
  await h.choose('With heat or without', 'Cold');
  await h.press('Lens cover 1 is off');
  await h.press('Tapped out');
  await h.press('Openings are clear');
  for (const fn of ['main rear camera', 'other rear cameras', 'stabiliser noise', 'flash']) await h.choose(fn, 'works');
  await toCheck(h, page);
  await check(h, page);
  await h.press('Go to Hand over');
  await handOver(h, page, ['Back glass replaced', 'Lens cover replaced']);
});

test('the glass breaks while it is saved: agreed on, and on to hand-over with a new one', async ({ page }, info) => {
  test.setTimeout(120_000);
  const h = await newJobOf(page, info.project.name, 'Ring-bond 5.4');
  await h.tick('Open and close again');
  await h.press('Open the job');
  await expect(h.call()).toBeVisible();
  await takeIn(h);
  await h.tick('Not cracked');
  await h.press('Go to Heat');
  await expect(h.call()).toBeVisible();
  while ((await stageOn(page)) !== 'Lift') await workOn(h, page);
  await h.press(page.getByRole('link', { name: 'Something happened' }));
  await h.press('It broke');
  await expect(page.getByTestId('toCustomer')).toHaveText(/^The back broke while it was taken off\./);
  await h.press(page.getByRole('radio', { name: 'Agrees' }));
  await h.press('Back to Lift');
  await expect(h.call()).toBeVisible();
  await toCheck(h, page);
  await check(h, page);
  await h.press('Go to Hand over');
  await handOver(h, page, ['The back broke while it was taken off.', 'Customer agreed.', 'Back glass replaced']);
});

test('front first, then a back glued all over, from the counter to hand-over', async ({ page }, info) => {
  test.setTimeout(120_000);
  const h = await newJobOf(page, info.project.name, 'Two-glass 6.5');
  await h.tick('Back glass');
  await expect(page.getByRole('checkbox', { name: 'Open and close again, front' })).toBeChecked();
  await h.press('Open the job');
  await expect(h.call()).toBeVisible();
  const job = new URL(page.url()).pathname.replace(/\/intake$/, '');
  await takeIn(h);
  await h.tick('Front: Not cracked');
  await h.tick('Back: bottom edge');
  await expect(h.call()).toHaveText('Ready to heat.');
  await h.noViolations('intake of two faces');
  await h.press('Go to Heat, front');

  await test.step('front', async () => {
    await expect(stages(page)).toHaveAttribute('aria-label', /^Stage Heat, front, 2 of /);
    await h.tick('At hand: picks, blade, gloves, eye cover. Alcohol put away');
    await h.press('On the plate');
    await expect(h.call()).toContainText(/^Try in /);
    await h.wait(36_000);
    await expect(h.call()).toContainText('Lift now.');
    await h.press('Off the plate');
    await expect(stages(page)).toHaveAttribute('aria-label', /^Stage Lift, front, 3 of /);
    for (let i = 0; i < 4; i++) {
      const free = h.button(/edge is free$/);
      const label = (await free.textContent())!;
      await h.press(free);
      await expect(h.button(label)).toHaveCount(0);
    }
    await h.press('Front is off');
  });

  await test.step('back: the inside is covered, hot air', async () => {
    await expect(stages(page)).toHaveAttribute('aria-label', /^Stage Heat, back, /);
    await expect(h.button(/^On the plate/)).toContainText('cover the inside first');
    await h.tick('The inside is covered with a film');
    await expect(h.call()).toHaveText('Not in one piece. Take it off in pieces.');
    await h.press('Lift');
    await h.press('Piece 1 is off');
    await expect(h.call()).toHaveText('All glass is off.');
    await h.press('Glass is off');
  });

  for (const face of ['back', 'front'])
    await test.step(`clean, ${face}`, async () => {
      await expect(stages(page)).toHaveAttribute('aria-label', new RegExp(`^Stage Clean, ${face}, `));
      await clean(h, page);
    });
  for (const face of ['back', 'front'])
    await test.step(`dry fit, ${face}`, async () => {
      await expect(stages(page)).toHaveAttribute('aria-label', new RegExp(`^Stage Dry fit, ${face}, `));
      await h.press('Even all round');
      await h.press(h.button(/^It fits\. Go to /));
    });
  await test.step('bond, back', async () => {
    await expect(stages(page)).toHaveAttribute('aria-label', /^Stage Bond, back, /);
    await expect(page.getByRole('radio', { name: 'Way of bonding: glue all over' })).toBeChecked();
    await h.press('Start laying');
    await h.wait(3.7 * minute);
    await h.press('All of it is laid');
    await expect(h.call()).toContainText('Close now');
    await h.tick('Lenses blown off once more');
    await h.tick('Photo of the open inside, or none wanted');
    // the inside is closed over by the front: it is tried there
    await expect(page.getByRole('checkbox', { name: 'All of these work' })).toHaveCount(0);
    await h.press('Closed and pressed');
  });
  await test.step('bond, front: the old ring is whole, it goes on again as it is', async () => {
    await expect(stages(page)).toHaveAttribute('aria-label', /^Stage Bond, front, /);
    await h.choose('Way of bonding', 'old ring as it is');
    await h.tick('The old ring is whole and clean except where it tore');
    await expect(h.call()).toHaveText('Set it on the old ring and press.');
    // what was ticked off at the back is asked here anew
    await h.tick('Lenses blown off once more');
    await h.tick('Photo of the open inside, or none wanted');
    // the display hangs on its cable: how far it may be propped stands there
    await expect(page.getByText(/display cable/).first()).toBeVisible();
    await h.tick('All of these work');
    await h.press('Set and pressed');
  });
  await test.step('both cure side by side; hand-over waits for the later one', async () => {
    for (const face of ['back', 'front']) {
      await visit(page, `${job}/cure?joint=${face === 'front' ? 'frontRing' : 'backFull'}`);
      await expect(stages(page)).toHaveAttribute('aria-label', new RegExp(`^Stage Cure, ${face}, `));
      await h.press(h.button(/^(Clamps on|It is held)$/));
    }
    await page.clock.fastForward(26 * 60 * minute);
    for (const joint of ['backFull', 'frontRing']) {
      await visit(page, `${job}/cure?joint=${joint}`);
      await h.press('Clamps off');
      await h.press(h.button(/^Go to /));
    }
    await expect(stages(page)).toHaveAttribute('aria-label', /^Stage Check, /);
  });

  await test.step('check and hand over', async () => {
    await check(h, page);
    await h.press(h.button(/^Go to Hand over/));
    await expect(h.call()).toHaveText('Not yet: 2 outer screws not back in.');
    await h.tick('Back in: 2 outer screws');
    await expect(h.call()).toHaveText('It may go.');
    const sheet = page.getByTestId('sheet');
    await expect(sheet).toContainText('glue all over');
    await expect(sheet).toContainText('old ring as it is');
    await expect(sheet).toContainText('No water resistance is promised.');
    await h.noViolations('sheet of two joints');
    await h.hold(h.button(/^Handed over, hold/));
    await expect(h.call()).toContainText('Handed over');
  });
});

test('the inside comes out before the back goes on the hot plate, and the front is not closed before it is in again', async ({
  page,
}, info) => {
  test.setTimeout(120_000);
  const h = await newJobOf(page, info.project.name, 'Two-glass 6.5');
  await h.tick('Rear assembly');
  await h.press('Open the job');
  await expect(h.call()).toBeVisible();
  const job = new URL(page.url()).pathname.replace(/\/intake$/, '');
  await takeIn(h);
  await h.tick('Front: Not cracked');
  await h.tick('Back: bottom edge');
  await h.press('Go to Heat, front');
  await expect(h.call()).toBeVisible();
  while ((await stageOn(page)) !== 'Strip') await workOn(h, page);
  // battery plug first
  await expect(h.call()).toHaveText('Battery plug off.');
  await workOn(h, page);
  await expect(stages(page)).toHaveAttribute('aria-label', /^Stage Heat, back, /);
  // bare: no battery to spare, and no film over an inside that is not there
  await expect(page.getByText(/battery then, at most/)).toHaveCount(0);
  await expect(page.getByRole('checkbox', { name: /^The inside is covered/ })).toHaveCount(0);
  await visit(page, `${job}/bond?joint=frontRing`);
  await expect(page.getByText(/parts are still out/).first()).toBeVisible();
});

test('a device that was on no shelf an hour ago, guessed inside and all, by pedal to hand-over', async ({
  page,
}, info) => {
  test.setTimeout(150_000);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/shop');
  const pedal = 'F8';
  await h.press('Teach it');
  await page.keyboard.press(pedal);
  await expect(page.getByTestId('pedal')).toContainText(pedal);
  await visit(page, '/shelf/new?from=job');
  await h.press(page.getByRole('radio', { name: 'Glass on a ring' }));
  await h.press('Use this model');
  await h.tick('Back glass');
  await h.press('Open the job');
  await expect(h.call()).toBeVisible();
  await h.tick('bottom edge');
  await takeIn(h);
  // nothing is left to be chosen: from here on by pedal alone
  await byPedal(page, pedal, 'Handed over');
  await expect(page.getByTestId('sheet')).toContainText('Back glass replaced');
});
