import { expect, test, type Page } from '@playwright/test';

import { Hands, isKeyboard, openDemo, visit } from './hands';

/** A finger along places of the plan, in mm. */
async function drag(page: Page, ...pts: [number, number][]): Promise<void> {
  const svg = page.getByTestId('plan').locator('svg').first();
  await svg.scrollIntoViewIfNeeded();
  const box = (await svg.boundingBox())!;
  const [left, top, width] = (await svg.getAttribute('viewBox'))!.split(' ').map(Number) as [number, number, number];
  const px = box.width / width;
  const at = ([x, y]: [number, number]) => [box.x + (x - left) * px, box.y + (y - top) * px] as const;
  await page.mouse.move(...at(pts[0]!));
  await page.mouse.down();
  for (const p of pts.slice(1)) await page.mouse.move(...at(p), { steps: 12 });
  await page.mouse.up();
}

const start = async (page: Page, project: string) => {
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(project));
  await openDemo(page, '/jobs');
  return h;
};

test('a saved cover: cut along the edges with one reheat, cleaned, alcohol only when nothing is hot', async ({
  page,
}, info) => {
  test.setTimeout(300_000);
  const h = await start(page, info.project.name);

  await test.step('first heat', async () => {
    await visit(page, '/jobs/demo-0143/heat');
    await h.tick('At hand: picks, blade, gloves, eye cover. Alcohol put away');
    await h.press('On the plate');
    await page.clock.fastForward(140_000);
    await h.press('Off the plate');
    await expect(page).toHaveURL(/\/lift$/);
  });

  await test.step('first gap, then a finger along the edge', async () => {
    await expect(h.call()).toContainText(/^(Cut the bottom edge now|Bottom edge slowly)/);
    const edge = page.getByRole('list', { name: 'This edge now' });
    await expect(edge).toContainText('steady pull until a hairline shows');
    await expect(edge).toContainText('Corner');
    await h.noViolations('lift');
    await drag(page, [46, 130], [20, 130]);
    await expect(edge).toContainText(/Leave behind2 picks: bottom edge/);
    await expect(edge).toContainText('of the bottom edge in 2 stretches');
    // a second tab or a reload: what was cut is still cut
    await page.reload();
    await expect(edge).toContainText(/Leave behind2 picks: bottom edge/);
    await h.press('Bottom edge is free');
    await expect(h.button(/^(Left|Right) edge is free/)).toBeVisible();
  });

  await test.step('the chance of breaking from here on, and what gave way adjusts the adhesive', async () => {
    await h.press(h.button(/^Save or write off: .* to break from here$/));
    await expect(page.getByTestId('saving')).toContainText('if you reheat every stuck stretch');
    await expect(page.getByTestId('stopSaving')).toContainText(/^(Go on|Stop) saving/);
    await h.press('It gave way, or it did not');
    await h.type(page.getByRole('textbox', { name: 'Lift, mm' }), '0.5');
    await h.type(page.getByRole('textbox', { name: 'Glue at about, °C' }), '66');
    await h.press('Adjust foam ring with it');
    await expect(page.getByTestId('scale')).toContainText(/×\d\.\d\d ± \d\.\d\d/);
    await h.press(page.getByRole('link', { name: 'Adhesives of this shop' }));
    await h.press(h.button(/^foam ring: ×\d\.\d\d ±/));
    await h.noViolations('adhesives');
    await h.press('Take out');
    await expect(h.button(/^foam ring: ×1\.00$/)).toBeVisible();
    await visit(page, '/jobs/demo-0143/lift');
  });

  await test.step('it grips: one reheat, then the rest', async () => {
    await page.clock.fastForward(9 * 60_000);
    await expect(h.call()).toContainText(/^Back on the plate: the \w+ edge has gripped, to \d\d °C\.$/);
    await drag(page, [20, 130], [30, 130]);
    await h.choose('A finger along the edge', 'stuck again');
    await drag(page, [40, 130], [24, 130]);
    await h.press('It grips: reheat');
    await expect(page).toHaveURL(/\/heat$/);
    await page.clock.fastForward(150_000);
    await h.press('Off the plate');
    await h.press('Bottom edge is free');
    for (let i = 0; i < 3; i++) await h.press(h.button(/^(Left|Right|Top) edge is free$/));
    await expect(h.call()).toHaveText('All edges are free.');
    await h.press('Back is off');
  });

  await test.step('alcohol: not while another job is hot, not on a hot frame', async () => {
    await expect(h.call()).toContainText(/^1, bottom edge, middle: take the old glue off/);
    await h.press(page.getByRole('link', { name: 'Alcohol: when, how much, air' }));
    // a plate that is on for another device is told and stops nothing; this frame is still too warm to wipe
    await expect(h.call()).toHaveText('No alcohol yet: over 35 °C.');
    await expect(page.getByTestId('plateNear')).toContainText('J-0142');
    await h.noViolations('alcohol');
    await visit(page, '/jobs/demo-0142/heat');
    await h.press(h.button(/^Off the plate/));
    await expect(page).toHaveURL(/\/lift$/);
    await expect(page.getByText(/noted: heat off/)).toBeVisible();
    await visit(page, '/jobs/demo-0143/alcohol');
    await h.tick('Extraction on or window open');
    await expect(h.call()).toHaveText('No alcohol yet: over 35 °C.');
    await page.clock.fastForward(60 * 60_000);
    await expect(h.call()).toContainText(/^0\.10 ml on the wipe/);
    await h.press('Wipe is moist');
  });

  await test.step('zones, wet and dry, frame and cover, and the last look', async () => {
    await h.press('1: wiped with alcohol');
    for (let i = 2; i <= 8; i++) await h.press(`${i}: wiped dry`);
    await h.press('Now the back');
    for (let i = 1; i <= 8; i++) await h.press(`${i}: wiped dry`);
    await h.press('All clean at a glance');
    await h.choose('Side of the bond', 'Frame');
    await expect(h.call()).toContainText(/^Dry in/);
    await page.clock.fastForward(11 * 60_000);
    await h.press('All clean at a glance');
    await h.tick('No crumbs on the ledge');
    await h.tick('Lenses blown off');
    await expect(h.call()).toHaveText('Clean and cool: go on.');
    await h.noViolations('clean');
    await h.press('Clean and cool');
    await expect(page).toHaveURL(/\/dryFit$/);
  });
});

test('shattered glass: piece by piece, one breaks again, glass stays and is picked out on Clean; the stop card', async ({
  page,
}, info) => {
  test.setTimeout(240_000);
  const h = await start(page, info.project.name);
  await visit(page, '/jobs/demo-0140/lift');
  await expect(h.call()).toContainText(/^Heat piece 1 to \d+ °C/);
  const left = () => page.getByRole('list', { name: 'Readings' });
  const count = async () => Number(/(\d+)pieces left/.exec((await left().textContent())!)?.[1] ?? 99);
  await expect(left()).toContainText('17pieces left, 0 off');
  await h.noViolations('pieces');
  await h.press('Piece 1 is off');
  await expect(left()).toContainText('16pieces left, 1 off');

  await h.choose('The finger', 'Stroke: it broke again');
  await drag(page, [0, 100], [44, 118]);
  await expect(left()).toContainText(/(1[789]|2\d)pieces left, 1 off/);
  await page.reload();
  await expect(left()).toContainText(/(1[789]|2\d)pieces left, 1 off/);

  await h.choose('The finger', 'Tap: glass left');
  await drag(page, [37, 80], [37, 80]);
  await expect(left()).toContainText('glass left at 1');
  for (let n = await count(); n > 0; n = await count()) {
    await h.press('Piece 1 is off');
    await expect.poll(count).toBeLessThan(n);
  }
  await expect(h.call()).toHaveText('All pieces are off, 1 with glass left.');

  await h.press('Stop card: battery touched, smells or swells');
  const card = page.getByRole('dialog', { name: 'Stop card' });
  await expect(card).toContainText('Hands off. Heat off.');
  await h.noViolations('stop card');
  await h.press(card.getByRole('button', { name: 'Touched or scratched' }));
  await expect(card.getByRole('status')).toContainText('Noted at');
  await h.press(card.getByRole('button', { name: 'Back to work' }));
  await h.press('Glass is off');
  await expect(h.call()).toContainText(/glass out\.$/);
  await h.press(h.button(/: glass is out$/));
  await expect(h.call()).toContainText('take the old glue off');
});

test('a set of lens covers: sizes, heat, cameras tested, then pressed on', async ({ page }, info) => {
  test.setTimeout(240_000);
  const h = await start(page, info.project.name);
  await visit(page, '/jobs/demo-0136/lift');
  await expect(h.call()).toContainText(/^Warm lens cover 1 for/);
  await h.press(page.getByRole('checkbox', { name: /^3\. lens cover 3/ }));
  await h.type(page.getByRole('textbox', { name: 'New one for lens cover 1, across, mm' }), '14.4');
  await h.type(page.getByRole('textbox', { name: 'New one for lens cover 3, across, mm' }), '11.2');
  await expect(page.getByTestId('lensSizes')).toHaveText('Sizes fit.');
  await h.noViolations('lens covers');
  await h.press('Air on');
  await expect(h.call()).toContainText(/^Air off in/);
  await page.clock.fastForward(60_000);
  await h.press('Air off');
  await h.press('Lens cover 1 is off');
  await h.choose('With heat or without', 'Cold');
  await h.press('Lens cover 3 is off');
  await h.press('Tapped out');
  await h.press('Openings are clear');
  await expect(h.button(/^Go to Clean: cameras not tested$/)).toBeVisible();
  for (const fn of ['main rear camera', 'other rear cameras', 'stabiliser noise', 'flash']) await h.choose(fn, 'works');
  await h.press('Go to Clean');
  // dry only, at a lens
  await expect(h.call()).toContainText(/^1, lens cover 1: take the old glue off, dry\.$/);
  await h.press('1: wiped dry');
  await h.press('2: wiped dry');
  await h.press('All clean at a glance');
  await h.tick('No crumbs on the ledge');
  await h.tick('Lenses blown off');
  await h.press('Clean and cool');
  await expect(page).toHaveURL(/\/bond$/);
  for (const n of [1, 3]) {
    await h.press(`Lens cover ${n} is on`);
    await expect(h.button(new RegExp(`^Pressed: press for`))).toBeVisible();
    await page.clock.fastForward(91_000);
    await h.press('Pressed');
  }
  await expect(h.call()).toHaveText('All covers are on.');
  await h.noViolations('lens bond');
  await h.press('Go to Cure');
  await expect(page).toHaveURL(/\/cure$/);
});
