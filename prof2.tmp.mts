import { chromium } from '@playwright/test';
const b = await chromium.launch({ executablePath:'/usr/bin/chromium-headless-shell', args:['--no-sandbox'] });
const ctx = await b.newContext({ viewport:{width:390,height:844}, serviceWorkers:'block' });
const page = await ctx.newPage();
page.on('console',m=>console.log('C',m.type(),m.text().slice(0,300))); page.on('pageerror',e=>console.log('E',e.stack?.slice(0,900))); page.on('requestfailed',r=>console.log('F',r.url()));
await page.goto('http://127.0.0.1:8790/'); await page.getByTestId('next').waitFor();
await page.goto('http://127.0.0.1:8790/jobs/new'); await page.waitForTimeout(4000);
console.log((await page.locator('body').innerText()).slice(0,400));
await b.close();
