import Papa from 'papaparse';
import { z } from 'zod';

import './zodConfig';
import type { Device } from '../core/device/types';
import { safeCell } from './csv';
import { explain } from './event';
import type { JobState } from './fold';

const columns = ['hole', 'zone', 'head', 'dia_mm', 'length_mm', 'cell', 'state'] as const;

const row = z.object({
  hole: z.string().min(1).max(60),
  head: z.enum(['cross', 'fiveLobe', 'threeWing', 'hex', 'slot']),
  dia_mm: z.coerce.number().min(0.4).max(6),
  length_mm: z.coerce.number().min(0.5).max(30),
  cell: z.string().max(4).default(''),
  state: z.enum(['in', 'out', 'missing']).default('out'),
});
export type ScrewRow = z.infer<typeof row>;

/** The screw list of a job, one line a hole. */
export function screwCsv(job: Pick<JobState, 'device' | 'screwsOut'>, cellOf: (hole: string) => string): string {
  return Papa.unparse({
    fields: [...columns],
    data: job.device.screws.map((s) => {
      const out = job.screwsOut.get(s.id);
      return [
        safeCell(s.id),
        safeCell(s.zone),
        out?.head ?? s.head,
        out?.diaMm ?? s.diaMm,
        out?.lengthMm ?? s.lengthMm,
        cellOf(s.id),
        out ? (out.missing ? 'missing' : 'out') : 'in',
      ];
    }),
  });
}

/** Reads a screw list back. All or nothing: the problem names the line, the column and the allowed range. */
export function readScrewCsv(text: string, device: Device): { rows: ScrewRow[] } | { problem: string } {
  if (text.length > 1e6) return { problem: 'the file: over 1 MB' };
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: true,
  });
  const missing = ['hole', 'head', 'dia_mm', 'length_mm'].filter((c) => !parsed.meta.fields?.includes(c));
  if (missing.length) return { problem: `line 1: no column ${missing.join(', ')}` };
  const rows: ScrewRow[] = [];
  const seen = new Set<string>();
  for (const [i, data] of parsed.data.entries()) {
    const plain = Object.fromEntries(Object.entries(data).map(([k, v]) => [k, String(v).replace(/^'(?=[=+\-@])/, '')]));
    const r = row.safeParse(plain);
    if (!r.success) return { problem: `line ${i + 2}, ${explain(r.error)}` };
    if (!device.screws.some((s) => s.id === r.data.hole))
      return { problem: `line ${i + 2}, hole: ${r.data.hole.slice(0, 20)} is not a hole of this device` };
    if (seen.has(r.data.hole)) return { problem: `line ${i + 2}, hole: ${r.data.hole.slice(0, 20)} is there twice` };
    seen.add(r.data.hole);
    rows.push(r.data);
  }
  if (!rows.length) return { problem: 'the file: no screw in it' };
  return { rows };
}
