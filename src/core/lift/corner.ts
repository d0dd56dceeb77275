import { judgement } from '../source';
import type { Perimeter } from '../device/perimeter';
import { fractureEnergyJm2 } from './fractureEnergy';
import { releaseG, stressS, planeModulusMPa } from './ringOpening';
import { coverStrengthMPa } from './strength';
import { cutSpeed, slowShare, type LiftCase } from './verdict';
import type { Stretch } from './advance';

export interface CornerRule {
  /** the bond round the corner gives only once the pick is this near to it, mm; 0: not at all at this temperature */
  creepToMm: number;
  /** stress at the corner with the pick that near, of what is allowed, MPa */
  stressMPa: number;
  designMPa: number;
  /** energy release at the corner against that on the straight, with the pick one decay length away */
  share: number;
}

/**
 * A square corner whose other edge still holds: at equal distance the release is a half to a sixth of that on the straight,
 * so the opening stops there until the pick is close. Numerical estimate: fitted at one stiffness, rounded corners and
 * camera bumps not modelled.
 * @param tC bond line at the corner; @param vMmS speed of creeping, a tenth of the cutting speed
 */
export function cornerRule(c: LiftCase, tC: number, vMmS = cutSpeed.value * slowShare): CornerRule {
  const k = c.adhesive.debond.kNmm3.value;
  const e = planeModulusMPa(c.cover);
  const ellMm = ((e * c.hMm ** 3) / 12 / (k * c.ringMm)) ** (1 / 3);
  const unit = k * c.pickMm ** 2 * 1e3;
  const need = fractureEnergyJm2(c.adhesive.debond, tC, vMmS) / unit;
  let alpha = -1;
  for (let i = 0; i <= 400; i++) {
    const a = i / 100;
    if (releaseG('corner', a) >= need) alpha = a;
    else break;
  }
  const near = Math.max(0, alpha);
  return {
    creepToMm: alpha < 0 ? 0 : alpha * ellMm,
    stressMPa: (stressS('corner', near, ellMm) * e * c.hMm * c.pickMm) / ellMm ** 2,
    designMPa: coverStrengthMPa(c.cover, c.hMm, c.flawUm).designMPa,
    share: releaseG('corner', 1) / releaseG('slide', 1),
  };
}

export const placeholderEveryMm = judgement(
  60,
  'picks left behind keep a cut stretch from closing; one every so often',
);

/** Where picks are left behind: at both ends of every cut stretch and between them at even steps, not in a corner. */
export function placeholders(path: Perimeter, free: readonly Stretch[]): number[] {
  const end = 6;
  const out: number[] = [];
  for (const f of joined(free, path.lengthMm)) {
    const length = f.toMm - f.fromMm;
    if (length < 2 * end) continue;
    if (length >= path.lengthMm - 1e-6) {
      const n = Math.ceil(length / placeholderEveryMm.value);
      for (let i = 0; i < n; i++) out.push(path.wrap((i * length) / n));
      continue;
    }
    const n = Math.max(1, Math.ceil((length - 2 * end) / placeholderEveryMm.value));
    for (let i = 0; i <= n; i++) out.push(path.wrap(f.fromMm + end + (i * (length - 2 * end)) / n));
  }
  // a pick in a corner levers at two edges at once: it stands beside it
  return out.map((s) => {
    for (let d = 0; d < 20; d += 1) for (const x of [s + d, s - d]) if (!path.point(x).corner) return path.wrap(x);
    return s;
  });
}

/** Stretches that meet at s = 0 as one. */
function joined(free: readonly Stretch[], lengthMm: number): Stretch[] {
  const first = free[0];
  const last = free[free.length - 1];
  if (!first || !last || first === last || first.fromMm > 1e-6 || last.toMm < lengthMm - 1e-6) return [...free];
  return [...free.slice(1, -1), { fromMm: last.fromMm, toMm: lengthMm + first.toMm }];
}
