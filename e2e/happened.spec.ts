import { expect, test } from '@playwright/test';

import { Hands, isKeyboard, newJobOf, openDemo, visit } from './hands';

test('something happened, from Lift: the glass breaks while it is saved, the customer agrees, a part is damaged, a step is left out', async ({
  page,
}, info) => {
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/jobs/demo-0143/quote');
  await h.press('Quote it');
  await expect(page.getByRole('radio', { checked: true }).first()).toContainText('57.90');
  await visit(page, '/jobs/demo-0143/lift');
  const stages = page.locator('[role=banner] [aria-expanded]');

  await test.step('it broke: what it costs now in place of before, said once, answered once', async () => {
    await h.press(page.getByRole('link', { name: 'Something happened' }));
    await expect(page.getByRole('list', { name: 'What happened?' }).getByRole('listitem')).toHaveCount(9);
    await h.noViolations('what happened');
    await h.press('It broke');
    const told = page.getByTestId('toCustomer');
    await expect(told).toHaveText(
      /^The back broke while it was taken off\. With a new one it costs [\d.]+\s€ in place of [\d.]+\s€\. It is ready about /,
    );
    const [after, before] = [...(await told.textContent())!.matchAll(/([\d.]+)\s€/g)].map((m) => Number(m[1]));
    expect(after!).toBeGreaterThan(before!);
    const agrees = page.getByRole('radio', { name: 'Agrees' });
    await h.press(agrees);
    await expect(agrees).toBeChecked();
    await h.noViolations('what follows');
    await h.press('Back to Lift');
    await expect(page).toHaveURL(/\/demo-0143\/lift$/);
    // the quote is the one that was agreed now, and the route has gone along: a new back
    await visit(page, '/jobs/demo-0143/quote');
    const quoted = page.getByRole('radio', { name: /^Glass only, new genuine/ }).first();
    await expect(quoted).toBeChecked();
    await expect(quoted).toContainText(String(after));
    await visit(page, '/jobs/demo-0143/route');
    await expect(page.getByRole('radio', { name: /^Glass only, new genuine/ })).toBeChecked();
  });

  await test.step('a part inside is damaged: its price comes on top, and Strip is on the way', async () => {
    await visit(page, '/jobs/demo-0143/happened?from=lift');
    await h.press('A cable or part is damaged');
    await h.press(page.getByRole('radio', { name: /^Which one\?: charging coil/ }));
    await expect(page.getByTestId('toCustomer')).toContainText('was damaged while the device was open. With a new one');
    await h.press('Back to Lift');
    await expect(stages).toContainText('next: Strip');
  });

  await test.step('where it gives the lift begins; a screw nobody knew of is noted', async () => {
    for (const [what, more] of [
      ['It gives here', 'Which edge?: left'],
      ['Another screw', 'Where was it?: under a label'],
    ] as const) {
      await visit(page, '/jobs/demo-0143/happened?from=lift');
      await h.press(what);
      await h.press(page.getByRole('radio', { name: more }));
      await expect(h.call()).toHaveText(what);
      await expect(page.getByTestId('toCustomer')).toHaveCount(0);
    }
    await visit(page, '/jobs/demo-0143/lift');
    await expect(h.call()).toContainText('left edge');
  });

  await test.step('steps are changed with a reason, and stay so after a reload', async () => {
    await visit(page, '/jobs/demo-0143/way');
    await h.press('Leave out Dry fit');
    await expect(h.button(/^Take these steps/)).toBeDisabled();
    await page.getByLabel('Why these steps').fill('The frame was measured this morning');
    await h.noViolations('steps');
    await h.press('Take these steps');
    await visit(page, '/jobs/demo-0143/clean');
    await expect(stages).toContainText('next: Bond');
    await visit(page, '/jobs/demo-0143/log');
    for (const line of [
      'customer agreed',
      'at Lift: It broke',
      'The frame was measured this morning',
      'at Lift: Another screw, under a label',
    ])
      await expect(page.getByText(line, { exact: false }).first()).toBeVisible();
  });
});

test('a screen with its frame goes in through a plastic back: two taps at the counter, the way, the price and the sheet follow', async ({
  page,
}, info) => {
  const h = await newJobOf(page, info.project.name, 'Plastic-back 6.0');
  await h.tick('Screen with its frame');
  // a whole housing would be the same device once more
  await h.tick('Whole housing');
  await expect(page.getByRole('checkbox', { name: 'Screen with its frame' })).not.toBeChecked();
  await h.tick('Screen with its frame');
  await expect(page.getByRole('list', { name: 'Steps of the job' })).toContainText('Strip');
  await h.press('Open the job');
  await expect(h.call()).toBeVisible();
  const job = new URL(page.url()).pathname.replace(/\/intake$/, '');
  await visit(page, `${job}/route`);
  await expect(h.call()).toContainText(/^Screen with its frame/);
  await expect(page.getByRole('radio', { name: /^Screen with its frame/ }).first()).toBeVisible();
  await visit(page, `${job}/quote`);
  await expect(page.getByRole('radio', { name: /^Screen with its frame/ }).first()).toBeVisible();
  // the back comes off and goes on again: everything else moves over
  await visit(page, `${job}/strip`);
  await expect(h.call()).not.toHaveText('Not needed on this route.');
  await visit(page, `${job}/handover`);
  await expect(
    page.getByText(/Screen and frame replaced; back cover taken off and closed again/i).first(),
  ).toBeVisible();
});

test('a wrong part is found when it arrives: the device stays shut, the customer hears it, the next one is looked at anew', async ({
  page,
}, info) => {
  const h = await newJobOf(page, info.project.name, 'Front-opening 6.2');
  await h.tick('Screen alone');
  await h.press('Open the job');
  await expect(h.call()).toBeVisible();
  const job = new URL(page.url()).pathname.replace(/\/intake$/, '');
  await h.press('Something is not so');
  await h.tick('Power is off');
  await h.tick('Card tray is out');
  await h.press(page.getByRole('link', { name: /^New part/ }));
  await expect(h.call()).toHaveText('Lay it beside the old one.');
  await h.noViolations('new part');
  await expect(h.button(/^It is the right one/)).toBeDisabled();
  await h.choose('Every hole where it belongs?', 'Yes');
  await h.choose('Plugged in, does it work?', 'No');
  await expect(h.call()).toHaveText('Not the right part.');
  await h.press('Wrong part');
  await h.press(page.getByRole('radio', { name: 'When does the next one come?: tomorrow' }));
  await expect(page.getByTestId('toCustomer')).toContainText(
    'The part that came is not the right one. The next one comes',
  );
  await h.press('Back to Intake');
  await expect(page.getByRole('link', { name: /^New part/ })).toContainText('a wrong one');
  await visit(page, `${job}/heat`);
  await expect(h.button(/^On the plate: wrong part/)).toBeDisabled();
  await visit(page, `${job}/part`);
  await h.choose('Every hole where it belongs?', 'Yes');
  await h.choose('Plugged in, does it work?', 'Yes');
  await h.press('It is the right one');
  await expect(page.getByRole('link', { name: /^New part/ })).toContainText('the right one');
  await visit(page, `${job}/heat`);
  await expect(h.button(/^On the plate/)).not.toContainText('wrong part');
});
