import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { slotDryS } from '@/core/alcohol/drying';
import { commonPractice, judgement } from '@/core/source';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { saveSettings, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { clock } from '@/words/units';
import { t } from '@/words/strip';

export const warmFront = commonPractice(90, 'one to two minutes from the front on the plate', 30);
export const soakS = judgement(180, 'a few minutes’ wait with the device tilted, so that it runs under');

/** May a cell be used again: flat, undamaged, never bent. */
export const cellReusable = (c: { flat: boolean; bent: boolean; punctured: boolean }, swollen: boolean): boolean =>
  c.flat && !c.bent && !c.punctured && !swollen;

/** How the cell comes out, three ways side by side, and whether it goes back in. */
export function CellRule({ job, onWarm }: { job: JobState; onWarm: () => void }) {
  const { log } = useActions(job);
  const settings = useSettings();
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const c = job.cellChoice ?? {
    fit: settings.newCell ? ('new' as const) : ('same' as const),
    flat: false,
    bent: false,
    punctured: false,
  };
  const put = (over: Partial<typeof c>) => {
    const next = { fit: c.fit, flat: c.flat, bent: c.bent, punctured: c.punctured, ...over };
    void log([
      { type: 'cellChoice', ...next, fit: cellReusable(next, swollen) ? next.fit : 'new' },
      ...(next.bent || next.punctured
        ? [
            {
              type: 'finding' as const,
              kind: 'cellSwollen' as const,
              answer: 'yes' as const,
              note: t('bentOrPuncturedWhileItWas'),
            },
          ]
        : []),
    ]);
  };
  const ok = cellReusable(c, swollen);
  return (
    <View className="mt-2">
      <Txt size="s">
        {t('pullTabsSlowlyFlatAwayFrom', {
          value: Math.round(warmFront.value / 60),
          value2: clock(soakS.value),
          roomC: clock(slotDryS(settings.roomC, 5)),
        })}
      </Txt>
      <View className="flex-row flex-wrap gap-2 my-2">
        {swollen ? null : <Button kind="small" label={t('warmFromTheFront')} onPress={onWarm} />}
        <Link href={`/jobs/${job.id}/alcohol` as Href} className="font-body text-m text-ink underline py-2">
          {t('alcohol')}
        </Link>
      </View>
      <Tick label={t('itCameOutFlat')} on={c.flat} onChange={(flat) => put({ flat })} />
      <Tick label={t('itIsBent')} on={c.bent} onChange={(bent) => put({ bent })} />
      <Tick label={t('itIsScratchedOrPunctured')} on={c.punctured} onChange={(punctured) => put({ punctured })} />
      <Choice
        label={t('whatGoesBackIn')}
        value={ok ? c.fit : 'new'}
        options={[
          ...(ok ? [{ id: 'same' as const, name: t('theSameBattery') }] : []),
          { id: 'new', name: t('aNewBattery') },
        ]}
        onChange={(fit) => put({ fit })}
        hint={ok ? t('benchesDifferSomeAlwaysFitA') : t('onlyABatteryThatCameOut')}
      />
      <Tick
        label={t('thisShopAlwaysFitsANew')}
        on={settings.newCell}
        onChange={(newCell) => void saveSettings({ ...settings, newCell })}
      />
    </View>
  );
}
