import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { backHref } from '@/bench-kit/cameFrom';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { useFrameScreen } from './useFrameScreen';
import { FramePicture, FrameMain, FrameReadings, FrameWhy } from './FrameParts';
import { t } from '@/words/intake';

/** Heights of the seat at guided points: where a flat glass would not touch, and what would bridge it. */
export function FrameScreen(p: { job: JobState }) {
  const here = useFrameScreen(p);
  const { job, now, text, pad, by, router, measuring } = here;
  return (
    <JobPage
      job={job}
      title={t('seatOfTheFrame')}
      now={now}
      stage="intake"
      lead={<Call sentence={text.sentence} reason={text.reason} tone={text.bad ? 'caution' : 'ink'} />}
      picture={(size) => <FramePicture here={here} size={size} />}
      side={
        pad || by.marking ? (
          <Button label={t('intake')} onPress={() => router.replace(backHref(job, 'intake'))} />
        ) : measuring ? undefined : (
          <Button label={by.eye ? t('judgeAgain') : t('notEverywhere')} onPress={by.notFine} />
        )
      }
      main={<FrameMain here={here} />}
    >
      <FrameReadings here={here} />
      <FrameWhy here={here} />
    </JobPage>
  );
}
