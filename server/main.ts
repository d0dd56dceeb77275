import { serve } from '@hono/node-server';

import { createApp } from './app';
import { limits } from './limits';

const wanted = Number(process.env.PORT ?? 8787);
const root = process.env.WEB_ROOT ?? './dist';
const app = createApp({
  root,
  demo: process.env.DEMO === '1',
  hosts: (process.env.ALLOWED_HOSTS ?? '').split(','),
});

/** Listens at the wanted port, or at a free one when it is taken and the caller did not insist. */
function listen(port: number): void {
  const server = serve(
    { fetch: app.fetch, port, hostname: process.env.HOST ?? '127.0.0.1', serverOptions: limits },
    (info) => {
      console.log(`Northcove is at http://127.0.0.1:${info.port}`);
    },
  );
  server.on('error', (e: NodeJS.ErrnoException) => {
    if (e.code !== 'EADDRINUSE' || process.env.STRICT_PORT === '1' || port === 0) throw e;
    console.log(`Port ${port} is taken, looking for a free one`);
    listen(0);
  });
  for (const s of ['SIGINT', 'SIGTERM'] as const)
    process.on(s, () => {
      server.close(() => process.exit(0));
      if ('closeAllConnections' in server) server.closeAllConnections();
    });
}

listen(wanted);
