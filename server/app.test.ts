import { mkdtempSync, mkdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { createApp } from './app';

const root = mkdtempSync(path.join(tmpdir(), 'northcove-'));
mkdirSync(path.join(root, '_expo', 'static'), { recursive: true });
mkdirSync(path.join(root, 'modes'));
writeFileSync(path.join(root, 'index.html'), '<html>the app</html>');
writeFileSync(path.join(root, '_expo', 'static', 'entry-abc.js'), 'let a');
writeFileSync(path.join(root, 'modes', 'x.json'), '{}');
const app = createApp({ root, demo: true });
const get = (url: string) => app.request(`http://localhost${url}`);

it('answers deep links with the application, and missing files with 404', async () => {
  for (const url of ['/', '/jobs/demo-0142/heat', '/shop']) {
    const r = await get(url);
    expect(r.status).toBe(200);
    expect(await r.text()).toContain('the app');
  }
  expect((await get('/nothing.js')).status).toBe(404);
  expect((await get('/api/nothing')).status).toBe(404);
});

it('sends a content security policy without any remote origin, and the usual headers', async () => {
  const r = await get('/');
  const policy = r.headers.get('content-security-policy')!;
  const sources = policy.split(';').flatMap((d) => d.trim().split(/\s+/).slice(1));
  expect(new Set(sources)).toEqual(new Set(["'none'", "'self'", "'unsafe-inline'", 'data:', 'blob:']));
  expect(policy).toMatch(/default-src 'none'/);
  expect(policy).toMatch(/script-src 'self'(;|$)/);
  expect(policy).toMatch(/worker-src 'self'(;|$)/);
  expect(r.headers.get('x-frame-options')).toBe('DENY');
  expect(r.headers.get('referrer-policy')).toBe('no-referrer');
  expect(r.headers.get('x-content-type-options')).toBe('nosniff');
});

it('named files may be kept for ever, the page itself not', async () => {
  expect((await get('/_expo/static/entry-abc.js')).headers.get('cache-control')).toContain('immutable');
  expect((await get('/modes/x.json')).headers.get('cache-control')).toContain('immutable');
  expect((await get('/')).headers.get('cache-control')).toBe('no-cache');
});

it('says whether a first start gets the demo shop', async () => {
  expect(await (await get('/api/config')).json()).toEqual({ demo: true });
  expect(await (await createApp({ root, demo: false }).request('http://localhost/api/config')).json()).toEqual({
    demo: false,
  });
  expect(await (await get('/api/health')).json()).toEqual({ ok: true });
});
