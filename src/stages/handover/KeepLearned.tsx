import { useState } from 'react';
import { View } from 'react-native';

import { useActions } from '@/bench-kit/actions';
import type { JobState } from '@/model/fold';
import { saveDevice, useDevices } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/handover';
import { learnedText } from '@/words/learnedNames';
import { withLearned, type Learned } from '@/work/devices/keepLearned';
import { undecided } from '@/work/devices/learnedOf';

/** What was learned on this device, before it is forgotten: each goes into a new version of its model, or is dropped. */
export function KeepLearned({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const devices = useDevices();
  const [problem, setProblem] = useState<string | null>(null);
  const open = undecided(job);
  if (!open.length) return null;
  // jobs keep the version that they were opened with: what is learned goes into the newest one
  const model = devices.find((d) => d.device.id === job.device.id)?.device ?? job.device;
  const keep = async (items: readonly Learned[]) => {
    try {
      await saveDevice({ ...withLearned(model, items, job.label), version: model.version + 1 });
      setProblem(null);
      void log(items.map((l) => ({ type: 'learnedKept', itemId: l.itemId, kept: true })));
    } catch (e) {
      setProblem(e instanceof Error ? e.message : t('notKept'));
    }
  };
  return (
    <View className="border-[1.5px] border-ink bg-panel p-3 my-2" testID="keepLearned">
      <Txt strong level={2}>
        {t('learnedOnThis', { count: open.length, model: model.name })}
      </Txt>
      {problem ? (
        <Txt role="alert" tone="caution">
          {problem}
        </Txt>
      ) : null}
      {open.map((l) => (
        <View key={l.itemId} className="flex-row flex-wrap items-center gap-2 border-b border-rule min-h-[52px]">
          <Txt className="flex-1 min-w-[160px]">{learnedText(l.what, l.text)}</Txt>
          <Button kind="small" label={t('keepIt')} onPress={() => void keep([l])} />
          <Button
            kind="small"
            label={t('dropIt')}
            onPress={() => void log([{ type: 'learnedKept', itemId: l.itemId, kept: false }])}
          />
        </View>
      ))}
      {open.length > 1 ? (
        <View className="self-start mt-2">
          <Button kind="small" label={t('keepAll')} onPress={() => void keep(open)} />
        </View>
      ) : null}
    </View>
  );
}
