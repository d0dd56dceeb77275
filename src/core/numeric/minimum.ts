/** Minimum of a function with one valley on [a, b], by golden section to a relative width of 1e-10. */
export function goldenMinimum(f: (x: number) => number, a: number, b: number): number {
  const g = (Math.sqrt(5) - 1) / 2;
  let [lo, hi] = [a, b];
  let x1 = hi - g * (hi - lo);
  let x2 = lo + g * (hi - lo);
  let [f1, f2] = [f(x1), f(x2)];
  for (let i = 0; i < 120 && hi - lo > 1e-10 * Math.max(1, Math.abs(lo) + Math.abs(hi)); i++) {
    if (f1 < f2) {
      [hi, x2, f2] = [x2, x1, f1];
      x1 = hi - g * (hi - lo);
      f1 = f(x1);
    } else {
      [lo, x1, f1] = [x1, x2, f2];
      x2 = lo + g * (hi - lo);
      f2 = f(x2);
    }
  }
  return (lo + hi) / 2;
}

/** Ordinates of a straight line by least squares. */
export function lineFit(
  x: readonly number[],
  y: readonly number[],
): { a: number; b: number; ssr: number; seB: number } {
  const n = x.length;
  const mx = x.reduce((s, v) => s + v, 0) / n;
  const my = y.reduce((s, v) => s + v, 0) / n;
  let sxx = 0;
  let sxy = 0;
  x.forEach((v, i) => {
    sxx += (v - mx) ** 2;
    sxy += (v - mx) * (y[i]! - my);
  });
  const b = sxx > 0 ? sxy / sxx : 0;
  const a = my - b * mx;
  const ssr = x.reduce((s, v, i) => s + (y[i]! - a - b * v) ** 2, 0);
  return { a, b, ssr, seB: n > 2 && sxx > 0 ? Math.sqrt(ssr / (n - 2) / sxx) : 0 };
}
