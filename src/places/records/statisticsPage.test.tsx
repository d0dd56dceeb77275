import { act, fireEvent, render, screen, within } from '@testing-library/react';

import { demoHistory } from '@/demo/history';
import { demoJobs } from '@/demo/shop';
import { startShop } from '../../../test-support/mockShop';
import { choose, press } from '../../../test-support/stage';
import { StatisticsScreen } from './StatisticsScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/ui/LazyCharts', () => ({
  Charts: ({ label }: { label: string }) => <div role="img" aria-label={label} />,
}));
const mockSaved: string[] = [];
jest.mock('@/ui/download', () => ({ download: (_: string, text: string) => void mockSaved.push(text) }));

const t0 = new Date(2026, 3, 14, 13, 0).getTime();
beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  startShop(t0, {}, { jobs: new Map([...demoJobs(t0), ...demoHistory(t0)].map((l) => [l[0]!.jobId, l])) });
  render(<StatisticsScreen />);
});
afterEach(() => jest.useRealTimers());
const table = (name: string) =>
  within(screen.getByRole('table', { name }))
    .getAllByRole('row')
    .map((r) =>
      within(r)
        .queryAllByRole('cell')
        .map((c) => c.textContent),
    );

it('names the stage that overruns, with a chart and a table of the same numbers', () => {
  expect(screen.getByText(/^Clean runs over its plan, × 1\.\d\d: \d+ min lost in \d+ jobs/)).toBeTruthy();
  const rows = table('Minutes of each stage').filter((r) => r.length);
  expect(rows.map((r) => r[0])).toEqual(['Intake', 'Heat', 'Lift', 'Clean', 'Dry fit', 'Bond', 'Check', 'Hand over']);
  const chart = screen.getByRole('img', { name: /^Typical minutes: Intake/ }).getAttribute('aria-label')!;
  expect(chart).toContain(`Lift ${Number(rows[2]![1]).toFixed(0)}`);
});

it('one person, one way of bonding: the counts follow', async () => {
  // bars first, figures behind a line: of breakage, then of what came back
  for (const line of screen.getAllByRole('button', { name: 'As a table' }).slice(0, 2))
    await act(async () => void fireEvent.click(line));
  const all = table('Come-backs').find((r) => r[0] === 'All')!;
  expect(all[1]).toBe('3 of 59');
  // the bar says the same with its range
  const bar = screen.getByRole('img', { name: /^Come-backs: All / }).getAttribute('aria-label')!;
  expect(bar).toContain(`All ${all[2]}, ${all[3]} (3 of 59)`);
  await choose('Person: Osk');
  expect(table('Come-backs').find((r) => r[0] === 'All')![1]).toMatch(/of 30$/);
  await press('Kind and way of bonding: all');
  await choose('Bonded by: new pre-cut ring');
  expect(table('Come-backs').find((r) => r[0] === 'All')![1]).toMatch(/^0 of \d+$/);
  expect(table('Come-backs').find((r) => r[0] === 'All')![2]).toBe('0 %');
});

it('goes out as CSV', async () => {
  await press('Minutes as CSV');
  expect(mockSaved[0]!.split('\r\n')[0]).toBe(
    'stage,jobs,median_min,p80_min,ratio_to_plan,ratio_low,ratio_high,share_over_plan,lost_min',
  );
});
