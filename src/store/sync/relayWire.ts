import { z } from 'zod';

import type { Wire } from './link';

const frameSchema = z.object({
  from: z.string().max(80),
  to: z.string().max(80),
  m: z.string().max(80),
  i: z.number().int(),
  n: z.number().int(),
  d: z.string().max(64_000),
});

const firstWaitMs = 1000;
const longestWaitMs = 60_000;

const address = (room: string, me: string) => `/api/relay/${room}/${me}`;

/** The server that this page came from passes frames on. A line that breaks is tried again, later each time. */
export const relayWire: Wire = {
  open(room, me, heard, up) {
    let source: EventSource | null = null;
    let timer: ReturnType<typeof setTimeout> | null = null;
    let waitMs = firstWaitMs;
    const connect = () => {
      timer = null;
      source = new EventSource(address(room, me));
      source.onopen = () => {
        waitMs = firstWaitMs;
        up(true);
      };
      source.onmessage = (e: MessageEvent<string>) => {
        let data: unknown;
        try {
          data = JSON.parse(e.data);
        } catch {
          return;
        }
        const read = frameSchema.safeParse(data);
        if (read.success) heard(read.data);
      };
      source.onerror = () => {
        down(waitMs);
        waitMs = Math.min(longestWaitMs, waitMs * 2);
      };
    };
    const down = (forMs: number) => {
      up(false);
      source?.close();
      source = null;
      if (timer !== null) clearTimeout(timer);
      timer = setTimeout(connect, forMs);
    };
    // an open line says nothing for minutes when its network goes
    const off = () => down(longestWaitMs);
    // back on the network, or looked at again: at once
    const again = () => {
      if (timer === null || document.visibilityState === 'hidden') return;
      clearTimeout(timer);
      connect();
    };
    connect();
    window.addEventListener('offline', off);
    window.addEventListener('online', again);
    document.addEventListener('visibilitychange', again);
    return () => {
      window.removeEventListener('offline', off);
      window.removeEventListener('online', again);
      document.removeEventListener('visibilitychange', again);
      if (timer !== null) clearTimeout(timer);
      source?.close();
    };
  },
  async post(room, me, frame) {
    for (let i = 0; ; i++) {
      const sent = await fetch(address(room, me), {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(frame),
        signal: AbortSignal.timeout(10_000),
      });
      if (sent.ok) return;
      // too much at once: a little later
      if (sent.status !== 429 || i >= 8) throw new Error(`the relay answered ${sent.status}`);
      await new Promise((r) => setTimeout(r, 250 * (i + 1)));
    }
  },
};
