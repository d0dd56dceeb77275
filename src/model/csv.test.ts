import Papa from 'papaparse';

import { rowsCsv } from './csv';

it('reads back as it was, and nothing in it becomes a formula', () => {
  const text = rowsCsv(
    ['name', 'n'],
    [
      ['=cmd|calc', 1.5],
      ['a "quoted", text\nwith a line', null],
      ['-5 and +3', -2],
    ],
  );
  const { data } = Papa.parse<string[]>(text);
  expect(data).toEqual([
    ['name', 'n'],
    ["'=cmd|calc", '1.5'],
    ['a "quoted", text\nwith a line', ''],
    ["'-5 and +3", '-2'],
  ]);
});
