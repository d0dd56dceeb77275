import { chromium } from '@playwright/test';
const b = await chromium.launch({ executablePath:'/usr/bin/chromium-headless-shell', args:['--no-sandbox'] });
const ctx = await b.newContext({ viewport:{width:390,height:844}, serviceWorkers:'block' });
const page = await ctx.newPage();
const cdp = await ctx.newCDPSession(page);
const prof = async (name:string, f:()=>Promise<unknown>)=>{
  await cdp.send('Profiler.enable'); await cdp.send('Profiler.setSamplingInterval',{interval:500}); await cdp.send('Profiler.start');
  const t=Date.now(); await f(); const dt=Date.now()-t;
  const {profile} = await cdp.send('Profiler.stop');
  const self=new Map<number,number>(); const n=new Map(profile.nodes.map(x=>[x.id,x]));
  profile.samples!.forEach((s,i)=>self.set(s,(self.get(s)??0)+profile.timeDeltas![i]!));
  let idle=0,total=0; const by:Record<string,number>={};const fn:Record<string,number>={};
  for(const [id,us] of self){const x=n.get(id)!;const k=x.callFrame.functionName; total+=us; if(k==='(idle)'){idle+=us;continue}
    const key=k.startsWith('(')?k:x.callFrame.url.split('/').pop()!.slice(0,14); by[key]=(by[key]??0)+us; const kk=k+' '+key+':'+x.callFrame.lineNumber; fn[kk]=(fn[kk]??0)+us;}
  console.log(name,dt,'ms; busy',Math.round((total-idle)/1000), Object.entries(by).sort((a,b)=>b[1]-a[1]).slice(0,8).map(([k,v])=>k+' '+Math.round(v/1000)).join(', '));
  console.log('   ',Object.entries(fn).sort((a,b)=>b[1]-a[1]).slice(0,22).map(([k,v])=>k+' '+Math.round(v/1000)).join('; '));
  // inclusive by parent chain for named functions
  const par=new Map<number,number>(); for(const x of profile.nodes) for(const c of x.children??[]) par.set(c,x.id);
  const inc:Record<string,number>={}; for(const [id,us] of self){const seen=new Set<string>(); for(let y:number|undefined=id;y!==undefined;y=par.get(y)){const c=n.get(y)!.callFrame;const nm=c.functionName+':'+c.url.split('/').pop()!.slice(0,10)+':'+c.lineNumber; if(seen.has(nm))continue; seen.add(nm); inc[nm]=(inc[nm]??0)+us;}}
  console.log('  INC',Object.entries(inc).filter(([k])=>!k.startsWith('(')).sort((a,b)=>b[1]-a[1]).slice(0,40).map(([k,v])=>k+' '+Math.round(v/1000)).join('; '));
};
await prof('first /', async()=>{ await page.goto('http://127.0.0.1:8790/'); await page.getByTestId('next').waitFor(); });
await page.waitForTimeout(4000);
await prof('second /', async()=>{ await page.goto('http://127.0.0.1:8790/'); await page.getByTestId('next').waitFor(); });
await page.waitForTimeout(2000);
await prof('/jobs/new', async()=>{ await page.goto('http://127.0.0.1:8790/jobs/new'); await page.getByRole('radio').first().waitFor(); });
await b.close();
