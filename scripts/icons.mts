// npm run icons: the icon as pictures, for those that take no drawing. The maskable one has its margin inside.
import { readFileSync } from 'node:fs';
import path from 'node:path';

import { chromium } from '@playwright/test';

import { needChromium } from './lib.mjs';

const folder = path.join(import.meta.dirname, '..', 'public');
const svg = readFileSync(path.join(folder, 'icon.svg'), 'utf8');
const inner = svg.replace(/^<svg[^>]*>|<\/svg>\s*$/g, '');
/** Share of the picture that a mask leaves for sure is a circle of 80 %. */
const masked = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-10 -10 84 84"><rect x="-10" y="-10" width="84" height="84" fill="#F3F1E8"/>${inner}</svg>`;

const browser = await chromium.launch({ executablePath: await needChromium(), args: ['--no-sandbox'] });
for (const [name, size, picture] of [
  ['icon-192', 192, svg],
  ['icon-512', 512, svg],
  ['icon-maskable-512', 512, masked],
] as const) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  await page.setContent(`<style>body{margin:0}svg{display:block;width:${size}px;height:${size}px}</style>${picture}`);
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
  await page.close();
}
await browser.close();
