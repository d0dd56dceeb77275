import { fireEvent, render, screen } from '@testing-library/react';

import { Choice, Tick } from './Choice';
import { Disclosure } from './Disclosure';
import { Mark } from './Mark';
import { RangeInput } from './RangeInput';
import { Readings } from './Readings';
import { ThemeProvider, useTokens } from './theme';
import { TimeField } from './TimeField';
import { Txt } from './Txt';

it('a choice is a radio group: one is checked, its name carries the question', () => {
  const change = jest.fn();
  render(
    <Choice
      label="Chips?"
      value="no"
      options={[
        { id: 'no', name: 'No' },
        { id: 'yes', name: 'Yes' },
      ]}
      onChange={change}
    />,
  );
  expect(screen.getByRole('radiogroup', { name: 'Chips?' })).toBeTruthy();
  expect(screen.getByRole('radio', { name: 'Chips?: No' }).getAttribute('aria-checked')).toBe('true');
  fireEvent.click(screen.getByRole('radio', { name: 'Chips?: Yes' }));
  expect(change).toHaveBeenCalledWith('yes');
});

it('a tick turns on and off', () => {
  const change = jest.fn();
  const { rerender } = render(<Tick label="Power is off" on={false} onChange={change} />);
  fireEvent.click(screen.getByRole('checkbox'));
  expect(change).toHaveBeenLastCalledWith(true);
  rerender(<Tick label="Power is off" on onChange={change} />);
  expect(screen.getByRole('checkbox').textContent).toContain('✓');
  fireEvent.click(screen.getByRole('checkbox'));
  expect(change).toHaveBeenLastCalledWith(false);
});

it('a disclosure keeps its content until it is asked for', () => {
  render(
    <Disclosure title="Why and what else">
      <Txt>the reason</Txt>
    </Disclosure>,
  );
  const head = screen.getByRole('button', { name: 'Why and what else' });
  expect(head.getAttribute('aria-expanded')).toBe('false');
  expect(screen.queryByText('the reason')).toBeNull();
  fireEvent.click(head);
  expect(screen.getByText('the reason')).toBeTruthy();
  expect(head.getAttribute('aria-expanded')).toBe('true');
});

it('readings are a list; marks have names; a range reads its value out', () => {
  const change = jest.fn();
  render(
    <>
      <Readings items={[{ id: 'a', value: '57°', label: 'starting arc' }]} />
      <Mark state="hands" />
      <RangeInput
        label="Setting"
        valueText="110 °C / 230 °F"
        low={50}
        high={160}
        step={1}
        value={110}
        onChange={change}
      />
    </>,
  );
  expect(screen.getAllByRole('listitem')[0]!.textContent).toBe('57°starting arc');
  expect(screen.getByRole('img', { name: 'hands needed' })).toBeTruthy();
  const slider = screen.getByRole('slider', { name: 'Setting' });
  expect(slider.getAttribute('aria-valuetext')).toBe('110 °C / 230 °F');
  fireEvent.change(slider, { target: { value: '95' } });
  expect(change).toHaveBeenCalledWith(95);
});

it('a time is taken as it is written, and a wrong one changes nothing', () => {
  const commit = jest.fn();
  render(<TimeField label="Promised for" value={null} onCommit={commit} />);
  const input = screen.getByRole('textbox');
  fireEvent.change(input, { target: { value: '27:10' } });
  fireEvent.blur(input);
  expect(commit).not.toHaveBeenCalled();
  expect(screen.getByRole('alert').textContent).toContain('you entered "27:10"');
  fireEvent.change(input, { target: { value: '1630' } });
  fireEvent.blur(input);
  expect(commit).toHaveBeenCalledWith(16, 30);
});

it('the look is chosen, or follows the system, and reaches the root of the page', () => {
  const Ink = () => <Txt>{useTokens().ink}</Txt>;
  const { rerender } = render(
    <ThemeProvider choice="dark" touch="gloves">
      <Ink />
    </ThemeProvider>,
  );
  expect(document.documentElement.classList.contains('dark')).toBe(true);
  expect(screen.getByText('#EAF0EE')).toBeTruthy();
  rerender(
    <ThemeProvider choice="light" touch="usual">
      <Ink />
    </ThemeProvider>,
  );
  expect(document.documentElement.classList.contains('dark')).toBe(false);
  expect(screen.getByText('#14283A')).toBeTruthy();
});
