import { act, fireEvent, render, screen } from '@testing-library/react';

import { readResultCode } from '@/core/functions/resultCode';
import { functionTests } from '@/core/functions/tables';
import { DeviceTest, readOrder } from './DeviceTest';
import { cellBox, cellCount, cellsAt, columns, rows } from './grid';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));

const index = (id: string) => functionTests.findIndex((t) => t.id === id);
const press = (name: string | RegExp) => act(async () => void fireEvent.click(screen.getByRole('button', { name })));

beforeEach(() => {
  sessionStorage.clear();
  window.location.hash = `#AC7K.${index('touch')}.${index('vibra')}.${index('flash')}`;
});

it('runs what was ordered and shows the result as a code that the bench reads', async () => {
  render(<DeviceTest />);
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Touch, whole screen');
  await press('Works');
  await press('Fails');
  await press('Cannot be tested');
  const code = screen.getByTestId('result-text').textContent!;
  expect(readResultCode(code, 'AC7K')).toMatchObject({
    touch: 'ok',
    vibra: 'fail',
    flash: 'untested',
    baro: 'untested',
  });
  expect(screen.getByText('vibration fails')).toBeTruthy();
  await press('Once more: flash');
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Flash');
});

it('a reload goes on where it was; kept data that is none is ignored', async () => {
  const first = render(<DeviceTest />);
  await press('Works');
  first.unmount();
  const second = render(<DeviceTest />);
  expect(screen.getByText(/1 of 3/)).toBeTruthy();
  second.unmount();
  sessionStorage.setItem(`northcove.deviceTest${window.location.hash}`, '{"touch":"<b>","nonsense":"ok"}');
  render(<DeviceTest />);
  expect(screen.getByText(/0 of 3/)).toBeTruthy();
});

it('the address is data: what is no order runs everything', () => {
  expect(readOrder('#AC7K.0.3').tests.map((t) => t.id)).toEqual([functionTests[0]!.id, functionTests[3]!.id]);
  expect(readOrder('#<script>.99.-1.x')).toEqual({ tag: '', tests: functionTests });
  expect(readOrder('').tests).toHaveLength(27);
});

it('a browser that cannot vibrate says so', async () => {
  window.location.hash = `#AC7K.${index('vibra')}`;
  render(<DeviceTest />);
  await press('Three pulses');
  expect(screen.getByText(/cannot vibrate/)).toBeTruthy();
});

describe('touch grid', () => {
  const [w, h] = [390, 844];

  it('the middle of every cell fires that cell, the corners fire both', () => {
    for (let i = 0; i < cellCount; i++) {
      const b = cellBox(i, w, h);
      expect(cellsAt(b.x + b.w / 2, b.y + b.h / 2, w, h)).toContain(i);
    }
    expect(cellsAt(1, 1, w, h)).toEqual([0, columns * rows]);
    expect(cellsAt(w - 1, h - 1, w, h)).toEqual([columns * rows - 1, cellCount - 1]);
    expect(cellsAt(-3, 10, w, h)).toEqual([]);
  });

  it('the cells of the grid cover the panel once', () => {
    const area = Array.from({ length: columns * rows }, (_, i) => cellBox(i, w, h)).reduce((s, b) => s + b.w * b.h, 0);
    expect(area).toBeCloseTo(w * h, 6);
  });
});
