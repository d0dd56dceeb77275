// Takes the pictures of the main views from the demo data. The demo has to run: npm run demo, then npm run shots.
import path from 'node:path';

import { chromium, type Page } from '@playwright/test';

import { bitmap } from '../test-support/bitmap';
import { photoOf } from '../test-support/photo';

const base = process.env.BASE ?? 'http://127.0.0.1:8787';
const out = path.join(import.meta.dirname, '..', 'docs', 'screenshots');
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu'],
});

async function open(width: number, height: number, dark = false): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width, height },
    serviceWorkers: 'block',
    colorScheme: dark ? 'dark' : 'light',
    isMobile: width < 500,
    hasTouch: width < 500,
  });
  const page = await context.newPage();
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  await page.goto(base);
  await page.getByTestId('next').waitFor();
  return page;
}

const take = async (page: Page, name: string) => {
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: path.join(out, `${name}.png`) });
  console.log(name);
};
const stage = async (page: Page, where: string, seen = 'call') => {
  await page.goto(`${base}/jobs/${where}`);
  await page.getByTestId(seen).first().waitFor();
  await page.waitForLoadState('networkidle');
};

/** The Bench with its plan. */
const planned = (page: Page) => page.getByTestId('timeline').waitFor();

const phone = await open(390, 844);
await planned(phone);
await phone.clock.runFor(2000);
await take(phone, 'bench-phone');
await stage(phone, 'demo-0142/heat');
await phone.clock.runFor(25_000);
await phone.getByText(/^Try in/).waitFor();
await take(phone, 'heat-phone');
await phone.clock.runFor(125_000);
await phone.getByRole('button', { name: 'Off the plate' }).click();
await phone.getByText(/^Cut the bottom edge now/).waitFor();
await phone.clock.runFor(4_000);
await phone.getByText(/fit in this window/).waitFor();
await take(phone, 'lift-phone');
await stage(phone, 'demo-0141/bond');
await take(phone, 'bond-phone');
await stage(phone, 'demo-0135/strip');
for (let i = 2; i <= 5; i++) {
  await phone.getByRole('button', { name: /^Out, into/ }).click();
  await phone.getByText(`Screw ${i} of 10`, { exact: false }).waitFor();
}
await take(phone, 'strip-phone');
await stage(phone, 'demo-0137/check');
await take(phone, 'check-phone');
await stage(phone, 'demo-0137/handover');
await phone.getByTestId('sheet').scrollIntoViewIfNeeded();
await phone.mouse.wheel(0, 360);
await take(phone, 'handover-phone');

for (const [where, name, seen] of [
  ['demo-0140/cracks', 'cracks-phone', 'call'],
  ['demo-0140/route', 'route-phone', 'call'],
] as const) {
  await stage(phone, where, seen);
  await phone.clock.runFor(1500);
  await take(phone, name);
}
await phone.goto(`${base}/shelf/new`);
await phone.getByRole('radio', { name: 'Glass on a ring' }).click();
await phone.getByRole('radio', { name: /6\.7/ }).click();
await phone.getByTestId('plan').click({ position: { x: 130, y: 60 } });
await phone.getByTestId('guessed').waitFor();
await phone.getByTestId('plan').evaluate((e) => e.scrollIntoView({ block: 'center' }));
await take(phone, 'new-model-phone');
await phone.getByRole('button', { name: 'From a photo with a bank card or ruler on it' }).click();
const { grey } = photoOf({
  ...{ widthMm: 74, lengthMm: 158, tilt: [15, -8], turn: 4, cardTurn: 5, k1: 0, noise: 2, awayMm: 330 },
});
const [chooser] = await Promise.all([
  phone.waitForEvent('filechooser'),
  phone.getByRole('button', { name: /^Choose a photo/ }).click(),
]);
await chooser.setFiles({ name: 'device.bmp', mimeType: 'image/bmp', buffer: bitmap(grey) });
await phone.getByTestId('traceSays').waitFor();
await phone.getByTestId('tracePicture').evaluate((e) => e.scrollIntoView({ block: 'start' }));
await phone.clock.runFor(1000);
await take(phone, 'trace-phone');
await stage(phone, 'demo-0132/cure');
await phone.clock.runFor(700);
await take(phone, 'cure-phone');
for (const [where, name, seen] of [
  ['statistics', 'statistics-phone', /^Clean runs over its plan/],
  ['stock', 'stock-phone', /to order$/],
] as const) {
  await phone.goto(`${base}/${where}`);
  await phone.getByText(seen).first().waitFor();
  await phone.clock.runFor(4000);
  await phone.waitForLoadState('networkidle');
  await take(phone, name);
}
// an exercise has a clock of its own, which the stopped one of the pictures does not move
const practice = await open(390, 844);
await practice.goto(`${base}/practice`);
await practice.getByRole('button', { name: 'Begin: Pick and depth' }).click();
await practice.getByRole('radio', { name: 'Time: 20×' }).click();
await practice.getByRole('button', { name: 'On the plate' }).click();
for (let i = 0; i < 60 && !(await practice.getByText('Lift now.').isVisible()); i++) await practice.clock.runFor(300);
await practice.getByRole('button', { name: /^Off the plate/ }).click();
await practice.getByRole('radio', { name: 'Time: 1×' }).click();
await practice.getByText(/^Cut the bottom edge now/).waitFor();
const cup = (await practice.getByRole('button', { name: 'Cup: hold to pull' }).boundingBox())!;
await practice.mouse.move(cup.x + 20, cup.y + 20);
await practice.mouse.down();
await practice.clock.runFor(5000);
await practice.mouse.up();
await practice.clock.runFor(500);
await take(practice, 'practice-phone');
const night = await open(390, 844, true);
await stage(night, 'demo-0142/heat');
await night.clock.runFor(150_000);
await night.getByRole('button', { name: 'Off the plate' }).click();
await night.getByText(/^Cut the bottom edge now/).waitFor();
await night.getByRole('button', { name: 'Bottom edge is free' }).click();
await night.clock.runFor(90_000);
await take(night, 'lift-phone-dark');

const wide = await open(1280, 800);
await wide.clock.runFor(2000);
await planned(wide);
await take(wide, 'bench-wide');
await stage(wide, 'demo-0143/ways');
await wide.getByText(/: the gentlest\.$/).waitFor({ timeout: 120_000 });
await take(wide, 'ways-wide');
await wide.goto(`${base}/shelf/ring61/card`);
await wide.getByTestId('heats').waitFor();
await wide.waitForLoadState('networkidle');
await take(wide, 'card-wide');
await browser.close();
