import { chromium } from '@playwright/test';
const b = await chromium.launch({ executablePath:'/usr/bin/chromium-headless-shell', args:['--no-sandbox'] });
const [,, list, touch='usual', scheme='light', size='phone'] = process.argv;
const ctx = await b.newContext({ viewport: size==='phone'?{width:390,height:844}:{width:1280,height:800}, serviceWorkers:'block', colorScheme: scheme as 'light', hasTouch:size==='phone' });
const page = await ctx.newPage();
await page.goto('http://127.0.0.1:8790/jobs'); await page.getByRole('link',{name:/J-0143/}).first().waitFor();
if(touch!=='usual'){ await page.goto('http://127.0.0.1:8790/shop'); await page.getByRole('radio',{name: new RegExp('Letters and buttons: '+(touch==='gloves'?'Larger, for gloves':'Larger, main'))}).click(); await page.waitForTimeout(800);}
let i=0;
for (const where of list!.split(',')) { 
  if(where==='newintake'){ await page.goto('http://127.0.0.1:8790/jobs/new'); await page.getByRole('radio',{name:'Ring-bond 6.1'}).click(); await page.getByRole('button',{name:'Open the job'}).click(); await page.waitForTimeout(2500);} 
  else if(where.startsWith('!')) { await page.getByRole('checkbox',{name:'bottom edge'}).click(); await page.getByRole('button',{name:'All of this is so'}).click(); await page.waitForTimeout(1500);} 
  else if(where.startsWith('scroll')) { await page.mouse.move(200,400); await page.mouse.wheel(0,+where.slice(6)); await page.waitForTimeout(500);} 
  else { await page.goto('http://127.0.0.1:8790'+where); await page.waitForTimeout(3500);} 
  await page.screenshot({ path:`/tmp/s${i++}.png` }); }
await b.close();
