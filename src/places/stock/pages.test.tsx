import { render, screen, within } from '@testing-library/react';

import { demoHistory } from '@/demo/history';
import { demoJobs, demoSettingsAt } from '@/demo/shop';
import { settingsNow, startShop } from '../../../test-support/mockShop';
import { enter, pass, press } from '../../../test-support/stage';
import { StockScreen } from './StockScreen';

jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
const mockFile: { next: { name: string; text: string } | null; saved: string[] } = { next: null, saved: [] };
jest.mock('@/ui/download', () => ({
  download: (name: string, text: string) => mockFile.saved.push(name, text),
  pickText: async () => mockFile.next,
}));

const t0 = new Date(2026, 3, 14, 13, 0).getTime();
beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  mockFile.saved.length = 0;
  startShop(
    t0,
    {},
    {
      settings: demoSettingsAt(t0),
      jobs: new Map([...demoJobs(t0), ...demoHistory(t0)].map((l) => [l[0]!.jobId, l])),
    },
  );
  render(<StockScreen />);
});
afterEach(() => jest.useRealTimers());
const part = (id: string) => settingsNow().parts.find((p) => p.id === id)!;

it('says what to order with the reason, and what is over its date', () => {
  const orders = screen.getByTestId('orders').textContent!;
  expect(orders).toMatch(/^\d+ to order/);
  expect(orders).toMatch(/Ring-bond 6\.1: glass only, new genuine: order \d+ pieces?\. Here: \d+ pieces?/);
  expect(orders).toMatch(/moisture-curing sealant, e1: 4\.0 ml past its date since/);
});

it('an order is noted with its date, arrives, and counts as stock from then on', async () => {
  const id = 'ring54-glass-genuine';
  const box = within(screen.getByTestId(`part-${id}`));
  const name = 'Ring-bond 5.4: glass only, new genuine';
  await press(`Order ${name}`);
  await enter(/^How many of/, '3');
  await enter(`${name} comes, time or date and time`, '2026-04-13 09:00');
  expect(box.getByText(/is too early, enter a time/)).toBeTruthy();
  await enter(`${name} comes, time or date and time`, '2026-04-18 09:00');
  await press(`3 ordered of ${name}`);
  expect(part(id).onOrder).toMatchObject([{ qty: 3, dueAt: new Date(2026, 3, 18, 9).getTime() }]);
  const before = Number(/(\d+) here/.exec(screen.getByTestId(`part-${id}`).textContent!)![1]);
  await press(`They are here: 3 of ${name}`);
  expect(part(id).onOrder).toEqual([]);
  expect(screen.getByTestId(`part-${id}`).textContent).toContain(`${before + 3} here`);
  expect(settingsNow().stockMoves.map((m) => m.what)).toEqual(['ordered', 'arrived']);
});

it('a count corrects, is followed, and nothing can be less than nothing', async () => {
  await press('Change c2 of clear contact glue');
  await enter('Counted in c2 of clear contact glue, ml', '-1');
  expect(screen.getByText(/enter 0 to 10000 ml \(you entered -1\)/)).toBeTruthy();
  expect(settingsNow().stockMoves).toEqual([]);
  await enter('Counted in c2 of clear contact glue, ml', '6.5');
  const clear = settingsNow().liquids.find((l) => l.id === 'clear')!;
  expect(clear.tubes.find((t) => t.id === 'c2')!.qty).toBe(6.5);
  expect(clear.leftMl).toBeCloseTo(9.7, 9);
  expect(settingsNow().stockMoves).toMatchObject([
    { item: 'clear contact glue', what: 'counted', before: 11.2, after: 9.7, who: 'Mirel' },
  ]);
  await press('Throw c2 away');
  expect(
    settingsNow()
      .liquids.find((l) => l.id === 'clear')!
      .tubes.map((t) => t.id),
  ).toEqual(['c1']);
});

it('as CSV out and in; a broken file names its line and changes nothing', async () => {
  await press('Files and changes');
  await press('Stock as CSV');
  expect(mockFile.saved[0]).toBe('stock.csv');
  const before = settingsNow();
  mockFile.next = { name: 'stock.csv', text: 'kind,item,quantity\nliquid,clear,lots' };
  await press('Count from a CSV');
  await pass(10);
  expect(screen.getByText('stock.csv: line 2, quantity: allowed is 0 to 1000000. Nothing was changed.')).toBeTruthy();
  expect(settingsNow()).toBe(before);
  mockFile.next = { name: 'stock.csv', text: mockFile.saved[1]! };
  await press('Count from a CSV');
  await pass(10);
  expect(screen.getByText(/lines are counted in\./)).toBeTruthy();
  expect(settingsNow().stockMoves.at(-1)).toMatchObject({ what: 'imported' });
});
