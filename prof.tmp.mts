import { chromium } from 'playwright-core';
import { writeFileSync } from 'node:fs';
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu','--disable-background-networking']});
const fake = process.argv[2]==='fake';
const page = await (await b.newContext({viewport:{width:1280,height:800}})).newPage();
if(fake) await page.clock.install({time:new Date('2026-04-14T13:02:00')});
await page.goto('http://127.0.0.1:8790/');
await page.getByTestId('next').waitFor();
const s = await page.context().newCDPSession(page);
await s.send('Profiler.enable'); await s.send('Profiler.setSamplingInterval',{interval:1000});
for (const k of [0,1,2]) {
await s.send('Profiler.start');
const t=Date.now();
if(fake) await page.clock.runFor(3000); else await page.waitForTimeout(5000);
await page.evaluate(()=>1);
console.log('took',Date.now()-t);
const {profile}=await s.send('Profiler.stop') as any;
const self=new Map<string,number>(), tot=new Map<string,number>();const byId=new Map(profile.nodes.map((n:any)=>[n.id,n]));
const parent=new Map();for(const n of profile.nodes)for(const c of n.children??[])parent.set(c,n.id);
profile.samples.forEach((id:number,i:number)=>{const dt=profile.timeDeltas[i]/1000;const n:any=byId.get(id);const key=(n:any)=>n.callFrame.functionName+' '+n.callFrame.url.split('/').pop().slice(0,24)+':'+n.callFrame.lineNumber+':'+n.callFrame.columnNumber;self.set(key(n),(self.get(key(n))??0)+dt);const seen=new Set();let x:any=id;while(x!=null){const k=key(byId.get(x));if(!seen.has(k)){seen.add(k);tot.set(k,(tot.get(k)??0)+dt)}x=parent.get(x)}});
const top=(m:Map<string,number>,n=22)=>[...m].sort((a,b)=>b[1]-a[1]).slice(0,n).map(([k,v])=>v.toFixed(0)+' '+k).join('\n');
console.log('SELF\n'+top(self)+'\nTOTAL\n'+top(tot,45));
}
await b.close();
