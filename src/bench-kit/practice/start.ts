import { shippedDevices } from '@/model/shippedDevices';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { plainWay } from '@/model/way';
import { newId } from '@/store/ids';
import type { PracticeWay } from '@/model/practiceWay';
import { beginPractice, practicePrefix } from '@/store/practice';
import { repository } from '@/store/shop';
import { nowMs } from '@/store/clock';
import { asExercise, exercises, readyForHeat, type ExerciseId } from '@/work/practice/exercises';
import { t } from '@/words/practice';

export interface Started {
  exercise: ExerciseId;
  seed: number;
  way: PracticeWay;
  person: string;
  settings: Settings;
  /** a customer's job to be practised on first */
  job?: JobState | undefined;
}

/** Begins an exercise with a job of its own and returns the page where it goes on. */
export function startPractice({ exercise, seed, way, person, settings, job }: Started): string {
  const device = shippedDevices.find((d) => d.id === exercises[exercise].deviceId) ?? job?.model ?? shippedDevices[0]!;
  const bondId = device.bonds[0]!.id;
  const id = `${practicePrefix}${exercise}-${seed}-${newId().slice(0, 6)}`;
  const at = nowMs();
  const opened: NewEvent = {
    type: 'opened',
    ...{ label: t('practice'), device, bondId, promiseAt: null, customerMark: '', steps: plainWay(bondId) },
  };
  const events =
    exercise === 'today' && job
      ? asExercise(job).map((e) => (e.type === 'opened' ? { ...e, promiseAt: null, customerMark: '' } : e))
      : [opened, ...readyForHeat(bondId)];
  const made = repository.make(id, person, events.map(withoutFrame), at);
  beginPractice({
    ...{ id, exercise, seed, way, person, settings, startMs: at, simMs: 0, speed: 1 },
    ...{ events: made, acts: [], guesses: [] },
  });
  return `/jobs/${id}/heat`;
}

/** An entry of another log is noted anew: what says whose and when it was is its own. */
function withoutFrame(e: NewEvent): NewEvent {
  const { v, id, jobId, writer, seq, nth, at, loggedAt, by, ...rest } = e as NewEvent & Record<string, unknown>;
  return rest as unknown as NewEvent;
}
