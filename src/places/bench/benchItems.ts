import { jointOf } from '@/core/device/jointKinds';
import { cureEnd, cureOf } from '@/work/cure/cureJob';
import type { JobState, JointSeen, JobWay } from '@/model/fold';
import { faceName } from '@/bench-kit/faceName';
import { atEachJoint } from '@/model/joints';
import type { LiftSlice } from '@/model/stages/lift';
import type { IntakeSlice } from '@/model/stages/intake';
import { onPlate } from '@/model/stages/heat';
import { type StageId } from '@/model/stages';
import { heaterWords } from '@/words/heaterWords';
import { spoken } from '@/words/units';
import { heaterOf, type Settings } from '@/model/settings';
import { t } from '@/words/bench';
import { stageName, stageWaits } from '@/words/stageWords';

export interface BenchItem {
  job: JobState;
  state: 'hands' | 'runs' | 'waits';
  /** what the hands do, as a sentence with the job in it */
  title: string;
  line: string;
  /** the same at another instant, where it has seconds in it */
  lineAt?: (now: number) => string;
  /** when hands are needed, or the running thing ends */
  dueAt: number | null;
  /** when that which runs began */
  sinceAt?: number;
  stage: StageId;
  /** another joint of the job than the one where it stands */
  joint?: string;
  /** smaller comes first among items that need hands now */
  rank: number;
}

/** What every open job is doing, from its recorded instants and forecasts. */
export function benchItems(jobs: readonly JobState[], settings: Settings, now: number): BenchItem[] {
  return jobs
    .filter((j) => j.closedAt === null)
    .flatMap((j) => [itemOf(j, settings, now), ...besides(j, settings, now)])
    .sort(
      (a, b) =>
        a.rank - b.rank ||
        (a.dueAt ?? Infinity) - (b.dueAt ?? Infinity) ||
        (a.job.promiseAt ?? Infinity) - (b.job.promiseAt ?? Infinity),
    );
}

/** What runs at the other joints of a job: two of them cure side by side, each by its own clock. */
function besides(job: JobState, settings: Settings, now: number): BenchItem[] {
  if (job.findings.cellSwollen?.answer === 'yes') return [];
  return atEachJoint(job)
    .slice(1)
    .filter((j) => onPlate(j) !== null || (j.clampOn && j.clampOffAt === null))
    .map((j) => {
      const own = itemOf(j, settings, now);
      return { ...own, joint: j.joint, title: t('atFace', { title: own.title, face: faceName(j.model, j.joint) }) };
    });
}

function itemOf(job: JobState, settings: Settings, now: number): BenchItem {
  const base = { job, stage: job.stage };
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  if (swollen)
    return {
      ...base,
      state: 'hands',
      title: t('swollenBatteryStop', { label: job.label }),
      line: t('noHeatNoPryingFireProof'),
      dueAt: now,
      rank: -1,
      stage: 'intake',
    };
  const heat = onPlate(job);
  if (heat) {
    const due = heat.readyInS === null ? null : heat.at + heat.readyInS * 1e3;
    const after = (s: number | null | undefined) => (s == null ? null : heat.at + s * 1e3);
    const [toTry, late] = [after(heat.tryInS), after(heat.latestInS)];
    const over = due !== null && due <= now;
    const heater = heaterOf(settings, heat.heater);
    const pickMm = job.plan?.pickMm ?? 0.5;
    const lineAt = (at: number): string => {
      if (due === null) return heat.tryInS == null ? t('itsClockIsOnHeat') : t('neverQuiteEasyAtThisSetting');
      if (due <= at)
        return late !== null && at > late
          ? t('tooLongLiftItNow', { now: spoken((at - late) / 1e3) })
          : t('softEnoughEverySecondMoreGoes');
      return toTry === null || toTry <= at
        ? t('tryItNowThenLiftPick', { pickMm })
        : t('tryInThenLiftPickMm', { toTry: spoken((toTry - at) / 1e3), pickMm });
    };
    return {
      ...base,
      stage: 'heat',
      state: over ? 'hands' : 'runs',
      title: heaterWords(heater).end(job.label),
      line: lineAt(now),
      lineAt,
      dueAt: due ?? now,
      sinceAt: heat.at,
      rank: 0,
    };
  }
  const last = job.heat[job.heat.length - 1];
  if (last && job.stage === 'lift') {
    const grips = last.gripsInS === null ? null : last.at + last.gripsInS * 1e3;
    if (grips !== null && grips > now)
      return {
        ...base,
        state: 'hands',
        title: t('liftBeforeItGrips', { label: job.label }),
        line: liftLeft(job),
        dueAt: grips,
        rank: 0,
      };
    return {
      ...base,
      state: 'hands',
      title: t('hasGrippedReheat', { label: job.label }),
      line: liftLeft(job),
      dueAt: null,
      rank: 4,
    };
  }
  if (job.clampOn && job.clampOffAt === null) {
    const due = cureEnd(cureOf(job, settings, now), 'clampOff')!;
    return due > now
      ? {
          ...base,
          stage: 'cure',
          state: 'runs',
          title: t('clamped', { label: job.label }),
          line: t('clips', { count: job.clampOn.count }),
          dueAt: due,
          sinceAt: job.clampOn.at,
          rank: 2,
        }
      : {
          ...base,
          stage: 'cure',
          state: 'hands',
          title: t('takeTheClampsOff', { label: job.label }),
          line: t('thenCheck'),
          dueAt: due,
          rank: 1,
        };
  }
  if (job.stage === 'cure' && job.clampOn && job.clampOffAt !== null) {
    const due = cureEnd(cureOf(job, settings, now), 'build')!;
    if (due > now)
      return {
        ...base,
        stage: 'cure',
        state: 'runs',
        title: t('cures', { label: job.label }),
        line: job.shelved ? t('onClampsAreOffWorkGoes', { place: job.shelved.place }) : t('clampsAreOffWorkGoesOn'),
        dueAt: due,
        sinceAt: job.clampOn.at,
        rank: 2,
      };
  }
  const promise = job.promiseAt !== null;
  return {
    ...base,
    state: 'waits',
    title: t('waitsFor', { label: job.label, stage: stageName(job.stage) }),
    line: waitsFor(job),
    dueAt: promise ? job.promiseAt : null,
    rank: 5,
  };
}

function waitsFor(job: Pick<JobWay, 'stage'> & Pick<IntakeSlice, 'chargePercent'>): string {
  if (job.stage === 'intake' && job.chargePercent === null) return t('questionsAtIntakeAreOpen');
  return stageWaits(job.stage);
}

/** What is left of a lift, in the words of how this cover comes off. */
function liftLeft(job: Pick<JointSeen, 'bond'> & LiftSlice): string {
  if (job.lenses.size)
    return t('lensCoversOff', { count: [...job.lenses.values()].filter((l) => l.steps.off !== undefined).length });
  if (job.piecesOff.size || job.liftMode === 'pieces' || jointOf(job.bond).wholeFace)
    return t('piecesOff', { count: job.piecesOff.size });
  return t('edgesToGo', { count: 4 - job.freeEdges.size });
}
