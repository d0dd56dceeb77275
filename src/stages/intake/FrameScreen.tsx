import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { backHref } from '@/bench-kit/cameFrom';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { useFrameScreen } from './useFrameScreen';
import { FramePicture, FrameMain, FrameReadings, FrameWhy } from './FrameParts';

/** Heights of the seat at guided points: where a flat glass would not touch, and what would bridge it. */
export function FrameScreen(p: { job: JobState }) {
  const here = useFrameScreen(p);
  const { job, now, text, pad, by, router, measuring } = here;
  return (
    <JobPage
      job={job}
      title="Seat of the frame"
      now={now}
      stage="intake"
      lead={<Call sentence={text.sentence} reason={text.reason} tone={text.bad ? 'caution' : 'ink'} />}
      picture={(size) => <FramePicture here={here} size={size} />}
      side={
        pad || by.marking ? (
          <Button label="Intake" onPress={() => router.replace(backHref(job, 'intake'))} />
        ) : measuring ? undefined : (
          <Button label={by.eye ? 'Judge again' : 'Not everywhere'} onPress={by.notFine} />
        )
      }
      main={<FrameMain here={here} />}
    >
      <FrameReadings here={here} />
      <FrameWhy here={here} />
    </JobPage>
  );
}
