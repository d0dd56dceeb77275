import { act, fireEvent, render, screen } from '@testing-library/react';

import { press, tick } from '../../../test-support/stage';
import { settingsNow, startShop } from '../../../test-support/mockShop';
import { OwnShopScreen } from './OwnShopScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/ui/alarm', () => ({ unlockSound: () => {} }));

const t0 = new Date('2026-04-14T13:00:00').getTime();

it('a heater taken off by mistake comes back with what was measured of it', async () => {
  startShop(t0);
  const before = settingsNow();
  const mat = before.heaters.find((h) => h.id === 'mat')!;
  const own = { ...mat, name: 'Heat mat', noteOfTest: 7 };
  startShop(t0, {}, { settings: { ...before, heaters: before.heaters.map((h) => (h === mat ? own : h)) } });
  render(<OwnShopScreen />);
  await tick('Heat mat');
  expect(settingsNow().heaters.some((h) => h.id === 'mat')).toBe(false);
  await tick('Heat mat');
  expect(settingsNow().heaters.find((h) => h.id === 'mat')).toEqual(own);
});

it('everything is picked: a currency, how many clips, a bag, a glue', async () => {
  startShop(t0);
  render(<OwnShopScreen />);
  const radio = (name: string) => screen.getByRole('radio', { name });
  await act(async () => void fireEvent.click(radio('Currency: £')));
  await act(async () => void fireEvent.click(radio('gentle clip: how many: 8')));
  await tick('Vacuum bag');
  const glues = settingsNow().liquids.length;
  await tick('clear contact glue');
  const s = settingsNow();
  expect(s.money.currency).toBe('£');
  expect(s.clips.find((c) => c.id === 'gentle')!.owned).toBe(8);
  expect(s.bagKPa).toBeGreaterThan(0);
  expect(s.liquids).toHaveLength(glues - 1);
  await press('To the bench');
});
