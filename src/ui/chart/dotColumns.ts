import { scaleTime } from 'd3-scale';

export interface Dot {
  x: number;
  /** px over the line that they stand on */
  y: number;
  at: number;
}

export interface DotPicture {
  dots: Dot[];
  ticks: { x: number; at: number }[];
  /** instant to px */
  x: (at: number) => number;
  /** of all dots on each other, px */
  height: number;
}

/**
 * A quantile dot plot: instants of equal chance as dots that stand on each other where they are close (Kay et al. 2016,
 * published), so that "nineteen of these twenty" can be counted. @param at rising instants, ms
 */
export function dotColumns(at: readonly number[], also: readonly number[], width: number, dotPx: number): DotPicture {
  const all = [...at, ...also];
  const [from, to] = [Math.min(...all), Math.max(...all)];
  const pad = Math.max(60e3, (to - from) * 0.04);
  const x = scaleTime()
    .domain([from - pad, to + pad])
    .range([dotPx, width - dotPx]);
  const dots: Dot[] = [];
  let column: { x: number; n: number } | null = null;
  for (const t of at) {
    const px = x(t);
    if (!column || px - column.x >= dotPx) column = { x: px, n: 0 };
    dots.push({ x: column.x, y: dotPx * (column.n + 0.5), at: t });
    column.n++;
  }
  const ticks = x.ticks(Math.max(2, Math.min(6, Math.floor(width / 90)))).map((d) => ({ x: x(d), at: d.getTime() }));
  return { dots, ticks, x: (t) => x(t), height: Math.max(dotPx, ...dots.map((d) => d.y + dotPx / 2)) };
}
