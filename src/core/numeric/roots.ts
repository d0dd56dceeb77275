/** Root of a function that changes sign once on [a, b], by bisection to full precision. */
export function firstRoot(f: (x: number) => number, a: number, b: number): number {
  let lo = a;
  let hi = b;
  const rising = f(hi) > f(lo);
  for (let i = 0; i < 200 && hi - lo > 1e-13 * Math.max(1, Math.abs(hi)); i++) {
    const m = (lo + hi) / 2;
    if (f(m) > 0 === rising) hi = m;
    else lo = m;
  }
  return (lo + hi) / 2;
}
