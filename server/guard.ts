import { hostname, networkInterfaces } from 'node:os';

import type { MiddlewareHandler } from 'hono';
import { bodyLimit } from 'hono/body-limit';

/** What an instrument or a form of the page sends is small, bytes. */
export const mostBodyBytes = 64 * 1024;

/** Names and addresses under which this machine is reached by itself and by phones on the same network. */
export function ownHosts(more: readonly string[] = []): Set<string> {
  const addresses = Object.values(networkInterfaces()).flatMap((list) => (list ?? []).map((a) => a.address));
  const name = hostname().toLowerCase();
  return new Set(
    [
      'localhost',
      '127.0.0.1',
      '::1',
      name,
      `${name}.local`,
      ...addresses,
      ...more.map((h) => h.trim().toLowerCase()),
    ].filter(Boolean),
  );
}

/** Host name without port and brackets; null when it is none. */
function nameOf(host: string): string | null {
  try {
    return new URL(`http://${host}`).hostname.replace(/^\[|\]$/g, '').toLowerCase();
  } catch {
    return null;
  }
}

const hostOf = (c: { req: { header: (n: string) => string | undefined; url: string } }): string =>
  c.req.header('host') ?? new URL(c.req.url).host;

/** A page of another name that was made to point here is not served: only names that are this machine's. */
export const knownHost =
  (hosts: ReadonlySet<string>): MiddlewareHandler =>
  async (c, next) => {
    const name = nameOf(hostOf(c));
    if (name === null || !hosts.has(name)) return c.text('this address is not served here', 421);
    await next();
  };

/** Was this sent by a page that this server itself has served. */
function ownPage(c: Parameters<MiddlewareHandler>[0]): boolean | null {
  const origin = c.req.header('origin');
  if (origin !== undefined) {
    try {
      return new URL(origin).host === hostOf(c);
    } catch {
      return false;
    }
  }
  const site = c.req.header('sec-fetch-site');
  return site === undefined ? null : site === 'same-origin' || site === 'none';
}

/**
 * What changes something comes from a page of this server, as JSON; reading is refused to pages of other origins. Requests
 * of no browser (neither Origin nor Sec-Fetch-Site) may read and may not change.
 */
export const ownOrigin: MiddlewareHandler = async (c, next) => {
  const own = ownPage(c);
  const changes = !['GET', 'HEAD'].includes(c.req.method);
  if (own === false || (changes && own === null)) return c.json({ error: 'origin: only pages of this server' }, 403);
  if (changes && !/^application\/json(;|$)/i.test(c.req.header('content-type') ?? ''))
    return c.json({ error: 'content-type: application/json is expected' }, 415);
  await next();
};

export const smallBody = bodyLimit({
  maxSize: mostBodyBytes,
  onError: (c) => c.json({ error: `body: up to ${mostBodyBytes / 1024} KB` }, 413),
});
