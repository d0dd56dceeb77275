import { expect, test } from '@playwright/test';

/** Late at night, in whatever zone this runs: the demo stands in a morning of its own, and is left in one tap. */
test('the demo is a good day at night, begins anew when it is over, and is left for an empty shop in one tap', async ({
  page,
}) => {
  page.setDefaultTimeout(20_000);
  await page.clock.install({ time: new Date('2026-04-14T22:41:00') });
  await page.goto('/');
  const strip = page.getByText(/^Demo day, 11:4\d/);
  await expect(strip).toBeVisible({ timeout: 30_000 });
  await page.clock.runFor(4000);
  await expect(page.getByTestId('next')).toContainText('J-0142');
  // one late with a way to save it, and no more
  await expect(page.getByTestId('late').getByRole('button')).toHaveCount(1);
  await expect(page.getByTestId('late')).toContainText('J-0140 is late by');

  // two days later nobody has touched it: a morning again, with the same jobs
  await page.clock.setSystemTime(new Date('2026-04-16T19:05:00'));
  await page.reload();
  await expect(page.getByText(/^Demo day, 11:4\d/)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('11 open jobs', { exact: false })).toBeVisible();

  await page.getByRole('button', { name: 'Start with an empty shop' }).click();
  await expect(page).toHaveURL(/\/own$/);
  await expect(page.getByText(/^The shop is empty and yours/)).toBeVisible({ timeout: 15_000 });
  // picked, not typed; what stands here is counted with from then on
  await page.getByRole('checkbox', { name: 'Hair dryer' }).click();
  await expect(page.getByRole('checkbox', { name: 'Hair dryer' })).not.toBeChecked();
  await page.getByRole('radio', { name: 'Currency: $' }).click();
  await page.getByRole('radio', { name: 'gentle clip: how many: 8' }).click();
  await page.getByRole('button', { name: 'To the bench' }).click();
  await expect(page.getByText('Nothing on the bench')).toBeVisible({ timeout: 15_000 });
  await expect(page.getByText(/^Demo day/)).toHaveCount(0);
  // on the real clock now, and still after a reload
  await expect(page.getByText('19:0', { exact: false }).first()).toBeVisible();
  await page.reload();
  await expect(page.getByText('Nothing on the bench')).toBeVisible({ timeout: 15_000 });
  await page.getByRole('button', { name: 'New job' }).click();
  await expect(page).toHaveURL(/\/jobs\/new/);
});

test('what was noted in the demo is not left behind unasked', async ({ page }) => {
  page.setDefaultTimeout(20_000);
  await page.goto('/');
  await expect(page.getByText(/^Demo day/)).toBeVisible({ timeout: 30_000 });
  await page.goto('/jobs/demo-0141/dryFit');
  const done = page.getByRole('region', { name: 'Actions' }).getByRole('button').last();
  await expect(done).toBeVisible({ timeout: 45_000 });
  await done.click();
  await expect(page.getByTestId('call')).toContainText('Leave it where it is.');
  await page.goto('/');
  await page.getByRole('button', { name: 'Start with an empty shop' }).click();
  await expect(page).toHaveURL(/\/own$/);
  await expect(page.getByText('Jobs with entries of your own: 1.')).toBeVisible();
  await page.getByRole('button', { name: 'Stay in the demo' }).click();
  await expect(page.getByText(/^Demo day/)).toBeVisible();
});

test('a page that was left while the demo came in: the next one brings it', async ({ page }) => {
  // its day has begun, and nothing of it is there yet
  await page.addInitScript(() => {
    if (localStorage.getItem('northcove.demoDay') === null)
      localStorage.setItem('northcove.demoDay', JSON.stringify({ offsetMs: 0, begunAt: Date.now() }));
  });
  await page.goto('/jobs');
  await expect(page.getByText(/^J-0143 ·/).first()).toBeVisible();
});
