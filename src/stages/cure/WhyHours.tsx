import { Suspense } from 'react';
import { useWindowDimensions, View } from 'react-native';

import { cureClocks, steady } from '@/core/cure/laws';
import { useSettings } from '@/store/shop';
import type { JobCure } from '@/work/cure/cureJob';
import { lazyPiece } from '@/ui/lazyPiece';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { length, span } from '@/words/units';
import { t } from '@/words/cure';

const CureChart = lazyPiece(() => import('./CureChart').then((m) => m.default));

/** How it goes on; of a glue that dries, why some say six hours and others a day: it is the same glue at another width. */
export function WhyHours({ cure, now }: { cure: JobCure; now: number }) {
  const settings = useSettings();
  const wide = useWide();
  const screen = useWindowDimensions();
  const dries = cure.kind === 'solvent';
  const full = (mm: number) => cureClocks('solvent', mm, steady(23)).full;
  return (
    <Disclosure title={dries ? t('whySixHoursAndWhyA') : t('howItGoesOn')}>
      {dries ? (
        <Txt size="s" className="mb-1">
          {t('bothAreRightAt23C', {
            length: length(1, settings, 0),
            low: span(full(1).low),
            length2: length(2, settings, 0),
            low2: span(full(2).low),
            high: span(full(1).high),
            high2: span(full(2).high),
          })}
        </Txt>
      ) : null}
      <Suspense fallback={<View style={{ height: 420 }} />}>
        <CureChart cure={cure} now={now} width={wide ? 368 : screen.width - 32} />
      </Suspense>
    </Disclosure>
  );
}
