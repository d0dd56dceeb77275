import { View } from 'react-native';

import { Txt } from './Txt';

export interface TableProps {
  label: string;
  columns: readonly string[];
  rows: readonly (readonly string[])[];
  /** rows that stand out, by number */
  marked?: readonly number[];
}

/** A small table: the first column in words, the others in figures. */
export function Table({ label, columns, rows, marked = [] }: TableProps) {
  const line = (cells: readonly string[], head: boolean, key: string | number, on: boolean) => (
    <View key={key} role="row" className="flex-row border-b border-rule py-1 gap-2">
      {cells.map((c, i) => (
        <View key={i} role={head ? 'columnheader' : 'cell'} className={i ? 'flex-1' : 'flex-[1.4]'}>
          <Txt
            size="s"
            num={!head && i > 0}
            strong={on || head}
            tone={on ? 'caution' : head ? 'ink2' : 'ink'}
            className={i ? 'text-right' : ''}
          >
            {c}
          </Txt>
        </View>
      ))}
    </View>
  );
  return (
    <View role="table" aria-label={label} className="my-1">
      {line(columns, true, 'head', false)}
      {rows.map((r, i) => line(r, false, i, marked.includes(i)))}
    </View>
  );
}
