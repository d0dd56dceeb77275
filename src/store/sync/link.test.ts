/** @jest-environment node */
import fc from 'fast-check';
import { z } from 'zod';

import { MemoryWire } from '../../../test-support/syncBench';
import { randomOf } from '@/core/numeric/random';
import { Link, type Frame, type HeardFrame } from './link';
import { randomBytes, roomKey } from './seal';

const schema = z.object({ text: z.string() });
type Said = z.infer<typeof schema>;

/** Two in one room on a wire of their own, and what each has heard. */
async function room(key = randomBytes(32)) {
  const wire = new MemoryWire();
  const at = await roomKey(key);
  const heard: { by: string; from: string; text: string }[] = [];
  const strange: string[] = [];
  const ups: string[] = [];
  const linkOf = (me: string) =>
    new Link<Said>(at, me, wire, schema, {
      message: (from, m) => void heard.push({ by: me, from, text: m.text }),
      up: (is) => void ups.push(`${me} ${is}`),
      strange: (from, what) => void strange.push(`${me}: ${what} of ${from}`),
    });
  const [a, b] = [linkOf('a'), linkOf('b')];
  a.start();
  b.start();
  return { wire, at, a, b, heard, strange, ups, linkOf };
}
/** The same frames once more, in another order, to whoever listens. */
const again = (wire: MemoryWire, at: { room: string }, frames: readonly (Frame & { from: string })[]) => {
  for (const f of frames) wire.give(at.room, f.from, f);
};
const sent = (wire: MemoryWire): (Frame & { from: string })[] => wire.frames.map((f) => ({ ...f.frame, from: f.from }));
const random = randomOf(20261201);
/** Text that does not pack small. */
const noise = (letters: number) =>
  Array.from({ length: letters }, () => 33 + Math.floor(random() * 90))
    .map((v) => String.fromCharCode(v))
    .join('');

it('what one says all the others hear, what is said to one only that one', async () => {
  const { a, b, heard, linkOf } = await room();
  const c = linkOf('c');
  c.start();
  await a.send('*', { text: 'to all' });
  await b.send('c', { text: 'to c' });
  for (const l of [a, b, c]) await l.idle();
  expect(heard).toEqual([
    { by: 'b', from: 'a', text: 'to all' },
    { by: 'c', from: 'a', text: 'to all' },
    { by: 'c', from: 'b', text: 'to c' },
  ]);
});

it('a long one is cut in pieces, none longer than the server takes, and is whole at the other end whatever their order', async () => {
  const { wire, at, a, b, heard } = await room();
  const text = noise(200_000);
  await a.send('b', { text });
  await b.idle();
  expect(heard.map((h) => h.text)).toEqual([text]);
  const frames = sent(wire);
  expect(frames.length).toBeGreaterThan(3);
  for (const f of frames) expect(JSON.stringify(f).length).toBeLessThan(64_000);
  again(wire, at, [...frames].reverse());
  await b.idle();
  expect(heard.map((h) => h.text)).toEqual([text, text]);
  // without one of them it is nothing
  again(wire, at, frames.slice(1));
  await b.idle();
  expect(heard).toHaveLength(2);
});

it('a piece that comes twice is one', async () => {
  const { wire, at, a, b, heard } = await room();
  const text = noise(120_000);
  await a.send('b', { text });
  await b.idle();
  const frames = sent(wire);
  again(wire, at, [frames[0]!, frames[0]!, ...frames.slice(1)]);
  await b.idle();
  expect(heard.map((h) => h.text.length)).toEqual([text.length, text.length]);
});

it('what is not sealed with the key of the room, or was changed by a letter, is strange and is not heard', async () => {
  const { wire, at, a, b, heard, strange } = await room();
  await a.send('b', { text: 'hello' });
  await b.idle();
  const [frame] = sent(wire);
  const letters = [...frame!.d];
  letters[10] = letters[10] === 'A' ? 'B' : 'A';
  again(wire, at, [{ ...frame!, m: 'x1', d: letters.join('') }]);
  // sealed for b by a: not by another, and not for another
  again(wire, at, [{ ...frame!, m: 'x2', from: 'c' }]);
  await b.idle();
  expect(heard).toHaveLength(1);
  expect(strange).toEqual(['b: sealed of a', 'b: sealed of c']);
});

it('what is sealed well and says nothing that is known here is strange', async () => {
  const { wire, at, b, strange, heard } = await room();
  const other = new Link<unknown>(at, 'd', wire, z.unknown(), { message: () => {}, up: () => {}, strange: () => {} });
  other.start();
  await other.send('b', { words: 1 });
  await b.idle();
  expect(heard).toEqual([]);
  expect(strange).toEqual(['b: message of d']);
});

it.each<[string, Partial<HeardFrame>]>([
  ['pieces without end', { n: 1e9 }],
  ['none at all', { n: 0 }],
  ['a piece beyond the last', { i: 5, n: 2 }],
  ['one before the first', { i: -1, n: 2 }],
])('%s: refused at once', async (_, bad) => {
  const { wire, at, strange } = await room();
  again(wire, at, [{ to: 'b', m: 'm', i: 0, n: 1, d: '', from: 'z', ...bad }]);
  expect(strange).toEqual(['b: message of z']);
});

it('halves that nobody completes are forgotten, and one that is whole in time is heard all the same', async () => {
  const { wire, at, a, b, heard } = await room();
  const text = noise(100_000);
  await a.send('b', { text });
  await b.idle();
  const [first, ...rest] = sent(wire);
  const flood = (n: number) =>
    again(
      wire,
      at,
      Array.from({ length: n }, (_, i) => ({ to: 'b', m: `half${n}-${i}`, i: 0, n: 2, d: 'x', from: 'z' })),
    );
  // fewer than are kept: it is still there
  again(wire, at, [{ ...first!, m: 'late' }]);
  flood(20);
  again(
    wire,
    at,
    rest.map((f) => ({ ...f, m: 'late' })),
  );
  await b.idle();
  expect(heard).toHaveLength(2);
  // more than are kept: its first half is gone
  again(wire, at, [{ ...first!, m: 'later' }]);
  flood(60);
  again(
    wire,
    at,
    rest.map((f) => ({ ...f, m: 'later' })),
  );
  await b.idle();
  expect(heard).toHaveLength(2);
});

it('a line that is cut lets go what is said meanwhile, and says when it is up', async () => {
  const { wire, a, b, heard, ups } = await room();
  await a.idle();
  wire.cut('a');
  expect(a.up).toBe(false);
  await expect(a.send('*', { text: 'into the void' })).resolves.toBeUndefined();
  wire.mend('a');
  expect(a.up).toBe(true);
  await a.send('*', { text: 'back' });
  await b.idle();
  expect(heard.map((h) => h.text)).toEqual(['back']);
  a.stop();
  await a.send('*', { text: 'after the end' });
  await b.idle();
  expect(heard).toHaveLength(1);
  expect(ups.filter((u) => u.startsWith('a'))).toEqual(['a true', 'a false', 'a true']);
});

it('texts of any kind and order arrive as they were said (property)', async () => {
  const { a, b, heard } = await room();
  await fc.assert(
    fc.asyncProperty(fc.array(fc.string({ maxLength: 60 }), { minLength: 1, maxLength: 8 }), async (texts) => {
      heard.length = 0;
      await Promise.all(texts.map((text) => a.send('b', { text })));
      await b.idle();
      expect(heard.map((h) => h.text)).toEqual(texts);
    }),
    { numRuns: 25 },
  );
});
