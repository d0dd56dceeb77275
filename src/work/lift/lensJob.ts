import { bondPerimeter } from '@/core/device/perimeter';
import { boxOf, type Box } from '@/core/device/shapes';
import { judgement } from '@/core/source';
import type { AirHeater } from '@/core/heat/heater';
import { finestAir } from '@/core/heat/heaterKind';
import { lensHeat, type LensHeat } from '@/core/lens/lensHeat';
import { lensCovers, type LensCover } from '@/core/lens/lensSet';
import { coverStrengths } from '@/core/lift/strength';
import { liftThresholds, wedgeVerdict, type LiftCase } from '@/core/lift/verdict';
import type { JobState, JointSeen } from '@/model/fold';
import type { WholeJobSlice } from '@/model/stages/wholeJob';
import type { CheckSlice } from '@/model/stages/check';
import type { LiftSlice } from '@/model/stages/lift';
import { airsOf, type Settings } from '@/model/settings';
import { shopAdhesive } from '@/work/heat/shopAdhesive';
import { partStopC } from '@/work/heat/watchMarks';

export const lensBladeMm = judgement(0.3, 'thin blade under a lens cover, mm');
export const lensAirC = judgement(150, 'air for a lens cover: slow enough to stop in time, °C');
export const lensMarginK = judgement(5, 'tape is warmed this far above where the blade goes, K');

/** The lens covers of the whole device, the ones of this job, and the one that is worked now. */
export function lensWork(job: JointSeen & Pick<LiftSlice, 'lenses'>): {
  all: LensCover[];
  chosen: LensCover[];
  next: LensCover | null;
} {
  const all = lensCovers(job.model);
  const picked = all.filter((l) => job.lenses.get(l.bond.id)?.steps.chosen !== undefined);
  // nobody chose: the one that the job was opened for, unless it was said to stay
  const own = all.filter((l) => l.bond.id === job.bond.id && !job.lenses.get(l.bond.id)?.stays);
  const chosen = picked.length ? picked : own;
  const next = chosen.find((l) => job.lenses.get(l.bond.id)?.steps.off === undefined) ?? null;
  return { all, chosen, next };
}

/** What of the plan is looked at when lens covers are worked: all of them with some room round. */
export function lensFocus(all: readonly LensCover[]): Box | undefined {
  if (!all.length) return undefined;
  const boxes = all.map((l) => boxOf(l.face.cover.outline));
  const room = 8;
  const end = (k: 0 | 1, of: 'min' | 'max', f: (...v: number[]) => number) => f(...boxes.map((b) => b[of][k]));
  return {
    min: [end(0, 'min', Math.min) - room, end(1, 'min', Math.min) - room],
    max: [end(0, 'max', Math.max) + room, end(1, 'max', Math.max) + room],
  };
}

/** The lens covers that still lack a step. */
export const lacking = (
  job: Pick<JobState, 'lenses'>,
  chosen: readonly LensCover[],
  step: 'off' | 'tapped' | 'inspected' | 'cleaned' | 'set' | 'pressed',
): LensCover[] => chosen.filter((l) => job.lenses.get(l.bond.id)?.steps[step] === undefined);

/** Functions of the cameras that have to be tested before a new lens cover goes on. */
export const cameraFunctions = (job: Pick<JobState, 'device' | 'model'>): string[] =>
  job.model.functions.filter((f) => ['camMain', 'camAux', 'ois', 'flash'].includes(f));

export const camerasTested = (job: JointSeen & Pick<CheckSlice, 'functions'>): boolean =>
  cameraFunctions(job).every((f) => job.functions.open[f] === 'ok' || job.functions.open[f] === 'absent');

export function lensCase(settings: Settings, lens: LensCover): LiftCase {
  return {
    cover: coverStrengths[lens.face.cover.strength] ?? coverStrengths.glassPlain!,
    hMm: lens.face.cover.hMm,
    adhesive: shopAdhesive(settings, lens.bond.adhesive),
    ringMm: lens.bond.widthMm,
    fullArea: false,
    perimeterMm: bondPerimeter({ faces: [lens.face] } as never, lens.bond).lengthMm,
    pickMm: lensBladeMm.value,
    // it is cracked, or it goes into the bin anyway
    flawUm: 100,
    keepCover: false,
    breakLimit: settings.breakLimit,
  };
}

export interface LensPlan {
  easyC: number | null;
  workC: number | null;
  targetC: number | null;
  /** cold, at room temperature, with the same blade */
  cold: ReturnType<typeof wedgeVerdict>;
  heater: AirHeater | null;
  heat: LensHeat | null;
  choose: 'warm' | 'cold';
}

/** Warm or cold for one lens cover, side by side. */
export function lensPlan(
  job: Pick<JointSeen, 'model'> & Pick<WholeJobSlice, 'ambientC'>,
  settings: Settings,
  lens: LensCover,
  heaterId: string | null,
  setC: number,
): LensPlan {
  const c = lensCase(settings, lens);
  const { easyC, workC } = liftThresholds(c);
  const ambientC = job.ambientC ?? settings.roomC;
  const cold = wedgeVerdict(c, ambientC);
  const airs = airsOf(settings);
  const heater = airs.find((h) => h.id === heaterId) ?? finestAir(airs);
  const targetC = easyC === null ? null : easyC + lensMarginK.value;
  const heat =
    heater && targetC !== null && workC !== null
      ? lensHeat({
          cover: lens.face.cover,
          bond: lens.bond,
          heater,
          setC,
          standoffMm: heater.standoffMm,
          ambientC,
          targetC,
          workC,
          cameraStopC: partStopC({ device: job.model, route: null }).camera ?? 85,
        })
      : null;
  const warm = heat?.readyS != null && !heat.cameraStops;
  return { easyC, workC, targetC, cold, heater, heat, choose: cold.verdict === 'go' || !warm ? 'cold' : 'warm' };
}
