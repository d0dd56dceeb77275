import {
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
  type SortingState,
} from '@tanstack/react-table';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';

import { Txt } from './Txt';

interface TableProps {
  label: string;
  columns: readonly string[];
  rows: readonly (readonly string[])[];
  /** rows that stand out, by number */
  marked?: readonly number[];
}

interface TableRow {
  cells: readonly string[];
  marked: boolean;
}

/** What a cell is sorted by: the figure that it begins with; words by themselves; a dash comes last. */
function sortValue(text: string): number | string | undefined {
  const figure = /^[×(]?\s*([+\-−]?\d+(?:[.,]\d+)?)/.exec(text);
  if (figure) return Number(figure[1]!.replace('−', '-').replace(',', '.'));
  return /^[–-]?$/.test(text.trim()) ? undefined : text.toLocaleLowerCase();
}

const byValue = (a: unknown, b: unknown) =>
  typeof a === 'number' && typeof b === 'number' ? a - b : String(a).localeCompare(String(b));

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() });
const none: readonly number[] = [];
const ariaSort = { asc: 'ascending', desc: 'descending' } as const;

/** A small table: the first column in words, the others in figures; pressing a heading sorts by it, up, down and as it was. */
export function Table({ label, columns, rows, marked = none }: TableProps) {
  // the table is one object that changes within, which the compiler would keep
  'use no memo';
  const [sorting, setSorting] = useState<SortingState>([]);
  const data = useMemo<TableRow[]>(
    () => rows.map((cells, i) => ({ cells, marked: marked.includes(i) })),
    [rows, marked],
  );
  const defs = useMemo<ColumnDef<typeof features, TableRow>[]>(
    () =>
      columns.map((header, i) => ({
        id: String(i),
        header,
        accessorFn: (r: TableRow) => sortValue(r.cells[i] ?? ''),
        sortFn: (a, b, id) => byValue(a.getValue(id), b.getValue(id)),
        sortDescFirst: false,
        sortUndefined: 'last' as const,
      })),
    [columns],
  );
  const table = useTable({ features, columns: defs, data, state: { sorting }, onSortingChange: setSorting });
  const cellClass = (i: number) => (i ? 'flex-1' : 'flex-[1.4]');
  return (
    <View role="table" aria-label={label} className="my-1">
      <View role="row" className="flex-row border-b border-rule gap-2">
        {table.getFlatHeaders().map((h, i) => {
          const sorted = h.column.getIsSorted();
          return (
            <View
              key={h.id}
              role="columnheader"
              className={cellClass(i)}
              {...({ 'aria-sort': sorted ? ariaSort[sorted] : 'none' } as object)}
            >
              <Pressable
                role="button"
                onPress={h.column.getToggleSortingHandler()}
                className="min-h-touch justify-center"
              >
                <Txt size="s" strong tone="ink2" className={i ? 'text-right' : ''}>
                  {columns[i]}
                  {sorted ? (sorted === 'asc' ? ' ↑' : ' ↓') : ''}
                </Txt>
              </Pressable>
            </View>
          );
        })}
      </View>
      {table.getRowModel().rows.map((r) => (
        <View key={r.id} role="row" className="flex-row border-b border-rule py-1 gap-2">
          {r.original.cells.map((c, i) => (
            <View key={i} role="cell" className={cellClass(i)}>
              <Txt
                size="s"
                num={i > 0}
                strong={r.original.marked}
                tone={r.original.marked ? 'caution' : 'ink'}
                className={i ? 'text-right' : ''}
              >
                {c}
              </Txt>
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}
