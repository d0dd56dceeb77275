import { open, base, b0 } from './_shot.mts';
const p = await open(390, 844);
const shot = async (path: string, name: string, wait = 'call') => { await p.goto(base + path); await p.getByTestId(wait).first().waitFor({ timeout: 30000 }); await p.waitForTimeout(600); await p.screenshot({ path: `/tmp/${name}.png` }); };
await shot('/jobs/demo-0136/lift', 'a1');
await shot('/jobs/demo-0143/clean', 'a2');
await shot('/jobs/demo-0143/alcohol', 'a3');
await p.evaluate(() => document.querySelectorAll('[role=main]').forEach(e => e.scrollTop = 520)); await p.waitForTimeout(200);
await p.screenshot({ path: '/tmp/a4.png' });
await b0.close();
