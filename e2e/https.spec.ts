import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { request } from 'node:http';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { chromium, expect, test, type BrowserContext } from '@playwright/test';

const freePort = () =>
  new Promise<number>((done) => {
    const s = createServer().listen(0, () => {
      const { port } = s.address() as { port: number };
      s.close(() => done(port));
    });
  });

const get = (port: number, at: string) =>
  new Promise<{ status: number; body: string; type: string }>((done, fail) => {
    request({ host: '127.0.0.1', port, path: at, headers: { 'accept-language': 'es' } }, (r) => {
      let body = '';
      r.on('data', (d: Buffer) => (body += d.toString()));
      r.on('end', () => done({ status: r.statusCode ?? 0, body, type: r.headers['content-type'] ?? '' }));
    })
      .on('error', fail)
      .end();
  });

let server: ChildProcess;
let home: string;
let ports: { secure: number; plain: number };
let said = '';
test.beforeAll(async () => {
  home = mkdtempSync(path.join(tmpdir(), 'https-'));
  ports = { secure: await freePort(), plain: await freePort() };
  server = spawn(process.execPath, ['--import', 'tsx', 'server/shop.ts'], {
    env: {
      ...process.env,
      SHOP_FOLDER: path.join(home, 'private'),
      PORT: String(ports.secure),
      PLAIN_PORT: String(ports.plain),
      HOST: '127.0.0.1',
    },
  });
  server.stdout!.on('data', (d: Buffer) => (said += d.toString()));
  await expect.poll(() => said, { timeout: 30_000 }).toContain('Northcove:');
});
test.afterAll(() => {
  server.kill();
  rmSync(home, { recursive: true, force: true });
});

/** A browser of somebody whose phone trusts the root that was loaded from the welcome page. */
async function trusting(root: string): Promise<BrowserContext> {
  const db = path.join(home, '.pki', 'nssdb');
  mkdirSync(db, { recursive: true });
  const at = `sql:${db}`;
  const file = path.join(home, 'root.crt');
  execFileSync('certutil', ['-N', '-d', at, '--empty-password']);
  execFileSync('tee', [file], { input: root, stdio: ['pipe', 'ignore', 'inherit'] });
  execFileSync('certutil', ['-A', '-d', at, '-t', 'C,,', '-n', 'shop', '-i', file]);
  return chromium.launchPersistentContext(path.join(home, 'profile'), {
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox'],
    env: { ...process.env, HOME: home } as Record<string, string>,
    viewport: { width: 390, height: 844 },
    serviceWorkers: 'allow',
  });
}

test('phones load the root, trust it, and have a secure page: installable, offline, awake, camera', async () => {
  expect(said).toContain(`http://`);
  expect(statSync(path.join(home, 'private')).mode & 0o777).toBe(0o700);
  const welcome = await get(ports.plain, '/');
  expect(welcome.status).toBe(200);
  expect(welcome.body).toContain('Northcove en este teléfono');
  const root = await get(ports.plain, '/root.crt');
  expect(root.type).toContain('application/x-x509-ca-cert');
  expect(root.body).toBe(readFileSync(path.join(home, 'private', 'root.crt.pem'), 'utf8'));
  // nothing of the shop itself over plain http, and no key
  for (const at of ['/index.html', '/api/config', '/own.key.pem', '/../private/own.key.pem'])
    expect((await get(ports.plain, at)).status).toBe(404);

  const stranger = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox'],
  });
  const refused = await (await stranger.newPage()).goto(`https://localhost:${ports.secure}/`).then(
    () => 'served',
    (e: Error) => e.message,
  );
  expect(refused).toContain('ERR_CERT_AUTHORITY_INVALID');
  await stranger.close();

  const context = await trusting(root.body);
  const address = `https://localhost:${ports.secure}`;
  await context.grantPermissions(['camera'], { origin: address });
  const page = context.pages()[0] ?? (await context.newPage());
  await page.goto(`${address}/`);
  await expect(page.getByText('Nothing on the bench')).toBeVisible({ timeout: 30_000 });
  const can = await page.evaluate(async () => ({
    secure: isSecureContext,
    awake: 'wakeLock' in navigator,
    camera: typeof navigator.mediaDevices?.getUserMedia === 'function',
    allowed: (await navigator.permissions.query({ name: 'camera' as PermissionName })).state,
    persists: typeof navigator.storage?.persist === 'function',
    worker: (await navigator.serviceWorker.ready).active !== null,
    manifest: await fetch(document.querySelector<HTMLLinkElement>('link[rel=manifest]')!.href).then((r) => r.json()),
  }));
  expect(can).toMatchObject({
    secure: true,
    awake: true,
    camera: true,
    allowed: 'granted',
    persists: true,
    worker: true,
  });
  const sizes = (can.manifest as { icons: { sizes: string }[]; display: string }).icons.map((i) => i.sizes);
  expect(sizes).toEqual(expect.arrayContaining(['192x192', '512x512']));

  // the offline copy is there once the worker has it: then the server goes
  await expect
    .poll(() => page.evaluate(async () => (await caches.keys()).length), { timeout: 60_000 })
    .toBeGreaterThan(0);
  await expect
    .poll(() => page.evaluate(async () => (await caches.match('/index.html', { ignoreSearch: true })) !== undefined), {
      timeout: 60_000,
    })
    .toBe(true);
  server.kill();
  await context.setOffline(true);
  await page.goto(`${address}/shop`);
  await expect(page.getByRole('heading', { name: 'Shop', level: 1 })).toBeVisible({ timeout: 30_000 });
  await context.close();
});
