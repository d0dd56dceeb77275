import { act, render, screen } from '@testing-library/react';
import { Suspense } from 'react';
import { Text } from 'react-native';

import { lazyPiece } from './lazyPiece';

const Chart = ({ name }: { name: string }) => <Text>{name}</Text>;

it('what cannot be loaded takes nothing with it, and comes when the network does', async () => {
  let online = false;
  const load = jest.fn(() => (online ? Promise.resolve(Chart) : Promise.reject(new Error('no network'))));
  const Piece = lazyPiece(load);
  render(
    <>
      <Text>the page</Text>
      <Suspense fallback={<Text>waits</Text>}>
        <Piece name="a chart" />
      </Suspense>
    </>,
  );
  await act(async () => {});
  expect(screen.getByText('the page')).toBeTruthy();
  expect(screen.queryByText('a chart')).toBeNull();
  expect(screen.getByText('waits')).toBeTruthy();
  online = true;
  await act(async () => void window.dispatchEvent(new Event('online')));
  expect(screen.getByText('a chart')).toBeTruthy();
  // once it is there nothing is asked for any more
  const asked = load.mock.calls.length;
  await act(async () => void window.dispatchEvent(new Event('online')));
  expect(load).toHaveBeenCalledTimes(asked);
});

it('while the network is known to be gone nothing is tried; with one, every ten seconds, and no listener is left behind', async () => {
  jest.useFakeTimers();
  const onLine = jest.spyOn(navigator, 'onLine', 'get').mockReturnValue(false);
  const [added, removed] = [jest.spyOn(window, 'addEventListener'), jest.spyOn(window, 'removeEventListener')];
  const listening = () =>
    added.mock.calls.filter(([e]) => e === 'online').length - removed.mock.calls.filter(([e]) => e === 'online').length;
  const load = jest.fn(() => Promise.reject(new Error('no network')));
  const Piece = lazyPiece<{ name: string }>(load);
  const page = render(
    <Suspense fallback={<Text>waits</Text>}>
      <Piece name="a chart" />
    </Suspense>,
  );
  const pass = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));
  await pass(3_600_000);
  expect(load).toHaveBeenCalledTimes(1);
  onLine.mockReturnValue(true);
  await act(async () => void window.dispatchEvent(new Event('online')));
  expect(load).toHaveBeenCalledTimes(2);
  await pass(30_500);
  expect(load).toHaveBeenCalledTimes(5);
  expect(listening()).toBe(1);
  page.unmount();
  jest.useRealTimers();
  jest.restoreAllMocks();
});
