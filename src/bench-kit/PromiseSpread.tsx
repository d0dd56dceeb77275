import { Suspense } from 'react';
import { useWindowDimensions, View } from 'react-native';

import { DotChart } from '@/ui/chart/LazyDotChart';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { dayTime, time } from '@/words/units';
import { t } from '@/words/kit';
import type { Promised } from './usePromises';

/** When the job is likely to be ready, twenty ends that are as likely as each other, against what is promised. */
export function PromiseSpread({
  promised,
  promiseAt,
  now,
}: {
  promised: Promised;
  promiseAt: number | null;
  now: number;
}) {
  const wide = useWide();
  const { width } = useWindowDimensions();
  const late = promiseAt === null ? 0 : promised.spreadAt.filter((a) => a > promiseAt).length;
  return (
    <View className="my-2">
      <Suspense fallback={<View style={{ height: 90 }} />}>
        <DotChart
          label={t('promiseSpread', { p50: dayTime(promised.p50At, now), p95: dayTime(promised.p95At, now) })}
          at={promised.spreadAt}
          mark={promiseAt === null ? null : { name: t('promisedMark', { at: time(promiseAt) }), at: promiseAt }}
          text={time}
          width={wide ? 368 : width - 32}
        />
      </Suspense>
      <Txt size="s" tone="ink2">
        {promiseAt === null ? t('eachDotIsOneInTwenty') : t('eachDotAndLate', { late })}
      </Txt>
    </View>
  );
}
