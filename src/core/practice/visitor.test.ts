import { drawVisitor, visitorAt, visitorFigures as f } from './visitor';

it('a seed draws the same visitor, within what is stated', () => {
  expect(drawVisitor(7)).toEqual(drawVisitor(7));
  const many = Array.from({ length: 2000 }, (_, i) => drawVisitor(i + 1));
  for (const [key, from, to] of [
    ['comesS', f.comesFromS, f.comesToS],
    ['takesS', f.takesFromS, f.takesToS],
    ['waitsS', f.waitsFromS, f.waitsToS],
  ] as const) {
    const all = many.map((v) => v[key]);
    expect(Math.min(...all)).toBeGreaterThanOrEqual(from.value);
    expect(Math.max(...all)).toBeLessThanOrEqual(to.value);
    // evenly over the range: the mean of 2000 lies within five standard errors of its middle
    const [mid, wide] = [(from.value + to.value) / 2, to.value - from.value];
    const mean = all.reduce((s, x) => s + x, 0) / all.length;
    expect(Math.abs(mean - mid)).toBeLessThan((5 * wide) / Math.sqrt(12 * 2000));
  }
});

it('comes, waits, is served or leaves', () => {
  const v = { comesS: 100, takesS: 60, waitsS: 200 };
  expect(visitorAt(v, null, 99)).toEqual({ what: 'notYet' });
  expect(visitorAt(v, null, 100)).toEqual({ what: 'waits', leftS: 200 });
  expect(visitorAt(v, null, 299)).toEqual({ what: 'waits', leftS: 1 });
  expect(visitorAt(v, null, 300)).toEqual({ what: 'gone' });
  expect(visitorAt(v, 150, 150)).toEqual({ what: 'withYou', leftS: 60 });
  expect(visitorAt(v, 150, 209)).toEqual({ what: 'withYou', leftS: 1 });
  expect(visitorAt(v, 150, 210)).toEqual({ what: 'done', afterS: 50 });
  // nobody is served before they are there, or after they have left
  expect(visitorAt(v, 90, 150)).toEqual({ what: 'waits', leftS: 150 });
  expect(visitorAt(v, 300, 310)).toEqual({ what: 'gone' });
});
