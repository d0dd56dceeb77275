import { chromium } from '@playwright/test';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox', '--disable-gpu'] });
const shot = async (name: string, wide: boolean, dark: boolean, path: string, act?: (p: any) => Promise<void>) => {
  const c = await b.newContext({ viewport: wide ? { width: 1280, height: 800 } : { width: 390, height: 844 }, serviceWorkers: 'block', baseURL: 'http://127.0.0.1:8790', colorScheme: dark ? 'dark' : 'light', hasTouch: !wide });
  const p = await c.newPage(); await p.addInitScript('window.__name=f=>f'); await p.clock.install({ time: new Date('2026-04-14T13:02:00') });
  await p.goto('/jobs'); await p.getByText(/^J-0143 ·/).first().waitFor();
  await p.goto(path); await p.getByRole('heading', { level: 1 }).first().waitFor(); await p.waitForTimeout(2500);
  if (act) await act(p);
  await p.screenshot({ path: `/tmp/s-${name}.png` }); await c.close();
};
await shot('plan', true, false, '/plan');
await shot('stat', true, false, '/statistics');
await shot('intake', false, false, '/jobs/demo-0146');
await shot('cracks', false, true, '/jobs/demo-0143/cracks');
await shot('cure', false, false, '/jobs/demo-0143/cure');
await shot('practice', false, false, '/practice', async (p) => { const g = p.getByRole('button').filter({ hasText: /Begin|Start|Go on/ }).first(); if (await g.isVisible()) await g.click(); await p.waitForTimeout(4000); });
await b.close();
