import type { Watched } from '@/core/heat/member';
import { t } from './heat';

/** What is watched while it heats. */
export const watchedNames: Record<Watched | 'glue', string> = {
  get battery() {
    return t('watchedBattery');
  },
  get camera() {
    return t('watchedCamera');
  },
  get display() {
    return t('watchedDisplay');
  },
  get cover() {
    return t('watchedCover');
  },
  get glue() {
    return t('watchedGlue');
  },
};
