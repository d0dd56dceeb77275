import { useWindowDimensions, View } from 'react-native';

import { noticedMm } from '@/core/fit/byEye';
import type { CoverPoint, CoverSeen } from '@/core/fit/coverByEye';
import type { JobState } from '@/model/fold';
import { EyeMarks, useByEye } from '@/bench-kit/ByEye';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { ShopEye } from '@/bench-kit/ShopEye';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Outlines } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { coverEyeOf, coverPlaces } from '@/work/check/cameraJob';
import { said } from '@/words/codes';
import { told } from '@/words/told';
import { length, listed } from '@/words/units';
import { t } from '@/words/check';

/** What to do with a cover that was seen and felt. */
const actionOf = (s: CoverSeen, cover: string): string => {
  const sides = listed(s.sides.map((x) => said(x)));
  const text: Record<CoverSeen['action'], string> = {
    accept: t('coverFine'),
    pressAgain: t('coverPressAgain', { cover }),
    clearUnder: t('coverClearUnder', { cover, sides }),
    shift: t('coverShift', { cover, sides }),
    tooLarge: t('coverTooLarge', { cover }),
  };
  return text[s.action];
};

/** How the camera covers sit, by eye and finger: one tap when all is well, taps on the plan where not. */
export function CoverByEye({ job }: { job: JobState }) {
  const units = useSettings();
  const { width } = useWindowDimensions();
  const places = coverPlaces(job);
  const { points, seen } = coverEyeOf(job);
  const by = useByEye(job, 'cover', points, false, 0);
  if (!places.length) return null;
  const nameOf = (id: string) => told(places.find((p) => p.id === id)!.name);
  const placeOf = (p: CoverPoint) => t('coverPlace', { cover: nameOf(p.cover), side: said(p.side) });
  const off = seen?.filter((s) => s.action !== 'accept') ?? [];
  const room = 7;
  const end = (k: 0 | 1, sign: 1 | -1) => sign * Math.max(...places.map((p) => sign * p.at[k] + p.rMm)) + sign * room;
  const side = Math.min(width - 32, 320);
  return (
    <View className="mb-4" testID="coverByEye">
      <Txt strong size="l" level={2}>
        {t('coverByEyeTitle')}
      </Txt>
      <Txt size="s" tone="ink2" className="mb-2">
        {t('coverByEyeHow')}
      </Txt>
      {off.map((s) => (
        <Txt key={s.cover} tone="caution" className="mb-1">
          {actionOf(s, nameOf(s.cover))}
        </Txt>
      ))}
      {seen && !off.length ? <Txt>{t('coverFine')}</Txt> : null}
      {seen && !off.length ? (
        <Txt size="s" tone="ink2" className="mb-1">
          {t('coverFineSees', { noticed: length(noticedMm('cover'), units, 2) })}
        </Txt>
      ) : null}
      {by.marking && !off.length ? <Txt tone="caution">{t('coverMarkPlaces')}</Txt> : null}
      {by.marking ? (
        <View className="items-center my-2">
          <PlainPlan
            job={job}
            size={{ width: side, height: side }}
            focus={{ min: [end(0, -1), end(1, -1)], max: [end(0, 1), end(1, 1)] }}
            label={t('coverPlan')}
            lines={points.map((p) => placeOf(p))}
            {...(by.onTap ? { onTap: by.onTap } : {})}
          >
            <Outlines
              items={places.map((p) => ({
                shape: { kind: 'disc', c: p.at, rMm: p.rMm },
                on: seen?.find((s) => s.cover === p.id)?.action === 'accept',
              }))}
            />
            {by.layer}
          </PlainPlan>
        </View>
      ) : null}
      <View className="flex-row gap-3">
        <View className="flex-1">
          <Button label={t('coversLevel')} disabled={by.eye?.fine === true} onPress={by.fine} />
        </View>
        {by.marking ? null : (
          <View className="flex-1">
            <Button label={t('coverNotSo')} onPress={by.notFine} />
          </View>
        )}
      </View>
      <EyeMarks by={by} of="cover" points={points} placeOf={placeOf} />
      <ShopEye of="cover" />
    </View>
  );
}
