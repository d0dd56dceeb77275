import { useState } from 'react';
import { Pressable } from 'react-native';

import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stageIds';
import { pickFile } from '@/ui/download';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/kit';
import { stageName } from '@/words/stageWords';
import { useActions } from './actions';
import { keepPhoto, keptPhotos, mb, photoBudgetBytes } from './keepPhoto';
import { readPhoto } from './readPhoto';

/** One tap: a photo of the device as it is at this step. What it took of the room for photos is said. */
export function AsItIs({ job, stage }: { job: JobState; stage: StageId }) {
  const { log } = useActions(job);
  const [said, setSaid] = useState<{ text: string; bad: boolean } | null>(null);
  const taken = job.photos.filter((p) => p.stage === stage && (p.joint ?? job.joint) === job.joint).length;
  const take = async () => {
    const file = await pickFile('image/*', true);
    if (!file) return;
    try {
      const { picture } = await readPhoto(file);
      const kept = await keepPhoto(job, log, picture, file.name, {
        caption: t('asItWas', { stage: stageName(stage) }),
        stage,
      });
      const used = keptPhotos(job).reduce((m, p) => m + p.bytes, 0) + picture.bytes;
      setSaid(
        'refused' in kept
          ? { text: kept.refused, bad: true }
          : { text: t('photoKept', { used: mb(used), of: mb(photoBudgetBytes) }), bad: false },
      );
    } catch (e) {
      setSaid({ text: e instanceof Error ? e.message : t('thePictureCouldNotBeKept'), bad: true });
    }
  };
  return (
    <>
      <Pressable role="button" onPress={() => void take()} className="min-h-touch py-3 self-start">
        <Txt className="underline">{taken ? t('photoAsItIsN', { n: taken }) : t('photoAsItIs')}</Txt>
      </Pressable>
      {said ? (
        <Txt size="s" role={said.bad ? 'alert' : 'status'} tone={said.bad ? 'caution' : 'ink2'} className="self-center">
          {said.text}
        </Txt>
      ) : null}
    </>
  );
}
