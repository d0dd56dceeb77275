import type { Settings } from '@/model/settings';

/** How somebody's work ended: how long it took, and whether it has to be done again. */
export interface Outcome {
  seconds: number;
  failed: boolean;
}

/**
 * What an exercise would have cost on a customer's device, in cents of the shop's currency: its hours at the shop's rate, and
 * where it failed what doing it again costs.
 */
export const practiceCostMinor = (
  { seconds, failed }: Outcome,
  { ratePerH, reworkCost }: Pick<Settings, 'ratePerH' | 'reworkCost'>,
): number => Math.round(100 * ((seconds / 3600) * ratePerH + (failed ? reworkCost : 0)));
