import { chromium } from 'playwright';
const [,, url, out, size='phone', scheme='light', ...acts] = process.argv;
const b = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args:['--no-sandbox'] });
const c = await b.newContext({ viewport: size==='phone'?{width:390,height:844}:{width:1280,height:800}, colorScheme: scheme as any, ...(process.env.LANG_ES?{locale:'es-ES'}:{}) });
const p = await c.newPage();
p.on('pageerror', e => console.log('ERR', e.message));
await p.goto('http://localhost:8790'+url); await p.waitForTimeout(Number(process.env.WAIT??6000));
for (const a of acts) {
  const [k, ...v] = a.split('='); const val = v.join('=');
  try {
  if (k==='click') await p.getByText(val,{exact:false}).first().click({timeout:4000});
  else if (k==='role') { const [r,...n]=val.split(':'); await p.getByRole(r as any,{name:n.join(':')}).first().click({timeout:4000}); }
  else if (k==='scroll') await p.evaluate((y)=>{ for (const e of document.querySelectorAll('*')) if (e.scrollHeight>e.clientHeight+50 && getComputedStyle(e).overflowY!=='visible') e.scrollTop=Number(y); }, val);
  else if (k==='into') await p.getByText(val).first().scrollIntoViewIfNeeded();
  else if (k==='wait') await p.waitForTimeout(Number(val));
  else if (k==='fill') { const [l,...n]=val.split(':'); await p.getByLabel(l).first().fill(n.join(':')); }
  else if (k==='text') console.log((await p.locator('body').innerText()).slice(0,Number(val)||3000));
  else if (k==='goto') await p.goto('http://localhost:8790'+val);
  } catch(e) { console.log('ACT', a, String(e).slice(0,200)); }
  await p.waitForTimeout(500);
}
await p.screenshot({ path: out }); await b.close();
