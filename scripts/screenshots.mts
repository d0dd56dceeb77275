// Takes the pictures of the main views from the demo data. The demo has to run: npm run demo, then npm run shots.
import { readFileSync } from 'node:fs';
import path from 'node:path';

import { chromium, type Page } from '@playwright/test';

import { ReducedModel } from '../src/core/heat/reduced';
import { SimulatedBench } from '../src/core/instruments/simulatedBench';
import { decodeModes } from '../src/model/modesFile';
import shipped from '../src/store/shippedModes.json';

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

const phone = await open(390, 844);
await take(phone, 'bench-phone');
await stage(phone, 'demo-0142/heat');
await phone.clock.runFor(25_000);
await phone.getByText(/^Off the plate in/).waitFor();
await take(phone, 'heat-phone');
await phone.clock.runFor(25_000);
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
  ['demo-0136/lift', 'lens-phone', 'call'],
  ['demo-0143/clean', 'clean-phone', 'call'],
] as const) {
  await stage(phone, where, seen);
  await phone.clock.runFor(1500);
  await take(phone, name);
}
await phone.goto(`${base}/jobs/demo-0143/ways`);
await phone
  .getByText(/gentlest that opens it|^No way/)
  .first()
  .waitFor();
await take(phone, 'ways-phone');
await stage(phone, 'demo-0140/spot');
await phone.getByRole('button', { name: /^Compute/ }).click();
await phone.getByRole('button', { name: /^Air on/ }).waitFor();
await phone.clock.runFor(700);
await take(phone, 'spot-phone');
await stage(phone, 'demo-0140/lift');
for (let i = 0; i < 9; i++) {
  await phone.getByRole('button', { name: 'Piece 1 is off', exact: true }).click();
  await phone.getByText(`pieces left, ${i + 1} off`).waitFor();
}
await take(phone, 'pieces-phone');
await phone.goto(`${base}/heaters/plate`);
// a log of a plate that reads seven kelvins too hot, from the simulated bench
const modes = decodeModes(
  readFileSync(path.join(import.meta.dirname, '..', 'public', 'modes', `${shipped.ring61}.json`), 'utf8'),
  shipped.ring61,
)!;
const cell = modes.bondSMm.reduce((b, x, i, a) => (x < a[b]! ? i : b), 0);
const truth = { conductanceWm2K: 265, offsetK: -7, lagS: 55, noiseK: 0.35 };
const bench = new SimulatedBench(new ReducedModel(modes), truth, cell, 22, 12);
bench.control(0, { setC: 110, heating: true });
bench.device(0, true);
const log = Array.from({ length: 151 }, (_, i) => `${4 * i},${bench.read(4 * i).probeC}`);
const [chooser] = await Promise.all([
  phone.waitForEvent('filechooser'),
  phone.getByRole('button', { name: 'Log from a file' }).click(),
]);
await chooser.setFiles({
  name: 'plate.csv',
  mimeType: 'text/csv',
  buffer: Buffer.from(`time s,probe C\n${log.join('\n')}`),
});
await phone.getByTestId('fit').waitFor();
await take(phone, 'calibrate-phone');

const night = await open(390, 844, true);
await stage(night, 'demo-0142/heat');
await night.clock.runFor(50_000);
await night.getByRole('button', { name: 'Off the plate' }).click();
await night.getByText(/^Cut the bottom edge now/).waitFor();
await night.getByRole('button', { name: 'Bottom edge is free' }).click();
await night.clock.runFor(90_000);
await take(night, 'lift-phone-dark');

const wide = await open(1280, 800);
await take(wide, 'bench-wide');
await stage(wide, 'demo-0142/heat');
await wide.clock.runFor(25_000);
await wide.getByText(/^Off the plate in/).waitFor();
await take(wide, 'heat-wide');
await wide.goto(`${base}/shelf/ring61`);
await wide.getByTestId('checks').waitFor();
await wide.waitForLoadState('networkidle');
await take(wide, 'shelf-wide');
await browser.close();
