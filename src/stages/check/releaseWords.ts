import type { Release } from '@/core/functions/riskOrder';
import { t } from '@/words/check';

/** What still stands in the way of a release, in words. */
export const releaseWords: Record<Release['open'][number], string> = {
  get twoNames() {
    return t('aSecondPersonSigns');
  },
  get otherPerson() {
    return t('somebodyElseThanTheRepairerSigns');
  },
  get notRetested() {
    return t('functionsNotTestedAgain');
  },
  get newFaults() {
    return t('aNewFault');
  },
  get tellCustomer() {
    return t('tellTheCustomerWhatNobodyCan');
  },
};
