import { open, base, b0 } from './_shot.mts';
const p = await open(390, 844);
const go = async (path: string, wait = 'call') => { await p.goto(base + path); await p.getByTestId(wait).first().waitFor({ timeout: 30000 }); await p.waitForTimeout(500); };
const pic = (name: string) => p.screenshot({ path: `/tmp/${name}.png` });
await p.goto(base + '/adhesives'); await p.getByText('foam ring: ×').first().waitFor(); await p.getByText('foam ring: ×').first().click(); await pic('a1');
await p.goto(base + '/jobs/new'); await p.getByText('Clip-back 5.5').click(); await p.getByRole('button', { name: 'Open the job' }).click(); await p.getByTestId('call').waitFor(); await p.waitForTimeout(300);
const id = p.url().match(/jobs\/([^/]+)/)![1];
await go(`/jobs/${id}/lift`); for (let i = 0; i < 3; i++) { await p.getByRole('button', { name: /is open$/ }).first().click(); await p.waitForTimeout(250); } await pic('a2');
await go('/jobs/demo-0136/lift');
await p.getByRole('checkbox', { name: /^3\. lens cover 3/ }).click(); await p.waitForTimeout(300);
for (const [i, v] of [[1, '14.4'], [3, '11.2']] as const) { const f = p.getByRole('textbox', { name: new RegExp(`New one for lens cover ${i}`) }); await f.fill(v); await f.press('Enter'); await p.waitForTimeout(200); }
await p.evaluate(() => document.querySelectorAll('[role=main]').forEach(e => e.scrollTop = 420)); await p.waitForTimeout(200); await pic('a3');
await p.getByRole('radio', { name: /: Cold/ }).click(); await p.waitForTimeout(200);
for (let i = 0; i < 4; i++) { await p.getByRole('button', { name: /is off$|Tapped out|Openings are clear/ }).first().click(); await p.waitForTimeout(300); }
await p.evaluate(() => document.querySelectorAll('[role=main]').forEach(e => e.scrollTop = 520)); await p.waitForTimeout(200); await pic('a4');
await p.goto(base + '/'); await p.waitForTimeout(800); await pic('a5');
const w = await open(1280, 800);
await w.goto(base + '/jobs/demo-0143/clean'); await w.getByTestId('call').waitFor(); await w.waitForTimeout(800);
await w.screenshot({ path: '/tmp/w1.png' });
await b0.close();
