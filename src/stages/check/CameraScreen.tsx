import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { targetSvg } from '@/model/targetSvg';
import { JobPage } from '@/bench-kit/JobPage';
import { hrefAt } from '@/bench-kit/stageHref';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Disclosure } from '@/ui/Disclosure';
import { download } from '@/ui/download';
import { Message, refused } from '@/ui/Message';
import { Txt } from '@/ui/Txt';
import { CoverByEye } from './CoverByEye';
import { CoverSeat } from './CoverSeat';
import { useCameraScreen } from './useCameraScreen';
import { CameraReadings, WhichShot, ShotSource, ShotList, CameraWhy } from './CameraParts';
import { t } from '@/words/check';

/** What a picture cannot show stands on the page, not behind it. */
const cannotSee = () => t('dustOnTheOuterCoverIs');

/** Camera cover: a target before and after, an even field, and how the cover sits. */
export function CameraScreen(p: { job: JobState }) {
  const here = useCameraScreen(p);
  const { job, now, text, bad, router, message, problem, view, lens } = here;
  return (
    <JobPage
      job={job}
      title={t('cameraCover')}
      now={now}
      stage="check"
      lead={<Call {...text} tone={bad ? 'caution' : 'ink'} />}
      main={<Button kind="main" label={t('backToCheck')} onPress={() => router.replace(hrefAt(job, 'check'))} />}
      side={<Button label={t('target')} onPress={() => download('target.svg', targetSvg(), 'image/svg+xml')} />}
    >
      <View className="mt-3" />
      <CoverByEye job={job} />
      <CameraReadings here={here} />
      <Txt size="s" tone="ink2" className="my-2">
        {cannotSee()}
      </Txt>
      <WhichShot here={here} />
      <Message told={message ?? (problem ? refused(problem) : null)} />
      {view.problem ? (
        <Txt tone="caution" className="mb-2">
          {view.problem}
        </Txt>
      ) : null}
      <ShotSource here={here} />
      <ShotList here={here} />
      <Disclosure title={t('coverGauge')}>
        <CoverSeat key={lens} job={job} lens={lens} seat={view.seat} />
      </Disclosure>
      <CameraWhy here={here} />
    </JobPage>
  );
}
