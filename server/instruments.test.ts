import path from 'node:path';

import { instruments } from './instruments';

let clock = Date.now();
const app = instruments(path.join(__dirname, '..', 'public', 'modes'), () => clock);
let token = '';
const post = (to: string, body: unknown, given = token) =>
  app.request(to, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-bench-token': given },
    body: JSON.stringify(body),
  });

beforeAll(async () => {
  ({ token } = (await (await app.request('/')).json()) as { token: string });
});

/** The first events of the stream. */
async function events(n: number): Promise<{ event: string; data: Record<string, unknown> }[]> {
  const stop = new AbortController();
  const r = await app.request('/stream', { signal: stop.signal });
  expect(r.headers.get('content-type')).toContain('text/event-stream');
  const reader = r.body!.getReader();
  let text = '';
  while (text.split('\n\n').length <= n) {
    const { value, done } = await reader.read();
    if (done) break;
    text += new TextDecoder().decode(value);
  }
  await reader.cancel();
  stop.abort();
  return text
    .split('\n\n')
    .slice(0, n)
    .map((block) => ({
      event: /^event: (.*)$/m.exec(block)![1]!,
      data: JSON.parse(/^data: (.*)$/m.exec(block)![1]!) as Record<string, unknown>,
    }));
}

it('says what there is, and that it is simulated', async () => {
  const about = (await (await app.request('/')).json()) as Record<string, unknown>;
  expect(about).toMatchObject({ simulated: true, device: 'ring61' });
  expect(about.faults).toContain('frozen');
});

it('sends a reading a second; the plate follows its control, and the device what it lies on', async () => {
  await post('/simulation', { pace: 60 });
  expect(await (await post('/control', { setC: 110, heating: true, deviceOn: true })).json()).toMatchObject({
    setC: 110,
    heating: true,
    deviceOn: true,
  });
  const [a, b] = await events(2);
  expect(a!.event).toBe('reading');
  // a minute of the bench between two readings
  expect(Number(b!.data.probeC)).toBeGreaterThan(Number(a!.data.probeC) + 5);
  expect(Number(b!.data.plateC)).toBeGreaterThan(Number(a!.data.plateC));
});

it('faults: an open probe reads null, a dropout sends no reading of the probe', async () => {
  await post('/simulation', { fault: 'open' });
  expect((await events(1))[0]).toMatchObject({ event: 'reading', data: { probeC: null } });
  await post('/simulation', { fault: 'dropout' });
  const [e] = await events(1);
  expect(e!.event).toBe('plate');
  expect(e!.data).not.toHaveProperty('probeC');
  await post('/simulation', { fault: 'none' });
});

it.each([
  ['/control', { setC: 900 }, 400, /setC/],
  ['/control', 'nonsense', 400, /body/],
  ['/simulation', { fault: 'fire' }, 400, /fault/],
  ['/simulation', { device: '../etc' }, 404, /no model/],
])('%s refuses %j', async (to, body, status, message) => {
  const r = await post(to, body);
  expect(r.status).toBe(status);
  expect(((await r.json()) as { error: string }).error).toMatch(message);
});

it('a gap gauge reads what is there, refuses what is no point, and can be silent', async () => {
  const point = { at: [36, 150], normal: [0, 1], centre: [36, 75] };
  const { mm } = (await (await post('/gauge', point)).json()) as { mm: number };
  expect(mm).toBeGreaterThanOrEqual(0);
  expect(mm).toBeLessThan(0.6);
  await post('/gauge/move', { dxMm: 0, dyMm: -0.3, turnDeg: 0 });
  expect(((await (await post('/gauge', point)).json()) as { mm: number }).mm).toBeGreaterThan(mm + 0.2);
  expect((await post('/gauge', { at: [1] })).status).toBe(400);
  expect((await post('/gauge/move', { dxMm: 99 })).status).toBe(400);
  await post('/simulation', { gauge: 'silent' });
  expect((await post('/gauge', point)).status).toBe(503);
  await post('/simulation', { gauge: 'none' });
});

it('a tester holds a vacuum and answers with its log; what is out of range is refused, and it can be silent', async () => {
  const hold = (body: unknown) => post('/tester/hold', body);
  const log = (await (await hold({ startPa: -1000, seconds: 60 })).json()) as { t: number[]; p: number[] };
  expect(log.t).toHaveLength(61);
  expect(log.p[0]).toBeLessThan(-980);
  expect(log.p.at(-1)!).toBeGreaterThan(log.p[0]!);
  expect((await hold({ startPa: 90000, seconds: 60 })).status).toBe(400);
  await post('/simulation', { tester: 'silent' });
  expect((await hold({ startPa: -1000, seconds: 60 })).status).toBe(503);
  await post('/simulation', { tester: 'none' });
});

it('what heats asks for the token that only a page of this server can read', async () => {
  for (const given of ['', 'x', token.slice(0, -1), `${token}x`, token.replace(/./, (c) => (c === 'a' ? 'b' : 'a'))])
    expect((await post('/control', { heating: true, setC: 250 }, given)).status).toBe(403);
  expect((await post('/control', { heating: false })).status).toBe(200);
});

it('nobody reads for ten seconds: the heat goes off by itself, and stays on while somebody reads', async () => {
  await post('/control', { setC: 110, heating: true });
  clock += 9000;
  await events(1);
  clock += 9000;
  expect(await (await post('/control', {})).json()).toMatchObject({ heating: true });
  clock += 10_500;
  expect(await (await post('/control', {})).json()).toMatchObject({ heating: false });
});
