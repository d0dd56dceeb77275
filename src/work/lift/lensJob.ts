import { bondPerimeter } from '@/core/device/perimeter';
import { judgement } from '@/core/source';
import type { AirHeater } from '@/core/heat/heater';
import { finestAir } from '@/core/heat/heaterKind';
import { lensHeat, type LensHeat } from '@/core/lens/lensHeat';
import type { LensCover } from '@/core/lens/lensSet';
import { coverStrengths } from '@/core/lift/strength';
import { liftThresholds, wedgeVerdict, type LiftCase } from '@/core/lift/verdict';
import type { JointSeen } from '@/model/fold';
import type { WholeJobSlice } from '@/model/stages/wholeJob';
import { airsOf, type Settings } from '@/model/settings';
import { shopAdhesive } from '@/work/heat/shopAdhesive';
import { partStopC } from '@/work/heat/watchMarks';

export const lensBladeMm = judgement(0.3, 'thin blade under a lens cover, mm');
export const lensAirC = judgement(150, 'air for a lens cover: slow enough to stop in time, °C');
export const lensMarginK = judgement(5, 'tape is warmed this far above where the blade goes, K');

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
