import type { EyeOf } from '@/core/fit/byEye';
import { t } from '@/words/common';
import { t as log } from '@/words/log';

/** What somebody says who looks and feels: all is well, and the two ways in which a place can be off. */
export const eyeWords: Record<EyeOf, { fine: string; high: string; low: string }> = {
  gap: {
    get fine() {
      return t('evenAllRound');
    },
    get high() {
      return log('wide');
    },
    get low() {
      return log('tight');
    },
  },
  cover: {
    get fine() {
      return t('levelInTheMiddle');
    },
    get high() {
      return log('standsProud');
    },
    get low() {
      return log('touches');
    },
  },
  step: {
    get fine() {
      return t('flushAllRound');
    },
    get high() {
      return log('high');
    },
    get low() {
      return log('low');
    },
  },
  seat: {
    get fine() {
      return t('straightAllRound');
    },
    get high() {
      return log('high');
    },
    get low() {
      return log('low');
    },
  },
};
