// npm run english: reads the pages of the demo in Spanish, every part of them opened, and lists lines with words that only the
// English catalogue has. The demo has to run: npm run demo, then npm run english. Names of models, marks of customers and ids are
// what is meant to be left.
import { readdirSync } from 'node:fs';

import { chromium } from '@playwright/test';

import { es } from '../src/words/es';
import * as figures from '../src/words/es/figures';
import { demoPages } from '../test-support/demoPages';

const base = process.env.BASE ?? 'http://127.0.0.1:8787';
const wordsOf = (text: string): string[] =>
  text
    .replaceAll(/\{\{?\w+\}?\}/g, '')
    .toLowerCase()
    .match(/\p{L}{3,}/gu) ?? [];

const english = new Set([...Object.keys(es.below), ...Object.keys(figures.notes)].flatMap(wordsOf));
for (const file of readdirSync('src/words/en')) {
  const { default: words } = (await import(`../src/words/en/${file}`)) as { default: Record<string, string> };
  for (const w of Object.values(words).flatMap(wordsOf)) english.add(w);
}
const spanish = new Set(
  [...Object.values(es.words), es.below, figures.notes, figures.parts]
    .flatMap((w) => Object.values(w))
    .flatMap(wordsOf),
);

const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu'],
});
const context = await browser.newContext({
  baseURL: base,
  viewport: { width: 390, height: 844 },
  serviceWorkers: 'block',
});
const page = await context.newPage();
await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
await page.goto('/jobs');
await page
  .getByRole('link', { name: /J-0143/ })
  .first()
  .waitFor();
await page.goto('/shop');
await page.getByRole('radio', { name: 'Language: Español' }).click();
await page.getByRole('radio', { name: 'Idioma: Español' }).waitFor();

const seen = new Set<string>();
for (const where of demoPages) {
  await page.goto(where);
  await page.getByRole('heading', { level: 1 }).first().waitFor();
  await page.clock.runFor(5000);
  // what opens may hold more that opens
  for (let round = 0; round < 3; round++) {
    await page.evaluate(() => {
      for (const e of document.querySelectorAll<HTMLElement>('[aria-expanded=false]'))
        if (e.getClientRects().length) e.click();
    });
    await page.clock.runFor(700);
  }
  for (const line of (await page.locator('body').innerText()).split('\n')) {
    const left = wordsOf(line).filter((w) => english.has(w) && !spanish.has(w));
    if (!left.length || seen.has(line)) continue;
    seen.add(line);
    console.log(`${where} | ${left.join(', ')} | ${line.slice(0, 160)}`);
  }
}
await browser.close();
