import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Image, View } from 'react-native';

import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from './actions';
import { Entry } from './Why';
import { repository } from '@/store/shop';
import { Button, HoldButton } from '@/ui/Button';
import { pickFile } from '@/ui/download';
import { keepPhoto, keptPhotos, mb, photoBudgetBytes } from './keepPhoto';
import { readPhoto } from './readPhoto';
import { Txt } from '@/ui/Txt';
import { stamp } from '@/words/units';
import { t } from '@/words/kit';

/** Photos of a job: from the camera or a file, scaled down, within a budget that is shown. */
export function PhotosSection({ job }: { job: JobState }) {
  const { log, undo } = useActions(job);
  const [caption, setCaption] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const kept = keptPhotos(job);
  const used = kept.reduce((m, p) => m + p.bytes, 0);
  const out = kept.filter((p) => !job.photos.some((q) => q.photoId === p.photoId));
  const add = async (camera: boolean) => {
    setProblem(null);
    const file = await pickFile('image/*', camera);
    if (!file) return;
    setBusy(true);
    try {
      const { picture } = await readPhoto(file);
      const kept = await keepPhoto(job, log, picture, file.name, { caption });
      if ('refused' in kept) setProblem(kept.refused);
      else setCaption('');
    } catch (e) {
      setProblem(e instanceof Error ? e.message : t('thePictureCouldNotBeKept'));
    } finally {
      setBusy(false);
    }
  };
  const purge = async () => {
    for (const p of out) await repository.dropPhoto(p.photoId);
    await log(out.map((p) => ({ type: 'photoGone' as const, photoId: p.photoId })));
  };
  return (
    <View>
      <Txt size="s" tone="ink2" className="mb-2">
        {job.photos.length === 1
          ? t('photoOfMbUsedTheyGo', {
              n: job.photos.length,
              used: mb(used),
              photoBudgetBytes: mb(photoBudgetBytes),
            })
          : t('photosOfMbUsedTheyGo', {
              count: job.photos.length,
              used: mb(used),
              photoBudgetBytes: mb(photoBudgetBytes),
            })}
      </Txt>
      <Entry label={t('whatTheNextPhotoShows')} value={caption} onChange={setCaption} max={200} />
      <View className="flex-row gap-2 mb-2">
        <View className="flex-1">
          <Button kind="small" label={t('camera')} onPress={() => void add(true)} disabled={busy} />
        </View>
        <View className="flex-1">
          <Button kind="small" label={t('photoFromAFile')} onPress={() => void add(false)} disabled={busy} />
        </View>
      </View>
      {problem ? (
        <View role="alert">
          <Txt tone="caution">{problem}</Txt>
        </View>
      ) : null}
      <View className="flex-row flex-wrap gap-3">
        {job.photos.map((p) => (
          <Photo key={p.photoId} photo={p} onOut={() => undo(p.id)} />
        ))}
      </View>
      {out.length ? (
        <View className="mt-2">
          <HoldButton
            kind="side"
            label={t('removeForGoodWhatWasTaken', { n: out.length })}
            onPress={() => void purge()}
          />
        </View>
      ) : null}
    </View>
  );
}

function Photo({ photo, onOut }: { photo: EventOf<'photo'>; onOut: () => void }) {
  const { data } = useQuery({
    queryKey: ['photo', photo.photoId],
    queryFn: async () => (await repository.readPhotos([photo.photoId]))[photo.photoId] ?? null,
  });
  const what = photo.caption || t('photoOf', { at: stamp(photo.at) });
  return (
    <View className="w-[164px]">
      {data ? (
        <Image
          source={{ uri: data }}
          aria-label={what}
          style={{ width: 164, height: (164 * photo.heightPx) / photo.widthPx }}
          resizeMode="cover"
        />
      ) : (
        <View className="h-[110px] border border-ink2 items-center justify-center">
          <Txt size="s" tone="ink2">
            {data === null ? t('thePictureIsNotInThis') : ''}
          </Txt>
        </View>
      )}
      <Txt size="s">{what}</Txt>
      <Button kind="small" label={t('takeOut', { what }).slice(0, 40)} onPress={onOut} />
    </View>
  );
}
