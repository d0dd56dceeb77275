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
  against: string[];
}

const words: Record<string, string> = {
  force: 'presses too little',
  uneven: 'lifts between clips',
  peak: 'too hard on the joint',
  display: 'too much on the display',
  coil: 'too much on the coil',
  owned: 'not enough of them here',
};

/** What speaks against these clips; what enough of them for an even press would not mend is told once, with "still". */
function clipObjections(w: ClampPlan['ways'][number]): string[] {
  const even = w.against.includes('uneven') && w.evenAt?.against.length ? w.evenAt : null;
  if (!even) return w.against.map((a) => words[a]!);
  const then = even.against.map((b) => `${w.against.includes(b) ? 'still' : 'then'} ${words[b]}`).join(', ');
  const rest = w.against.filter((a) => a !== 'uneven' && !even.against.includes(a));
  return [`${words.uneven}; ${even.count} would be even, but ${then}`, ...rest.map((a) => words[a]!)];
}

/** What holds this bond: clips of one kind, weights on a board, a bag; what nothing speaks against comes first. */
export function holdWays(job: JointSeen & Pick<BondSlice, 'bonded'>, settings: Settings, cure: JobCure): HoldWay[] {
  const cover = coverOf(job.device, job.bond);
  const path = bondPerimeter(job.device, job.bond);
  const strength = coverStrengths[cover.strength]!;
  const box = boxOf(cover.outline);
  const r = cover.outline.kind === 'roundRect' ? cover.outline.rMm : 0;
  const areaMm2 = roundRectAreaMm2(box.max[0] - box.min[0], box.max[1] - box.min[1], r);
  const tape = cure.kind === 'tape';
  const widthMm = tape ? (job.bonded?.widthMm ?? job.bond.widthMm) : Math.min(cure.bondMm, job.bond.widthMm);
  const need = tape ? (adhesiveRecord('cutTape').joint?.pressKPa ?? tapePressKPa) : beadPressKPa;
  const k = tape
    ? adhesiveRecord('cutTape').debond.kNmm3
    : beadStiffness[cure.kind === 'solvent' ? 'solvent' : 'moisture'];
  const out: HoldWay[] = [];
  for (const clip of settings.clips) {
    const plan = clampPlan(path.lengthMm, widthMm, areaMm2, cover.hMm, strength.eGPa.value, k.value, [clip], need);
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
  const bondArea = Math.min(path.lengthMm * widthMm, areaMm2 * 0.9);
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
        ...s.against.map((a) => words[a]!),
        ...(count > weight.owned ? [`${count} are asked for, ${weight.owned} are here`] : []),
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
      against: [
        ...s.against.map((a) => words[a]!),
        ...(s.bagKPa > settings.bagKPa ? ['more than this bag gives'] : []),
      ],
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
}
