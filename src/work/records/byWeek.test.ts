import { handedOverByWeek } from './shopStatistics';

const at = (m: number, d: number, h = 12) => new Date(2026, m - 1, d, h).getTime();

it('weeks from the first to the last, an empty one among them, over a change of clocks', () => {
  // Mondays 9, 16, 23 and 30 March 2026; clocks change on Sunday 29 March or 25 October where they do
  const weeks = handedOverByWeek([
    { closedAt: at(3, 9, 0) },
    { closedAt: at(3, 15, 23) },
    { closedAt: null },
    { closedAt: at(3, 30) },
    { closedAt: at(4, 1) },
  ]);
  expect(weeks.map((w) => [new Date(w.at).getDate(), new Date(w.at).getHours(), w.jobs])).toEqual([
    [9, 0, 2],
    [16, 0, 0],
    [23, 0, 0],
    [30, 0, 2],
  ]);
  expect(handedOverByWeek([])).toEqual([]);
});
