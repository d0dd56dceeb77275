import { judgement } from '../source';
import { contains } from '../device/shapes';
import type { Device, ScrewHole } from '../device/types';

export interface ScrewSpec {
  head: ScrewHole['head'];
  diaMm: number;
  lengthMm: number;
  colour?: ScrewHole['colour'];
}

/** What came out of a hole, in the order in which it came. */
export interface ScrewOut extends ScrewSpec {
  seq: number;
  hole: string;
  zone: string;
  cell: string | null;
  missing: boolean;
}

/** What went back into a hole. */
export interface ScrewIn extends ScrewSpec {
  hole: string;
}

export type ScrewFinding =
  | { type: 'missing' | 'missingAtIntake' | 'added' | 'extra' | 'duplicate' | 'wrongSpec'; hole: string }
  | { type: 'swapped'; hole: string; with: string }
  | { type: 'pierce'; hole: string; overMm: number }
  | { type: 'tight'; hole: string; roomMm: number }
  | { type: 'weak'; hole: string; engageMm: number }
  | { type: 'mixedCell'; cell: string };

export const tightMm = judgement(0.2, 'less room than this under a screw is tight');
export const engageRule = judgement(1, 'a screw holds with about one diameter of thread');

/** Are two screws of one kind: head, thread, length, colour. */
export const sameSpec = (a: ScrewSpec, b: ScrewSpec): boolean =>
  a.head === b.head &&
  (a.colour ?? null) === (b.colour ?? null) &&
  Math.abs(a.diaMm - b.diaMm) < 1e-9 &&
  Math.abs(a.lengthMm - b.lengthMm) < 1e-9;

/**
 * Engagement of a screw in its boss: length less what it passes before. Negative room: it comes out at the bottom and
 * pierces what lies there. Geometry.
 */
export function boss(
  hole: Pick<ScrewHole, 'stackMm' | 'bossDepthMm'>,
  lengthMm: number,
): { engageMm: number; roomMm: number } {
  const engageMm = lengthMm - hole.stackMm;
  return { engageMm, roomMm: hole.bossDepthMm - engageMm };
}

export interface ScrewCheck {
  findings: ScrewFinding[];
  zones: Map<string, { expected: number; refit: number }>;
  refitOrder: string[];
}

/** Compares what came out with what went back in. Pairs that got each other's screw are named once, in the order of the holes. */
export function checkScrews(
  out: readonly ScrewOut[],
  back: readonly ScrewIn[],
  holes: readonly ScrewHole[],
): ScrewCheck {
  const byHole = new Map(out.map((r) => [r.hole, r]));
  const fitted = new Map<string, ScrewIn>();
  const findings: ScrewFinding[] = [];
  for (const f of back) {
    if (fitted.has(f.hole)) findings.push({ type: 'duplicate', hole: f.hole });
    fitted.set(f.hole, f);
  }
  const wrong: string[] = [];
  for (const [hole, r] of byHole) {
    const f = fitted.get(hole);
    if (r.missing) findings.push({ type: f ? 'added' : 'missingAtIntake', hole });
    else if (!f) findings.push({ type: 'missing', hole });
    else if (!sameSpec(f, r)) wrong.push(hole);
  }
  for (const hole of fitted.keys()) if (!byHole.has(hole)) findings.push({ type: 'extra', hole });
  const left = wrong.sort();
  while (left.length) {
    const h = left.shift()!;
    const k = left.find((g) => sameSpec(fitted.get(h)!, byHole.get(g)!) && sameSpec(fitted.get(g)!, byHole.get(h)!));
    if (k === undefined) findings.push({ type: 'wrongSpec', hole: h });
    else {
      left.splice(left.indexOf(k), 1);
      findings.push({ type: 'swapped', hole: h, with: k });
    }
  }
  for (const [hole, f] of fitted) {
    const model = holes.find((x) => x.id === hole);
    if (!model) continue;
    const { engageMm, roomMm } = boss(model, f.lengthMm);
    if (roomMm < -1e-9) findings.push({ type: 'pierce', hole, overMm: -roomMm });
    else if (roomMm < tightMm.value - 1e-9) findings.push({ type: 'tight', hole, roomMm });
    const least = model.minEngageMm > 0 ? model.minEngageMm : engageRule.value * f.diaMm;
    if (engageMm < least - 1e-9) findings.push({ type: 'weak', hole, engageMm });
  }
  const cells = new Map<string, ScrewOut[]>();
  for (const r of out) if (!r.missing && r.cell) cells.set(r.cell, [...(cells.get(r.cell) ?? []), r]);
  for (const [cell, list] of cells)
    if (list.some((r) => !sameSpec(r, list[0]!))) findings.push({ type: 'mixedCell', cell });
  const zones = new Map<string, { expected: number; refit: number }>();
  const zone = (z: string) => zones.get(z) ?? zones.set(z, { expected: 0, refit: 0 }).get(z)!;
  for (const r of out) if (!r.missing) zone(r.zone).expected++;
  for (const hole of fitted.keys()) zone(byHole.get(hole)?.zone ?? '?').refit++;
  return {
    findings,
    zones,
    refitOrder: [...out]
      .filter((r) => !r.missing)
      .sort((a, b) => b.seq - a.seq)
      .map((r) => r.hole),
  };
}

/** What a heap of screws can be told apart by: every kind with where it belongs, and the kinds that look alike. */
export interface HeapKind extends ScrewSpec {
  holes: string[];
  /** kinds that differ by less than this in length alone: callipers, not the eye */
  alike: number[];
}

export const alikeMm = judgement(0.4, 'lengths that differ by less are not told apart by eye');

/** Screws that lie in a heap, by kind, with how many there are of each. */
export function sortHeap(out: readonly ScrewOut[]): HeapKind[] {
  const kinds: HeapKind[] = [];
  for (const r of out) {
    if (r.missing) continue;
    const k = kinds.find((x) => sameSpec(x, r));
    if (k) k.holes.push(r.hole);
    else
      kinds.push({ head: r.head, diaMm: r.diaMm, lengthMm: r.lengthMm, colour: r.colour, holes: [r.hole], alike: [] });
  }
  for (const k of kinds)
    k.alike = kinds
      .filter(
        (o) =>
          o !== k &&
          o.head === k.head &&
          (o.colour ?? null) === (k.colour ?? null) &&
          o.diaMm === k.diaMm &&
          Math.abs(o.lengthMm - k.lengthMm) < alikeMm.value,
      )
      .map((o) => o.lengthMm);
  return kinds.sort((a, b) => a.head.localeCompare(b.head) || b.lengthMm - a.lengthMm);
}

/** What a screw that is too long runs into: the parts under its hole, the nearest to the boss first. */
export function underHole(device: Pick<Device, 'parts'>, hole: ScrewHole): string | null {
  const deepest = device.parts
    .filter((p) => !['rim', 'midPlate', 'hinge'].includes(p.kind) && p.id !== hole.holds && contains(p.shape, hole.at))
    .sort((a, b) => b.fromDepthMm - a.fromDepthMm);
  return deepest[0]?.name ?? null;
}
