import fc from 'fast-check';

import { shippedDevices } from '../../model/shippedDevices';
import { digest } from '../digest';
import { CoreInputError } from '../errors';
import type { Device, Outline } from './types';
import { cableFold } from './cableFold';
import { checkDevice } from './check';
import { dragTo, duplicateDevice, freshId, snap, twinOf, withCoverThickness, withOutline } from './editing';
import { faceView } from './faceView';
import { inwardCorner, insetConvex, polygonOf, selfCrossing, signedArea } from './polygon';
import { heatModelled, toThermalStack } from './thermalStack';
import { bondPerimeter, describePlace, Perimeter } from './perimeter';
import { boxOf, contains, insideDistanceMm, inset, mirrorX } from './shapes';

const outline: Outline = { kind: 'roundRect', min: [0, 0], max: [72, 150], rMm: 10 };
const path = new Perimeter(outline);

describe('shapes', () => {
  it('signed distance of a rounded rectangle by hand: middle of an edge, corner tip, centre', () => {
    expect(insideDistanceMm(outline, [36, 0])).toBeCloseTo(0, 12);
    expect(insideDistanceMm(outline, [36, 5])).toBeCloseTo(5, 12);
    expect(insideDistanceMm(outline, [0, 0])).toBeCloseTo(10 - Math.hypot(10, 10), 12);
    expect(insideDistanceMm(outline, [36, 75])).toBeCloseTo(36, 12);
  });

  it('area by counting equals w h - (4 - π) r²', () => {
    let n = 0;
    const step = 0.25;
    for (let x = step / 2; x < 72; x += step)
      for (let y = step / 2; y < 150; y += step) if (contains(outline, [x, y])) n++;
    expect((n * step * step) / (72 * 150 - (4 - Math.PI) * 100)).toBeCloseTo(1, 3);
  });

  it('a polygon knows inside from outside, and its distance', () => {
    const square: Outline = {
      kind: 'polygon',
      pts: [
        [0, 0],
        [10, 0],
        [10, 10],
        [0, 10],
      ],
    };
    expect(insideDistanceMm(square, [3, 5])).toBeCloseTo(3, 12);
    expect(insideDistanceMm(square, [13, 14])).toBeCloseTo(-5, 12);
    expect(boxOf(square)).toEqual({ min: [0, 0], max: [10, 10] });
  });

  it('a band is the ring between two insets', () => {
    const band = { kind: 'band', of: outline, fromMm: 1, toMm: 3 } as const;
    expect([0.5, 2, 4].map((d) => contains(band, [d, 75]))).toEqual([false, true, false]);
    expect(contains(band, [0.5, 75], 1)).toBe(true);
    expect(inset(outline, 2)).toMatchObject({ min: [2, 2], max: [70, 148], rMm: 8 });
  });
});

describe('perimeter', () => {
  it('is 2 (w + h) - (8 - 2π) r long', () => {
    expect(path.lengthMm).toBeCloseTo(2 * 222 - (8 - 2 * Math.PI) * 10, 9);
  });

  it('starts at bottom middle and runs clockwise as looked at from behind', () => {
    expect(path.point(0).at).toEqual([36, 150]);
    expect(path.point(20).at[0]).toBeLessThan(36);
    expect(path.point(20).edge).toBe('bottom');
    expect(path.point(path.lengthMm / 2).edge).toBe('top');
    expect(path.point(path.lengthMm / 2).at[0]).toBeCloseTo(36, 6);
    expect(path.point(path.lengthMm * 0.25).edge).toBe('left');
    expect(path.point(path.lengthMm * 0.75).edge).toBe('right');
  });

  it('locate is the inverse of point, for any place and for places moved along the normal (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: path.lengthMm - 1e-6, noNaN: true }),
        fc.double({ min: -4, max: 4, noNaN: true }),
        (s, off) => {
          const p = path.point(s);
          const found = path.locate([p.at[0] + p.normal[0] * off, p.at[1] + p.normal[1] * off]);
          const d = Math.abs(found - s);
          return Math.min(d, path.lengthMm - d) < 1e-3;
        },
      ),
    );
  });

  it('points lie on the outline and normals point outward (property)', () => {
    fc.assert(
      fc.property(fc.double({ min: -500, max: 1000, noNaN: true }), (s) => {
        const p = path.point(s);
        const out = insideDistanceMm(outline, [p.at[0] + p.normal[0], p.at[1] + p.normal[1]]);
        return Math.abs(insideDistanceMm(outline, p.at)) < 1e-6 && Math.abs(out + 1) < 1e-6;
      }),
    );
  });

  it('the four edges together are the whole length', () => {
    const sum = (['bottom', 'left', 'top', 'right'] as const).reduce(
      (m, e) => m + path.edgeSpan(e).toMm - path.edgeSpan(e).fromMm,
      0,
    );
    expect(sum).toBeCloseTo(path.lengthMm, 9);
  });

  it('names places in plain words', () => {
    expect(describePlace(path, 0)).toMatchObject({ edge: 'bottom', third: 'middle', corner: false });
    expect(describePlace(path, path.locate([0, 20]))).toMatchObject({ edge: 'left', third: 'upper' });
    expect(describePlace(path, path.locate([72, 20]))).toMatchObject({ edge: 'right', third: 'upper' });
  });

  it('refuses an outline that has no ring', () => {
    expect(
      () =>
        new Perimeter({
          kind: 'polygon',
          pts: [
            [0, 0],
            [0, 5],
            [0, 9],
          ],
        }),
    ).toThrow(CoreInputError);
  });
});

describe('shipped devices', () => {
  it.each(shippedDevices.map((d) => [d.name, d] as const))(
    '%s: parts lie in the outline and in the thickness, the ring is not over a lens',
    (_, d) => {
      const leaf = d.leaves[0]!;
      for (const p of d.parts) {
        expect(p.toDepthMm).toBeLessThanOrEqual(leaf.thicknessMm + 1e-9);
        expect(p.fromDepthMm).toBeLessThan(p.toDepthMm);
        if (p.shape.kind === 'band') continue;
        const b = boxOf(p.shape);
        const o = boxOf(leaf.outline);
        expect(b.min[0]).toBeGreaterThanOrEqual(o.min[0]);
        expect(b.max[1]).toBeLessThanOrEqual(o.max[1]);
      }
      const bond = d.bonds[0]!;
      for (const h of d.faces[0]!.holes) {
        const b = boxOf(h.shape);
        const nearest = Math.min(
          ...[b.min, b.max].flatMap((c) => [insideDistanceMm(leaf.outline, [c[0], (b.min[1] + b.max[1]) / 2])]),
        );
        expect(nearest).toBeGreaterThan(bond.insetMm + bond.widthMm);
      }
      expect(bondPerimeter(d, bond).lengthMm).toBeGreaterThan(300);
    },
  );

  it('the stack adds up to the thickness of the device', () => {
    for (const d of shippedDevices) {
      const s = toThermalStack(d, d.bonds[0]!, new Set(d.parts.map((p) => p.id)));
      expect(s.layers.reduce((m, l) => m + l.thicknessMm, 0)).toBeCloseTo(d.leaves[0]!.thicknessMm, 9);
    }
  });

  it('every limit, clearance and figure names its source', () => {
    for (const p of shippedDevices.flatMap((d) => d.parts)) {
      expect(p.clearMm.source.note.length).toBeGreaterThan(3);
      if (p.kind === 'battery') expect(p.limitC?.stop.source.kind).toBe('judgement');
    }
  });
});

it('digest does not depend on the order of keys and changes with any value', () => {
  expect(digest({ a: 1, b: [2, 3] })).toBe(digest({ b: [2, 3], a: 1 }));
  expect(digest({ a: 1 })).not.toBe(digest({ a: 1.0000001 }));
  expect(digest({ a: undefined, b: 1 })).toBe(digest({ b: 1 }));
});

const shipped = (id: string): Device => shippedDevices.find((d) => d.id === id)!;
const change = (d: Device, f: (copy: Device) => void): Device => {
  const copy = structuredClone(d);
  f(copy);
  return copy;
};
const said = (d: Device) => checkDevice(d).map((p) => `${p.field}: ${p.given}, allowed is ${p.allowed}`);

describe('polygons', () => {
  const star: [number, number][] = [
    [0, 0],
    [10, 10],
    [10, 0],
    [0, 10],
  ];
  it('finds the sides that cross, and a corner that turns inward', () => {
    expect(selfCrossing(star)).toEqual([1, 3]);
    expect(selfCrossing(polygonOf(outline))).toBeNull();
    expect(
      inwardCorner([
        [0, 0],
        [10, 0],
        [5, 3],
        [10, 10],
        [0, 10],
      ]),
    ).toBe(3);
    expect(inwardCorner(polygonOf(outline))).toBeNull();
  });

  it('a convex polygon moved inward loses perimeter × distance, corner by corner (square by hand)', () => {
    const inner = insetConvex(
      [
        [0, 0],
        [10, 0],
        [10, 20],
        [0, 20],
      ],
      2,
    )!;
    expect(inner).toEqual([
      [2, 2],
      [8, 2],
      [8, 18],
      [2, 18],
    ]);
    expect(insetConvex(inner, 3.5)).toBeNull();
  });

  it('the perimeter of a polygon and of a disc start at bottom middle and go clockwise', () => {
    const poly = new Perimeter({ kind: 'polygon', pts: polygonOf(outline, 24) });
    expect(poly.lengthMm / path.lengthMm).toBeCloseTo(1, 4);
    for (const s of [0, 100, 210, 300, 415]) {
      expect(poly.point(s).edge).toBe(path.point(s).edge);
      expect(
        Math.hypot(poly.point(s).at[0] - path.point(s).at[0], poly.point(s).at[1] - path.point(s).at[1]),
      ).toBeLessThan(0.05);
    }
    expect(poly.edgeSpan('bottom').fromMm).toBeLessThan(0);
    const round = new Perimeter({ kind: 'disc', c: [10, 10], rMm: 5 });
    expect(round.lengthMm).toBeCloseTo(10 * Math.PI, 9);
    expect(round.point(0).at).toEqual([10, 15]);
    expect(round.point(round.lengthMm / 4).at[0]).toBeCloseTo(5, 9);
  });

  it('mirrored twice is the same, and the area stays', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 60, noNaN: true }), fc.double({ min: 5, max: 120, noNaN: true }), (x, y) => {
        const s: Outline = { kind: 'disc', c: [x, y], rMm: 4 };
        const twice = mirrorX(mirrorX(s, 72), 72) as typeof s;
        expect(twice.c[0]).toBeCloseTo(x, 9);
        expect(Math.abs(signedArea(polygonOf(mirrorX(s, 72))))).toBeCloseTo(Math.abs(signedArea(polygonOf(s))), 9);
      }),
    );
  });
});

describe('device models', () => {
  it('the shipped ones cover every construction, are sound, and differ', () => {
    expect(shippedDevices.length).toBeGreaterThanOrEqual(8);
    for (const d of shippedDevices) expect([d.id, said(d)]).toEqual([d.id, []]);
    const kinds = new Set(shippedDevices.flatMap((d) => d.faces.map((f) => f.construction)));
    expect([...kinds].sort()).toEqual(['clipped', 'frameLens', 'fullGlass', 'lensInRing', 'ringGlass', 'ringPlastic']);
    expect(shippedDevices.some((d) => d.leaves.length === 2 && d.parts.some((p) => p.kind === 'hinge'))).toBe(true);
    expect(shippedDevices.some((d) => d.insideThrough === 'front')).toBe(true);
  });

  const ring = shipped('ring61');
  it.each([
    [
      'a bond ring wider than the phone',
      (d: Device) => void (d.bonds[0]!.widthMm = 40),
      /bond backRing: ring width: 40 mm at an inset of 0 mm, allowed is together less than half the cover's width, 36 mm/,
    ],
    [
      'a ring over a lens',
      (d: Device) => void (d.bonds[0]!.widthMm = 12),
      /bond backRing: ring width: 12 mm, allowed is up to 9.\d+ mm, or it lies over lens/,
    ],
    [
      'a lens outside',
      (d: Device) => void (d.faces[0]!.holes[0]!.shape = { kind: 'disc', c: [2, 14], rMm: 4 }),
      /lens1: 2 mm outside the cover/,
    ],
    [
      'a part outside',
      (d: Device) =>
        void (d.parts.find((p) => p.id === 'board')!.shape = {
          kind: 'roundRect',
          min: [60, 4],
          max: [80, 90],
          rMm: 0,
        }),
      /main board: [\d.]+ mm outside the outline/,
    ],
    [
      'two parts in one place',
      (d: Device) =>
        void (d.parts.find((p) => p.id === 'board')!.shape = {
          kind: 'roundRect',
          min: [30, 40],
          max: [60, 90],
          rMm: 0,
        }),
      /battery: in the same place as main board/,
    ],
    [
      'a depth beyond the device',
      (d: Device) => void (d.parts.find((p) => p.id === 'board')!.toDepthMm = 30),
      /main board: depth: 30 mm, allowed is up to the device's/,
    ],
    [
      'an outline that crosses itself',
      (d: Device) =>
        void (d.faces[0]!.cover.outline = {
          kind: 'polygon',
          pts: [
            [0, 0],
            [60, 140],
            [60, 0],
            [0, 140],
          ],
        }),
      /face back: outline of the cover: side 1 meets side 3, allowed is an outline that does not cross itself/,
    ],
    [
      'a corner radius over half the side',
      (d: Device) => void (d.leaves[0]!.outline = { kind: 'roundRect', min: [0, 0], max: [72, 150], rMm: 50 }),
      /corner radius: 50 mm, allowed is 0 to 36 mm/,
    ],
    [
      'a cable too short for its fold',
      (d: Device) => void Object.assign(d.cables[0]!, { slackMm: 8 }),
      /rear cable: length: 8 mm of slack, taut at 31° when folded toward the right/,
    ],
    [
      'a cable folded toward the wrong side',
      (d: Device) => void Object.assign(d.cables[0]!, { foldToward: 'left' }),
      /rear cable: length: .*toward the left/,
    ],
    [
      'a screw that goes through',
      (d: Device) => void (d.screws[0]!.lengthMm = 5),
      /screw bracket1: length: 5 mm, allowed is up to 1.9 mm/,
    ],
    [
      'an unknown adhesive',
      (d: Device) => void (d.bonds[0]!.adhesive = 'honey'),
      /adhesive: "honey", allowed is foamRing/,
    ],
    ['an id twice', (d: Device) => void (d.parts[1]!.id = d.parts[0]!.id), /parts: "coil" stands twice/],
  ])('%s is named with its field and the allowed range', (_, spoil, expected) => {
    expect(said(change(ring, spoil)).join('; ')).toMatch(expected);
  });

  it('a cable is straight when the chord of its anchor equals the slack', () => {
    const c = { ...ring.cables[0]!, slackMm: 14, reachMm: 14 };
    // ring centre line lies 1 mm in, so the anchor is 15 mm from the hinge: 2 asin(14 / 30)
    expect(cableFold(ring, ring.bonds[0]!, c).maxDeg).toBeCloseTo((2 * Math.asin(14 / 30) * 180) / Math.PI, 6);
    expect(cableFold(ring, ring.bonds[0]!, { ...c, slackMm: 60 }).maxDeg).toBe(180);
  });

  it('a cable is as far from the hinge as its anchor from the side that the cover is folded to (by hand)', () => {
    const outline = ring.leaves[0]!.outline;
    if (outline.kind !== 'roundRect') throw new Error('a rounded rectangle was meant');
    const [[x0, y0], [x1, y1]] = [outline.min, outline.max];
    const fold = (foldToward: 'left' | 'right' | 'top' | 'bottom') =>
      cableFold(ring, ring.bonds[0]!, { ...ring.cables[0]!, slackMm: 6, reachMm: 14, foldToward });
    const { at } = fold('left');
    // fourteen millimetres behind the middle of the ring, which lies 1 mm in
    expect(Math.min(at[0] - x0, x1 - at[0], at[1] - y0, y1 - at[1])).toBeCloseTo(15, 9);
    for (const [side, mm] of [
      ['left', at[0] - x0],
      ['right', x1 - at[0]],
      ['top', at[1] - y0],
      ['bottom', y1 - at[1]],
    ] as const) {
      const f = fold(side);
      expect(f.leverMm).toBeCloseTo(mm, 9);
      expect(f.neededMm).toBeCloseTo(2 * mm, 9);
      // the chord of the circle on which the anchor goes is the slack
      expect(2 * mm * Math.sin((f.maxDeg * Math.PI) / 360)).toBeCloseTo(6, 9);
    }
  });

  it('the front is the same stack with depth and x turned over (law 17), and back again', () => {
    const d = shipped('front62');
    const view = faceView(d, d.bonds[0]!);
    const thick = d.leaves[0]!.thicknessMm;
    for (const p of view.device.parts) {
      const own = d.parts.find((q) => q.id === p.id)!;
      expect(p.fromDepthMm).toBeCloseTo(thick - own.toDepthMm, 9);
      expect(boxOf(p.shape).min[0]).toBeCloseTo(73 - boxOf(own.shape).max[0], 9);
    }
    const back = toThermalStack(d, { ...d.bonds[1]!, onFace: 'lensGlass' }, new Set(d.parts.map((p) => p.id)));
    const front = toThermalStack(view.device, view.bond, new Set(d.parts.map((p) => p.id)));
    const sum = (s: typeof back) => s.layers.reduce((m, l) => m + l.thicknessMm, 0);
    expect(sum(front)).toBeCloseTo(sum(back), 9);
    expect(heatModelled(view.device, view.bond)).toBe(true);
    const lens = faceView(d, d.bonds[1]!);
    expect(heatModelled(lens.device, lens.bond)).toBe(false);
    expect(lens.device.cables).toEqual([]);
  });

  it('a second leaf is seen alone', () => {
    const d = shipped('fold78');
    const view = faceView(d, d.bonds[1]!);
    expect(view.device.leaves.map((l) => l.id)).toEqual(['cover']);
    expect(view.device.parts.every((p) => p.leaf === 'cover')).toBe(true);
    expect(faceView(ring, ring.bonds[0]!).device).toBe(ring);
  });
});

describe('editing a model', () => {
  const ring = shipped('ring61');
  it('snaps to the middle line and to neighbours before the grid', () => {
    expect(snap(35.4, [36])).toBe(36);
    expect(snap(30.3, [36])).toBe(30.5);
    const moved = dragTo({ kind: 'disc', c: [10, 10], rMm: 3 }, [35.3, 20.2], 36, [
      { kind: 'disc', c: [12, 20.7], rMm: 2 },
    ]);
    expect(moved).toMatchObject({ c: [36, 20.7] });
  });

  it('a twin stands on the other side of the middle line; what lies on it has none', () => {
    expect(twinOf({ kind: 'disc', c: [13, 20], rMm: 4 }, 72)).toMatchObject({ c: [59, 20] });
    expect(twinOf({ kind: 'disc', c: [36, 20], rMm: 4 }, 72)).toBeNull();
  });

  it('another outline takes cover, plate, rim and display along; a thicker cover pushes all below it down', () => {
    const wide = withOutline(ring, { kind: 'roundRect', min: [0, 0], max: [76, 154], rMm: 9 });
    expect(wide.faces[0]!.cover.outline).toMatchObject({ max: [76, 154] });
    expect(said(wide)).toEqual([]);
    const thick = withCoverThickness(ring, 'back', 1.0);
    expect(thick.leaves[0]!.thicknessMm).toBeCloseTo(ring.leaves[0]!.thicknessMm + 0.2, 9);
    expect(said(thick)).toEqual([]);
    expect(toThermalStack(thick, thick.bonds[0]!, new Set(thick.parts.map((p) => p.id))).layers[0]!.thicknessMm).toBe(
      1,
    );
  });

  it('copies get an id of their own', () => {
    expect(freshId('lens', ['lens', 'lens2'])).toBe('lens3');
    expect(duplicateDevice({ ...ring, version: 7 }, 'mine', 'Mine')).toMatchObject({ id: 'mine', version: 1 });
  });
});

it('a part may stand a twentieth of a millimetre outside: that is rounding; a sixth of one more is a fault', () => {
  const d = shippedDevices.find((x) => x.leaves.length === 1 && x.parts.some((p) => p.kind === 'battery'))!;
  const leafBox = boxOf(d.leaves[0]!.outline);
  const out = (byMm: number) =>
    checkDevice(
      change(d, (copy) => {
        const p = copy.parts.find((x) => x.kind === 'battery')!;
        const y = (leafBox.min[1] + leafBox.max[1]) / 2;
        p.shape = { kind: 'roundRect', min: [leafBox.min[0] - byMm, y - 2], max: [leafBox.min[0] + 2, y + 2], rMm: 0 };
      }),
    ).filter((x) => x.given.endsWith('outside the outline'));
  expect(out(0)).toEqual([]);
  expect(out(0.045)).toEqual([]);
  expect(out(0.058)).toHaveLength(1);
  expect(out(1)).toHaveLength(1);
});

it('a free id keeps the first forty letters and figures of a word', () => {
  expect(freshId('a b-1', [])).toBe('ab1');
  expect(freshId('x'.repeat(60), [])).toBe('x'.repeat(40));
  expect(freshId('x'.repeat(60), ['x'.repeat(40)])).toBe(`${'x'.repeat(40)}2`);
  expect(freshId('--', [])).toBe('item');
});
