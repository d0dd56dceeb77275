import { expect, test } from '@playwright/test';

import { Hands, openDemo, visit } from './hands';
import { demoPages } from '../test-support/demoPages';
import { unreadable } from './room';

test('Spanish is chosen in Shop and spoken at once, everywhere, and after a reload', async ({ page }) => {
  test.setTimeout(240_000);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  await openDemo(page, '/shop');
  const h = new Hands(page, false);
  await h.press(page.getByRole('radio', { name: 'Language: Español' }));
  await expect(page.getByRole('heading', { name: 'Taller', level: 1 })).toBeVisible();
  await expect(page.locator('html')).toHaveAttribute('lang', 'es');
  for (const [where, says] of [
    ['/jobs', 'Trabajos'],
    ['/jobs/demo-0143/heat', /Empieza por (el|la) /],
    ['/jobs/demo-0143/bond', 'Pegar'],
    ['/jobs/demo-0143/functions', 'Funciona'],
    ['/stock', 'Existencias'],
  ] as const) {
    await visit(page, where);
    await page.clock.runFor(1500);
    await expect(page.getByText(says).first()).toBeVisible();
    // longer words push nothing off a phone
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth), where).toBeLessThan(1);
    await h.noViolations(`${where}, Spanish`);
  }
  await visit(page, '/shop');
  await h.press(page.getByRole('radio', { name: 'Idioma: English' }));
  await expect(page.getByRole('heading', { name: 'Shop', level: 1 })).toBeVisible();
  await expect(page.locator('html')).toHaveAttribute('lang', 'en');

  await test.step('a customer reads Spanish at a bench that speaks English: sheet and tag, and what is signed', async () => {
    await visit(page, '/jobs/demo-0139/handover');
    const sheet = page.getByTestId('sheet');
    await expect(sheet).toContainText('Done');
    await h.choose('The customer reads', 'Español');
    await expect(sheet).toContainText('Hecho');
    await expect(sheet).toHaveAttribute('lang', 'es');
    await expect(page.locator('html')).toHaveAttribute('lang', 'en');
    await expect(page.getByRole('button', { name: 'Print the sheet' })).toBeVisible();
    await page.reload();
    await expect(sheet).toContainText('Hecho');
    await visit(page, '/jobs/demo-0139/tag');
    await expect(page.getByTestId('tag')).toContainText('prometido');
    await h.noViolations('tag, customer in Spanish');
  });
});

test('words that run 40 % longer have room on a phone, on every page', async ({ page }) => {
  test.setTimeout(240_000);
  await page.addInitScript(() => localStorage.setItem('northcove:longerWords', '1'));
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  await visit(page, '/jobs');
  await expect(page.getByRole('link', { name: /J-0143/ }).first()).toBeVisible();
  const problems: string[] = [];
  for (const where of demoPages) {
    await visit(page, where);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    await page.clock.runFor(600);
    problems.push(...(await unreadable(page)).map((p) => `${where}: ${p}`));
  }
  expect(problems).toEqual([]);
});

test('letters and buttons for gloves have room on a phone, and are as large as was said', async ({ page }) => {
  test.setTimeout(120_000);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  await openDemo(page, '/shop');
  await page.getByRole('radio', { name: 'Letters and buttons: Larger, for gloves' }).tap();
  await expect(page.locator('html')).toHaveClass(/gloves/);
  const problems: string[] = [];
  const job = (id: string, pages: string[]) => pages.map((p) => `/jobs/demo-${id}/${p}`);
  for (const where of [
    '/',
    '/jobs',
    '/shop',
    ...job('0143', ['intake', 'heat', 'lift', 'clean', 'bond', 'functions']),
  ]) {
    await visit(page, where);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    await page.clock.runFor(600);
    problems.push(...(await unreadable(page)).map((p) => `${where}: ${p}`));
    const small = await page.evaluate(() =>
      [...document.querySelectorAll('[role=region] [role=button], [role=radio], [role=checkbox], nav a')]
        .filter((e) => e.getClientRects().length && e.getBoundingClientRect().height < 59.5)
        .map((e) => e.getAttribute('aria-label') ?? e.textContent),
    );
    problems.push(...small.map((s) => `${where}: too small for gloves: ${s}`));
  }
  expect(problems).toEqual([]);
});
