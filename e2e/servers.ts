import { existsSync } from 'node:fs';

/** How many tests run at once, each with a server of its own: what two cores carry. */
export const workers = Math.max(1, Number(process.env.E2E_WORKERS ?? 2));

export const portOf = (worker: number): number => Number(process.env.E2E_PORT ?? 8799) + worker;

/** The browser without windows where it is there: it draws the same in three quarters of the time. */
export const chromium =
  process.env.CHROMIUM ??
  ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((p) => existsSync(p)) ??
  '/usr/bin/chromium';
