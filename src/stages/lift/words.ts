import type { EdgeReason } from '@/core/lift/order';
import type { FirstGap } from '@/core/lift/firstGap';

export const liftCaution =
  'Glass splinters: eye cover, gloves, tape over cracked glass, brush instead of a hand. Hot glass burns. Plastic pick near cables; never lever on the cell. Maker’s instructions go first.';

export const reasonWords: Record<EdgeReason, string> = {
  farFromCamera: 'farthest from camera and cables',
  camera: 'camera beside it, so late',
  cable: 'a cable crosses here',
  buttons: 'keys behind it',
  warmest: 'warmest',
  joinsOpen: 'joins an open edge',
};

export const gapReasonWords: Record<FirstGap['reasons'][number], string> = {
  nearPort: 'by the charge port, as is common practice',
  awayFromPart: 'nothing near behind it',
  awayFromChip: 'away from the chip',
  awayFromVent: 'beside the vent, not in it',
  shattered: 'a cup does not hold on cracked glass',
};
