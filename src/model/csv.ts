import Papa from 'papaparse';

/** Spaces, line ends and a byte-order mark before the sign do not make it less of a formula. */
const formula = /^[\s\uFEFF\u200B]*[=+\-@]|^[\t\r\n]/;

/** A cell that a spreadsheet would take for a formula is told to be text. */
export const safeCell = (v: string) => (formula.test(v) ? `'${v}` : v);

/** The same cell read back. */
export const plainCell = (v: string) => (v.startsWith("'") && formula.test(v.slice(1)) ? v.slice(1) : v);

/** Rows of one kind as CSV with a heading; texts cannot become formulas. */
export function rowsCsv(columns: readonly string[], rows: readonly (readonly (string | number | null)[])[]): string {
  return Papa.unparse({
    fields: [...columns],
    data: rows.map((r) => r.map((v) => (typeof v === 'string' ? safeCell(v) : (v ?? '')))),
  });
}
