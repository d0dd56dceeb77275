import { chromium } from 'playwright-core';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const base = 'http://127.0.0.1:8787';
let n = 0;
const open = async (w: number, h: number, dark: boolean) => {
  const ctx = await b.newContext({
    viewport: { width: w, height: h },
    deviceScaleFactor: 1,
    serviceWorkers: 'block',
    colorScheme: dark ? 'dark' : 'light',
  });
  const page = await ctx.newPage();
  page.setDefaultTimeout(15000);
  page.on('pageerror', (e) => console.log('ERR', e.message));
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  await page.goto(base);
  await page.getByTestId('next').waitFor();
  return page;
};
const shot = async (page: any, name: string) =>
  page.screenshot({ path: `/tmp/s/${String(n++).padStart(2, '0')}-${name}.png` });
const go = async (page: any, p: string) => {
  await page.goto(base + p);
  await page.getByTestId('call').waitFor();
  await page.clock.runFor(500);
};
const w = await open(1280, 800, false);
await go(w, '/jobs/demo-0141/bond');
await shot(w, 'bond-wide');
await go(w, '/jobs/demo-0140/bond');
await w.getByRole('radio', { name: 'Way of bonding: full-area fill' }).click();
await w.clock.runFor(300);
await w.getByRole('button', { name: 'Start laying' }).click();
await w.clock.runFor(60000);
await shot(w, 'fill-wide');
const d = await open(1280, 800, true);
await go(d, '/jobs/demo-0132/cure');
await shot(d, 'cure-wide-dark');
await go(d, '/jobs/demo-0141/dryFit');
await shot(d, 'dryfit-wide-dark');
await b.close();
