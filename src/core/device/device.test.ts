import fc from 'fast-check';

import { shippedDevices } from '../../model/shippedDevices';
import { digest } from '../digest';
import { CoreInputError } from '../errors';
import { bondPerimeter, describePlace, Perimeter } from './perimeter';
import { boxOf, contains, insideDistanceMm, inset } from './shapes';
import { toThermalStack } from './thermalStack';
import type { Outline } from './types';

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
    expect(() => new Perimeter({ kind: 'disc', c: [0, 0], rMm: 5 })).toThrow(CoreInputError);
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
