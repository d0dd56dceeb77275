import { scraperDeg, type CleanLack, type CleanMethod, type ZoneState } from '@/core/clean/zones';
import { t } from '@/words/clean';

export const stateNames: Record<ZoneState, string> = {
  get residue() {
    return t('stateResidue');
  },
  get glass() {
    return t('glassLeft');
  },
  get film() {
    return t('filmStays');
  },
  get wet() {
    return t('stateWet');
  },
  get dry() {
    return t('stateWiped');
  },
  get inspected() {
    return t('cleanLookedAt');
  },
};
export const methodWords: Record<CleanMethod, string> = {
  get dryOnly() {
    return t('dryWipeOnlyNoLiquid');
  },
  get rollWarm() {
    return t('rollTheWarmGlueOff');
  },
  get alcoholWipe() {
    return t('alcoholOnAWipeNearlyDry');
  },
  get plasticScraper() {
    return t('plasticScraperFlatAtAboutSoft', { value: scraperDeg.soft.value });
  },
  get flatBlade() {
    return t('bladeAtAbout', { value: scraperDeg.hard.value });
  },
  get tweezersFirst() {
    return t('tweezersFirstGlass');
  },
  get air() {
    return t('puffOfAir');
  },
};
export const lackWords: Record<CleanLack, string> = {
  get residue() {
    return t('oldGlueToTakeOff');
  },
  get glass() {
    return t('glassToPickOut');
  },
  get film() {
    return t('aFilmStays');
  },
  get wet() {
    return t('stillWet');
  },
  get notInspected() {
    return t('notLookedOverYet');
  },
  get crumbs() {
    return t('crumbsToLookFor');
  },
  get warm() {
    return t('stillWarm');
  },
  get lenses() {
    return t('lensesToBlowOff');
  },
  get cover() {
    return t('theBackItselfHasOldGlue');
  },
  get glance() {
    return t('notLookedAtFromTheSide');
  },
};

/** How a zone is drawn along the ring. */
export const arcLook = {
  residue: 'plain',
  glass: 'reheat',
  film: 'slow',
  wet: 'dry',
  dry: 'slow',
  inspected: 'free',
} as const;
