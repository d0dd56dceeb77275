import { act, fireEvent, render, screen } from '@testing-library/react';

import { shippedDevices } from '@/model/shippedDevices';
import { Button, HoldButton } from './Button';
import { NumberField } from './NumberField';
import { DeviceBody, DeviceLines } from './plan/BaseLayer';
import { Soundings } from './plan/layers';
import { Plan } from './plan/Plan';

describe('NumberField', () => {
  const field = (onCommit: (v: number) => void) => (
    <NumberField label="Charge" unit="%" low={0} high={100} value={31} onCommit={onCommit} />
  );

  it('commits a number in range once, and names a wrong one without changing anything', () => {
    const commit = jest.fn();
    render(field(commit));
    const input = screen.getByLabelText('Charge, %');
    fireEvent.change(input, { target: { value: '900' } });
    fireEvent.blur(input);
    expect(commit).not.toHaveBeenCalled();
    expect(screen.getByRole('alert').textContent).toBe('Charge: enter 0 to 100 % (you entered 900)');
    fireEvent.change(input, { target: { value: '28' } });
    fireEvent.blur(input);
    expect(commit).toHaveBeenCalledTimes(1);
    expect(commit).toHaveBeenCalledWith(28);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('does not commit what is already there', () => {
    const commit = jest.fn();
    render(field(commit));
    fireEvent.blur(screen.getByLabelText('Charge, %'));
    expect(commit).not.toHaveBeenCalled();
  });
});

describe('buttons', () => {
  it('a disabled one says why, also to a screen reader', () => {
    const press = jest.fn();
    render(<Button label="On the plate" onPress={press} disabled why="tools at hand first" />);
    fireEvent.click(screen.getByRole('button', { name: 'On the plate: tools at hand first' }));
    expect(press).not.toHaveBeenCalled();
  });

  it('a press that meant something else when the finger came down does nothing', () => {
    const press = jest.fn();
    const { rerender } = render(<Button label="Start J-0001" means="a" onPress={press} />);
    const button = screen.getByRole('button');
    fireEvent.keyDown(button, { key: 'Enter' });
    rerender(<Button label="Start J-0002" means="b" onPress={press} />);
    fireEvent.keyUp(button, { key: 'Enter' });
    fireEvent.click(button);
    expect(press).not.toHaveBeenCalled();
    fireEvent.click(button);
    expect(press).toHaveBeenCalledTimes(1);
  });

  it('a held one acts after the hold, not on a tap', () => {
    jest.useFakeTimers();
    const press = jest.fn();
    render(<HoldButton label="Handed over" onPress={press} />);
    const b = screen.getByRole('button');
    fireEvent.keyDown(b, { key: 'Enter' });
    act(() => void jest.advanceTimersByTime(300));
    fireEvent.keyUp(b, { key: 'Enter' });
    act(() => void jest.advanceTimersByTime(2000));
    expect(press).not.toHaveBeenCalled();
    fireEvent.keyDown(b, { key: 'Enter' });
    act(() => void jest.advanceTimersByTime(1200));
    expect(press).toHaveBeenCalledTimes(1);
    jest.useRealTimers();
  });
});

describe('plan', () => {
  const device = shippedDevices[0]!;
  const plan = (
    <Plan
      device={device}
      bond={device.bonds[0]!}
      width={160}
      height={300}
      label="Ring at 57 to 64 °C"
      lines={['bottom edge: 57 °C', 'top edge: 64 °C']}
    >
      <DeviceBody />
      <DeviceLines />
      <Soundings items={[{ at: [36, 148], text: '57' }]} />
    </Plan>
  );

  it('is drawn to scale from the device: the viewBox is in mm and keeps the aspect', () => {
    render(plan);
    const svg = screen.getByRole('img', { name: 'Ring at 57 to 64 °C' });
    const [, , w, h] = svg.getAttribute('viewBox')!.split(' ').map(Number);
    expect(w! / h!).toBeCloseTo(160 / 300, 6);
    expect(h).toBeCloseTo(156, 6);
    expect(svg.textContent).toContain('57');
  });

  it('has a text equivalent, and zooms by button as well as by finger', () => {
    render(plan);
    expect(screen.queryByText('top edge: 64 °C')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Show the plan as text' }));
    expect(screen.getByText('top edge: 64 °C')).toBeTruthy();
    const width = () => Number(screen.getByRole('img').getAttribute('viewBox')!.split(' ')[2]);
    const before = width();
    fireEvent.click(screen.getByRole('button', { name: 'Zoom in' }));
    expect(width()).toBeCloseTo(before / 1.6, 6);
    fireEvent.click(screen.getByRole('button', { name: 'Zoom out' }));
    expect(width()).toBeCloseTo(before, 6);
  });
});
