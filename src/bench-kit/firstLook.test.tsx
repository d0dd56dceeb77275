import { render, screen } from '@testing-library/react';

import { shippedDevices } from '@/model/shippedDevices';

import { FirstLook, GuessedInside } from './FirstLook';
import type { Thermal } from './useThermal';

const range = { low: 90, mean: 120, high: 170 };
const mockSaid = jest.fn();
const thermal = (over: Partial<Thermal>): Thermal => ({
  model: null,
  first: false,
  said: null,
  say: mockSaid,
  building: null,
  cancelled: false,
  problem: null,
  cancel() {},
  retry() {},
  ...over,
});

jest.mock('@/store/shop', () => ({
  useSettings: () => ({ temperature: 'C', length: 'mm' }),
}));
jest.mock('./useThermal', () => ({}));

it('while only a first look answers it says how far the exact one is, and keeps what it said', () => {
  render(<FirstLook thermal={thermal({ first: true, building: 0.4 })} plan="110" readyInS={range} />);
  expect(screen.getByText(/First answer/)).toBeTruthy();
  expect(screen.getByText(/40 %/)).toBeTruthy();
  expect(mockSaid).toHaveBeenCalledWith({ plan: '110', readyInS: range });
});

it('a build that was ended can be begun again', () => {
  render(<FirstLook thermal={thermal({ first: true })} plan="110" readyInS={range} />);
  expect(screen.getByText('The exact one was not built.')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Build the heat model' })).toBeTruthy();
});

it('the exact answer says once what the first one had said; without a first look nothing stands there', () => {
  const said = { plan: '110', readyInS: { low: 80, mean: 110, high: 180 } };
  const { rerender } = render(<FirstLook thermal={thermal({ said })} plan="110" readyInS={range} />);
  expect(screen.getByText(/^Exact now: easy after 2 min\. The first answer said 1 min 20 s to 3 min\.$/)).toBeTruthy();
  // of another plan the first look said nothing
  rerender(<FirstLook thermal={thermal({ said })} plan="100" readyInS={range} />);
  expect(screen.queryByTestId('firstLook')).toBeNull();
  rerender(<FirstLook thermal={thermal({})} plan="110" readyInS={range} />);
  expect(screen.queryByTestId('firstLook')).toBeNull();
});

it('a model that nobody guessed says nothing of guesses', () => {
  render(<GuessedInside device={shippedDevices[0]!} />);
  expect(screen.queryByTestId('guessedInside')).toBeNull();
});
