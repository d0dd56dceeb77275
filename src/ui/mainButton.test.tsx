import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { View } from 'react-native';

import { Button, HoldButton } from './Button';
import { Choice, Tick } from './Choice';
import { pressMain, releaseMain } from './mainButton';

const pedal = () => act(() => pressMain(false));
const focused = () => document.activeElement?.getAttribute('aria-label');

/** A page whose button waits for one tick. */
function Page({ onMain }: { onMain: () => void }) {
  const [on, setOn] = useState(false);
  return (
    <View>
      <Tick asked label="Tools at hand" on={on} onChange={setOn} />
      <Button kind="main" label="On the plate" disabled={!on} why="tools first" onPress={onMain} />
    </View>
  );
}

it('leads to what is missing, says it, and then does the main thing', () => {
  const main = jest.fn();
  render(<Page onMain={main} />);
  pedal();
  expect(focused()).toBe('Tools at hand');
  expect(screen.getByRole('checkbox').getAttribute('aria-checked')).toBe('false');
  pedal();
  expect(screen.getByRole('checkbox').getAttribute('aria-checked')).toBe('true');
  expect(main).not.toHaveBeenCalled();
  pedal();
  expect(main).toHaveBeenCalledTimes(1);
  // a foot that rests on it
  act(() => pressMain(true));
  expect(main).toHaveBeenCalledTimes(1);
});

it('never answers one of several', () => {
  const answer = jest.fn();
  render(
    <View>
      <Choice
        asked
        label="Chips?"
        value={null}
        options={[
          { id: 'no', name: 'No' },
          { id: 'yes', name: 'Yes' },
        ]}
        onChange={answer}
      />
      <Button kind="main" label="Go on" disabled why="chips?" onPress={answer} />
    </View>,
  );
  for (let i = 0; i < 4; i++) pedal();
  expect(focused()).toBe('Chips?: No');
  expect(answer).not.toHaveBeenCalled();
});

it('holds what is held as long as it is pressed, and no longer', () => {
  jest.useFakeTimers();
  const sign = jest.fn();
  render(<HoldButton label="Handed over" onPress={sign} />);
  act(() => pressMain(false));
  act(() => void jest.advanceTimersByTime(500));
  act(() => releaseMain());
  act(() => void jest.advanceTimersByTime(2000));
  expect(sign).not.toHaveBeenCalled();
  act(() => pressMain(false));
  act(() => pressMain(true));
  act(() => void jest.advanceTimersByTime(1000));
  expect(sign).toHaveBeenCalledTimes(1);
  act(() => releaseMain());
  jest.useRealTimers();
});

it('does nothing on a page that was left, and on one without a main button', () => {
  const left = jest.fn();
  const { rerender } = render(
    <View aria-hidden>
      <Button kind="main" label="Off the plate" onPress={left} />
    </View>,
  );
  pedal();
  expect(left).not.toHaveBeenCalled();
  const side = jest.fn();
  rerender(<Button label="Print" onPress={side} />);
  pedal();
  expect(side).not.toHaveBeenCalled();
  fireEvent.click(screen.getByRole('button', { name: 'Print' }));
  expect(side).toHaveBeenCalledTimes(1);
});
