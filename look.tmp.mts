import { chromium } from 'playwright-core';
const [where, out, w='390', h='844', scheme='light', longer='', sel=''] = process.argv.slice(2);
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu','--disable-background-networking']});
const c = await b.newContext({viewport:{width:+w!,height:+h!},colorScheme:scheme as 'light'});
const page = await c.newPage();
if(longer==='longer') await page.addInitScript(()=>localStorage.setItem('northcove:longerWords','1'));
if(longer==='es') await page.addInitScript(()=>{});
await page.goto('http://127.0.0.1:8790/jobs');
await page.getByRole('link',{name:/J-0143/}).first().waitFor();
if(longer==='es'){await page.goto('http://127.0.0.1:8790/shop');await page.getByRole('radio',{name:'Language: Español'}).click();await page.waitForTimeout(500)}
await page.goto('http://127.0.0.1:8790'+where);
await page.getByRole('heading',{level:1}).first().waitFor();
await page.waitForTimeout(2500);
if(sel) await page.locator(sel).first().scrollIntoViewIfNeeded();
await page.screenshot({path:out!});
await b.close();
