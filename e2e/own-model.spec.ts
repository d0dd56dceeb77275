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

test('what is learned on a job is kept for its model at hand-over, and stands on its card for the next one', async ({
  page,
}, info) => {
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/jobs/demo-0143/lift');
  await h.press(page.getByRole('link', { name: 'Worth remembering' }));
  await expect(h.button(/^Note it/)).toBeDisabled();
  const plan = page.getByTestId('plan');
  const box = (await plan.boundingBox())!;
  await plan.tap({ position: { x: box.width / 2 + 20, y: box.height / 2 } });
  await h.choose('What is it?', 'Hidden screw');
  await page.getByRole('textbox', { name: 'In a word or two' }).fill('under the label');
  // what is typed is there again after a reload
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'In a word or two' })).toHaveValue('under the label');
  await plan.tap({ position: { x: box.width / 2 + 20, y: box.height / 2 } });
  await h.choose('What is it?', 'Hidden screw');
  await h.press('Note it');
  await h.choose('What is it?', 'Tip');
  await page.getByRole('textbox', { name: 'In a word or two' }).fill('slow at the keys');
  await h.press('Note it');
  await expect(page.getByRole('list', { name: 'Noted on this job' }).getByRole('listitem')).toHaveCount(2);
  await page.goto('/jobs/demo-0143/handover');
  const kept = page.getByTestId('keepLearned');
  await expect(kept).toContainText('2 things were learned');
  await h.press(kept.getByRole('button', { name: 'Keep', exact: true }).first());
  await expect(kept).toContainText('One thing was learned');
  await h.press(kept.getByRole('button', { name: 'Drop', exact: true }));
  await expect(kept).toBeHidden();
  await page.goto('/shelf');
  await h.press(page.getByRole('link', { name: 'Ring-bond 5.4' }));
  await expect(page.getByTestId('learned')).toContainText('Hidden screw, "under the label" (J-0143)');
  await expect(page.getByTestId('learned')).not.toContainText('slow at the keys');
  await h.press(page.getByRole('link', { name: 'Open the bench card' }));
  await expect(page.getByTestId('heats')).toContainText(/Hot plate at 110 °C/);
  await expect(page.getByTestId('card')).toContainText('under the label');
  await h.noViolations('bench card');
});

test('the Bench finds and answers: a job, a model, a cure at a temperature, the battery; nonsense finds nothing', async ({
  page,
}, info) => {
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page);
  const box = page.getByLabel('Find or ask').first();
  const found = page.getByTestId('found');
  const ask = async (text: string, answer: RegExp) => {
    await page.getByRole('textbox', { name: 'Find or ask' }).fill(text);
    await expect(found.getByRole('listitem').first()).toContainText(answer);
  };
  await expect(box).toBeVisible();
  await ask('143', /J-0143/);
  await ask('battery limit', /warning 60 °C, stop 80 °C/);
  await ask('cure at 15 °C', /Ring or tape at 15 °C.*full bond/);
  await ask('dryer', /Hair dryer.*usually set to/);
  await ask('6.1', /Ring-bond 6\.1/);
  await page.getByRole('textbox', { name: 'Find or ask' }).fill('<script>zzz');
  await expect(found).toContainText('Nothing found');
  await ask('tablet card', /Bench card: Glass-back tablet 10/);
  await h.press(found.getByRole('link').first());
  await expect(page).toHaveURL(/tablet10\/card/);
});
