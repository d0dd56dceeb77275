import { act, fireEvent, render, screen, within } from '@testing-library/react';

import { Table } from './Table';

const rows = [
  ['Lift', '12.5', '9 % (2 to 20)'],
  ['Heat', '4.0', '–'],
  ['Clean', '101.0', '−3 %'],
];
const shown = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((r) => within(r).getAllByRole('cell')[0]!.textContent);
const press = (name: RegExp) => act(async () => void fireEvent.click(screen.getByRole('button', { name })));

it('stands as it was given, and is sorted by a heading: up, down, and as it was; what has no figure comes last', async () => {
  render(<Table label="Minutes" columns={['Stage', 'typical, min', 'over']} rows={rows} marked={[2]} />);
  expect(shown()).toEqual(['Lift', 'Heat', 'Clean']);
  await press(/^typical/);
  expect(shown()).toEqual(['Heat', 'Lift', 'Clean']);
  expect(screen.getByRole('columnheader', { name: /typical/ }).getAttribute('aria-sort')).toBe('ascending');
  await press(/^typical/);
  expect(shown()).toEqual(['Clean', 'Lift', 'Heat']);
  await press(/^typical/);
  expect(shown()).toEqual(['Lift', 'Heat', 'Clean']);
  expect(screen.getByRole('columnheader', { name: /typical/ }).getAttribute('aria-sort')).toBe('none');
  await press(/^over/);
  expect(shown()).toEqual(['Clean', 'Lift', 'Heat']);
  await press(/^over/);
  expect(shown()).toEqual(['Lift', 'Clean', 'Heat']);
  await press(/^Stage/);
  expect(shown()).toEqual(['Clean', 'Heat', 'Lift']);
});

it('a decimal comma counts: 4,5 comes before 4,9 and 12,1', async () => {
  render(
    <Table
      label="Minutos"
      columns={['Etapa', 'min']}
      rows={[
        ['a', '4,9'],
        ['b', '12,1'],
        ['c', '4,5'],
      ]}
    />,
  );
  await press(/^min/);
  expect(shown()).toEqual(['c', 'a', 'b']);
});
