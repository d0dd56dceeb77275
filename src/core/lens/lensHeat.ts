import { CoreInputError, requireIn } from '../errors';
import type { AirHeater } from '../heat/heater';
import { jetOf } from '../heat/heater';
import { makeJet } from '../heat/jet';
import { boxOf } from '../device/shapes';
import type { Bond, Cover } from '../device/types';
import { judgement, memory, published, type Range } from '../source';

/** What a lens cover and what is under it are made of. */
export const lensHeatData = {
  glassDensity: published(2480, 'aluminosilicate glass, kg/m³, handbook, quoted from memory'),
  glassHeat: published(790, 'glass, J/kgK, handbook, quoted from memory'),
  tapeK: memory(0.2, 'acrylic tape, W/mK'),
  airK: published(0.0263, 'air at 300 K, W/mK, Incropera & DeWitt Table A.4'),
  airGapMm: judgement(0.4, 'air between lens cover and camera', 0.15),
  /** bezel and the camera module behind one lens */
  moduleJK: judgement(2.4, 'metal bezel about 1.5 g and camera module about 2 g', 0.8),
  moduleToFrameWK: judgement(0.05, 'screwed module to the frame', 0.03),
  roomWm2K: judgement(10, 'air and radiation over a small hot disc'),
};

export interface LensHeatInput {
  cover: Pick<Cover, 'outline' | 'hMm'>;
  bond: Pick<Bond, 'widthMm' | 'insetMm' | 'gapMm'>;
  heater: AirHeater;
  setC: number;
  standoffMm: number;
  ambientC: number;
  /** tape to be brought to, and at which it has gripped, °C */
  targetC: number;
  workC: number;
  cameraStopC: number;
}

export interface LensHeat {
  /** s of air until the tape is at the target; low with a strong jet, high with a weak one; null: usually it never gets there */
  readyS: Range | null;
  /** the camera behind it when the tape is at the target, each world in its own time, °C */
  cameraC: Range;
  /** the cover usually stays workable for so long, s */
  workS: number;
  /** the camera passes its stop mark first */
  cameraStops: boolean;
}

/** Of the march through time, s. */
export const lensStepS = 0.05;
const stepS = lensStepS;
const limitS = 180;

/**
 * A lens cover under hot air: the disc and the module behind it as two lumps with the tape between them (Biot number of the
 * disc h·(thickness/2)/k is about 0.05, so a lump is fair). Own model, judgement where it says so; it answers seconds, not
 * tenths. @throws CoreInputError for impossible input
 */
export function lensHeat(i: LensHeatInput): LensHeat {
  requireIn('air', i.setC, i.ambientC + 5, 400, '°C');
  requireIn('distance', i.standoffMm, 5, 300, 'mm');
  const { rMm, ringInMm } = sizesOf(i);
  if (ringInMm <= 0)
    throw new CoreInputError('bond.widthMm', i.bond.widthMm, `less than ${(rMm - i.bond.insetMm).toFixed(1)} mm`);
  const run = (hScale: number, moduleJK: number) => simulate(i, hScale, moduleJK);
  const u = i.heater.hScale.u ?? 0.2 * i.heater.hScale.value;
  const mean = run(i.heater.hScale.value, lensHeatData.moduleJK.value);
  const weak = run(i.heater.hScale.value - 2 * u, lensHeatData.moduleJK.value + (lensHeatData.moduleJK.u ?? 0));
  const strong = run(i.heater.hScale.value + 2 * u, lensHeatData.moduleJK.value - (lensHeatData.moduleJK.u ?? 0));
  if (mean.readyS === null || strong.readyS === null) {
    const seen = [mean, weak, strong].map((r) => r.at(Math.min(limitS, 60)).moduleC);
    return {
      readyS: null,
      cameraC: { low: Math.min(...seen), mean: mean.at(60).moduleC, high: Math.max(...seen) },
      workS: 0,
      cameraStops: Math.max(...seen) >= i.cameraStopC,
    };
  }
  // each world at its own ready instant: a weak jet makes the tape late and the camera no hotter for it (law 5)
  const late = weak.readyS ?? limitS;
  const own = [weak.at(late).moduleC, mean.at(mean.readyS).moduleC, strong.at(strong.readyS).moduleC];
  const camera = { low: Math.min(...own), mean: own[1]!, high: Math.max(...own) };
  return {
    readyS: { low: strong.readyS, mean: mean.readyS, high: late },
    cameraC: camera,
    workS: mean.coolsS(mean.readyS),
    cameraStops: camera.high >= i.cameraStopC,
  };
}

/** Half the size of a lens cover, and the inside of its ring of tape, mm. */
function sizesOf(i: Pick<LensHeatInput, 'cover' | 'bond'>): { rMm: number; ringInMm: number } {
  const box = boxOf(i.cover.outline);
  const rMm = Math.min(box.max[0] - box.min[0], box.max[1] - box.min[1]) / 2;
  return { rMm, ringInMm: rMm - i.bond.insetMm - i.bond.widthMm };
}

/** Disc and module one step on, °C; air: it is on them. */
export type LensStep = (discC: number, moduleC: number, air: boolean) => readonly [disc: number, module: number];

/**
 * One world of a lens cover under hot air: the disc and the module behind it as two lumps with the tape between them.
 * @param hScale of the jet @param moduleJK what the module takes, J/K @returns a step of `lensStepS`
 */
export function lensWorld(
  i: Pick<LensHeatInput, 'cover' | 'bond' | 'heater' | 'setC' | 'standoffMm' | 'ambientC'>,
  hScale: number,
  moduleJK: number,
): LensStep {
  const { rMm, ringInMm } = sizesOf(i);
  const d = lensHeatData;
  const area = Math.PI * (rMm / 1e3) ** 2;
  const ring = Math.PI * (((rMm - i.bond.insetMm) / 1e3) ** 2 - (ringInMm / 1e3) ** 2);
  const discJK = area * (i.cover.hMm / 1e3) * d.glassDensity.value * d.glassHeat.value;
  const between =
    (d.tapeK.value * ring) / (i.bond.gapMm / 1e3) +
    (d.airK.value * Math.max(0, area - ring)) / (d.airGapMm.value / 1e3);
  const airC = i.setC + i.heater.offsetK.value;
  const jet = makeJet(jetOf(i.heater, airC, hScale, i.standoffMm), i.ambientC);
  // means over the disc, by area
  let h = 0;
  let share = 0;
  const n = 20;
  for (let k = 0; k < n; k++) {
    const r = ((k + 0.5) / n) * rMm;
    const w = (2 * (k + 0.5)) / n ** 2;
    h += w * jet.hAt(r);
    share += w * jet.shareAt(r);
  }
  const wallC = i.ambientC + share * (airC - i.ambientC);
  return (disc, module, air) => {
    const q = between * (disc - module);
    const input = air ? h * area * (wallC - disc) : -d.roomWm2K.value * area * (disc - i.ambientC);
    return [
      disc + (stepS * (input - q)) / discJK,
      module + (stepS * (q - d.moduleToFrameWK.value * (module - i.ambientC))) / moduleJK,
    ] as const;
  };
}

function simulate(i: LensHeatInput, hScale: number, moduleJK: number) {
  const advance = lensWorld(i, hScale, moduleJK);
  const discC: number[] = [i.ambientC];
  const moduleC: number[] = [i.ambientC];
  for (let k = 0; k * stepS < limitS; k++) {
    const [a, b] = advance(discC[k]!, moduleC[k]!, true);
    discC.push(a);
    moduleC.push(b);
  }
  const tape = (k: number) => (discC[k]! + moduleC[k]!) / 2;
  const readyAt = discC.findIndex((_, k) => tape(k) >= i.targetC);
  return {
    readyS: readyAt < 0 ? null : readyAt * stepS,
    at: (tS: number) => {
      const k = Math.min(discC.length - 1, Math.round(tS / stepS));
      return { discC: discC[k]!, moduleC: moduleC[k]! };
    },
    coolsS: (offS: number) => {
      const k = Math.min(discC.length - 1, Math.round(offS / stepS));
      let [a, b] = [discC[k]!, moduleC[k]!];
      for (let t = 0; t < 600; t += stepS) {
        if ((a + b) / 2 < i.workC) return t;
        [a, b] = advance(a, b, false);
      }
      return 600;
    },
  };
}
