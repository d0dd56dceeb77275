/** What one job brought and cost, minor units. */
export interface JobMoney {
  netMinor: number;
  partsMinor: number;
  usedMinor: number;
  minutes: number;
  ratePerHourMinor: number;
  /** a come-back, a cover that broke */
  extraMinor: number;
  overheadMinor: number;
}

export interface Margin {
  costMinor: number;
  marginMinor: number;
  /** of the net price; null when nothing was charged */
  share: number | null;
}

/** What stays of the net price, in minor units and as a share of it. */
export function marginOf(m: JobMoney): Margin {
  const costMinor = Math.round(
    m.partsMinor + m.usedMinor + (m.minutes / 60) * m.ratePerHourMinor + m.extraMinor + m.overheadMinor,
  );
  const marginMinor = m.netMinor - costMinor;
  return { costMinor, marginMinor, share: m.netMinor > 0 ? marginMinor / m.netMinor : null };
}
