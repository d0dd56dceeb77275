import { useState } from 'react';
import { View } from 'react-native';

import { useActions } from '@/bench-kit/actions';
import type { Device, Learned } from '@/core/device/types';
import { withLearned } from '@/core/device/withLearned';
import type { JobState } from '@/model/fold';
import { copyOfPhoto, keepModelPhoto, withPicture } from '@/store/modelPhoto';
import { repository, saveDevice, useDevices } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/handover';
import { learnedText } from '@/words/learnedNames';
import { newOrder, newPictures, orderItem, photoItem, withOrder } from '@/work/devices/keepForModel';
import { undecided } from '@/work/devices/learnedOf';

/** One thing that may go into the model. */
interface Keepable {
  id: string;
  said: string;
  into: (d: Device) => Device | Promise<Device>;
}

/** Everything that this device has taught: notes and things, the order it came apart in, photos of it. */
function keepables(job: JobState, model: Device): Keepable[] {
  const notes = undecided(job).map((l: Learned): Keepable => ({
    id: l.itemId,
    said: learnedText(l.what, l.text),
    into: async (d) => {
      const data = l.photo ? (await repository.readPhotos([l.photo]))[l.photo] : undefined;
      // a picture of its own: the job may lose its one
      const photo = data ? await copyOfPhoto(data) : undefined;
      return withLearned(d, [{ ...l, photo }], job.label);
    },
  }));
  const order = newOrder(job, model);
  const photos = newPictures(job).map((p): Keepable => ({
    id: photoItem(p.photoId),
    said: p.caption || t('photoUnderItsPlan'),
    into: async (d) => {
      const data = (await repository.readPhotos([p.photoId]))[p.photoId];
      if (!data || !p.under) throw new Error(t('photoIsGone'));
      const { widthMm, lengthMm, face, inside } = p.under;
      // a picture of its own: the job may lose its one
      return withPicture(d, await keepModelPhoto({ data, widthMm, lengthMm }, { face, inside }));
    },
  }));
  return [
    ...notes,
    ...(order
      ? [
          {
            id: orderItem,
            said: t('orderItCameOut', { count: order.length }),
            into: (d: Device) => withOrder(d, order),
          },
        ]
      : []),
    ...photos,
  ];
}

/** What was learned on this device, before it is forgotten: each goes into a new version of its model, or is dropped. */
export function KeepLearned({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const devices = useDevices();
  const [problem, setProblem] = useState<string | null>(null);
  // jobs keep the version that they were opened with: what is learned goes into the newest one
  const model = devices.find((d) => d.device.id === job.device.id)?.device ?? job.model;
  const open = keepables(job, model);
  if (!open.length) return null;
  const keep = async (items: readonly Keepable[]) => {
    try {
      let next = model;
      for (const item of items) next = await item.into(next);
      await saveDevice({ ...next, version: model.version + 1 });
      setProblem(null);
      void log(items.map((l) => ({ type: 'learnedKept', itemId: l.id, kept: true })));
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
        <View key={l.id} className="flex-row flex-wrap items-center gap-2 border-b border-rule min-h-touch">
          <Txt className="flex-1 min-w-[160px]">{l.said}</Txt>
          <Button kind="small" label={t('keepIt')} onPress={() => void keep([l])} />
          <Button
            kind="small"
            label={t('dropIt')}
            onPress={() => void log([{ type: 'learnedKept', itemId: l.id, kept: false }])}
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
