import { demoJobs, demoSettings } from '@/demo/shop';
import type { JobEvent } from './event';
import { readFile, writeShopFiles } from './files';

const t0 = Date.UTC(2026, 3, 14, 13);
const jobs = demoJobs(t0);
const id = (e: JobEvent) => e.id;

it('a shop that is small is one file', () => {
  expect(writeShopFiles(demoSettings, jobs, {}, t0)).toHaveLength(1);
  expect(writeShopFiles(demoSettings, [], {}, t0)).toHaveLength(1);
});

it.each([20e3, 60e3, 200e3])(
  'in parts of %d characters: each reads alone, none is over it, together they are the shop',
  (most) => {
    const photo: JobEvent = {
      ...jobs[0]![0]!,
      type: 'photo',
      id: 'p-1',
      seq: 900,
      photoId: 'ph1',
      caption: 'the crack',
      widthPx: 4,
      heightPx: 3,
      bytes: 9,
    } as JobEvent;
    const logs = [[...jobs[0]!, photo], ...jobs.slice(1)];
    const data = 'data:image/jpeg;base64,AAAA';
    const texts = writeShopFiles(demoSettings, logs, { 'job/x': '{' }, t0, { photos: { ph1: data } }, most);
    const longest = Math.max(...logs.map((l) => JSON.stringify(l, null, 1).length));
    expect(texts.length).toBeGreaterThan(1);
    const settings = JSON.stringify(demoSettings, null, 1).length * 1.2;
    for (const t of texts) expect(t.length).toBeLessThan(Math.max(most, 1.6 * longest) + settings);
    const read = texts.map((t) => {
      const r = readFile(t);
      if (!r.ok) throw new Error(r.problem);
      return r.value;
    });
    expect(read.flatMap((r) => r.jobs.flat().map(id)).sort()).toEqual(logs.flat().map(id).sort());
    expect(read.flatMap((r) => Object.entries(r.photos))).toEqual([['ph1', data]]);
    expect(texts.filter((t) => t.includes('"unreadable"'))).toEqual([texts.at(-1)]);
  },
);
