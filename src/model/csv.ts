import Papa from 'papaparse';

/** A cell that a spreadsheet would take for a formula is told to be text. */
export const safeCell = (v: string) => (/^[=+\-@\t\r]/.test(v) ? `'${v}` : v);

/** Rows of one kind as CSV with a heading; texts cannot become formulas. */
export function rowsCsv(columns: readonly string[], rows: readonly (readonly (string | number | null)[])[]): string {
  return Papa.unparse({
    fields: [...columns],
    data: rows.map((r) => r.map((v) => (typeof v === 'string' ? safeCell(v) : (v ?? '')))),
  });
}
