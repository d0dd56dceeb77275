import { expect, test } from '@playwright/test';

import { newJobOf, visit } from './hands';

test('a back and its lens covers in one job: each has its own steps, and what is noted at one is not noted at the other', async ({
  page,
}, info) => {
  const h = await newJobOf(page, info.project.name, 'Lens-ring 6.7');
  const way = page.getByRole('list', { name: 'Steps of the job' }).getByRole('listitem');
  const before = await way.count();
  await h.tick('Back glass');
  await h.tick('Lens covers');
  await expect(way.filter({ hasText: 'Heat' })).toHaveText(['Heatback', 'Heatlens covers']);
  expect(await way.count()).toBeGreaterThan(before);
  await h.noViolations('new job with two joints');
  await h.press('Open the job');
  await expect(h.call()).toBeVisible();
  const job = new URL(page.url()).pathname.replace(/\/intake$/, '');
  const stages = page.locator('[role=banner] [aria-expanded]');
  await h.press('Something is not so');
  await h.choose('Battery swollen, bent or smelling?', 'No');
  await h.tick('Power is off');
  await h.tick('Card tray is out');

  await test.step('the back goes on the plate; the lens covers are still cold', async () => {
    await visit(page, `${job}/heat`);
    await expect(stages).toHaveAttribute('aria-label', /^Stage Heat, back, 2 of /);
    await h.tick('At hand: picks, blade, gloves, eye cover. Alcohol put away');
    await h.press('On the plate');
    await expect(h.call()).toContainText(/^Try in /);
    // a page of the stage is about the same joint
    await h.press(page.getByRole('link', { name: 'Battery glue' }));
    await expect(page.getByRole('heading', { level: 1 }).first()).toContainText('J-0144');
    await page.goBack();
    await h.press(stages);
    await h.press(page.getByRole('link', { name: /^Lift, lens covers/ }));
    await expect(stages).toHaveAttribute('aria-label', /^Stage Lift, lens covers/);
    await expect(h.call()).toContainText(/lens cover 1/);
  });

  await test.step('nothing leaves before both are closed, and the file keeps the joints', async () => {
    await visit(page, `${job}/handover`);
    await expect(h.call()).toContainText('Not yet: not bonded.');
    await visit(page, `${job}/log`);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      h.press(page.getByRole('button', { name: /^Export/ }).first()),
    ]);
    const text = await (await file.createReadStream()).toArray();
    const events = (JSON.parse(Buffer.concat(text as Buffer[]).toString()) as { events: Record<string, unknown>[] })
      .events;
    expect(events.find((e) => e.type === 'heatOn')).toMatchObject({ joint: 'backRing' });
    expect((events[0] as { steps: { joint: string | null }[] }).steps.some((s) => s.joint === 'lens1Tape')).toBe(true);
  });
});
