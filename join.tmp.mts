import { chromium } from '@playwright/test'; import fs from 'fs';
const [,,out,...files]=process.argv; const b=await chromium.launch({executablePath:'/usr/bin/chromium-headless-shell',args:['--no-sandbox']});
const p=await b.newPage({viewport:{width:390*files.length,height:844}});
await p.setContent('<body style="margin:0;display:flex">'+files.map(f=>`<img style="height:844px" src="data:image/png;base64,${fs.readFileSync(f).toString('base64')}">`).join('')+'</body>'); await p.screenshot({path:out!}); await b.close();
