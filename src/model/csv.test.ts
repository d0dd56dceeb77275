import Papa from 'papaparse';

import { plainCell, rowsCsv, safeCell } from './csv';

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

it('what stands before the sign does not make it less of a formula, and the cell is read back as it was', () => {
  for (const text of ['=1+1', ' =1+1', '\n=1+1', '\uFEFF=1+1', '\u200B=1', '\t@x', '+1', '-2', '\rx'])
    expect([text, safeCell(text)]).toEqual([text, `'${text}`]);
  for (const text of ['plain', "'quoted", 'a=b', '']) expect(safeCell(text)).toBe(text);
  for (const text of ['=1+1', ' =1', "it's", '']) expect(plainCell(safeCell(text))).toBe(text);
});
