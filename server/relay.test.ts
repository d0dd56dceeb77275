import { relay } from './relay';
import { relayLimits } from './relayRooms';

const room = 'r'.repeat(43);
const frame = (over: object = {}) => ({ to: '*', m: 'm1', i: 0, n: 1, d: 'sealed', ...over });
const post = (app: ReturnType<typeof relay>, from: string, body: unknown, at = room) =>
  app.request(`/${at}/${from}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });

/** Listens; gives what was heard, and hangs up. */
async function listen(app: ReturnType<typeof relay>, me: string, at = room) {
  const hangUp = new AbortController();
  const res = await app.request(`/${me}?rooms=${at}`, { signal: hangUp.signal });
  const reader = res.body?.getReader();
  let text = '';
  const until = async (pattern: RegExp) => {
    while (reader && !pattern.test(text)) {
      const { done, value } = await reader.read();
      if (done) break;
      text += new TextDecoder().decode(value);
    }
    return text;
  };
  if (res.ok) await until(/event: here/);
  return { status: res.status, until, close: async () => (hangUp.abort(), await reader?.cancel()) };
}

it('passes a frame on to the others of a room, or to one; not back, and into no other room', async () => {
  const app = relay();
  const [a, b, c] = [await listen(app, 'aaaa'), await listen(app, 'bbbb'), await listen(app, 'cccc', 'q'.repeat(43))];
  expect((await post(app, 'aaaa', frame())).status).toBe(200);
  expect(await b.until(/sealed/)).toContain('"from":"aaaa"');
  expect((await post(app, 'bbbb', frame({ to: 'aaaa', d: 'for one' }))).status).toBe(200);
  expect(await a.until(/for one/)).not.toContain('sealed');
  await post(app, 'cccc', frame({ d: 'elsewhere' }), 'q'.repeat(43));
  await post(app, 'aaaa', frame({ d: 'last' }));
  expect(await b.until(/last/)).not.toContain('elsewhere');
  for (const x of [a, b, c]) await x.close();
});

it('one line hears all rooms of a device, each by its name; too many or none are refused', async () => {
  const app = relay();
  const other = 'q'.repeat(43);
  const [a, b] = [await listen(app, 'aaaa', `${room}.${other}`), await listen(app, 'bbbb', `${room}.${other}`)];
  await post(app, 'bbbb', frame({ d: 'in one' }));
  await post(app, 'bbbb', frame({ d: 'in the other' }), other);
  const heard = await a.until(/in the other/);
  expect(heard).toContain(`"room":"${room}","from":"bbbb","to":"*","m":"m1","i":0,"n":1,"d":"in one"`);
  expect(heard).toContain(`"room":"${other}"`);
  const many = Array.from({ length: 25 }, (_, i) => String(i).padStart(43, 'x')).join('.');
  for (const bad of ['', 'short', many]) expect((await listen(app, 'cccc', bad)).status).toBe(400);
  for (const x of [a, b]) await x.close();
});

it('keeps what a device missed that was here lately, within its bound, and gives it when it is back', async () => {
  let now = 0;
  const app = relay(() => now, { ...relayLimits, waitingBytes: 400 });
  const a = await listen(app, 'aaaa');
  const b = await listen(app, 'bbbb');
  await b.close();
  await new Promise((r) => setTimeout(r, 20));
  for (let i = 0; i < 20; i++) await post(app, 'aaaa', frame({ d: `number ${i}.` }));
  const again = await listen(app, 'bbbb');
  await post(app, 'aaaa', frame({ d: 'now' }));
  const heard = await again.until(/"now"/);
  expect(heard).toContain('number 0.');
  expect(heard).not.toContain('number 19.');
  await again.close();
  await new Promise((r) => setTimeout(r, 20));
  now += relayLimits.waitingMs + 1;
  // a day later it is a stranger, and nothing waits for it
  const later = await listen(app, 'cccc');
  await post(app, 'aaaa', frame({ d: 'tomorrow' }));
  const late = await listen(app, 'bbbb');
  await post(app, 'aaaa', frame({ d: 'end' }));
  expect(await late.until(/"end"/)).not.toContain('tomorrow');
  for (const x of [a, late, later]) await x.close();
});

it('refuses who does not listen, what is no frame, names that are none, too much at once, and a full house', async () => {
  let now = 0;
  const app = relay(() => now, { ...relayLimits, burst: 3, perSecond: 1, rooms: 2, members: 2 });
  expect((await post(app, 'aaaa', frame())).status).toBe(403);
  const a = await listen(app, 'aaaa');
  for (const bad of ['not json', frame({ to: '../x' }), frame({ i: -1 }), frame({ d: 'x'.repeat(60_001) })]) {
    now += 5000;
    const res = await post(app, 'aaaa', bad);
    expect(res.status).toBe(400);
    expect(((await res.json()) as { error: string }).error).toMatch(/^frame: /);
  }
  expect((await post(app, 'x', frame())).status).toBe(400);
  expect((await post(app, 'aaaa', frame(), 'short')).status).toBe(400);
  now += 10_000;
  const answers = [];
  for (let i = 0; i < 5; i++) answers.push((await post(app, 'aaaa', frame())).status);
  expect(answers).toEqual([200, 200, 200, 429, 429]);
  const b = await listen(app, 'bbbb');
  expect((await listen(app, 'cccc')).status).toBe(503);
  const other = await listen(app, 'aaaa', 'q'.repeat(43));
  expect((await listen(app, 'aaaa', 's'.repeat(43))).status).toBe(503);
  for (const x of [a, b, other]) await x.close();
});
