import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { Choice } from '@/ui/Choice';

/** Both ways with the camera ring, with what each asks for; the new glass decides which one is proposed. */
export function CameraRing({ job }: { job: JobState }) {
  const { log } = useActions(job);
  if (!job.face.holes.some((h) => h.role === 'camera') || job.face.side === 'front') return null;
  const hole = job.measured.lensHole;
  const comesWith = job.route?.partHas.includes('lens') ?? false;
  const proposed = comesWith ? 'pushedOut' : 'leftIn';
  const why = comesWith
    ? 'The new part comes with its rings, so the old ones go.'
    : hole && hole.newMm > hole.oldMm + 0.1
      ? 'The new glass has the larger hole, so the ring can stay.'
      : 'Left in is proposed: nothing near the cameras is touched. It needs glass with the larger hole.';
  return (
    <Choice
      label="Camera ring"
      value={job.cameraRing ?? proposed}
      options={[
        { id: 'leftIn', name: 'Left in' },
        { id: 'pushedOut', name: 'Pushed out from inside' },
      ]}
      onChange={(how) => void log([{ type: 'cameraRing', how }])}
      hint={`${why} Pushed out: only with the camera out of the way, on the ring and never on a lens, one firm blow at the right spot; a bent ring does not sit again. Common practice.`}
    />
  );
}
