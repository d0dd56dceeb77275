import { cleanup, render, screen } from '@testing-library/react';

import { startShop } from '../../test-support/mockShop';
import { press } from '../../test-support/stage';
import { UpdateNotice } from './UpdateNotice';

jest.mock('@/store/shop', () => jest.requireActual('../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../test-support/mockRouter'));
let mockState: 'none' | 'waiting' | 'replaced' = 'none';
const mockTaken = jest.fn();
jest.mock('@/store/update', () => ({ useUpdate: () => mockState, takeUpdate: () => mockTaken() }));

const t0 = Date.UTC(2026, 3, 14, 13);
/** lies on the plate in the demo */
const heating = 'demo-0142';
afterEach(cleanup);

it('while something is on the heat a new version cannot be taken, and says why', () => {
  mockState = 'waiting';
  startShop(t0);
  render(<UpdateNotice />);
  expect(screen.getByRole('status').textContent).toContain('It waits until nothing is on the heat.');
  expect(screen.getByRole('button', { name: /^Take it now/ }).getAttribute('aria-disabled')).toBe('true');
});

it('on a cold bench it is taken with one press; with nothing new there is nothing to read', async () => {
  startShop(t0, { [heating]: [{ type: 'heatOff', reason: 'ready', easyForS: 20, gripsInS: 300 }] });
  render(<UpdateNotice />);
  await press('Take it now');
  expect(mockTaken).toHaveBeenCalledTimes(1);
  cleanup();
  mockState = 'none';
  render(<UpdateNotice />);
  expect(screen.queryByRole('status')).toBeNull();
});
