import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { useWindowDimensions } from 'react-native';

import { useActions } from '@/bench-kit/actions';
import { FitPhoto } from '@/bench-kit/FitPhoto';
import { JobPage } from '@/bench-kit/JobPage';
import { keepPhoto } from '@/bench-kit/keepPhoto';
import { stageHref } from '@/bench-kit/stageHref';
import { useFitPhoto } from '@/bench-kit/useFitPhoto';
import { useNow } from '@/bench-kit/useNow';
import { boxOf } from '@/core/device/shapes';
import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stageIds';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { t } from '@/words/jobs';
import { stageName } from '@/words/stageWords';

/** A photo of this very device, straightened onto its plan: the cover from outside, or what lies behind it. */
export function InsideScreen({ job, stage, back }: { job: JobState; stage: StageId; back: 'stage' | 'remember' }) {
  const router = useRouter();
  const now = useNow(10_000);
  const wide = useWide();
  const { width } = useWindowDimensions();
  const { log } = useActions(job);
  const [inside, setInside] = useState(job.opened);
  const [problem, setProblem] = useState<string | null>(null);
  const { outline } = job.device.leaves[0]!;
  const { min, max } = boxOf(outline);
  const here = useFitPhoto(max[0] - min[0], max[1] - min[1]);
  const goBack = () =>
    router.replace(
      back === 'remember'
        ? (`/jobs/${job.id}/remember?from=${stage}&joint=${encodeURIComponent(job.joint)}` as Href)
        : stageHref(job.id, stage, job.bond.id),
    );
  const use = async () => {
    const photo = here.fitted();
    if (!photo) return;
    try {
      const { widthMm, lengthMm, ...picture } = photo;
      const what = inside ? t('photoOfTheInside') : t('photoOfTheOutside');
      const kept = await keepPhoto(job, log, picture, what, {
        caption: what,
        under: { face: job.face.id, inside, widthMm, lengthMm },
      });
      if ('refused' in kept) setProblem(kept.refused);
      else goBack();
    } catch (e) {
      setProblem(e instanceof Error ? e.message : t('photoNotKept'));
    }
  };
  const missing = here.toPicture ? null : t('aPhotoFirst');
  return (
    <JobPage
      job={job}
      title={t('photoUnderPlan')}
      now={now}
      stage={stage}
      side={<Button label={t('backToStage', { stage: stageName(stage) })} onPress={goBack} />}
      main={
        <Button
          kind="main"
          label={t('layItUnderThePlan')}
          disabled={missing !== null}
          {...(missing === null ? {} : { why: missing })}
          onPress={() => void use()}
        />
      }
    >
      {problem ? (
        <Txt role="alert" tone="caution" testID="message">
          {problem}
        </Txt>
      ) : null}
      <Choice
        label={t('itShows')}
        value={inside ? 'inside' : 'outside'}
        options={[
          { id: 'outside', name: t('theCoverFromOutside') },
          { id: 'inside', name: t('whatIsBehindIt') },
        ]}
        onChange={(x) => setInside(x === 'inside')}
      />
      <FitPhoto
        here={here}
        outline={outline}
        width={Math.min(wide ? 620 : width - 60, width - 60)}
        title={inside ? t('photoOfTheInside') : t('photoOfTheOutside')}
      />
    </JobPage>
  );
}
