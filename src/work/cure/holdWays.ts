import { beadPressKPa, beadStiffness, clampPlan, tapePressKPa, type ClampPlan } from '@/core/bond/clampPlan';
import { spreadHold, type WeightWay } from '@/core/bond/hold';
import { roundRectAreaMm2 } from '@/core/bond/tapePlan';
import { adhesiveRecord } from '@/core/adhesives';
import { bondPerimeter, coverOf } from '@/core/device/perimeter';
import { boxOf } from '@/core/device/shapes';
import { coverStrengths } from '@/core/lift/strength';
import type { JointSeen } from '@/model/fold';
import type { BondSlice } from '@/model/stages/bond';
import type { Settings } from '@/model/settings';
import type { JobCure } from './cureJob';

export interface HoldWay {
  id: string;
  name: string;
  /** clips or weights, 0 by hand */
  count: number;
  forceN: number;
  clips: ClampPlan | null;
  spread: WeightWay | null;
  against: Objection[];
}

/** What speaks against these clips; what enough of them for an even press would not mend is told once. */
function clipObjections(w: ClampPlan['ways'][number]): Objection[] {
  const even = w.against.includes('uneven') && w.evenAt?.against.length ? w.evenAt : null;
  if (!even) return w.against.map((why) => ({ why }));
  const rest = w.against.filter((a) => a !== 'uneven' && !even.against.includes(a));
  const still = even.against.filter((b) => w.against.includes(b));
  const then = even.against.filter((b) => !w.against.includes(b));
  return [{ why: 'uneven', evenCount: even.count, still, then }, ...rest.map((why) => ({ why }))];
}

/** What holds this bond bears on: its joint, its cover, and what its adhesive wants. */
export function bedOfJob(job: JointSeen & Pick<BondSlice, 'bonded'>, cure: Pick<JobCure, 'kind' | 'bondMm'>) {
  const cover = coverOf(job.device, job.bond);
  const { lengthMm } = bondPerimeter(job.device, job.bond);
  const strength = coverStrengths[cover.strength]!;
  const box = boxOf(cover.outline);
  const r = cover.outline.kind === 'roundRect' ? cover.outline.rMm : 0;
  const coverAreaMm2 = roundRectAreaMm2(box.max[0] - box.min[0], box.max[1] - box.min[1], r);
  const tape = cure.kind === 'tape';
  const widthMm = tape ? (job.bonded?.widthMm ?? job.bond.widthMm) : Math.min(cure.bondMm, job.bond.widthMm);
  const need = tape ? (adhesiveRecord('cutTape').joint?.pressKPa ?? tapePressKPa) : beadPressKPa;
  const k = tape
    ? adhesiveRecord('cutTape').debond.kNmm3
    : beadStiffness[cure.kind === 'solvent' ? 'solvent' : 'moisture'];
  return { lengthMm, widthMm, coverAreaMm2, need, hMm: cover.hMm, eGPa: strength.eGPa.value, kNmm3: k.value };
}

/** What holds this bond: clips of one kind, weights on a board, a bag; what nothing speaks against comes first. */
export function holdWays(job: JointSeen & Pick<BondSlice, 'bonded'>, settings: Settings, cure: JobCure): HoldWay[] {
  const { lengthMm, widthMm, coverAreaMm2: areaMm2, need, hMm, eGPa, kNmm3 } = bedOfJob(job, cure);
  const out: HoldWay[] = [];
  for (const clip of settings.clips) {
    const plan = clampPlan(lengthMm, widthMm, areaMm2, hMm, eGPa, kNmm3, [clip], need);
    const w = plan.ways[0]!;
    out.push({
      id: clip.id,
      name: clip.name,
      count: w.count,
      forceN: clip.forceN,
      clips: plan,
      spread: null,
      against: clipObjections(w),
    });
  }
  const coil = job.device.parts.some((p) => p.kind === 'coil');
  const bondArea = Math.min(lengthMm * widthMm, areaMm2 * 0.9);
  for (const weight of settings.weights) {
    const s = spreadHold('weight', need.value, bondArea, areaMm2, coil);
    const count = Math.ceil(s.massKg / weight.massKg - 1e-9);
    out.push({
      id: weight.id,
      name: `${weight.massKg} kg on a padded board`,
      count,
      forceN: weight.massKg * 9.80665,
      clips: null,
      spread: s,
      against: [
        ...s.against.map((why) => ({ why })),
        ...(count > weight.owned ? [{ why: 'fewer' as const, count, owned: weight.owned }] : []),
      ],
    });
  }
  if (settings.bagKPa > 0) {
    const s = spreadHold('bag', need.value, bondArea, areaMm2, coil);
    out.push({
      id: 'bag',
      name: 'vacuum bag',
      count: 1,
      forceN: s.forceN,
      clips: null,
      spread: s,
      against: [...s.against.map((why) => ({ why })), ...(s.bagKPa > settings.bagKPa ? [{ why: 'bag' as const }] : [])],
    });
  }
  // fewest objections first; clips before boards, for they sit where the joint is; then the fewest of them
  const rank = (w: HoldWay) => w.against.length * 1000 + (w.clips ? 0 : 200) + w.count;
  out.sort((a, b) => rank(a) - rank(b));
  out.push({
    id: 'hand',
    name: 'by hand and even weights',
    count: 0,
    forceN: 0,
    clips: null,
    spread: null,
    against: [],
  });
  return out;
} /** What speaks against a way to hold: a code, with its numbers. */
export type Objection =
  | { why: 'force' | 'uneven' | 'peak' | 'display' | 'coil' | 'owned' | 'bag' }
  /** so many would press evenly, but what spoke against fewer still does, and something more then */
  | { why: 'uneven'; evenCount: number; still: string[]; then: string[] }
  | { why: 'fewer'; count: number; owned: number };
