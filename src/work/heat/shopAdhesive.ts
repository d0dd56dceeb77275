import { adhesiveRecord, type Adhesive } from '@/core/adhesives';
import { fitScale, withScale, type GaveWay, type ScaleFit } from '@/core/lift/scale';
import { thresholdRange, type LiftCase } from '@/core/lift/verdict';
import { coverStrengths } from '@/core/lift/strength';
import type { Seen, Settings } from '@/model/settings';

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
