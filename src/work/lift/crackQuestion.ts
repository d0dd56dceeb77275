import { polygonOf } from '@/core/device/polygon';
import { inset } from '@/core/device/shapes';
import type { Device } from '@/core/device/types';
import type { CrackQuestion } from '@/core/lift/cracks/crackWork';
import type { CrackKeepOut } from '@/core/lift/cracks/liftOrder';
import { keepOuts } from '@/core/lift/depth';
import type { JobState } from '@/model/fold';
import { everyPart } from '@/work/heat/watchMarks';

const kinds: Record<ReturnType<typeof keepOuts>[number]['why'], CrackKeepOut['kind']> = {
  coil: 'coil',
  camera: 'camera',
  cable: 'flex',
  button: 'flex',
  part: 'flex',
  guessed: 'flex',
};

/** What a blade must not meet under a piece, from the parts of the device. */
function crackKeepOuts(device: Device, bond: JobState['bond']): CrackKeepOut[] {
  return keepOuts(device, bond, everyPart(device)).map((k) => ({
    id: k.id,
    name: k.name,
    kind: kinds[k.why],
    shape: k.shape.kind === 'band' ? { kind: 'polygon', pts: polygonOf(inset(k.shape.of, k.shape.fromMm)) } : k.shape,
  }));
}

type CrackJob = Pick<JobState, 'device' | 'bond' | 'face' | 'cracks' | 'piecesOff'>;

export const crackQuestion = (job: CrackJob): CrackQuestion => ({
  outline: job.face.cover.outline,
  holes: job.face.holes.map((h) => ({ shape: h.shape, role: h.role })),
  cracks: [...job.cracks.values()],
  keepOuts: crackKeepOuts(job.device, job.bond),
  off: [...job.piecesOff.values()].map((p) => p.loops),
});
