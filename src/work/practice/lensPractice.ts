import { bondPerimeter } from '@/core/device/perimeter';
import { finestAir } from '@/core/heat/heaterKind';
import { bladeOverMm, type LensCover } from '@/core/lens/lensSet';
import type { LensHandsInput } from '@/core/practice/lensHands';
import type { PracticeCase } from '@/core/practice/happened';
import type { JobState } from '@/model/fold';
import { airsOf, type Settings } from '@/model/settings';
import { partStopC } from '@/work/heat/watchMarks';
import { lensWork } from '@/work/lift/lensCovers';
import { lensAirC, lensBladeMm, lensCase, lensPlan } from '@/work/lift/lensJob';

/** K under where a camera is hurt from which it is watched. */
const underStopK = 10;

const coverOfJob = (job: JobState): LensCover | null => lensWork(job).next ?? lensWork(job).chosen[0] ?? null;

/** A lens cover as the practice bench takes it: the belief of its own page. Null where the shop has no air. */
export function lensPracticeCase(job: JobState, settings: Settings): PracticeCase | null {
  const lens = coverOfJob(job);
  const heater = finestAir(airsOf(settings));
  if (!lens || !heater) return null;
  const { pickMm: _, ...lift } = lensCase(settings, lens);
  const stopC = partStopC({ device: job.model, route: null }).camera ?? 85;
  return {
    ...{ device: job.model, bond: lens.bond, model: null, arcs: [], lift, air: 'still' },
    path: bondPerimeter(job.model, lens.bond),
    ambientC: job.ambientC ?? settings.roomC,
    lens: { cover: lens.face.cover, bond: lens.bond, heater, needMm: lens.needMm },
    // what the camera sees through it
    outs: lens.face.holes
      .filter((h) => h.role === 'camera')
      .map((h) => ({ id: h.id, name: 'camera', shape: h.shape, clearMm: bladeOverMm.value, why: 'camera' })),
    marks: { camera: { cautionC: stopC - underStopK, stopC } },
  };
}

/** What the app's own page says of air and blade. */
export function lensCalls(
  job: JobState,
  settings: Settings,
): Pick<LensHandsInput, 'heater' | 'use' | 'setC' | 'readyS' | 'bladeMm' | 'depthMm'> | null {
  const lens = coverOfJob(job);
  const plan = lens && lensPlan(job, settings, lens, null, lensAirC.value);
  if (!lens || !plan?.heater || !plan.heat?.readyS) return null;
  return {
    ...{ heater: plan.heater, use: {}, setC: lensAirC.value, readyS: plan.heat.readyS.high },
    bladeMm: lensBladeMm.value,
    depthMm: (lens.needMm + lens.limitMm) / 2,
  };
}
