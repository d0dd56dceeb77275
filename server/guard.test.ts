import { request } from 'node:http';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { serve } from '@hono/node-server';

import { createApp } from './app';
import { mostBodyBytes, ownHosts } from './guard';

const root = mkdtempSync(path.join(tmpdir(), 'northcove-guard-'));
writeFileSync(path.join(root, 'index.html'), '<html>the app</html>');
mkdirSync(path.join(root, 'modes'));
const app = createApp({ root, demo: false, hosts: ['bench.example'] });

let server: ReturnType<typeof serve>;
let port = 0;
beforeAll(
  () =>
    new Promise<void>((done) => {
      server = serve({ fetch: app.fetch, port: 0, hostname: '127.0.0.1' }, (info: AddressInfo) => {
        port = info.port;
        done();
      });
    }),
);
afterAll(() => void server.close());

/** A request as a browser or anything else would send it, with the headers given. */
const send = (method: string, url: string, headers: Record<string, string>, body = '') =>
  new Promise<{ status: number; text: string }>((done, fail) => {
    const r = request({ host: '127.0.0.1', port, method, path: url, headers }, (answer) => {
      let text = '';
      answer.on('data', (d: Buffer) => (text += d.toString()));
      answer.on('end', () => done({ status: answer.statusCode ?? 0, text }));
    });
    r.on('error', fail);
    r.end(body);
  });
const json = { 'content-type': 'application/json' };
const own = () => ({ origin: `http://127.0.0.1:${port}` });
const foreign = () => ({ origin: `http://127.0.0.1:${port + 1}` });
const heat = '{"heating":true,"setC":250}';
const control = '/api/instruments/control';

it('a page of another origin, also of another port of this machine, changes nothing and reads nothing', async () => {
  expect((await send('POST', control, { ...json, ...foreign() }, heat)).status).toBe(403);
  expect((await send('POST', control, { ...json, origin: 'null' }, heat)).status).toBe(403);
  expect((await send('POST', control, { ...json, 'sec-fetch-site': 'cross-site' }, heat)).status).toBe(403);
  expect((await send('POST', control, { ...json, 'sec-fetch-site': 'same-site' }, heat)).status).toBe(403);
  expect((await send('POST', control, json, heat)).status).toBe(403);
  const about = await send('GET', '/api/instruments', foreign());
  expect(about.status).toBe(403);
  expect(about.text).not.toContain('token');
  expect((await send('GET', '/api/instruments/stream', { 'sec-fetch-site': 'cross-site' })).status).toBe(403);
});

it('a form or a request without a preflight is no JSON, and is refused even from here', async () => {
  for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x'])
    expect((await send('POST', control, { ...own(), 'content-type': type }, heat)).status).toBe(415);
});

it('the own page gets the token and heats with it', async () => {
  const { token } = JSON.parse((await send('GET', '/api/instruments', own())).text) as { token: string };
  expect((await send('POST', control, { ...own(), ...json }, '{"heating":false}')).status).toBe(403);
  // there is no model of a device in this folder: past the guard, that is what it says
  const r = await send('POST', control, { ...own(), ...json, 'x-bench-token': token }, '{"heating":false}');
  expect([200, 503]).toContain(r.status);
});

it('a name that is not this machine is not served, however it was made to point here', async () => {
  for (const host of ['evil.example', `evil.example:${port}`, '127.0.0.1.evil.example'])
    expect((await send('GET', '/', { host })).status).toBeGreaterThanOrEqual(400);
  for (const host of [`127.0.0.1:${port}`, `localhost:${port}`, 'bench.example'])
    expect((await send('GET', '/', { host })).status).toBe(200);
  expect(ownHosts().has('127.0.0.1')).toBe(true);
});

it('a body over 64 KB is refused', async () => {
  const big = JSON.stringify({ fault: 'x'.repeat(mostBodyBytes) });
  expect((await send('POST', '/api/instruments/simulation', { ...own(), ...json }, big)).status).toBe(413);
});
