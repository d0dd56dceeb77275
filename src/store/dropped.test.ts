import { MemoryStorage } from '../../test-support/memoryStorage';
import { dropDemo, dropJobs } from './dropped';
import type { JobEvent } from '@/model/event';

const entry = (jobId: string, writer: string, seq: number) =>
  ({ id: `${jobId}-${seq}`, jobId, writer, seq }) as JobEvent;
const key = (e: JobEvent) => `job/${e.jobId}/${e.writer}/${String(e.seq).padStart(8, '0')}`;

it('an empty shop keeps its models with their photos, its settings and what is beside; jobs go with theirs', async () => {
  const storage = new MemoryStorage();
  await storage.setMany({
    [key(entry('a', 'demo', 1))]: '{}',
    [key(entry('b', 'me', 1))]: '{}',
    'photo/p1': 'data:of a job',
    'photo/p2': 'data:of a model',
    'device/own/1': JSON.stringify({ id: 'own', pictures: [{ photoId: 'p2' }] }),
    settings: '{}',
    'extra/pack': 'x',
    'extra/draft': 'y',
  });
  await dropJobs(storage);
  expect((await storage.getAllKeys()).sort()).toEqual(['device/own/1', 'extra/draft', 'photo/p2', 'settings']);
});

it('out of the demo go the jobs that nobody else has written in, whole', async () => {
  const storage = new MemoryStorage();
  const [a, b, own] = [entry('a', 'demo', 1), entry('b', 'demo', 1), entry('b', 'me', 2)];
  await storage.setMany(Object.fromEntries([a, b, own].map((e) => [key(e), '{}'])));
  await dropDemo(
    storage,
    new Map([
      ['a', [a]],
      ['b', [b, own]],
    ]),
  );
  expect((await storage.getAllKeys()).sort()).toEqual([key(b), key(own)].sort());
});
