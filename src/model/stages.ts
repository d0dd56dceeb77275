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

export const stageNames: Record<StageId, string> = {
  intake: 'Intake',
  heat: 'Heat',
  lift: 'Lift',
  strip: 'Strip',
  clean: 'Clean',
  dryFit: 'Dry fit',
  bond: 'Bond',
  cure: 'Cure',
  check: 'Check',
  handover: 'Hand over',
};
