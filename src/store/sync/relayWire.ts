import { z } from 'zod';

import type { HeardFrame, Wire } from './link';

const frameSchema = z.object({
  room: z.string().max(80),
  from: z.string().max(80),
  to: z.string().max(80),
  m: z.string().max(80),
  i: z.number().int(),
  n: z.number().int(),
  d: z.string().max(64_000),
});

const firstWaitMs = 1000;
const longestWaitMs = 60_000;
/** Rooms that are opened together get one line. */
const gatherMs = 30;

interface Listener {
  heard: (f: HeardFrame) => void;
  up: (is: boolean) => void;
  isUp: boolean;
}

/**
 * The open line of one device: a browser opens six connections to a server, so all its rooms share one. A line that breaks is
 * tried again, later each time; back on the network or looked at again, at once.
 */
class Line {
  private readonly rooms = new Map<string, Listener>();
  private source: EventSource | null = null;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private waitMs = firstWaitMs;

  constructor(private readonly me: string) {
    window.addEventListener('offline', this.off);
    window.addEventListener('online', this.again);
    document.addEventListener('visibilitychange', this.again);
  }

  add(room: string, listener: Listener): void {
    this.rooms.set(room, listener);
    this.later(gatherMs);
  }

  /** @returns true when nobody listens any more */
  remove(room: string): boolean {
    this.rooms.delete(room);
    if (this.rooms.size) {
      this.later(gatherMs);
      return false;
    }
    window.removeEventListener('offline', this.off);
    window.removeEventListener('online', this.again);
    document.removeEventListener('visibilitychange', this.again);
    if (this.timer !== null) clearTimeout(this.timer);
    this.source?.close();
    return true;
  }

  private later(ms: number): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = setTimeout(() => this.connect(), ms);
  }

  private connect(): void {
    this.timer = null;
    this.source?.close();
    const names = [...this.rooms.keys()];
    const source = new EventSource(`/api/relay/${this.me}?rooms=${names.join('.')}`);
    this.source = source;
    source.onopen = () => {
      this.waitMs = firstWaitMs;
      // those that were up greet once more: something may have been on its way when the line was changed
      for (const name of names) this.tell(name, true);
    };
    source.onmessage = (e: MessageEvent<string>) => {
      let data: unknown;
      try {
        data = JSON.parse(e.data);
      } catch {
        return;
      }
      const read = frameSchema.safeParse(data);
      if (read.success) this.rooms.get(read.data.room)?.heard(read.data);
    };
    source.onerror = () => {
      this.down(this.waitMs);
      this.waitMs = Math.min(longestWaitMs, this.waitMs * 2);
    };
  }

  private tell(name: string, is: boolean): void {
    const l = this.rooms.get(name);
    if (!l || (!is && !l.isUp)) return;
    l.isUp = is;
    l.up(is);
  }

  private down(forMs: number): void {
    this.source?.close();
    this.source = null;
    for (const name of [...this.rooms.keys()]) this.tell(name, false);
    this.later(forMs);
  }

  // an open line says nothing for minutes when its network goes
  private readonly off = () => this.down(longestWaitMs);

  private readonly again = () => {
    if (this.source || document.visibilityState === 'hidden') return;
    this.later(0);
  };
}

const lines = new Map<string, Line>();

/** The server that this page came from passes frames on. */
export const relayWire: Wire = {
  open(room, me, heard, up) {
    const line = lines.get(me) ?? new Line(me);
    lines.set(me, line);
    line.add(room, { heard, up, isUp: false });
    return () => {
      if (line.remove(room)) lines.delete(me);
    };
  },
  async post(room, me, frame) {
    for (let i = 0; ; i++) {
      const sent = await fetch(`/api/relay/${room}/${me}`, {
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
