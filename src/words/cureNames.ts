import { type CureMark } from '@/core/cure/laws';
import { t } from '@/words/log';

export const cureMarkNames: Record<CureMark, string> = {
  get clampOff() {
    return t('clampsOff2');
  },
  get handle() {
    return t('mayBeMoved');
  },
  get build() {
    return t('workGoesOn');
  },
  get handOver() {
    return t('handOver');
  },
  get sealTest() {
    return t('pressOrAirTest');
  },
  get full() {
    return t('fullBond');
  },
};
