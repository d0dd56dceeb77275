import type { BondingMethodId } from '@/core/bond/bondingMethods';
import type { JobState } from '@/model/fold';
import type { LiquidStock } from '@/model/settings';
import { useSettings } from '@/store/shop';
import type { BondWork } from '@/work/bond/bondWork';
import type { BeadWork, Picks } from '@/work/bond/beadWork';

export interface BeadDetailsProps {
  job: JobState;
  work: BondWork;
  school: BondingMethodId;
  liquid: LiquidStock;
  bead: BeadWork | null;
  picks: Picks;
  onPicks: (change: Partial<Picks>) => void;
}

/** How it stands: what BeadDetails shows and does. */
export function useBeadDetails({ job, work, school, liquid, bead, picks, onPicks }: BeadDetailsProps) {
  const s = useSettings();
  const ring = job.bond.widthMm;
  return { bead, s, picks, school, work, onPicks, liquid, ring, job };
}
export type BeadDetailsState = ReturnType<typeof useBeadDetails>;
