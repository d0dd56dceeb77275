import solver from 'javascript-lp-solver';

import { CoreInputError } from '../errors';
import type { Device, Pt } from '../device/types';
import type { ScrewSpec } from './screws';
import { boxOf } from '../device/shapes';

export interface TrayGroup {
  id: string;
  zone: string;
  spec: ScrewSpec;
  holes: string[];
  at: Pt;
}

export interface Tray {
  rows: number;
  cols: number;
  /** cell by group: "B2" is row B, column 2 */
  cells: Map<string, string>;
  /** sum of the distances between groups and their cells, on the plan, mm */
  totalMm: number;
}

/** Name of a cell of the tray, as "B3". */
export const cellName = (i: number, cols: number) =>
  `${String.fromCharCode(65 + Math.floor(i / cols))}${(i % cols) + 1}`;

/** Screws of one zone and one kind: they share a cell. */
export function trayGroups(device: Device): TrayGroup[] {
  const out: TrayGroup[] = [];
  for (const s of device.screws) {
    const id = `${s.zone}|${s.head}|${s.diaMm}|${s.lengthMm}${s.colour ? `|${s.colour}` : ''}`;
    const g = out.find((x) => x.id === id);
    if (g) g.holes.push(s.id);
    else
      out.push({
        id,
        zone: s.zone,
        spec: { head: s.head, diaMm: s.diaMm, lengthMm: s.lengthMm, colour: s.colour },
        holes: [s.id],
        at: s.at,
      });
  }
  return out.map((g) => {
    const pts = g.holes.map((h) => device.screws.find((s) => s.id === h)!.at);
    const mean = (k: 0 | 1) => pts.reduce((m, p) => m + p[k], 0) / pts.length;
    return { ...g, at: [mean(0), mean(1)] as Pt };
  });
}

/** A mat that holds them with some cells to spare. */
export function traySize(groups: number): { rows: number; cols: number } {
  const cols = groups <= 6 ? 3 : groups <= 16 ? 4 : 5;
  return { cols, rows: Math.max(3, Math.ceil((groups + 2) / cols)) };
}

/**
 * Groups to cells so that the tray mirrors the device: least total distance to the cells of a mat scaled to the plan, an
 * assignment problem (its linear programme has whole solutions; Birkhoff, published).
 * @throws CoreInputError when there are more groups than cells
 */
export function assignTray(device: Device, groups: readonly TrayGroup[], size = traySize(groups.length)): Tray {
  const { rows, cols } = size;
  if (groups.length > rows * cols) throw new CoreInputError('tray cells', rows * cols, `at least ${groups.length}`);
  const box = boxOf(device.leaves[0]!.outline);
  const [w, h] = [box.max[0] - box.min[0], box.max[1] - box.min[1]];
  const centre = (i: number): Pt => [
    box.min[0] + (((i % cols) + 0.5) * w) / cols,
    box.min[1] + ((Math.floor(i / cols) + 0.5) * h) / rows,
  ];
  const away = (g: TrayGroup, i: number) => Math.hypot(g.at[0] - centre(i)[0], g.at[1] - centre(i)[1]);
  const variables: Record<string, Record<string, number>> = {};
  const constraints: Record<string, { equal?: number; max?: number }> = {};
  groups.forEach((g, k) => {
    constraints[`g${k}`] = { equal: 1 };
    for (let i = 0; i < rows * cols; i++) {
      constraints[`c${i}`] = { max: 1 };
      variables[`x${k}_${i}`] = { mm: away(g, i), [`g${k}`]: 1, [`c${i}`]: 1 };
    }
  });
  const answer = groups.length
    ? (solver.Solve({ optimize: 'mm', opType: 'min', constraints, variables }) as Record<string, number>)
    : {};
  const cells = new Map<string, string>();
  let totalMm = 0;
  groups.forEach((g, k) => {
    for (let i = 0; i < rows * cols; i++)
      if ((answer[`x${k}_${i}`] ?? 0) > 0.5) {
        cells.set(g.id, cellName(i, cols));
        totalMm += away(g, i);
      }
  });
  return { rows, cols, cells, totalMm };
}

const escape = (t: string) => t.replace(/[<>&"']/g, (c) => `&#${c.charCodeAt(0)};`);

/**
 * The mat as an SVG drawing at 1:1 with a bar of 50 mm to check the printer by. Every cell names its screws; holes are drawn
 * where they are on the device, scaled to the mat.
 */
export function matSvg(device: Device, groups: readonly TrayGroup[], tray: Tray, title: string): string {
  const [W, H] = [Math.max(180, tray.cols * 42), tray.rows * 38 + 30];
  const [cw, ch] = [W / tray.cols, 38];
  const cellAt = (name: string): [number, number] => [(Number(name.slice(1)) - 1) * cw, (name.charCodeAt(0) - 65) * ch];
  const all = Array.from({ length: tray.rows * tray.cols }, (_, i) => cellName(i, tray.cols));
  const lines = [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${W}mm" height="${H}mm" viewBox="0 0 ${W} ${H}" font-family="sans-serif">`,
    `<rect width="${W}" height="${H}" fill="white"/>`,
    ...all.map((name) => {
      const [x, y] = cellAt(name);
      const g = groups.find((q) => tray.cells.get(q.id) === name);
      const text = g
        ? `<text x="${x + 3}" y="${y + 15}" font-size="4">${escape(g.zone)}</text><text x="${x + 3}" y="${y + 21}" font-size="4">${g.holes.length} × ${escape(g.spec.head)}</text><text x="${x + 3}" y="${y + 27}" font-size="4">${g.spec.diaMm} × ${g.spec.lengthMm} mm</text><rect x="${x + 3}" y="${y + 30}" width="${g.spec.lengthMm}" height="${g.spec.diaMm}" fill="black"/>`
        : '';
      return `<rect x="${x + 0.5}" y="${y + 0.5}" width="${cw - 1}" height="${ch - 1}" fill="none" stroke="black" stroke-width="0.3"/><text x="${x + 3}" y="${y + 9}" font-size="6" font-weight="bold">${name}</text>${text}`;
    }),
    `<rect x="3" y="${H - 16}" width="50" height="2" fill="black"/>`,
    `<text x="3" y="${H - 18}" font-size="4">this bar is 50 mm: print at 100 %</text>`,
    `<text x="3" y="${H - 5}" font-size="5">${escape(title)}</text>`,
    '</svg>',
  ];
  return lines.join('\n');
}
