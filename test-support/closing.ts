import { holdBed } from '../src/core/bond/clampPlan';
import { beadPlan, type Liquid } from '../src/core/bond/bead';
import { openTime } from '../src/core/bond/openTime';
import { adhesiveRecord } from '../src/core/adhesives';
import { cleanZones } from '../src/core/clean/zones';
import { steady } from '../src/core/cure/laws';
import { bondPerimeter, coverOf } from '../src/core/device/perimeter';
import { keepOuts } from '../src/core/lift/depth';
import { coverStrengths } from '../src/core/lift/strength';
import type { ClosingCase } from '../src/core/practice/closing/case';
import { cellsOf, type ClosingTruth } from '../src/core/practice/closing/truth';
import { shippedDevices } from '../src/model/shippedDevices';

export const practisedLiquid: Liquid = {
  ...{ id: 'clear', name: 'clear', cure: 'solvent', solids: 0.35, viscosityPaS: 30, yieldPa: 0 },
  ...{ nozzleDiaMm: 0.8, nozzleLengthMm: 12, barrelDiaMm: 15, tubeMl: 15 },
};

/** A made-up joint of a shipped model, in steady air at 23 °C. */
export function closedCase(by: 'tape' | 'bead', over: Partial<ClosingCase> = {}): ClosingCase {
  const device = shippedDevices.find((d) => d.id === 'ring61')!;
  const bond = device.bonds[0]!;
  const path = bondPerimeter(device, bond);
  const cover = coverOf(device, bond);
  const strength = coverStrengths[cover.strength]!;
  const tape = adhesiveRecord('cutTape');
  const plan = beadPlan({
    ...{ bondMm: 1.4, gapMm: bond.gapMm, lengthMm: path.lengthMm, liquid: practisedLiquid },
    ...{ seatMm: bond.widthMm, outerMm: 1, innerMm: 1, leftMl: 10 },
  });
  return {
    ...{ path, by, roomC: 23 },
    zones: cleanZones(device, bond, keepOuts(device, bond, new Set(device.parts.map((p) => p.id)))),
    crumb: {
      ...{ cover: strength, hMm: cover.hMm, flawUm: strength.flawUm.value, kNmm3: tape.debond.kNmm3.value },
      ...{ ringMm: bond.widthMm, gapMm: bond.gapMm, joint: by === 'tape' ? tape.joint! : null },
    },
    bead: {
      ...{ liquid: practisedLiquid, bondMm: 1.4, sectionMm2: plan.sectionMm2, feedMmS: plan.feedMmS },
      open: openTime(23, plan.heightMm),
    },
    openMm: Array.from({ length: cellsOf(path.lengthMm) }, () => Infinity),
    hold: holdBed(
      { lengthMm: path.lengthMm, widthMm: 1.4, coverAreaMm2: 10_000, needKPa: 20 },
      cover.hMm,
      strength.eGPa.value,
      3,
    ),
    cure: { kind: by === 'tape' ? 'tape' : 'solvent', bondMm: 1.4, steps: steady(23) },
    ...over,
  };
}

/** A joint that is as it is believed: three rubs everywhere, no crumb, the nozzle as planned, nothing that pulls. */
export const asBelieved = (about: ClosingCase, over: Partial<ClosingTruth> = {}): ClosingTruth => {
  const cells = <T>(v: T): T[] => Array.from({ length: cellsOf(about.path.lengthMm) }, () => v);
  return {
    ...{ seed: 0, rubs: cells(3), crumbs: [], gapMm: cells(about.crumb.gapMm), flow: 1, edge: 1 },
    ...{ airK: 0, eaKJ: 83, need: 0 },
    ...over,
  };
};
