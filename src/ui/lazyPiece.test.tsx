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
