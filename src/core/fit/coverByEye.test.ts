import fc from 'fast-check';

import { coverByEye, coverPoints, coverSides, stepAtSide } from './coverByEye';
import { coverFromGaps } from './lensCover';

const covers = [
  { id: 'a', at: [20, 30] as const, rMm: 6 },
  { id: 'b', at: [20, 50] as const, rMm: 6 },
];
const points = coverPoints(covers);
const seen = (...spots: [string, 'high' | 'low'][]) =>
  coverByEye(
    points,
    spots.map(([point, how]) => ({ point, how })),
  );

it('four places on each rim, as far out as the cover is large', () => {
  expect(points).toHaveLength(8);
  for (const p of points) {
    const c = covers.find((x) => x.id === p.cover)!;
    expect(Math.hypot(p.at[0] - c.at[0], p.at[1] - c.at[1])).toBeCloseTo(c.rMm, 9);
  }
  // the plan counts down: its top has the smaller y
  expect(points.find((p) => p.id === 'a:top')!.at[1]).toBe(24);
});

it('nothing off: each is accepted', () => expect(seen().map((s) => s.action)).toEqual(['accept', 'accept']));

it('proud on one side lies on something, and says where', () =>
  expect(seen(['a:left', 'high'])).toEqual([
    { cover: 'a', action: 'clearUnder', sides: ['left'] },
    { cover: 'b', action: 'accept', sides: [] },
  ]));

it('proud all round was not pressed down', () =>
  expect(seen(['b:left', 'high'], ['b:top', 'high'], ['b:right', 'high'])[1]!.action).toBe('pressAgain'));

it('touching on one side is pushed the other way, on both it is too large', () => {
  expect(seen(['a:top', 'low'])[0]).toEqual({ cover: 'a', action: 'shift', sides: ['bottom'] });
  expect(seen(['a:top', 'low'], ['a:bottom', 'low'])[0]!.action).toBe('tooLarge');
  // large and on a crumb: another cover comes first
  expect(seen(['a:top', 'low'], ['a:bottom', 'low'], ['a:left', 'high'])[0]!.action).toBe('tooLarge');
});

it('a place on no cover is refused by name', () => expect(() => seen(['c:top', 'high'])).toThrow(/spot: c:top/));

it('whatever is marked on one cover says nothing of the other', () =>
  fc.assert(
    fc.property(fc.subarray([...coverSides]), fc.constantFrom('high' as const, 'low' as const), (sides, how) => {
      const [a, b] = seen(...sides.map((s): [string, 'high' | 'low'] => [`a:${s}`, how]));
      expect(b!.action).toBe('accept');
      expect(a!.action === 'accept').toBe(sides.length === 0);
    }),
  ));

// a plane through three steps read back at other angles of the same circle (analytic: a + b cos θ + c sin θ)
it('the step at a side is the plane of the three that were measured', () => {
  const [a, b, c] = [0.03, 0.05, -0.02];
  const plane = (deg: number) => a + b * Math.cos((deg * Math.PI) / 180) + c * Math.sin((deg * Math.PI) / 180);
  const seat = coverFromGaps(6.1, [0.1, 0.1, 0.1, 0.1], [plane(90), plane(210), plane(330)]);
  const at = { right: 0, top: 90, left: 180, bottom: 270 };
  for (const side of coverSides) expect(stepAtSide(seat, side)).toBeCloseTo(plane(at[side]), 9);
});

it('without steps there is none at a side', () =>
  expect(stepAtSide(coverFromGaps(6.1, [0.1, 0.1, 0.1, 0.1], []), 'top')).toBeNull());
