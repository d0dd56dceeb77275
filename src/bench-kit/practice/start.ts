import type { Bond, Device } from '@/core/device/types';
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
import { practiceLiquid, readyForClosing, practiceShop } from '@/work/practice/closings';
import { asExercise, readyForHeat, readyForLens } from '@/work/practice/exercises';
import { readyForPieces } from '@/work/practice/readyForPieces';
import { t } from '@/words/practice';
import { deviceOf, pageOf, exercises, isClosing, type ExerciseId, isPieces } from '@/work/practice/exerciseTable';

export interface Started {
  exercise: ExerciseId;
  seed: number;
  way: PracticeWay;
  person: string;
  settings: Settings;
  /** a customer's job to be practised on first */
  job?: JobState | undefined;
}

/** What stands in the log of a made-up device as the exercise begins. */
function begins({ exercise, seed, settings, job }: Started): { device: Device; bond: Bond; events: NewEvent[] } {
  const device = shippedDevices.find((d) => d.id === deviceOf(exercise)) ?? job?.model ?? shippedDevices[0]!;
  const lifted = isClosing(exercise) || isPieces(exercise) ? null : exercises[exercise];
  const bond = device.bonds.find((b) => b.id === lifted?.bondId) ?? device.bonds[0]!;
  const events = isClosing(exercise)
    ? readyForClosing(exercise, bond, practiceLiquid(settings, bond))
    : isPieces(exercise)
      ? readyForPieces(seed, device, bond)
      : lifted?.lens
        ? readyForLens(bond.id)
        : readyForHeat(bond.id);
  return { device, bond, events };
}

/** What stands in the log of the device beside it. */
function secondOf(deviceId: string): NewEvent[] {
  const device = shippedDevices.find((d) => d.id === deviceId)!;
  const bondId = device.bonds[0]!.id;
  return [
    {
      type: 'opened',
      ...{ label: '', device, bondId, promiseAt: null, customerMark: '', steps: plainWay(bondId) },
    },
    ...readyForHeat(bondId),
  ];
}

/** Begins an exercise with a job of its own and returns the page where it goes on. */
export function startPractice(started: Started): string {
  const { exercise, seed, way, person, settings, job } = started;
  const { device, bond, events: ready } = begins(started);
  const bondId = bond.id;
  const id = `${practicePrefix}${exercise}-${seed}-${newId().slice(0, 6)}`;
  const at = nowMs();
  const opened: NewEvent = {
    type: 'opened',
    ...{ label: t('practice'), device, bondId, promiseAt: null, customerMark: '', steps: plainWay(bondId) },
  };
  const beside = isClosing(exercise) || isPieces(exercise) ? undefined : exercises[exercise].beside;
  const events =
    exercise === 'today' && job
      ? asExercise(job).map((e) => (e.type === 'opened' ? { ...e, promiseAt: null, customerMark: '' } : e))
      : [opened, ...ready];
  // noted a minute before it begins: none of it is a tap of the exercise
  const before = at - 60_000;
  const madeOf = (jobId: string, list: readonly NewEvent[]) =>
    repository.make(jobId, person, list.map(withoutFrame), before).map((e) => ({ ...e, loggedAt: before }));
  const numbered = (n: number, list: readonly NewEvent[]) =>
    list.map((e) => (e.type === 'opened' && beside ? { ...e, label: t('phoneNumber', { n }) } : e));
  beginPractice({
    ...{
      id,
      exercise,
      seed,
      way,
      person,
      settings: practiceShop(exercise, settings, bond),
      startMs: at,
      simMs: 0,
      speed: 1,
    },
    ...{ events: madeOf(id, numbered(1, events)), acts: [], guesses: [] },
    ...(beside ? { second: { id: `${id}-2`, events: madeOf(`${id}-2`, numbered(2, secondOf(beside))) } } : {}),
  });
  return `/jobs/${id}/${pageOf(exercise)}`;
}

/** An entry of another log is noted anew: what says whose and when it was is its own. */
function withoutFrame(e: NewEvent): NewEvent {
  const { v, id, jobId, writer, seq, nth, at, loggedAt, by, ...rest } = e as NewEvent & Record<string, unknown>;
  return rest as unknown as NewEvent;
}
