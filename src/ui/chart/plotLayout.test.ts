import { letter, plotLayout, plotRows, xAt, xOf, type PlotData } from './plotLayout';

const seconds = Array.from({ length: 25 }, (_, i) => i * 10);
const heat: PlotData = {
  x: {
    at: seconds,
    kind: 'span',
    name: 'time',
    text: (s) => `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`,
  },
  y: { name: '°C', text: (v) => `${v}°` },
  lines: [
    { id: 'a', name: 'edge', y: seconds.map((s) => 20 + s / 4), band: { low: seconds, high: seconds } },
    { id: 'b', name: 'cell', y: seconds.map((s) => (s < 100 ? 22 : null)) },
  ],
  marks: [
    { name: 'goes easily 66°', at: 66 },
    { name: 'battery: stop 65°', at: 65 },
    { name: 'take care 64°', at: 64 },
  ],
  instants: [
    { name: 'try from', at: 90 },
    { name: 'easy by', at: 95 },
    { name: 'now', at: 100 },
    { name: 'much later', at: 4000 },
  ],
  spans: [{ name: 'easy', from: 95, to: 9000 }],
};

const widthOf = (text: string) => letter.body * text.length;

it.each([
  [326, 190],
  [368, 210],
  [1040, 240],
])('no label is cut and none stands on another one, %i by %i', (width, height) => {
  const l = plotLayout(heat, width, height);
  // ticks are round: tens of degrees, minutes or halves of them
  expect(l.yTicks.every((t) => t.value % 10 === 0)).toBe(true);
  expect(l.xTicks.length).toBeGreaterThan(2);
  expect(l.xTicks.every((t) => /:(00|30)$/.test(t.text))).toBe(true);
  for (const t of l.yTicks) expect(t.x - letter.num * t.text.length).toBeGreaterThanOrEqual(0);
  for (const t of [...l.xTicks, ...l.instants, ...l.spans.map((s) => ({ text: s.text, x: s.textX }))]) {
    expect(t.x - widthOf(t.text) / 2).toBeGreaterThanOrEqual(0);
    expect(t.x + widthOf(t.text) / 2).toBeLessThanOrEqual(width);
  }
  // what is beyond the plot is not named at its rim
  expect(l.instants.map((i) => i.text).sort()).toEqual(['easy by', 'now', 'try from']);
  for (const [i, a] of l.instants.entries())
    for (const b of l.instants.slice(i + 1))
      expect(Math.abs(a.y - b.y) >= letter.line || Math.abs(a.x - b.x) * 2 >= widthOf(a.text) + widthOf(b.text)).toBe(
        true,
      );
  const marks = [...l.marks].sort((a, b) => a.y - b.y);
  for (let i = 1; i < marks.length; i++)
    expect(marks[i]!.y - marks[i - 1]!.y).toBeGreaterThanOrEqual(letter.line - 1e-9);
  for (const m of marks) {
    expect(m.y).toBeLessThanOrEqual(l.bottom);
    expect(m.y - letter.px).toBeGreaterThanOrEqual(l.top - letter.px);
  }
  expect(l.spans[0]!.x + l.spans[0]!.width).toBeCloseTo(l.right, 6);
});

it('a place across is read back as the value that stands there, of numbers, spans and instants', () => {
  for (const kind of ['number', 'span', 'instant'] as const) {
    const at = kind === 'instant' ? seconds.map((s) => 1.7e12 + s * 1e3) : seconds;
    const l = plotLayout({ ...heat, x: { ...heat.x, at, kind }, instants: [], spans: [] }, 400, 200);
    expect(xOf(l, kind, at[0]!)).toBeCloseTo(l.left, 6);
    expect(xOf(l, kind, at[24]!)).toBeCloseTo(l.right, 6);
    expect(xAt(l, kind, (l.left + l.right) / 2)).toBeCloseTo((at[0]! + at[24]!) / 2, 3);
  }
});

it('jobs are counted whole, and a single value or a flat line still has a scale', () => {
  const flat = (at: number[]): PlotData => ({
    x: { at, kind: 'number', name: 'job', text: String },
    y: { name: 'min', text: String },
    lines: [{ id: 'a', name: 'min', y: at.map(() => 7) }],
  });
  const l = plotLayout(flat([1, 2, 3, 4, 5, 6, 7]), 300, 150);
  expect(l.xTicks.every((t) => Number.isInteger(Number(t.text)))).toBe(true);
  expect(l.y(7)).toBeGreaterThan(l.top);
  expect(l.y(7)).toBeLessThan(l.bottom);
  const one = plotLayout(flat([1]), 300, 150);
  expect([one.left, one.y(7), xOf(one, 'number', 1)].every(Number.isFinite)).toBe(true);
});

it('the table behind it has the ends, ranges with their line, and a dash where nothing is known', () => {
  const { columns, rows } = plotRows(heat);
  expect(columns).toEqual(['time', 'edge', 'cell']);
  expect(rows.length).toBeLessThanOrEqual(13);
  expect(rows[0]).toEqual(['0:00', '20° (0°–0°)', '22°']);
  expect(rows.at(-1)).toEqual(['4:00', '80° (240°–240°)', '–']);
});
