// Serves a shop over https to the phones of its network, with a certificate of its own that they trust once.
import { createServer as createHttps } from 'node:https';
import { homedir, hostname, networkInterfaces } from 'node:os';
import path from 'node:path';

import { serve } from '@hono/node-server';
import QRCode from 'qrcode';

import { createApp } from './app';
import { certificatesIn, FolderError } from './certificates';
import { limits } from './limits';
import { welcomeApp } from './welcome';

const folder = process.env.SHOP_FOLDER ?? path.join(homedir(), '.northcove');
const more = (process.env.ALLOWED_HOSTS ?? '').split(',').filter(Boolean);
const securePort = Number(process.env.PORT ?? 8443);
const plainPort = Number(process.env.PLAIN_PORT ?? 8080);
const bind = process.env.HOST ?? '0.0.0.0';

/** Addresses of this machine in its networks, the ones that phones are told first. */
const addresses = Object.values(networkInterfaces())
  .flatMap((list) => list ?? [])
  .filter((a) => a.family === 'IPv4' && !a.internal)
  .map((a) => a.address);
const names = [
  ...addresses,
  `${hostname()
    .toLowerCase()
    .replace(/\.local$/, '')}.local`,
  'localhost',
  '127.0.0.1',
  ...more,
];
const first = addresses[0] ?? '127.0.0.1';

/** Listens, or says which port is taken and how to name another one. */
function listening(what: Parameters<typeof serve>[0], variable: string): void {
  serve(what).on('error', (e: NodeJS.ErrnoException) => {
    if (e.code !== 'EADDRINUSE' && e.code !== 'EACCES') throw e;
    console.error(
      `Port ${what.port} ${e.code === 'EACCES' ? 'is not allowed for this account' : 'is taken'}. Name another one: ${variable}=${(what.port ?? 0) + 1} npm run shop`,
    );
    process.exit(1);
  });
}

async function start(): Promise<void> {
  const own = await certificatesIn(folder, [...new Set(names)]);
  const address = `https://${first}:${securePort}/`;
  const app = createApp({ root: process.env.WEB_ROOT ?? './dist', demo: process.env.DEMO === '1', hosts: names });
  listening(
    {
      fetch: app.fetch,
      port: securePort,
      hostname: bind,
      createServer: createHttps,
      serverOptions: { ...limits, key: own.key, cert: own.cert },
    },
    'PORT',
  );
  const welcome = welcomeApp({ address, root: own.root, fingerprint: own.fingerprint, hosts: names });
  listening({ fetch: welcome.fetch, port: plainPort, hostname: bind, serverOptions: limits }, 'PLAIN_PORT');
  const door = `http://${first}:${plainPort}/`;
  console.log(await QRCode.toString(door, { type: 'terminal', small: true }));
  console.log(`Phones, once:   ${door}   (certificate ${own.fingerprint.slice(0, 23)}…)`);
  console.log(`Northcove:      ${address}`);
  console.log(`Private folder: ${folder} (${{ all: 'made now', own: 'renewed', nothing: 'as it was' }[own.made]})`);
  for (const s of ['SIGINT', 'SIGTERM'] as const) process.on(s, () => process.exit(0));
}

start().catch((e: unknown) => {
  console.error(e instanceof FolderError ? e.message : e);
  process.exit(1);
});
