import { expect, test } from '@playwright/test';

import { Hands, isKeyboard, openDemo } from './hands';

const hold = (tauS: number) =>
  `time s,pressure Pa\n${Array.from({ length: 50 }, (_, i) => `${i * 2},${(-900 * Math.exp((-i * 2) / tauS)).toFixed(1)}`).join('\n')}`;

test('air test: locked on a young bond, a log before and after, leakier is said, and never more than air', async ({
  page,
}, info) => {
  test.setTimeout(120_000);
  page.setDefaultTimeout(20_000);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/jobs/demo-0139/check');
  await h.press(page.getByRole('link', { name: /^Air test against before/ }));
  await expect(h.call()).toHaveText(/^Not before /);
  await h.noViolations('air test, locked');
  const take = async (name: string, text: string) => {
    const [chooser] = await Promise.all([page.waitForEvent('filechooser'), h.press('Hold log from a file, CSV')]);
    await chooser.setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  };
  await h.choose('When', 'Before opening');
  await take('broken.csv', 'time,pressure\n0,1\n1,x\n2,3\n3,4\n4,5\n5,6');
  await expect(page.getByRole('alert').first()).toContainText('log, line 3: "x" is no pressure. Nothing was changed.');
  await take('before.csv', hold(60));
  await expect(page.getByRole('status').first()).toContainText('before.csv: 50 readings in Pa.');
  await h.choose('When', 'After closing');
  await h.press('Why and what else');
  await h.type(page.getByRole('textbox', { name: 'What is done instead' }), 'low vacuum now');
  await h.type(page.getByRole('textbox', { name: 'Reason' }), 'customer waits for the boat');
  await h.press('Log the override');
  await take('after.csv', hold(15));
  await expect(h.call()).toHaveText('Air leak leakier than before: 4.0 times.');
  await expect(page.getByTestId('reason')).toContainText('No water resistance is promised.');
  await page.reload();
  await expect(h.call()).toHaveText('Air leak leakier than before: 4.0 times.');
  await h.noViolations('air test, result');
});
