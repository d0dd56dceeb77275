import { comeBackNames, workNames } from '../../words/eventLine';
import Papa from 'papaparse';

import { demoHistory } from '@/demo/history';
import { demoJobs } from '@/demo/shop';
import { foldJob } from '@/model/fold';
import { controlChart, finishedJobs, shareOf, shopStatistics, statisticsCsv, type Finished } from './statistics';

const t0 = Date.UTC(2026, 3, 14, 13);
const jobs = [...demoJobs(t0), ...demoHistory(t0)].map((l) => foldJob(l)!);
const list = finishedJobs(jobs);

it('ties what came back to its first job', () => {
  expect(list).toHaveLength(59);
  const back = list.filter((f) => f.cameBack);
  expect(back.map((f) => [f.job.label, f.cameBack!.label])).toEqual([
    ['J-0090', 'J-0094'],
    ['J-0109', 'J-0117'],
    ['J-0126', 'J-0133'],
  ]);
  expect(list.map((f) => f.job.closedAt!)).toEqual([...list.map((f) => f.job.closedAt!)].sort((a, b) => a - b));
});

it('shares with their Wilson interval (Newcombe 1998: 1 of 29 is 0.0061 to 0.1718)', () => {
  const s = shareOf(1, 29)!;
  expect(s.low).toBeCloseTo(0.0061, 4);
  expect(s.high).toBeCloseTo(0.1718, 4);
  expect(shareOf(0, 0)).toBeNull();
  const st = shopStatistics(list);
  expect(st.comeBacks).toMatchObject({ hits: 3, of: 59 });
  expect(st.newFaults!.hits).toBe(5);
  expect(st.named!.of).toBe(5);
  expect(st.named!.hits).toBeGreaterThanOrEqual(3);
  expect(st.changed.worse).toBe(0);
  expect(st.hours!.median).toBeGreaterThan(3);
});

it('few jobs: a watch job by job, which signals on a cluster of come-backs', () => {
  const chart = controlChart(list)!;
  if (chart.kind !== 'jobs') throw new Error('few jobs');
  expect(chart.cusum.path).toHaveLength(59);
  expect(chart.cusum.signals).toEqual([]);
  // Steiner et al. 2000: about one false signal in 783 jobs at 2 %, 75 jobs to one at 6 % (worked example)
  expect(chart.runGood / 783).toBeCloseTo(1, 1);
  expect(chart.runBad / 75.2).toBeCloseTo(1, 1);
  const bad = list.map((f, i): Finished => ({ ...f, cameBack: i > 20 && i < 26 ? jobs[0]! : null }));
  const signals = controlChart(bad)!;
  expect(signals.kind === 'jobs' && signals.cusum.signals.length).toBeGreaterThan(0);
});

it('many jobs a week: weekly shares within three standard deviations', () => {
  const week = 7 * 86400e3;
  const many = Array.from({ length: 6 * 30 }, (_, i): Finished => {
    const closedAt = t0 - week * (6 - Math.floor(i / 30)) + (i % 30) * 60e3;
    return {
      job: { ...list[0]!.job, closedAt },
      cameBack: i % 30 === 0 || (i >= 150 && i % 3 === 0) ? jobs[0]! : null,
    };
  });
  const chart = controlChart(many)!;
  if (chart.kind !== 'weeks') throw new Error('many jobs');
  expect(chart.points).toHaveLength(6);
  expect(chart.points.map((p) => p.out)).toEqual([false, false, false, false, false, true]);
  expect(controlChart([])).toBeNull();
});

it('CSV: a line for each job, with who checked it and what came back', () => {
  const { data, errors } = Papa.parse<Record<string, string>>(
    statisticsCsv(list, { work: workNames, cause: comeBackNames }),
    { header: true },
  );
  expect(errors).toEqual([]);
  expect(data).toHaveLength(59);
  const one = data.find((r) => r.job === 'J-0126')!;
  expect(one).toMatchObject({
    came_back_as: 'J-0133',
    presumed_cause: 'the glue let go',
    repaired_by: 'Osk',
    checked_by: 'Mirel',
  });
  expect(data.find((r) => r.job === 'J-0128')!.new_faults).toBe('0');
});
