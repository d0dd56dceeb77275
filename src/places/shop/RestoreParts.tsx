import { View } from 'react-native';

import { type Settings } from '@/model/settings';
import { settingsNames } from '@/model/settingsNames';
import { saveSettings } from '@/store/shop';
import { Button, HoldButton } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { many } from './useRestore';
import type { RestoreState } from './useRestore';

/** What the file would do. */
export function RestoreOffer({
  here: { waiting, plan, withSettings, setWithSettings, setWaiting, shop, take },
}: {
  here: RestoreState;
}) {
  return waiting && plan ? (
    <View className="border-[1.5px] border-ink bg-panel p-3 mt-3 gap-1" testID="restore">
      <Txt strong>{waiting.name} would bring</Txt>
      <Txt>
        {many(plan.newJobs.length, 'new job')}
        {plan.newJobs.length ? `: ${plan.newJobs.slice(0, 6).join(', ')}${plan.newJobs.length > 6 ? ' …' : ''}` : ''}
      </Txt>
      <Txt>
        {many(plan.entries, 'new entry', 'new entries')}
        {plan.grown.length
          ? `, of them for jobs that are here: ${plan.grown.map((g) => `${g.label} ${g.entries}`).join(', ')}`
          : ''}
      </Txt>
      <Txt>
        {many(plan.devices, 'device model')}, {many(plan.photos, 'picture')}; {many(plan.sameJobs, 'job')} already here
        as in the file
      </Txt>
      {waiting.inPlaceOfDemo ? <Txt strong>It takes the place of the demo shop that is here.</Txt> : null}
      {plan.differing ? (
        <Txt tone="caution">
          {many(plan.differing, 'entry', 'entries')} stand here with other words under the same name: those here stay.
        </Txt>
      ) : null}
      {plan.settings === null ? null : plan.settings.length ? (
        <Tick
          label="Its settings instead of those here"
          note={`Different: ${plan.settings.map((k) => settingsNames[k as keyof Settings] ?? k).join(', ')}.`}
          on={withSettings}
          onChange={setWithSettings}
        />
      ) : (
        <Txt>Settings are the same.</Txt>
      )}
      <View className="flex-row gap-3 mt-2">
        <View className="flex-1">
          <Button label="Leave it" onPress={() => setWaiting(null)} />
        </View>
        <View className="flex-[2]">
          {withSettings && shop?.jobs.size && !waiting.inPlaceOfDemo ? (
            <HoldButton label="Take it in" onPress={() => void take()} />
          ) : (
            <Button kind="main" label="Take it in" onPress={() => void take()} />
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
        label="The earlier settings again"
        onPress={() => void saveSettings(before).then(() => setBefore(null))}
      />
    </View>
  ) : null;
}
