import { chromium } from 'playwright-core';
import fs from 'node:fs';
const base = 'http://127.0.0.1:8787';
const dark = process.argv.includes('dark'),
  wide = process.argv.includes('wide');
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' });
const ctx = await b.newContext({
  viewport: wide ? { width: 1280, height: 800 } : { width: 390, height: 844 },
  colorScheme: dark ? 'dark' : 'light',
  hasTouch: !wide,
});
const page = await ctx.newPage();
page.on('console', (m) => m.type() === 'error' && console.log('console', m.text().slice(0, 300)));
page.on('pageerror', (e) => console.log('pageerror', e.message));
await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
await page.goto(base);
await page.getByTestId('next').waitFor();
const out = '/tmp/shots';
fs.mkdirSync(out, { recursive: true });
const shot = (n: string) => page.screenshot({ path: `${out}/${n}.png` });
const bs = (name: string | RegExp) => page.getByRole('button', { name });
const t0 = Date.now();
await page.goto(base + '/');
await page.getByTestId('next').waitFor();
console.log('bench load', Date.now() - t0);
const go = async (p: string, w = 'call') => {
  await page.goto(base + p);
  await page.getByTestId(w).first().waitFor();
  await page.waitForTimeout(300);
};
const steps = (process.argv[2] ?? '').split(',');
if (steps.includes('fn')) {
  await go('/jobs/demo-0139/functions');
  await shot('fn1');
  for (let i = 0; i < 3; i++) {
    await bs('Works').click();
    await page.waitForTimeout(150);
  }
  const n = Number(
    (await page
      .getByText(/ of \d+$/)
      .first()
      .textContent())!.split(' of ')[1],
  );
  await bs('Fails').click();
  await page.waitForTimeout(150);
  for (let i = 4; i < n; i++) {
    await bs('Works').click();
    await page.waitForTimeout(80);
  }
  await page.waitForTimeout(400);
  await shot('fn2');
  await page.mouse.move(195, 400);
  await page.mouse.wheel(0, 500);
  await page.waitForTimeout(300);
  await shot('fn3');
  await bs('On the device itself').click();
  await page.waitForTimeout(300);
  await page.mouse.wheel(0, 600);
  await page.waitForTimeout(300);
  await shot('fn4');
  await go('/jobs/demo-0139/check');
  await shot('check');
}
if (steps.includes('rec')) {
  await page.goto(base + '/records');
  await page.getByText('Records').first().waitFor();
  await page.waitForTimeout(1500);
  await shot('rec1');
  await page.mouse.move(195, 400);
  await page.mouse.wheel(0, 700);
  await page.waitForTimeout(300);
  await shot('rec2');
  await go('/jobs/demo-0127/record', 'record');
  await shot('record');
  await go('/jobs/demo-0133/comeback');
  await shot('cb');
}
if (steps.includes('ho')) {
  await go('/jobs/demo-0137/handover');
  await shot('ho1');
  await page.mouse.move(195, 400);
  await page.mouse.wheel(0, 430);
  await page.waitForTimeout(300);
  await shot('ho2');
  const [d] = await Promise.all([page.waitForEvent('download'), bs('Sheet as PDF').click()]);
  await d.saveAs('/tmp/shots/sheet.pdf');
}
if (steps.includes('cam')) {
  await go('/jobs/demo-0137/camera');
  await shot('cam1');
}
if (steps.includes('seal')) {
  await go('/jobs/demo-0137/seal');
  await shot('seal1');
}
if (steps.includes('dev')) {
  await page.goto(base + '/device-test#AC7K.0.1.4.16');
  await page.waitForTimeout(800);
  await shot('dev1');
  await bs('Open the grid').click();
  await page.waitForTimeout(500);
  await shot('dev2');
  await page.keyboard.press('Escape');
  await page.waitForTimeout(300);
  for (const x of ['Fails', 'Works', 'Works', 'Works']) {
    await bs(x).click();
    await page.waitForTimeout(150);
  }
  await shot('dev3');
}
await b.close();
