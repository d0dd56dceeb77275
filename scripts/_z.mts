import { chromium } from 'playwright-core';
import fs from 'node:fs';
const base = 'http://127.0.0.1:8787';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const out = '/tmp/shots';
const open = async (wide: boolean, dark: boolean) => {
  const ctx = await b.newContext({ viewport: wide ? { width: 1280, height: 800 } : { width: 390, height: 844 }, colorScheme: dark ? 'dark' : 'light', hasTouch: !wide });
  const page = await ctx.newPage();
  page.on('pageerror', (e) => console.log('pageerror', e.message));
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  await page.goto(base); await page.getByTestId('next').waitFor();
  return page;
};
const steps = `t s,p Pa\n` + Array.from({ length: 40 }, (_, i) => `${i * 3},${(-800 * Math.exp((-i * 3) / 30)).toFixed(1)}`).join('\n');
const press = (tau: number) => `t s,p Pa\n` + Array.from({ length: 121 }, (_, i) => { const s = i * 0.2; const e = (a: number) => (s >= a ? Math.exp(-(s - a) / tau) : 0); return `${s.toFixed(1)},${(100800 + 50 * (e(8) - e(14)) + Math.sin(i * 7.3)).toFixed(1)}`; }).join('\n');
for (const [wide, dark] of [[false, true], [true, false]] as const) {
  const page = await open(wide, dark);
  const bs = (name: string | RegExp) => page.getByRole('button', { name });
  const tag = (wide ? 'w' : 'p') + (dark ? 'd' : 'l');
  const shot = (n: string) => page.screenshot({ path: `${out}/${tag}-${n}.png` });
  const go = async (p: string, w = 'call') => { await page.goto(base + p); await page.getByTestId(w).first().waitFor(); await page.waitForTimeout(500); };
  // seal with suspects on the bent job: override, hold log, press at a place
  await go('/jobs/demo-0138/seal');
  await bs('Why and what else').click();
  await page.getByRole('textbox', { name: 'What is done instead' }).fill('x'); await page.getByRole('textbox', { name: 'Reason' }).fill('y');
  await bs('Log the override').click();
  await page.getByRole('radio', { name: /After closing/ }).click();
  const give = async (btn: string, text: string) => { const [c] = await Promise.all([page.waitForEvent('filechooser'), bs(btn).click()]); await c.setFiles({ name: 'a.csv', mimeType: 'text/csv', buffer: Buffer.from(text) }); await page.waitForTimeout(600); };
  await bs('Hold 1 kPa of vacuum on the tester').click(); await page.waitForTimeout(800);
  const box = (await page.getByTestId('plan').first().boundingBox())!;
  await page.mouse.click(box.x + box.width * 0.62, box.y + box.height * 0.1);
  await page.waitForTimeout(300);
  await give('Barometer log of presses, CSV', press(2));
  await page.evaluate(() => document.querySelectorAll('[role=main]').forEach((m) => m.scrollTo(0, 0)));
  await page.waitForTimeout(300);
  await shot('seal');
  await page.mouse.move(wide ? 1100 : 200, 500); await page.mouse.wheel(0, 500); await page.waitForTimeout(300); await shot('seal2');
  await go('/jobs/demo-0139/functions'); await bs('On the device itself').click(); await page.waitForTimeout(300); await page.mouse.wheel(0, 300); await page.waitForTimeout(300); await shot('fn');
  await page.goto(base + '/records'); await page.getByRole('img', { name: /^Chart/ }).waitFor(); await page.waitForTimeout(400); await shot('rec');
  await go('/jobs/demo-0137/handover'); await shot('ho');
  await go('/jobs/demo-0137/camera'); await bs('Seating of the cover').click(); await page.waitForTimeout(200); await shot('cam');
  await go('/jobs/demo-0137/check'); await shot('check');
  // restore
  await page.goto(base + '/shop'); await page.waitForTimeout(500);
  const [d] = await Promise.all([page.waitForEvent('download'), bs('Export everything').click()]);
  await d.saveAs('/tmp/shots/backup.json');
  const t = JSON.parse(fs.readFileSync('/tmp/shots/backup.json', 'utf8')); t.settings.roomC = 19; t.jobs[3][2].by = 'x';
  const [c] = await Promise.all([page.waitForEvent('filechooser'), bs('Import a file').click()]);
  await c.setFiles({ name: 'backup.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(t)) });
  await page.getByTestId('restore').waitFor(); await page.getByRole('checkbox', { name: /Its settings/ }).click(); await page.waitForTimeout(300); await shot('restore');
}
await b.close();
