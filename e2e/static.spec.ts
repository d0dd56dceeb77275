import { expect, test } from '@playwright/test';

import { fileServer } from './fileServer';

let files: Awaited<ReturnType<typeof fileServer>>;
let address = '';
test.beforeAll(async () => {
  files = await fileServer();
  ({ address } = files);
});
test.afterAll(() => files.close());

test('nothing but files: the shop begins empty and works, and what needs the server says so', async ({ page }) => {
  const broken: string[] = [];
  page.on('pageerror', (e) => broken.push(e.message));
  page.on('console', (m) => {
    if (/Content Security Policy|Refused to/.test(m.text())) broken.push(m.text());
  });
  await page.goto(`${address}/`);
  await expect(page.getByText('Nothing on the bench')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/^Demo day/)).toHaveCount(0);
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByRole('radio', { name: /Ring-bond 6.1/ }).click();
  await page.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByText('Where is it cracked?').first()).toBeVisible({ timeout: 20_000 });
  const job = new URL(page.url()).pathname.split('/')[2]!;
  // a page that was never linked to, straight from its address: heat with its plan, computed in a worker
  await page.goto(`${address}/jobs/${job}/heat`);
  await expect(page.getByTestId('call')).toBeVisible({ timeout: 30_000 });
  await page.goto(`${address}/heaters/plate`);
  await page.getByRole('button', { name: 'Connect the instruments' }).click();
  await expect(page.getByText(/No instrument answers/)).toBeVisible();
  expect(broken).toEqual([]);
});

test('a new version waits until it is taken, and what changed can be read before', async ({ browser }) => {
  const served = await fileServer();
  const context = await browser.newContext({ serviceWorkers: 'allow', viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(served.address);
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    if (!navigator.serviceWorker.controller)
      await new Promise((r) => navigator.serviceWorker.addEventListener('controllerchange', r, { once: true }));
  });
  const notice = page.getByText('A new version is here. Nothing changes until you take it.');
  await expect(notice).toHaveCount(0);
  served.newVersion();
  await page.reload();
  await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
  await expect(notice).toBeVisible({ timeout: 60_000 });
  await page.getByRole('link', { name: 'What changed' }).first().click();
  await expect(page.getByRole('heading', { name: 'Version 0.2' })).toBeVisible();
  const loaded = page.waitForEvent('load');
  await page.getByRole('button', { name: 'Take it now' }).click();
  await loaded;
  await expect(page.getByRole('heading', { name: 'Version 0.2' })).toBeVisible();
  await expect(notice).toHaveCount(0);
  await context.close();
  await served.close();
});
