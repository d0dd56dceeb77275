import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import { z } from 'zod';

/** What the relay takes at most: it passes on between the devices of a shop, and is no storage. */
export const relayLimits = {
  rooms: 64,
  members: 16,
  /** rooms that one device listens in: the shop's, those of older keys, jobs on loan */
  roomsOfOne: 24,
  /** of what a device missed that was here lately, bytes for each and how long, ms */
  waitingBytes: 512 * 1024,
  waitingMs: 24 * 3_600_000,
  /** frames of one device: at once, and in a second after that */
  burst: 400,
  perSecond: 100,
  /** a line that says nothing for so long is kept open with a word, ms */
  stillMs: 20_000,
};

const roomPattern = /^[A-Za-z0-9_-]{43}$/;
const memberPattern = /^[A-Za-z0-9_-]{4,60}$/;
const frame = z.object({
  to: z.string().regex(/^(\*|[A-Za-z0-9_-]{4,60})$/),
  m: z.string().max(60),
  i: z.number().int().min(0).max(9999),
  n: z.number().int().min(1).max(9999),
  d: z.string().max(60_000),
});

interface Member {
  /** its open line */
  hear: ((text: string) => void) | null;
  waiting: string[];
  waitingBytes: number;
  goneAt: number;
  tokens: number;
  tokensAt: number;
}

/**
 * Passes sealed frames on within a room. The name of a room is derived from the key that its devices were paired with, so who
 * has no key knows no room; what is in a frame the server cannot read. Nothing is kept but what a device that was here within
 * a day has not heard yet, and of that a bounded part: devices compare what they have whenever they meet.
 */
export function relay(now: () => number = Date.now, limits = relayLimits): Hono {
  const app = new Hono();
  const rooms = new Map<string, Map<string, Member>>();

  /** Who has been away for longer than a day is forgotten, and rooms that nobody is in. */
  const tidy = () => {
    for (const [name, members] of rooms) {
      for (const [id, m] of members) if (!m.hear && now() - m.goneAt > limits.waitingMs) members.delete(id);
      if (!members.size) rooms.delete(name);
    }
  };

  const enter = (room: string, id: string): Member | null => {
    tidy();
    let members = rooms.get(room);
    if (!members) {
      // a full house makes room where nobody listens
      if (rooms.size >= limits.rooms)
        for (const [name, list] of rooms) if (![...list.values()].some((m) => m.hear)) rooms.delete(name);
      if (rooms.size >= limits.rooms) return null;
      rooms.set(room, (members = new Map()));
    }
    const there = members.get(id);
    if (there) return there;
    if (members.size >= limits.members)
      for (const [other, m] of members) if (!m.hear && members.size >= limits.members) members.delete(other);
    if (members.size >= limits.members) return null;
    const made: Member = {
      ...{ hear: null, waiting: [], waitingBytes: 0, goneAt: now() },
      ...{ tokens: limits.burst, tokensAt: now() },
    };
    members.set(id, made);
    return made;
  };

  const pays = (m: Member): boolean => {
    const t = now();
    m.tokens = Math.min(limits.burst, m.tokens + ((t - m.tokensAt) / 1000) * limits.perSecond);
    m.tokensAt = t;
    if (m.tokens < 1) return false;
    m.tokens--;
    return true;
  };

  const give = (m: Member, text: string) => {
    if (m.hear) return m.hear(text);
    if (m.waitingBytes + text.length > limits.waitingBytes) return;
    m.waiting.push(text);
    m.waitingBytes += text.length;
  };

  // one line for all rooms of a device: a browser opens six to a server, and pages need theirs
  app.get('/:member', (c) => {
    const id = c.req.param('member');
    const names = [...new Set((c.req.query('rooms') ?? '').split('.').filter(Boolean))];
    if (
      !memberPattern.test(id) ||
      !names.length ||
      names.length > limits.roomsOfOne ||
      !names.every((n) => roomPattern.test(n))
    )
      return c.json({ error: 'room or device: not one of ours' }, 400);
    const mine = names.map((name) => ({ name, m: enter(name, id) }));
    if (mine.some(({ m }) => !m)) return c.json({ error: 'no room' }, 503);
    return streamSSE(c, async (stream) => {
      let wake = () => {};
      const out: string[] = [];
      const hear = (text: string) => {
        out.push(text);
        wake();
      };
      for (const { m } of mine) {
        out.push(...m!.waiting.splice(0));
        m!.waitingBytes = 0;
        m!.hear = hear;
      }
      const heard = () => mine.some(({ m }) => m!.hear === hear);
      let open = true;
      stream.onAbort(() => {
        open = false;
        wake();
      });
      // the first word opens the line on the other side
      await stream.writeSSE({ event: 'here', data: '' });
      while (open && heard()) {
        const text = out.shift();
        if (text !== undefined) {
          await stream.writeSSE({ data: text });
          continue;
        }
        const still = await new Promise<boolean>((done) => {
          const timer = setTimeout(() => done(true), limits.stillMs);
          wake = () => {
            clearTimeout(timer);
            done(false);
          };
        });
        if (still && open) await stream.writeSSE({ event: 'still', data: '' });
      }
      for (const { m } of mine)
        if (m!.hear === hear) {
          m!.hear = null;
          m!.goneAt = now();
        }
    });
  });

  app.post('/:room/:member', async (c) => {
    const { room, member: from } = c.req.param();
    if (!roomPattern.test(room) || !memberPattern.test(from))
      return c.json({ error: 'room or device: not one of ours' }, 400);
    const me = rooms.get(room)?.get(from);
    if (!me) return c.json({ error: 'listen first' }, 403);
    if (!pays(me)) return c.json({ error: 'too much at once' }, 429);
    const read = frame.safeParse(await c.req.json().catch(() => null));
    if (!read.success)
      return c.json(
        { error: `frame: ${read.error.issues[0]?.path.join('.') || 'the whole'} is not as it should be` },
        400,
      );
    const text = JSON.stringify({ room, from, ...read.data });
    const members = rooms.get(room)!;
    if (read.data.to === '*') {
      for (const [id, m] of members) if (id !== from) give(m, text);
    } else {
      const to = members.get(read.data.to);
      if (to && to !== me) give(to, text);
    }
    return c.json({ ok: true });
  });

  return app;
}
