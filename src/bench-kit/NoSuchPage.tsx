import { Link } from 'expo-router';

import { Txt } from '@/ui/Txt';
import { t } from '@/words/kit';
import { PlaceFrame } from './PlaceFrame';

/** An address that leads nowhere: a mistyped one, or one that an earlier version had. */
export function NoSuchPage() {
  return (
    <PlaceFrame title={t('noSuchPage')}>
      <Txt>{t('noSuchPageWhy')}</Txt>
      <Link href="/" className="font-body text-m text-ink underline py-3">
        {t('toTheBench')}
      </Link>
    </PlaceFrame>
  );
}
