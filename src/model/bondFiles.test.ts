import DxfReader from 'dxf-parser';
import ICAL from 'ical.js';

import { tapePlan, type TapeGap } from '../core/bond/tapePlan';
import { tapeSheet } from '../core/bond/tapeSheet';
import type { Outline, Pt } from '../core/device/types';
import { cureCalendar } from './cureCalendar';
import { tapeDxf } from './tapeDxf';
import { tapeSvg } from './tapeSvg';

const cover = (w: number, h: number, r: number): Outline => ({
  kind: 'roundRect',
  min: [3, 5],
  max: [3 + w, 5 + h],
  rMm: r,
});
const vent: TapeGap = { side: 'bottom', fromMm: 33, toMm: 39 };
const cases = [
  ['round corners', cover(72, 150, 10), [vent], 2],
  ['tight corners', cover(70, 140, 1), [], 2],
  ['a tablet', cover(170, 250, 8), [], 3],
] as const;

const side = (p: Pt, q: Pt) => Math.hypot(p[0] - q[0], p[1] - q[1]);
/** Numbers are written to a thousandth of a millimetre. */
const written = 0.002;

describe.each(cases)('tape template, %s', (_, outline, gaps, widthMm) => {
  const plan = tapePlan(outline, 0.5, widthMm, gaps, 1e5);
  const sheet = tapeSheet(plan, outline, widthMm);

  it('SVG read back: 1:1, every piece there, long edges add up to the cut list, bar is 50 mm', () => {
    const svg = tapeSvg(sheet, 'J-1');
    const [, w, h] = /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0/.exec(svg)!;
    expect(svg).toContain(`viewBox="0 0 ${w} ${h}"`);
    const group = (id: string) => new RegExp(`<g id="${id}"[^>]*>([\\s\\S]*?)</g>`).exec(svg)![1]!;
    const polygons = [...group('cut').matchAll(/points="([^"]+)"/g)].map((m) =>
      m[1]!.split(' ').map((p) => p.split(',').map(Number) as unknown as Pt),
    );
    expect(polygons).toHaveLength(plan.pieces.length);
    const total = polygons.reduce((s, p) => s + side(p[0]!, p[1]!), 0);
    expect(Math.abs(total - plan.lengthMm)).toBeLessThan(written * polygons.length);
    // each is as wide as the tape
    for (const p of polygons) expect(Math.abs(p[2]![1] - p[1]![1])).toBeCloseTo(widthMm, 2);
    const [, x0, , x1] = /M([\d.]+) ([\d.]+)H([\d.]+)/.exec(group('scale'))!;
    expect(Number(x1) - Number(x0)).toBeCloseTo(50, 3);
  });

  it('DXF read back with another library: mm, closed pieces, same total length, inside the page', () => {
    const read = new DxfReader().parseSync(tapeDxf(sheet))!;
    expect(read.header.$INSUNITS).toBe(4);
    const cut = read.entities.filter((e) => e.layer === 'CUT') as unknown as {
      type: string;
      shape: boolean;
      vertices: { x: number; y: number }[];
    }[];
    expect(cut).toHaveLength(plan.pieces.length);
    const total = cut.reduce(
      (s, e) => s + Math.hypot(e.vertices[1]!.x - e.vertices[0]!.x, e.vertices[1]!.y - e.vertices[0]!.y),
      0,
    );
    expect(total).toBeCloseTo(plan.lengthMm, 6);
    for (const e of cut) {
      expect(e).toMatchObject({ type: 'LWPOLYLINE', shape: true });
      for (const v of e.vertices) {
        expect(v.x >= 0 && v.x <= sheet.widthMm && v.y >= 0 && v.y <= sheet.heightMm).toBe(true);
      }
    }
    const bar = read.entities.find((e) => e.layer === 'SCALE') as unknown as { vertices: { x: number; y: number }[] };
    expect(Math.abs(bar.vertices[1]!.x - bar.vertices[0]!.x)).toBeCloseTo(50, 9);
  });

  it('pieces on the strips do not overlap', () => {
    const boxes = sheet.cut.map((c) => ({
      x0: Math.min(...c.outline.map((p) => p[0])),
      x1: Math.max(...c.outline.map((p) => p[0])),
      y: c.outline[0]![1],
    }));
    boxes.forEach((a, i) =>
      boxes.slice(i + 1).forEach((b) => {
        if (Math.abs(a.y - b.y) < 1e-6) expect(a.x1 <= b.x0 + 1e-9 || b.x1 <= a.x0 + 1e-9).toBe(true);
      }),
    );
  });
});

it('a device that lies elsewhere in its own frame gives the same template', () => {
  const at = (x: number, y: number): Outline => ({ kind: 'roundRect', min: [x, y], max: [x + 70, y + 140], rMm: 6 });
  const sheetAt = (x: number, y: number) => tapeSheet(tapePlan(at(x, y), 0.5, 2, [vent], 1e5), at(x, y), 2);
  const rounded = (x: unknown) =>
    JSON.parse(JSON.stringify(x, (_, v) => (typeof v === 'number' ? Math.round(v * 1e6) / 1e6 + 0 : v)));
  for (const [x, y] of [
    [5, 11],
    [-40, 3],
  ] as const)
    expect(rounded(sheetAt(x, y))).toEqual(rounded(sheetAt(0, 0)));
});

it('a title is text, never markup', () => {
  const plan = tapePlan(cover(70, 140, 1), 0, 2, [], 1e5);
  const svg = tapeSvg(tapeSheet(plan, cover(70, 140, 1), 2), '<script>alert("x")</script>&\u0007');
  expect(svg).not.toContain('<script');
  expect(svg).toContain('&#60;script&#62;');
});

it('calendar read back with another library: instants in UTC, a minute up at most, an alarm each', () => {
  const at = Date.UTC(2026, 3, 14, 18, 30, 20);
  const text = cureCalendar([
    { uid: 'a@northcove', at, title: 'J-1: clamps off; first, gently', note: 'shelf A1' },
    { uid: 'b@northcove', at: at + 86_400_000, title: 'J-1: hand over', note: '' },
  ]);
  const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((v) => new ICAL.Event(v));
  expect(events).toHaveLength(2);
  expect(events[0]!.summary).toBe('J-1: clamps off; first, gently');
  const start = events[0]!.startDate.toJSDate().getTime();
  expect(start - at).toBeGreaterThanOrEqual(0);
  expect(start - at).toBeLessThanOrEqual(60_000);
  expect(events[0]!.component.getAllSubcomponents('valarm')).toHaveLength(1);
});
