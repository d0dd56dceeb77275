import type { Happened } from '@/core/practice/happened';
import { t } from '@/words/practice';
import { told } from '@/words/told';
import { watchedNames } from '@/words/watchedNames';
import { digits } from '@/words/units';

/** What came of something, in a line; null: nothing to say. */
export function happenedText(h: Happened): string | null {
  switch (h.what) {
    case 'gap':
      return t('saidGap', { n: Math.round(h.forceN) });
    case 'holds':
      return t('saidHolds');
    case 'cupOff':
      return t('saidCupOff');
    case 'stuck':
      return t('saidStuck', { speed: digits(h.speedMmS, 1) });
    case 'shallow':
      return t('saidShallow', { depth: digits(h.depthMm, 1) });
    case 'broke':
      return t('saidBroke');
    case 'hurt':
      return t('saidHurt', { name: told(h.name) });
    case 'partHot':
      return t('saidHot', { part: watchedNames[h.part] });
    case 'flash':
      return t('saidFlash');
    case 'free':
      return t('saidFree');
    case 'refused':
      return {
        onHeat: t('itLiesOnHeat'),
        nothingOnHeat: t('nothingOnHeat'),
        noGap: t('noGapYet'),
        over: t('itIsOver'),
      }[h.why];
  }
}
