import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import { z } from 'zod';

import { relayLimits, Rooms } from './relayRooms';

const roomPattern = /^[A-Za-z0-9_-]{43}$/;
const memberPattern = /^[A-Za-z0-9_-]{4,60}$/;
const frame = z.object({
  to: z.string().regex(/^(\*|[A-Za-z0-9_-]{4,60})$/),
  m: z.string().max(60),
  i: z.number().int().min(0).max(9999),
  n: z.number().int().min(1).max(9999),
  d: z.string().max(60_000),
});

/**
 * Passes sealed frames on within a room. The name of a room is derived from the key that its devices were paired with, so who
 * has no key knows no room; what is in a frame the server cannot read. Nothing is kept but what a device that was here within
 * a day has not heard yet, and of that a bounded part: devices compare what they have whenever they meet.
 */
export function relay(now: () => number = Date.now, limits = relayLimits): Hono {
  const app = new Hono();
  const rooms = new Rooms(now, limits);

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
    const mine = names.map((name) => ({ name, m: rooms.enter(name, id) }));
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
    const me = rooms.of(room)?.get(from);
    if (!me) return c.json({ error: 'listen first' }, 403);
    if (!rooms.pays(me)) return c.json({ error: 'too much at once' }, 429);
    const read = frame.safeParse(await c.req.json().catch(() => null));
    if (!read.success)
      return c.json(
        { error: `frame: ${read.error.issues[0]?.path.join('.') || 'the whole'} is not as it should be` },
        400,
      );
    const text = JSON.stringify({ room, from, ...read.data });
    const members = rooms.of(room)!;
    if (read.data.to === '*') {
      for (const [id, m] of members) if (id !== from) rooms.give(m, text);
    } else {
      const to = members.get(read.data.to);
      if (to && to !== me) rooms.give(to, text);
    }
    return c.json({ ok: true });
  });

  return app;
}
