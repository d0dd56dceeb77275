import { chromium } from '@playwright/test';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const base = 'http://127.0.0.1:8787';
export async function open(w: number, h: number, dark = false) {
  const ctx = await b.newContext({ viewport: { width: w, height: h }, colorScheme: dark ? 'dark' : 'light' });
  const page = await ctx.newPage();
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  page.on('console', (m) => m.type() === 'error' && console.log('console', m.text().slice(0, 200)));
  page.on('pageerror', (e) => console.log('pageerror', String(e).slice(0, 300)));
  await page.goto(base + '/');
  await page.getByText('J-0143').first().waitFor();
  return page;
}
export const b0 = b;
export { base };
