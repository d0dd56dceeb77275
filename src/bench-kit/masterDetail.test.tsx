import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { Pressable, Text } from 'react-native';

import { MasterDetail, useMaster } from './MasterDetail';

let mockWide = true;
jest.mock('@/ui/useWide', () => ({ useWide: () => mockWide }));
afterEach(cleanup);

function Page({ ids }: { ids: string[] }) {
  const master = useMaster(ids);
  return (
    <MasterDetail
      label="The chosen one"
      list={ids.map((id) => (
        <Pressable key={id} role="button" aria-label={id} onPress={() => master.choose(id)} />
      ))}
      detail={master.chosen ? <Text testID="detail">{master.chosen}</Text> : null}
    />
  );
}
const shown = () => screen.getByTestId('detail').textContent;

it('the first is looked at, then the one that is pressed, and the first again when that one is no longer listed', async () => {
  mockWide = true;
  const page = render(<Page ids={['a', 'b', 'c']} />);
  expect(screen.getByRole('region', { name: 'The chosen one' })).toBeTruthy();
  expect(shown()).toBe('a');
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'b' })));
  expect(shown()).toBe('b');
  page.rerender(<Page ids={['a', 'c']} />);
  expect(shown()).toBe('a');
  // it comes back into the list: it is the chosen one still
  page.rerender(<Page ids={['a', 'b']} />);
  expect(shown()).toBe('b');
  page.rerender(<Page ids={[]} />);
  expect(screen.queryByTestId('detail')).toBeNull();
});

it('a phone has the list alone', () => {
  mockWide = false;
  render(<Page ids={['a', 'b']} />);
  expect(screen.queryByTestId('detail')).toBeNull();
  expect(screen.getAllByRole('button')).toHaveLength(2);
});
