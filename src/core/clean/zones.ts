import { jointOf } from '../device/jointKinds';
import { bondPerimeter, faceOf } from '../device/perimeter';
import { boxOf, contains } from '../device/shapes';
import type { Bond, Device, Pt } from '../device/types';
import type { KeepOut } from '../lift/depth';
import { commonPractice, judgement } from '../source';

export type ZoneState = 'residue' | 'glass' | 'film' | 'wet' | 'dry' | 'inspected';
export const zoneStates: readonly ZoneState[] = ['residue', 'glass', 'film', 'wet', 'dry', 'inspected'];

export type CleanMethod =
  'dryOnly' | 'rollWarm' | 'alcoholWipe' | 'plasticScraper' | 'flatBlade' | 'tweezersFirst' | 'air';

export interface CleanZone {
  index: number;
  /** stretch of the ring; a patch or the middle of a full bond has none */
  stretch: { fromMm: number; toMm: number } | null;
  at: Pt;
  /** near a camera: wiped dry, no liquid */
  dry: boolean;
  /** what the ledge is made of, for the scraper */
  soft: boolean;
}

export const dryWithinMm = commonPractice(12, 'dry only around cameras: droplets on a lens leave haze');
/** The device is cool enough for tape, alcohol and dry fit below this, °C. */
export const coolC = commonPractice(35, 'tape is laid on a cool, dry frame');
export const warmFromC = judgement(38, 'residue rolls off under a finger of rubber from about here');
export const scraperDeg = {
  soft: judgement(20, 'plastic scraper on soft metal, nearly flat, so that it does not gouge'),
  hard: judgement(30, 'steel blade on steel or glass'),
};
const softMetals = new Set(['aluminium', 'polymer', 'magnesium']);

/** What is cleaned: the ring in stretches of about 50 mm; on a full bond the middle too, in fields of about 40 mm. */
export function cleanZones(device: Device, bond: Bond, outs: readonly KeepOut[]): CleanZone[] {
  const path = bondPerimeter(device, bond);
  const n = Math.max(path.lengthMm < 120 ? 4 : 8, Math.round(path.lengthMm / 50));
  const step = path.lengthMm / n;
  const cameras = outs.filter((k) => k.why === 'camera').map((k) => boxOf(k.shape));
  const near = (p: Pt) =>
    cameras.some((b) => {
      const dx = Math.max(b.min[0] - p[0], 0, p[0] - b.max[0]);
      const dy = Math.max(b.min[1] - p[1], 0, p[1] - b.max[1]);
      return Math.hypot(dx, dy) < dryWithinMm.value;
    });
  const rim = device.parts.find((p) => p.kind === 'rim');
  const soft = softMetals.has(rim?.material ?? 'aluminium');
  const zones: CleanZone[] = !jointOf(bond).glued
    ? []
    : Array.from({ length: n }, (_, index) => {
        const fromMm = (index - 0.5) * step;
        const toMm = (index + 0.5) * step;
        let dry = false;
        for (let s = fromMm; s <= toMm && !dry; s += 2) dry = near(path.point(s).at);
        return { index, stretch: { fromMm, toMm }, at: path.point((fromMm + toMm) / 2).at, dry, soft };
      });
  const add = (at: Pt) => zones.push({ index: zones.length, stretch: null, at, dry: near(at), soft });
  for (const p of bond.patches) {
    const b = boxOf(p);
    add([(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2]);
  }
  if (jointOf(bond).wholeFace) {
    const face = faceOf(device, bond);
    const { min, max } = boxOf(face.cover.outline);
    const [nx, ny] = [0, 1].map((k) => Math.max(1, Math.round((max[k]! - min[k]! - 30) / 40)));
    for (let j = 0; j < ny!; j++)
      for (let i = 0; i < nx!; i++) {
        const at: Pt = [
          min[0] + 15 + ((i + 0.5) * (max[0] - min[0] - 30)) / nx!,
          min[1] + 15 + ((j + 0.5) * (max[1] - min[1] - 30)) / ny!,
        ];
        if (!face.holes.some((h) => contains(h.shape, at, 3))) add(at);
      }
  }
  return zones;
}

/** How a zone is cleaned as it is now. */
export function methodsFor(z: CleanZone, state: ZoneState, frameC: number): CleanMethod[] {
  const out: CleanMethod[] = [];
  if (state === 'glass') out.push('tweezersFirst');
  if (frameC >= warmFromC.value && state !== 'film') out.push('rollWarm');
  out.push(z.soft ? 'plasticScraper' : 'flatBlade');
  if (z.dry) out.push('dryOnly');
  else if (frameC < coolC.value) out.push('alcoholWipe');
  out.push('air');
  return out;
}

export type CleanLack =
  'residue' | 'glass' | 'film' | 'wet' | 'notInspected' | 'crumbs' | 'warm' | 'lenses' | 'cover' | 'glance';

export interface CleanFacts {
  zones: readonly { state: ZoneState; dryAtMs: number | null }[];
  now: number;
  frameC: number;
  crumbsGone: boolean;
  lensesBlown: boolean;
  glanced: boolean;
  /** old adhesive on the cover itself: a saved or a pulled one has to be cleaned too; null: a new part */
  coverClean: boolean | null;
  /** the old ring stays where it is: it is no residue */
  ringStays?: boolean | undefined;
}

/**
 * What keeps it from being clean enough, for tape and for a liquid bead. A film that does not rub off bears a bead, not
 * tape: tape needs the bare frame (common practice; the difference is judgement).
 */
export function cleanLacks(f: CleanFacts): { tape: CleanLack[]; liquid: CleanLack[] } {
  const has = (s: ZoneState) => f.zones.some((z) => z.state === s);
  // a figure that is no number counts against it
  const wet = f.zones.some((z) => z.dryAtMs !== null && !(f.now >= z.dryAtMs));
  const common: CleanLack[] = [];
  if (has('residue') && !f.ringStays) common.push('residue');
  if (has('glass')) common.push('glass');
  if (wet || (has('wet') && f.zones.some((z) => z.state === 'wet' && z.dryAtMs === null))) common.push('wet');
  if (f.zones.some((z) => z.state === 'dry' || z.state === 'wet')) common.push('notInspected');
  if (f.coverClean === false && !f.ringStays) common.push('cover');
  if (!f.crumbsGone) common.push('crumbs');
  if (!f.lensesBlown) common.push('lenses');
  if (!f.glanced) common.push('glance');
  if (!(f.frameC <= coolC.value)) common.push('warm');
  return { tape: has('film') ? ['film', ...common] : common, liquid: common };
}
