import { liftOuts } from '@/core/lift/depth';
import type { PracticeCase } from '@/core/practice/happened';
import type { ReducedModel } from '@/core/heat/reduced';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { liftCase, thermalJob } from '@/work/heat/thermalJob';
import { everyPart, watchMarks } from '@/work/heat/watchMarks';

/** A job as the practice bench takes it: the same belief that its stages count with. */
export function practiceCase(job: JobState, settings: Settings, model: ReducedModel): PracticeCase {
  const { path, arcs, ambientC, air } = thermalJob(job, settings, model, job.openedAt);
  return {
    ...{ device: job.device, bond: job.bond, model, path, arcs, ambientC, air },
    lift: liftCase(job, settings),
    outs: liftOuts(job.device, job.bond, everyPart(job.device)),
    marks: watchMarks(job),
  };
}
