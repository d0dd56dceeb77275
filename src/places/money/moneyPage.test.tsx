import { cleanup, render, screen, within } from '@testing-library/react';

import { demoHistory } from '@/demo/history';
import { demoJobs } from '@/demo/shop';
import { startShop } from '../../../test-support/mockShop';
import { choose, press } from '../../../test-support/stage';
import { MoneyScreen } from './MoneyScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
const mockSaved: string[] = [];
jest.mock('@/ui/download', () => ({ download: (_: string, text: string) => void mockSaved.push(text) }));

afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

const shopAt = (t0: number) => {
  jest.useFakeTimers({ now: t0 });
  startShop(t0, {}, { jobs: new Map([...demoJobs(t0), ...demoHistory(t0)].map((l) => [l[0]!.jobId, l])) });
  render(<MoneyScreen />);
};
const rows = () =>
  within(screen.getByRole('table', { name: 'Months' }))
    .getAllByRole('row')
    .map((r) =>
      within(r)
        .queryAllByRole('cell')
        .map((c) => c.textContent!),
    )
    .filter((r) => r.length);

it('months add up: what is left is what came in less what was spent, in the sentence, the table and the file', async () => {
  shopAt(new Date(2026, 3, 14, 13, 0).getTime());
  const table = rows();
  expect(table.length).toBeGreaterThan(2);
  const bars = screen.getByRole('img', { name: /^Margin by month: / }).getAttribute('aria-label')!;
  await press('Money as CSV');
  const [head, ...lines] = mockSaved.at(-1)!.trim().split('\r\n');
  const at = (name: string) => head!.split(',').indexOf(name);
  for (const [month, jobs, net, cost] of table) {
    const of = lines.map((l) => l.split(',')).filter((l) => monthOf(l[at('handed_over')]!) === month);
    const sum = (name: string) => of.reduce((s, l) => s + Number(l[at(name)]), 0);
    expect(String(of.length)).toBe(jobs!.split(' ')[0]);
    expect(Math.abs(sum('net') - Number(net))).toBeLessThan(0.51);
    expect(Math.abs(sum('cost') - Number(cost))).toBeLessThan(0.51);
    // euros with cents, as they are read out
    const left = sum('margin');
    expect(bars).toContain(left.toFixed(2));
    expect(Math.abs(sum('net') - sum('cost') - left)).toBeLessThan(0.02 * of.length);
  }
  expect(screen.getByTestId('monthNow').textContent).toMatch(/^April: -?\d+\.\d\d\s€ kept, /);
});

it('a month in which nobody has paid yet says what was spent, and no share of nothing', () => {
  shopAt(new Date(2026, 11, 1, 11, 40).getTime());
  expect(screen.getByTestId('monthNow').textContent).toMatch(/^December: nothing paid yet, \d+\.\d\d\s€ spent\.$/);
  expect(screen.getByText(/^\d+ of \d+ jobs took over a tenth longer than quoted\.$/)).toBeTruthy();
});

it('jobs stand in the order that is asked for', async () => {
  shopAt(new Date(2026, 3, 14, 13, 0).getTime());
  const margins = () =>
    screen
      .getAllByRole('button', { name: /^J-\d+ .*: .*\s€, .*\s%$/ })
      .map((b) =>
        Number(/, (−?\d+(?:\.\d+)?)\s%$/.exec(b.getAttribute('aria-label') ?? b.textContent!)![1]!.replace('−', '-')),
      );
  await choose('First: Least margin');
  const sorted = margins();
  expect(sorted.length).toBeGreaterThan(5);
  expect(sorted).toEqual([...sorted].sort((a, b) => a - b));
});

function monthOf(day: string): string {
  return new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric' }).format(new Date(`${day}T12:00:00`));
}
