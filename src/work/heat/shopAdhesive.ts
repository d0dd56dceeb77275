import { adhesiveRecord, type Adhesive } from '@/core/adhesives';
import { fitScale, gripFigures, scaleU, withScale, type GaveWay, type ScaleFit } from '@/core/lift/scale';
import { defaultPickMm, liftThresholds, thresholdRange, type LiftCase } from '@/core/lift/verdict';
import { coverStrengths } from '@/core/lift/strength';
import type { Seen, Settings } from '@/model/settings';
import type { LiftSlice } from '@/model/stages/lift';

const coverOfSeen = (o: GaveWay) => coverStrengths[(o as Seen).cover] ?? coverStrengths.glassPlain!;

/** What the shop has seen of a family, without what somebody took out again. */
export const seenOf = (settings: Pick<Settings, 'seen'>, family: string): Seen[] =>
  settings.seen.filter((o) => o.adhesive === family && !o.out);

export const shopScale = (settings: Pick<Settings, 'seen'>, family: string): ScaleFit =>
  fitScale(family, seenOf(settings, family), coverOfSeen);

/** Temperatures of a lift over what this shop does not know of its adhesive, told where the law is steep. */
export const shopThresholds = (settings: Pick<Settings, 'seen'>, c: LiftCase): ReturnType<typeof thresholdRange> =>
  thresholdRange(c, shopScale(settings, c.adhesive.id).sd);

/** An adhesive as it is in this shop: the shipped record with the scale from its own observations. */
export function shopAdhesive(settings: Pick<Settings, 'seen'>, family: string): Adhesive {
  return withScale(adhesiveRecord(family), shopScale(settings, family));
}

/**
 * The glue of one job: as the shop knows it, and as its own bond showed it. A bond that was said to grip where it should have
 * gone easily is believed to be stronger, and the next heat goes on longer; one that gripped because it had cooled says nothing.
 */
export function jobAdhesive(
  settings: Pick<Settings, 'seen'>,
  c: Omit<LiftCase, 'pickMm'>,
  grips: LiftSlice['grips'],
): Adhesive {
  const family = c.adhesive.id;
  let seen: GaveWay[] = seenOf(settings, family);
  let adhesive = c.adhesive;
  for (const { tC, pickMm: said } of grips) {
    const pickMm = said ?? defaultPickMm;
    const { easyC } = liftThresholds({ ...c, adhesive, pickMm });
    if (easyC === null || tC < easyC - scaleU.temperature.value) continue;
    const { hMm, ringMm, fullArea } = c;
    seen = [
      ...seen,
      { adhesive: family, gave: false, liftMm: pickMm, tC, uK: gripFigures.uK.value, hMm, ringMm, fullArea },
    ];
    const cover = (o: GaveWay) => ('cover' in o ? coverOfSeen(o) : c.cover);
    adhesive = withScale(adhesiveRecord(family), fitScale(family, seen, cover));
  }
  return adhesive;
}
