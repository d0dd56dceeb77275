import { useMemo } from 'react';
import { View } from 'react-native';

import { eyeFigures, noticedMm, type EyeOf } from '@/core/fit/byEye';
import { eyeFigureKey } from '@/core/fit/learnEye';
import { saveSettings, useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/kit';
import { length } from '@/words/units';
import { shopEye } from '@/work/check/shopEye';

/** What this shop's own eye has shown where a gauge was used after it, and counting with it from then on. */
export function ShopEye({ of }: { of: EyeOf }) {
  const settings = useSettings();
  const jobs = useJobs();
  const eye = useMemo(() => shopEye(jobs, of), [jobs, of]);
  if (!eye) return null;
  // the same figure as everywhere: what is noticed nine times in ten
  const noticed = (u: number) => length((noticedMm(of) / eyeFigures[of].value) * u, settings, 2);
  const own = settings.figures[eyeFigureKey[of]];
  const value = Math.round(eye.u * 1000) / 1000;
  return (
    <Disclosure title={t('yourShopsEye')}>
      <View testID="shopEye">
        <Txt>
          {t('eyeLearned', {
            places: eye.places,
            noticed: noticed(eye.u),
            low: noticed(eye.low),
            high: noticed(eye.high),
          })}
        </Txt>
        <Txt size="s" tone="ink2">
          {own
            ? t('eyeCountedWith', { because: own.because })
            : t('eyeUsual', { noticed: noticed(eyeFigures[of].value) })}
        </Txt>
        <View className="flex-row flex-wrap gap-2 mt-2">
          <Button
            kind="small"
            label={t('countWithOurEye')}
            disabled={own?.value === value}
            onPress={() =>
              void saveSettings({
                ...settings,
                figures: {
                  ...settings.figures,
                  [eyeFigureKey[of]]: { value, because: t('eyeBecause', { places: eye.places }) },
                },
              })
            }
          />
          {own ? (
            <Button
              kind="small"
              label={t('backToTheUsualEye')}
              onPress={() => {
                const { [eyeFigureKey[of]]: _, ...figures } = settings.figures;
                void saveSettings({ ...settings, figures });
              }}
            />
          ) : null}
        </View>
      </View>
    </Disclosure>
  );
}
