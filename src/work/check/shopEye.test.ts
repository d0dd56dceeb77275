import { faceOf } from '@/core/device/perimeter';
import type { JobEvent, NewEvent } from '@/model/event';
import { foldJob, type JobState } from '@/model/fold';
import { shippedDevices } from '@/model/shippedDevices';
import { eyeFigures, noticedMm } from '@/core/fit/byEye';
import { shopEye } from './shopEye';

const t0 = Date.UTC(2026, 3, 14, 9);
const device = shippedDevices.find((d) => d.id === 'ring61')!;
const lens = faceOf(device, device.bonds[0]!).holes.find((h) => h.role === 'camera')!.id;

function job(n: number, ...events: NewEvent[]): JobState {
  const all: NewEvent[] = [
    { type: 'opened', label: `J${n}`, device, bondId: device.bonds[0]!.id, promiseAt: null, customerMark: '' },
    ...events,
  ];
  return foldJob(
    all.map(
      (e, i): JobEvent =>
        ({
          ...e,
          v: 1,
          id: `${n}-${i}`,
          jobId: `j${n}`,
          writer: 'w',
          seq: i,
          by: 'p',
          at: t0 + i,
          loggedAt: t0 + i,
        }) as JobEvent,
    ),
  )!;
}
const eye = (...sides: string[]): NewEvent => ({
  type: 'eye',
  of: 'cover',
  fine: !sides.length,
  spots: sides.map((s) => ({ point: `${lens}:${s}`, how: 'high' as const })),
});
/** level all round, but up by this much */
const gauged = (stepMm: number): NewEvent => ({
  type: 'coverSeat',
  lens,
  gaps: [0.1, 0.1, 0.1, 0.1],
  steps: [stepMm, stepMm, stepMm],
});
const all = ['right', 'top', 'left', 'bottom'];

it('camera covers teach the eye where they were measured after it, at four places each', () => {
  const seen = [1, 2, 3].map((n) => job(n, eye(...all), gauged(noticedMm('cover'))));
  expect(shopEye(seen, 'cover')?.places).toBe(12);
  // two covers are eight places: too few say nothing
  expect(shopEye(seen.slice(1), 'cover')).toBeNull();
});

it('a cover that was measured first has told the eye', () =>
  expect(
    shopEye(
      [1, 2, 3].map((n) => job(n, gauged(0.3), eye(...all))),
      'cover',
    ),
  ).toBeNull());

it('an eye that misses what is usually noticed is worse than usual, one that finds less is better', () => {
  const of = (mm: number, ...sides: string[]) =>
    shopEye(
      [1, 2, 3, 4, 5].map((n) => job(n, eye(...sides), gauged(mm))),
      'cover',
    )!.u;
  expect(of(noticedMm('cover'))).toBeGreaterThan(eyeFigures.cover.value);
  expect(of(0.1, ...all)).toBeLessThan(eyeFigures.cover.value);
});
