import { readFileSync } from 'node:fs';
import path from 'node:path';

import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';
import { secureHeaders } from 'hono/secure-headers';

import { knownHost, ownHosts, ownOrigin, smallBody } from './guard';
import { instruments } from './instruments';
import { relay } from './relay';

export interface ServerOptions {
  /** folder of the exported application */
  root: string;
  /** a browser that starts for the first time gets the demo shop */
  demo: boolean;
  /** further names under which this machine is reached */
  hosts?: readonly string[];
}

/** Serves the built application with security headers; no remote origin is allowed anywhere. */
export function createApp({ root, demo, hosts }: ServerOptions): Hono {
  const app = new Hono();
  app.use(knownHost(ownHosts(hosts)));
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'none'"],
        scriptSrc: ["'self'"],
        workerSrc: ["'self'"],
        connectSrc: ["'self'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        mediaSrc: ['blob:'],
        fontSrc: ["'self'"],
        // react-native-web and the fonts insert style elements
        styleSrc: ["'self'", "'unsafe-inline'"],
        manifestSrc: ["'self'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
        objectSrc: ["'none'"],
      },
      strictTransportSecurity: false,
      crossOriginEmbedderPolicy: false,
      crossOriginOpenerPolicy: 'same-origin',
      crossOriginResourcePolicy: 'same-origin',
      referrerPolicy: 'no-referrer',
      xFrameOptions: 'DENY',
      permissionsPolicy: { camera: ['self'], microphone: ['self'], geolocation: [], screenWakeLock: ['self'] },
    }),
  );

  app.use('/api/*', ownOrigin, smallBody);
  app.get('/api/health', (c) => c.json({ ok: true }));
  app.get('/api/config', (c) => c.json({ demo }));
  app.route('/api/instruments', instruments(path.join(root, 'modes')));
  app.route('/api/relay', relay());
  app.all('/api/*', (c) => c.json({ error: 'not found' }, 404));

  // files whose name changes with their content may be kept for ever, everything else is asked for again
  app.use(async (c, next) => {
    await next();
    const named =
      /^\/(_expo\/static|modes)\/|\.[0-9a-f]{32}\.(ttf|woff2|png)$/.test(c.req.path) && c.res.status === 200;
    c.res.headers.set('Cache-Control', named ? 'public, max-age=31536000, immutable' : 'no-cache');
  });
  app.use('*', serveStatic({ root, precompressed: true }));

  const index = readFileSync(path.join(root, 'index.html'), 'utf8');
  app.get('*', (c) => {
    if (/\.[a-z0-9]{1,12}$/i.test(c.req.path)) return c.text('not found', 404);
    return c.html(index);
  });
  return app;
}
