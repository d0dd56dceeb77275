import { chromium } from '@playwright/test';
const base = 'http://127.0.0.1:8790';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
for (const [w,h,tag] of [[390,844,'p'],[1280,800,'w']] as const) {
  const c = await b.newContext({ viewport:{width:w,height:h}, serviceWorkers:'block', isMobile:w<500, hasTouch:w<500 });
  const p = await c.newPage();
  p.on('pageerror',(e:any)=>console.log('PAGEERR',String(e).slice(0,300)));
  p.on('console', (m:any)=>{ if(m.type()==='error') console.log('ERR',m.text().slice(0,200)); });
  await p.goto(base); await p.getByTestId('next').waitFor();
  for (const [where,name] of (process.argv[2]??'plan:plan').split(',').map(x=>x.split(':'))) {
    await p.goto(`${base}/${where}`); await p.waitForLoadState('networkidle'); await p.waitForTimeout(2500);
    await p.screenshot({ path:`/tmp/s-${name}-${tag}.png` });
  }
}
await b.close();
