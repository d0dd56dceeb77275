import { adhesiveRecord } from '../src/core/adhesives';
import { bondPerimeter, coverOf } from '../src/core/device/perimeter';
import { arcCells } from '../src/core/heat/arcs';
import { liftOuts } from '../src/core/lift/depth';
import { chipFlawUm, coverStrengths } from '../src/core/lift/strength';
import { breakLimit } from '../src/core/lift/verdict';
import type { PracticeCase } from '../src/core/practice/happened';
import { coarseModel } from './modes';

/** A made-up device to practise on: the back of a shipped model on its coarse heat model. */
export function practisedCase(): PracticeCase {
  const { device, model } = coarseModel();
  const bond = device.bonds[0]!;
  const path = bondPerimeter(device, bond);
  const cover = coverOf(device, bond);
  return {
    ...{ device, bond, model, path, arcs: arcCells(model, path.lengthMm), ambientC: 22, air: 'still' as const },
    lift: {
      ...{ cover: coverStrengths[cover.strength]!, hMm: cover.hMm, adhesive: adhesiveRecord(bond.adhesive) },
      ...{ ringMm: bond.widthMm, fullArea: false, perimeterMm: path.lengthMm, flawUm: chipFlawUm.no.value },
      ...{ keepCover: true, breakLimit: breakLimit.value },
    },
    outs: liftOuts(device, bond, new Set(device.parts.map((p) => p.id))),
    marks: { battery: { cautionC: 60, stopC: 80 } },
  };
}
