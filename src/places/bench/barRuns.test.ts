import fc from 'fast-check';

import type { Bar } from '@/work/bench/lanes';
import { ownLabelPx, runsOf } from './barRuns';

const bar = (job: string, x: number, w: number, y = 0, state: Bar['state'] = 'planned') => ({
  bar: { entry: { job, task: `${x}` }, label: job, state } as unknown as Bar,
  box: { x, y, w, h: 24 },
});

it('narrow bars of one job that follow each other are one run, as wide as all of them', () => {
  const [run, other] = runsOf([bar('a', 0, 6), bar('a', 7, 5), bar('b', 12, 6)]);
  expect(run!.bars).toHaveLength(2);
  expect(run!.box).toMatchObject({ x: 0, w: 12 });
  expect(other!.bars).toHaveLength(1);
});

it('two wide bars keep their own labels; another row, a pause or work that goes on begins anew', () => {
  expect(runsOf([bar('a', 0, 30), bar('a', 31, 30)])).toHaveLength(2);
  expect(runsOf([bar('a', 0, 6), bar('a', 7, 6, 26)])).toHaveLength(2);
  expect(runsOf([bar('a', 0, 6), bar('a', 20, 6)])).toHaveLength(2);
  expect(runsOf([bar('a', 0, 6, 0, 'going'), bar('a', 7, 6)])).toHaveLength(2);
});

it('every bar is in one run and none is lost, whatever comes', () =>
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.constantFrom('a', 'b'), fc.integer({ min: 0, max: 300 }), fc.integer({ min: 3, max: 60 }))),
      (list) => {
        const bars = list.map(([job, x, w]) => bar(job, x, w));
        const runs = runsOf(bars);
        expect(runs.flatMap((r) => r.bars)).toHaveLength(bars.length);
        for (const r of runs) {
          expect(new Set(r.bars.map((b) => b.bar.entry.job)).size).toBe(1);
          if (r.bars.length > 1) expect(r.bars.some((b) => b.box.w < ownLabelPx)).toBe(true);
        }
      },
    ),
  ));
