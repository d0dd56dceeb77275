/** @jest-environment node */
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, get } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { X509Certificate } from 'node:crypto';

import { certificatesIn, FolderError } from './certificates';

const dayMs = 86_400_000;
const now = Date.UTC(2026, 3, 14);
const folders: string[] = [];
const folder = () => {
  const f = path.join(mkdtempSync(path.join(tmpdir(), 'shop-')), 'private');
  folders.push(f);
  return f;
};
afterAll(() => folders.forEach((f) => rmSync(path.dirname(f), { recursive: true, force: true })));
const mode = (f: string) => statSync(f).mode & 0o777;

it('is made once, kept where nobody else reads it, and the root signs what the server shows', async () => {
  const f = folder();
  const a = await certificatesIn(f, ['127.0.0.1', 'bench.local'], now);
  expect(a.made).toBe('all');
  expect(mode(f)).toBe(0o700);
  for (const k of ['root.key.pem', 'own.key.pem']) expect(mode(path.join(f, k))).toBe(0o600);
  // checked by another library: the one that Node itself is built on
  const [own, root] = [new X509Certificate(a.cert), new X509Certificate(a.root)];
  expect(own.verify(root.publicKey)).toBe(true);
  expect(own.checkIssued(root)).toBe(true);
  expect(root.ca).toBe(true);
  expect(own.ca).toBe(false);
  expect(own.checkIP('127.0.0.1')).toBe('127.0.0.1');
  expect(own.checkHost('bench.local')).toBe('bench.local');
  expect(own.checkHost('other.local')).toBeUndefined();
  expect(a.fingerprint).toBe(root.fingerprint256);
  expect(Date.parse(own.validTo) - now).toBeLessThanOrEqual(397 * dayMs);

  const b = await certificatesIn(f, ['127.0.0.1', 'bench.local'], now + dayMs);
  expect(b).toEqual({ ...a, made: 'nothing' });
});

it('is renewed before it ends and for a new address; phones go on trusting the root', async () => {
  const f = folder();
  const a = await certificatesIn(f, ['192.168.1.20'], now);
  const moved = await certificatesIn(f, ['192.168.1.31'], now);
  expect(moved.made).toBe('own');
  expect(moved.root).toBe(a.root);
  expect(new X509Certificate(moved.cert).checkIP('192.168.1.31')).toBe('192.168.1.31');
  const later = await certificatesIn(f, ['192.168.1.31'], now + 370 * dayMs);
  expect(later.made).toBe('own');
  expect(later.root).toBe(a.root);
  // ten years on the root itself has to be trusted anew
  expect((await certificatesIn(f, ['192.168.1.31'], now + 3640 * dayMs)).made).toBe('all');
});

it('a browser that trusts the root is served, one that does not is not', async () => {
  const c = await certificatesIn(folder(), ['127.0.0.1'], Date.now());
  const server = createServer({ key: c.key, cert: c.cert }, (_, r) => void r.end('ok')).listen(0, '127.0.0.1');
  await new Promise((done) => server.once('listening', done));
  const { port } = server.address() as AddressInfo;
  const ask = (ca?: string) =>
    new Promise<string>((done) => {
      get({ host: '127.0.0.1', port, ca, agent: false }, (r) => {
        r.resume();
        done(String(r.statusCode));
      }).on('error', (e: NodeJS.ErrnoException) => done(e.code ?? 'error'));
    });
  expect(await ask(c.root)).toBe('200');
  expect(await ask()).toMatch(/UNABLE_TO_VERIFY|SELF_SIGNED/);
  await new Promise((done) => server.close(done));
});

it('a folder that is none is named, with what helps', async () => {
  const f = folder();
  const file = path.dirname(f);
  writeFileSync(path.join(file, 'taken'), 'x');
  await expect(certificatesIn(path.join(file, 'taken', 'inside'), ['127.0.0.1'], now)).rejects.toThrow(FolderError);
  await expect(certificatesIn(path.join(file, 'taken', 'inside'), ['127.0.0.1'], now)).rejects.toThrow(/SHOP_FOLDER=/);
  expect(readFileSync(path.join(file, 'taken'), 'utf8')).toBe('x');
});
