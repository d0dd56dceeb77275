import { createHash } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

import 'reflect-metadata';
import * as x509 from '@peculiar/x509';

/** What the shop's server shows itself with, and what a phone has to trust for it. PEM. */
export interface Certificates {
  key: string;
  cert: string;
  root: string;
  /** SHA-256 of the root, as a phone shows it when it asks */
  fingerprint: string;
  /** what was done on this start */
  made: 'all' | 'own' | 'nothing';
}

/** The folder of the certificates cannot be used; says which one and what helps. */
export class FolderError extends Error {
  constructor(folder: string, why: string) {
    super(
      `The folder for the certificates cannot be written: ${folder} (${why}). Give this account the right to write there, or name another folder: SHOP_FOLDER=/path npm run shop`,
    );
  }
}

const dayMs = 86_400_000;
/** Browsers refuse a certificate that lasts longer than 398 days (published: CA/Browser Forum ballot SC31). */
const ownDays = 397;
const rootDays = 3650;
/** It is made anew this long before it ends. */
const renewDays = 30;
const algorithm = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;

const keysOf = () => crypto.subtle.generateKey(algorithm, true, ['sign', 'verify']) as Promise<CryptoKeyPair>;

async function pemOf(key: CryptoKey): Promise<string> {
  const raw = await crypto.subtle.exportKey('pkcs8', key);
  return x509.PemConverter.encode(raw, 'PRIVATE KEY');
}
const keyFrom = (pem: string) =>
  crypto.subtle.importKey('pkcs8', x509.PemConverter.decode(pem)[0]!, algorithm, true, ['sign']);

/** Twenty bytes, the first of them positive (RFC 5280, 4.1.2.2). */
function serial(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(20));
  bytes[0]! &= 0x7f;
  bytes[0]! |= 0x01;
  return Buffer.from(bytes).toString('hex');
}

const isAddress = (host: string) => /^[\d.]+$/.test(host) || host.includes(':');

async function makeRoot(now: number) {
  const keys = await keysOf();
  const cert = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: 'CN=Northcove of this shop',
    notBefore: new Date(now - dayMs),
    notAfter: new Date(now + rootDays * dayMs),
    signingAlgorithm: algorithm,
    keys,
    extensions: [
      // it signs what this server shows and nothing below it
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  return { key: await pemOf(keys.privateKey), cert: cert.toString('pem') };
}

async function makeOwn(root: { key: string; cert: string }, hosts: readonly string[], now: number) {
  const issuer = new x509.X509Certificate(root.cert);
  const keys = await keysOf();
  const cert = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: 'CN=Northcove',
    issuer: issuer.subject,
    notBefore: new Date(now - dayMs),
    notAfter: new Date(Math.min(now + ownDays * dayMs, issuer.notAfter.getTime())),
    signingAlgorithm: algorithm,
    publicKey: keys.publicKey,
    signingKey: await keyFrom(root.key),
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        hosts.map((h) => ({ type: isAddress(h) ? ('ip' as const) : ('dns' as const), value: h })),
      ),
      await x509.AuthorityKeyIdentifierExtension.create(issuer.publicKey),
    ],
  });
  return { key: await pemOf(keys.privateKey), cert: cert.toString('pem') };
}

/** Is it still good for these names, for some time to come. */
function good(pem: string, hosts: readonly string[], now: number): boolean {
  const cert = new x509.X509Certificate(pem);
  const names = cert.getExtension(x509.SubjectAlternativeNameExtension)?.names.items.map((n) => n.value) ?? [];
  return cert.notAfter.getTime() - now > renewDays * dayMs && hosts.every((h) => names.includes(h));
}

/**
 * The certificates of this shop: made on the first start and kept in a folder that only this account can read; renewed before they
 * end and when the machine has got another address. The root stays, so that phones that trust it go on doing so.
 * @param hosts names and addresses under which phones reach this machine
 * @throws FolderError
 */
export async function certificatesIn(
  folder: string,
  hosts: readonly string[],
  now: number = Date.now(),
): Promise<Certificates> {
  const file = (name: string) => path.join(folder, name);
  const read = (name: string) => (existsSync(file(name)) ? readFileSync(file(name), 'utf8') : null);
  const write = (name: string, text: string, mode: number) => {
    writeFileSync(file(name), text, { mode });
    // a file that was there keeps its rights otherwise
    chmodSync(file(name), mode);
  };
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    chmodSync(folder, 0o700);
    let made: Certificates['made'] = 'nothing';
    let [rootKey, rootCert] = [read('root.key.pem'), read('root.crt.pem')];
    const lasts = rootCert && new x509.X509Certificate(rootCert).notAfter.getTime() - now > renewDays * dayMs;
    if (!rootKey || !rootCert || !lasts) {
      const root = await makeRoot(now);
      [rootKey, rootCert] = [root.key, root.cert];
      write('root.key.pem', rootKey, 0o600);
      write('root.crt.pem', rootCert, 0o644);
      made = 'all';
    }
    let [key, cert] = [read('own.key.pem'), read('own.crt.pem')];
    if (!key || !cert || made === 'all' || !good(cert, hosts, now)) {
      const own = await makeOwn({ key: rootKey, cert: rootCert }, hosts, now);
      [key, cert] = [own.key, own.cert];
      write('own.key.pem', key, 0o600);
      write('own.crt.pem', cert, 0o644);
      if (made === 'nothing') made = 'own';
    }
    const raw = new x509.X509Certificate(rootCert).rawData;
    const hash = createHash('sha256').update(Buffer.from(raw)).digest('hex').toUpperCase();
    return { key, cert, root: rootCert, fingerprint: hash.match(/../g)!.join(':'), made };
  } catch (e) {
    const code = (e as NodeJS.ErrnoException).code;
    if (code === 'EACCES' || code === 'EROFS' || code === 'ENOTDIR' || code === 'EEXIST' || code === 'EPERM')
      throw new FolderError(folder, code);
    throw e;
  }
}
