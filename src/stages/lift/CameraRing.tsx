import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { Choice } from '@/ui/Choice';
import { t } from '@/words/lift';

/** Both ways with the camera ring, with what each asks for; the new glass decides which one is proposed. */
export function CameraRing({ job }: { job: JobState }) {
  const { log } = useActions(job);
  if (!job.face.holes.some((h) => h.role === 'camera') || job.face.side === 'front') return null;
  const hole = job.measured.lensHole;
  const comesWith = job.route?.partHas.includes('lens') ?? false;
  const proposed = comesWith ? 'pushedOut' : 'leftIn';
  const why = comesWith
    ? t('theNewPartComesWithIts')
    : hole && hole.newMm > hole.oldMm + 0.1
      ? t('theNewGlassHasTheLarger')
      : t('leaveItInNothingNearThe');
  return (
    <Choice
      label={t('cameraRing')}
      value={job.cameraRing ?? proposed}
      options={[
        { id: 'leftIn', name: t('leftIn') },
        { id: 'pushedOut', name: t('pushedOutFromInside') },
      ]}
      onChange={(how) => void log([{ type: 'cameraRing', how }])}
      hint={t('pushedOutOnlyWithTheCamera', { why })}
    />
  );
}
