/** All stages there are, in the order in which most jobs come by them. */
export const stageIds = [
  'intake',
  'heat',
  'lift',
  'strip',
  'clean',
  'dryFit',
  'bond',
  'cure',
  'check',
  'handover',
] as const;

export type StageId = (typeof stageIds)[number];
