import { act, cleanup, render, screen } from '@testing-library/react';
import { Text } from 'react-native';

import { BarList } from '@/ui/BarList';
import { Beside } from './Beside';
import { useRoom } from './pageRoom';

/** A window of this width, px. */
function windowOf(width: number): void {
  Object.defineProperty(document.documentElement, 'clientWidth', { configurable: true, value: width });
  act(() => void window.dispatchEvent(new Event('resize')));
}
afterEach(cleanup);

function Room({ columns }: { columns: number }) {
  return <Text testID={`room${columns}`}>{useRoom(columns)}</Text>;
}
const room = (columns: number) => {
  const { unmount } = render(<Room columns={columns} />);
  const px = Number(screen.getByTestId(`room${columns}`).textContent);
  unmount();
  return px;
};

it('columns and what lies between them fill the page and no more, on every screen', () => {
  for (const width of [390, 960, 1280, 1920, 2560]) {
    windowOf(width);
    for (const columns of [1, 2, 3]) {
      const used = columns * room(columns) + (columns - 1) * 16 + 32;
      const page = Math.min(1840, width);
      expect(used).toBeLessThanOrEqual(page);
      expect(page - used).toBeLessThan(columns);
    }
  }
});

it('halves stand side by side where there is room, and one under the other where there is none', () => {
  const halves = <Beside left={<Text testID="left">left</Text>} right={<Text testID="right">right</Text>} />;
  windowOf(1280);
  render(halves);
  expect(screen.getByTestId('left').parentElement).not.toBe(screen.getByTestId('right').parentElement);
  windowOf(390);
  expect(screen.getByTestId('left').nextElementSibling).toBe(screen.getByTestId('right'));
});

it('bars are to one scale, which the widest range fits', () => {
  render(
    <BarList
      label="Shares"
      bars={[
        { name: 'a', value: 0.2, text: '20 %', range: { low: 0.1, high: 0.5 } },
        { name: 'b', value: 0.4, text: '40 %', range: { low: 0.3, high: 0.8 } },
      ]}
    />,
  );
  const widths = [...screen.getByRole('img', { name: 'Shares' }).querySelectorAll<HTMLElement>('[style*="width"]')]
    .map((e) => [e.style.left, e.style.width].map((s) => Math.round(parseFloat(s) * 10) / 10))
    .map(([left, width]) => [Number.isNaN(left!) ? null : left, width]);
  expect(widths).toEqual([
    [null, 25],
    [12.5, 50],
    [null, 50],
    [37.5, 62.5],
  ]);
});
