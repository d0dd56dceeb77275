import type { ScrewHole } from '@/core/device/types';
import { t } from './strip';

/** Shape of a screw's head, by the driver that it takes. */
export const headNames: Record<ScrewHole['head'], string> = {
  get cross() {
    return t('headCross');
  },
  get fiveLobe() {
    return t('headFiveLobe');
  },
  get threeWing() {
    return t('headThreeWing');
  },
  get hex() {
    return t('headHex');
  },
  get slot() {
    return t('headSlot');
  },
};
