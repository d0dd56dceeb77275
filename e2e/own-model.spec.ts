import { expect, test } from '@playwright/test';

import { Hands, isKeyboard, openDemo } from './hands';

test('a device that is on no shelf: from New job to its first heat answer in 15 taps and a minute, nothing typed', async ({
  page,
}, info) => {
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page);
  await page.goto('/jobs/new');
  let taps = 0;
  const tap = async (what: Parameters<Hands['press']>[0]) => {
    await h.press(what);
    taps++;
  };
  const began = Date.now();
  await tap(h.button(/^Not here/));
  // nothing is made of nothing
  await expect(h.button(/^Use this model/)).toBeDisabled();
  await tap(page.getByRole('radio', { name: 'Glass on a ring' }));
  await tap(page.getByRole('radio', { name: /6\.7/ }));
  const plan = page.getByTestId('plan');
  await plan.scrollIntoViewIfNeeded();
  const box = (await plan.boundingBox())!;
  for (const [x, y] of [
    [box.width / 2 - 45, 60],
    [box.width / 2 + 73, 110],
  ] as const) {
    await plan.tap({ position: { x, y } });
    taps++;
  }
  await expect(page.getByTestId('guessed')).toContainText('cables to the back');
  await expect(page.getByTestId('guessed')).not.toContainText('cameras');
  // a reload loses none of it
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Glass on a ring' })).toBeChecked();
  await tap('Use this model');
  await expect(page.getByRole('radio', { name: /^Device 77 mm/ })).toBeChecked();
  await tap('Open the job');
  await tap(page.locator('[role=banner] [aria-expanded]'));
  await tap(page.getByRole('link', { name: /Heat/ }));
  await expect(page.getByTestId('guessedInside')).toContainText('guessed');
  await expect(page.getByTestId('firstLook')).toContainText(/First answer|Exact now/, { timeout: 60_000 });
  await expect(h.call()).not.toContainText('too hot');
  console.log(`${taps} taps, ${((Date.now() - began) / 1e3).toFixed(1)} s to the first heat answer`);
  expect(taps).toBeLessThanOrEqual(15);
  await expect(page.getByText(/bottom edge then, usually/).first()).toBeVisible();
});
