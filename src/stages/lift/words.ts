import type { EdgeReason } from '@/core/lift/order';
import type { FirstGap } from '@/core/lift/firstGap';
import { t } from '@/words/lift';

export const liftCaution = () => t('glassSplintersEyeCoverGlovesTape');

export const reasonWords: Record<EdgeReason, string> = {
  get farFromCamera() {
    return t('farthestFromCameraAndCables');
  },
  get camera() {
    return t('cameraBesideItSoLate');
  },
  get cable() {
    return t('aCableCrossesHere');
  },
  get buttons() {
    return t('buttonsBehindIt');
  },
  get warmest() {
    return t('warmestEdge');
  },
  get loose() {
    return t('foundLoose');
  },
  get joinsOpen() {
    return t('joinsAnOpenEdge');
  },
};

export const gapReasonWords: Record<FirstGap['reasons'][number], string> = {
  get nearPort() {
    return t('byTheChargePortAsIs');
  },
  get awayFromPart() {
    return t('nothingNearBehindIt');
  },
  get awayFromChip() {
    return t('awayFromTheChip');
  },
  get awayFromVent() {
    return t('besideTheVentNotInIt');
  },
  get shattered() {
    return t('aSuctionCupDoesNotHold');
  },
};
