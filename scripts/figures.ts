import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';

import type { Figure } from '../src/work/findFigures';

const roots = ['src/core', 'src/model', 'src/work', 'src/bench-kit'];

const filesIn = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true }).flatMap((d) => {
    const p = path.posix.join(dir, d.name);
    if (d.isDirectory()) return filesIn(p);
    // only what makes figures is loaded
    const own = /\.ts$/.test(d.name) && !/\.test\.ts$|\.d\.ts$/.test(d.name);
    // a type alone makes none
    const text = readFileSync(p, 'utf8').replace(/^import type .*$/gm, '');
    return own && /\/source'|\b(published|commonPractice|memory|judgement|tuned|measured)\(/.test(text) ? [p] : [];
  });

interface Found {
  value: number;
  u?: number;
  source: { kind: string; note: string };
}
const isSourced = (x: unknown): x is Found =>
  typeof x === 'object' &&
  x !== null &&
  'value' in x &&
  typeof x.value === 'number' &&
  'source' in x &&
  typeof x.source === 'object' &&
  x.source !== null &&
  'kind' in x.source &&
  'note' in x.source;

/** All sourced figures under a value, by the path that leads there; what was seen before is one figure, not two. */
function walk(x: unknown, name: string, seen: Set<unknown>, out: (name: string, f: Found) => void, depth = 0): void {
  if (typeof x !== 'object' || x === null || seen.has(x) || depth > 6) return;
  seen.add(x);
  if (isSourced(x)) return out(name, x);
  const entries: [string, unknown][] =
    x instanceof Map
      ? [...x].map(([k, v]) => [String(k), v])
      : Object.entries(x).map(([k, v]) => {
          // rows of a table go by their own id
          const id = Array.isArray(x) && typeof v === 'object' && v !== null && 'id' in v ? String(v.id) : k;
          return [id, v];
        });
  for (const [k, v] of entries) walk(v, `${name}.${k}`, seen, out, depth + 1);
}

/** Every sourced figure that a module of core, model or the kit exports. */
export async function figuresOf(): Promise<Figure[]> {
  const rows: Figure[] = [];
  const seen = new Set<unknown>();
  for (const file of roots.flatMap(filesIn).sort()) {
    let exports: Record<string, unknown>;
    try {
      exports = (await import(pathToFileURL(path.resolve(file)).href)) as Record<string, unknown>;
    } catch {
      // a module that needs a browser holds no figures that core does not
      continue;
    }
    for (const [name, x] of Object.entries(exports).sort(([a], [b]) => (a < b ? -1 : 1)))
      walk(x, name, seen, (at, f) =>
        rows.push({
          file: file.slice('src/'.length),
          name: at,
          value: f.value,
          u: f.u ?? null,
          kind: f.source.kind,
          note: f.source.note,
        }),
      );
  }
  return rows;
}

const kinds: Record<string, string> = {
  published: 'published',
  commonPractice: 'common practice',
  memory: 'from memory',
  judgement: 'judgement',
  tuned: 'tuned',
  calibrated: 'calibrated',
  measured: 'measured',
};
const cell = (t: string) => t.replaceAll('|', '\\|').replaceAll('\n', ' ');
const number = (v: number) => String(Number(v.toPrecision(6)));

/** The index as a page. */
export function figuresTable(rows: readonly Figure[]): string {
  const count = new Map<string, number>();
  for (const r of rows) count.set(r.kind, (count.get(r.kind) ?? 0) + 1);
  const counts = [...count].sort((a, b) => b[1] - a[1]).map(([k, n]) => `${n} ${kinds[k] ?? k}`);
  const lines = [
    '# Figures',
    '',
    `Every number that carries a source, from the code itself (\`npm run figures\`): ${rows.length} of them, ${counts.join(', ')}. u is`,
    'the standard uncertainty in the unit of the value. A judgement is what a shop may know better.',
    '',
  ];
  let file = '';
  for (const r of rows) {
    if (r.file !== file) {
      file = r.file;
      lines.push('', `## ${file}`, '', '| figure | value | u | kind | note |', '| --- | --- | --- | --- | --- |');
    }
    lines.push(
      `| ${cell(r.name)} | ${number(r.value)} | ${r.u === null ? '' : number(r.u)} | ${kinds[r.kind] ?? r.kind} | ${cell(r.note)} |`,
    );
  }
  return `${lines.join('\n')}\n`;
}
