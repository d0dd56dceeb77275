import { open, base, b0 } from './_shot.mts';
const p = await open(390, 844);
const shot = async (path: string, name: string, wait = 'call') => { await p.goto(base + path); await p.getByTestId(wait).first().waitFor({ timeout: 30000 }); await p.waitForTimeout(600); await p.screenshot({ path: `/tmp/${name}.png` }); };
// save job: heat then lift
await p.goto(base + '/jobs/demo-0143/heat'); await p.getByTestId('call').waitFor();
await p.getByRole('checkbox', { name: /at hand/ }).click();
await p.getByRole('button', { name: 'On the plate' }).click();
await p.clock.fastForward(70_000);
await p.getByRole('button', { name: /^Off the plate/ }).click();
await p.waitForTimeout(300);
await shot('/jobs/demo-0143/lift', 'a1');
await p.evaluate(() => document.querySelectorAll('[role=main]').forEach(e => e.scrollTop = 520)); await p.waitForTimeout(200);
await p.screenshot({ path: '/tmp/a2.png' });
await shot('/jobs/demo-0140/lift', 'a3');
await shot('/jobs/demo-0136/lift', 'a4');
await b0.close();
