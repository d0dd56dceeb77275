import { depthSquaredPerDay } from '../cure/laws';
import { requireIn } from '../errors';
import { commonPractice, judgement, memory } from '../source';

const gas = 8.314462618;

export const openFigures = {
  waitS: commonPractice(60, 'about a minute open before it is closed, 0.5 mm bead at 23 °C'),
  skinS: judgement(180, 'skin on a 0.5 mm bead at 23 °C'),
  sealantSkinS: memory(600, 'skin of a one-part sealant at 23 °C and 50 % humidity, data sheets 5 to 20 minutes'),
  heightMm: judgement(0.5, 'bead height that both are said for, mm'),
  evaporationKJ: memory(33, 'heat of evaporation of common ketone and ester solvents'),
  tubeC: { low: judgement(5, 'below, glue is too stiff to lay'), high: judgement(40, 'above, it skins in the nozzle') },
};

export interface OpenTime {
  waitS: number;
  skinS: number;
}

/**
 * How long a bead waits open, and when it has a skin; both by the vapour pressure of its solvent and by its height. A glue
 * that cures by moisture need not wait.
 * @param tubeC temperature of the glue and the room, 5 to 40 °C
 * @throws CoreInputError when the tube is colder or warmer than it may be laid
 */
export function openTime(tubeC: number, heightMm: number, cure: 'solvent' | 'moisture' = 'solvent'): OpenTime {
  requireIn('temperature of the tube', tubeC, openFigures.tubeC.low.value, openFigures.tubeC.high.value, '°C');
  requireIn('bead height', heightMm, 0.02, 10, 'mm');
  // a sealant's skin is its first depth of cure, whatever its height
  if (cure === 'moisture') {
    const c = { tC: tubeC, rh: 50 };
    return {
      waitS: 0,
      skinS: (openFigures.sealantSkinS.value * depthSquaredPerDay({ tC: 23, rh: 50 })) / depthSquaredPerDay(c),
    };
  }
  const k =
    (Math.exp(((openFigures.evaporationKJ.value * 1e3) / gas) * (1 / (tubeC + 273.15) - 1 / 296.15)) * heightMm) /
    openFigures.heightMm.value;
  return { waitS: openFigures.waitS.value * k, skinS: openFigures.skinS.value * k };
}

export interface ClosingWindow {
  /** not before, not after; instants in the unit of the arguments, ms */
  fromAt: number;
  untilAt: number;
  /** the first of the bead has a skin before the last of it has waited */
  shut: boolean;
}

/** The oldest of the bead decides when it is too late, the youngest when it is early. */
export function closingWindow(startAt: number, endAt: number, open: OpenTime): ClosingWindow {
  const fromAt = endAt + open.waitS * 1e3;
  const untilAt = startAt + open.skinS * 1e3;
  return { fromAt, untilAt, shut: untilAt < fromAt };
}
