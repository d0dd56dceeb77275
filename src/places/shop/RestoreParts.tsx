import { listed } from '@/words/units';
import { View } from 'react-native';

import { type Settings } from '@/model/settings';
import { settingsNames } from '@/model/settingsNames';
import { saveSettings } from '@/store/shop';
import { Button, HoldButton } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import type { RestoreState } from './useRestore';
import { t } from '@/words/shop';

/** What the file would do. */
export function RestoreOffer({
  here: { waiting, plan, withSettings, setWithSettings, setWaiting, shop, take },
}: {
  here: RestoreState;
}) {
  return waiting && plan ? (
    <View className="border-[1.5px] border-ink bg-panel p-3 mt-3 gap-1" testID="restore">
      <Txt strong>{t('wouldBring', { name: waiting.name })}</Txt>
      <Txt>
        {t('newJobs', { count: plan.newJobs.length })}
        {`${plan.newJobs.length ? `: ${plan.newJobs.slice(0, 6).join(', ')}${plan.newJobs.length > 6 ? ` …` : ''}` : ''}`}
      </Txt>
      <Txt>
        {plan.grown.length
          ? t('ofThemForJobsThatAre', {
              count: plan.entries,
              list: listed(plan.grown.map((g) => `${g.label} ${g.entries}`)),
            })
          : t('newEntries', { count: plan.entries })}
      </Txt>
      <Txt>
        {[
          t('newModels', { count: plan.devices }),
          t('newPictures', { count: plan.photos }),
          ...(plan.tries ? [t('newTries', { count: plan.tries })] : []),
          t('jobsAsInTheFile', { count: plan.sameJobs }),
        ].join('; ')}
      </Txt>
      {waiting.inPlaceOfDemo ? <Txt strong>{t('itTakesThePlaceOfThe')}</Txt> : null}
      {plan.differing ? <Txt tone="caution">{t('standHereWithOtherWordsUnder', { count: plan.differing })}</Txt> : null}
      {plan.settings === null ? null : plan.settings.length ? (
        <Tick
          label={t('itsSettingsInsteadOfThoseHere')}
          note={t('different', { list: listed(plan.settings.map((k) => settingsNames[k as keyof Settings] ?? k)) })}
          on={withSettings}
          onChange={setWithSettings}
        />
      ) : (
        <Txt>{t('theSettingsAreTheSame')}</Txt>
      )}
      <View className="flex-row gap-3 mt-2">
        <View className="flex-1">
          <Button label={t('leaveIt')} onPress={() => setWaiting(null)} />
        </View>
        <View className="flex-[2]">
          {withSettings && shop?.jobs.size && !waiting.inPlaceOfDemo ? (
            <HoldButton label={t('takeItIn')} onPress={() => void take()} />
          ) : (
            <Button kind="main" label={t('takeItIn')} onPress={() => void take()} />
          )}
        </View>
      </View>
    </View>
  ) : null;
}

/** The settings of before the last change. */
export function EarlierSettings({ here: { before, setBefore } }: { here: RestoreState }) {
  return before ? (
    <View className="mt-2 self-start">
      <Button
        kind="small"
        label={t('theEarlierSettingsAgain')}
        onPress={() => void saveSettings(before).then(() => setBefore(null))}
      />
    </View>
  ) : null;
}
