import { coverKindOf } from '@/core/device/coverKinds';
import { jointOf } from '@/core/device/jointKinds';
import { defOf } from '@/core/heat/heaterDefs';
import { openTime } from '@/core/bond/openTime';
import { cureClocks, type CureKind } from '@/core/cure/laws';
import { remainingS } from '@/core/schedule/durations';
import {
  taskFigures,
  type ClosingWay,
  type Going,
  type HeatWay,
  type JobWork,
  type TaskId,
} from '@/core/schedule/jobTasks';
import type { DurationBook } from '@/core/schedule/learned';
import { judgement } from '@/core/source';
import type { JobState, JointSeen } from '@/model/fold';
import { onPlate, type HeatSlice } from '@/model/stages/heat';
import { heaterOf, type Settings } from '@/model/settings';
import { stageDefs } from '@/model/stages';
import { learnedStage, stageOf } from '@/model/taskNames';
import { clocksAhead, cureOf, unlocksOf } from '@/work/cure/cureJob';
import { holdWays } from '@/work/cure/holdWays';
import { kindOf, workCached } from './shopDurations';

export const benchFigures = {
  heatS: judgement(180, 'heating before the heat model of the device was asked'),
  windowS: judgement(60, 'how long an edge stays easy, before the heat model was asked'),
  horizonDays: judgement(14, 'days that a plan looks ahead; further where a part comes later'),
  openLateS: judgement(5400, 'somebody who works outside the opening hours stays for so long'),
  seeThroughS: judgement(1800, 'a break that falls into a window is put off by so much'),
  overdueS: judgement(7200, 'a part that is overdue is looked for again after so long'),
  comeBackWeight: judgement(2, 'a come-back that is late counts as so many others'),
};

export const personId = (name: string) => `person:${name}`;
export const heaterId = (id: string) => `heater:${id}`;
export const clipId = (id: string) => `clip:${id}`;
/** What a resource is called, without its kind. */
export const bareId = (id: string) => id.slice(id.indexOf(':') + 1);

export interface BenchInput {
  jobs: readonly JobState[];
  settings: Settings;
  book: DurationBook;
  now: number;
  /** heating times of jobs, from their own heat models; what is not known yet is estimated */
  heats?: ReadonlyMap<string, readonly HeatWay[]>;
  /** ways of closing to be tried in place of the job's own */
  ways?: ReadonlyMap<string, readonly CureWay[]>;
  /** stay longer today by so much, s */
  stayS?: number;
  /** stretch of a job's hands-on time, where another route is weighed */
  stretch?: ReadonlyMap<string, number>;
}

export type CureWay = 'tape' | 'bead' | 'nothing';

interface Frame {
  names: readonly string[];
  working: ReadonlyMap<string, string>;
  s: (at: number) => number;
  nowS: number;
}

/** What is left of a job and what of it goes on, from its log, the settings and its own plans. */
export function jobWork(job: JobState, o: BenchInput, f: Frame): JobWork {
  const { settings, book } = o;
  const kind = kindOf(job);
  const todo = (stage: keyof JobState['stages']) => job.stages[stage] === 'todo' || job.stages[stage] === 'started';
  const left = new Set<TaskId>();
  const going: Going[] = [];
  const stretch = o.stretch?.get(job.id) ?? 1;
  const aside = (stage: string) => {
    const done = workCached(job).filter((w) => w.stage === stage && w.toAt === null);
    return done.reduce((m, w) => m + w.workS, 0);
  };
  const handsS = (t: TaskId, person: string): number => {
    const stage = learnedStage(t);
    if (!stage) return 60;
    const l = book.of(stage, kind, person);
    const usual = l.medianS * stretch;
    const before = aside(stage);
    return before > 0 ? Math.max(60, remainingS({ mu: Math.log(usual), sigma: l.scatter.sigma }, before)) : usual;
  };
  const running = workCached(job).find((w) => w.toAt === null) ?? null;
  const worker = running
    ? ([...f.working].find(([p, id]) => id === job.id && p === running.person)?.[0] ?? null)
    : null;
  const begin = (t: TaskId, startAt: number, moreS = 0, heater: string | null = null) => {
    const person = worker !== null && f.names.includes(worker) ? worker : (f.names[0] ?? null);
    const startS = f.s(startAt);
    const l = book.of(learnedStage(t) ?? stageOf(t), kind, person ?? '');
    const leftS = remainingS(
      { mu: Math.log(l.medianS * stretch), sigma: l.scatter.sigma },
      Math.max(0, f.nowS - startS),
    );
    // a running task is never over before somebody says so
    going.push({
      task: t,
      startS,
      endS: f.nowS + Math.max(60, Math.round(Math.min(leftS, 2 * 3600))) + Math.round(moreS),
      person,
      heater,
    });
  };
  const works = (stage: string) => worker !== null && running?.stage === stage;
  const lensFace = coverKindOf(job.face).lens;
  const heats = lensFace ? [] : (o.heats?.get(job.id) ?? [guessedHeat(job, settings)]);
  const clips = !jointOf(job.bond).glued;

  for (const { stage } of job.way) {
    const { work } = stageDefs[stage];
    if (work.how !== 'hands' || !todo(stage)) continue;
    left.add(work.task);
    if (works(stage)) begin(work.task, running!.fromAt);
  }
  let used = heats;
  /** who stands by the heat lifts: an estimate of when somebody else is free is no hand at the window */
  let lifter: string | null = null;
  if (todo('heat') || todo('lift')) {
    const on = onPlate(job);
    const last = job.heat[job.heat.length - 1] ?? null;
    left.add('lift');
    if (clips || lensFace) used = [];
    else if (on) {
      left.add('heat');
      const endS = on.readyInS === null ? f.nowS + 60 : f.s(on.at) + on.readyInS;
      const heater = on.heater ?? settings.plate.id;
      const laidOn = job.effective.find((e) => e.id === on.eventId)?.by ?? null;
      going.push({
        task: 'heat',
        startS: f.s(on.at),
        endS: Math.max(f.nowS, Math.round(endS)),
        person: laidOn !== null && f.names.includes(laidOn) ? laidOn : null,
        heater,
      });
      // the way that it is heated now; one that is waited for keeps the person who laid it on
      const own = heats.find((h) => h.heater === heater) ?? { ...heats[0]!, heater };
      const held = own.held && laidOn !== null && f.names.includes(laidOn);
      used = [{ ...own, held }];
      if (held) lifter = laidOn;
    } else if (works('lift')) {
      begin('lift', running!.fromAt);
      used = [];
    } else if (last && last.setC === null && todo('lift')) {
      left.add('heat');
      const heater = job.heat.findLast((h) => h.setC !== null)?.heater ?? settings.plate.id;
      const startAt = job.heat.findLast((h) => h.setC !== null)?.at ?? last.at;
      going.push({ task: 'heat', startS: f.s(startAt), endS: f.s(last.at), person: null, heater });
      const own = heats.find((h) => h.heater === heater) ?? { ...heats[0]!, heater };
      used = [{ ...own, windowS: last.gripsInS ?? own.windowS }];
    } else if (todo('heat')) {
      left.add('load');
      left.add('heat');
      const held = heats.find((h) => h.held);
      if (works('heat') && held) {
        begin('heat', running!.fromAt, held.heatS, held.heater);
        used = [held];
      } else if (works('heat')) begin('load', running!.fromAt);
    } else used = [];
  }

  const ways = closingWays(job, o);
  let handOverFromS: number | null = null;
  let own = ways;
  if (todo('bond') && !job.bonded) {
    left.add('bond');
    left.add('close');
    if (job.bead && ways.some((w) => w.id === 'bead')) {
      const endAt = job.bead.endAt;
      going.push({
        task: 'bond',
        startS: f.s(job.bead.startAt),
        endS: endAt === null ? f.nowS + 60 : f.s(endAt),
        person: worker,
        heater: null,
      });
      own = ways.filter((w) => w.id === 'bead');
    } else if (works('bond')) begin('bond', running!.fromAt);
  }
  if (todo('cure') && ways[0]?.id !== 'nothing') {
    if (job.bonded) {
      const c = cureOf(job, settings, o.now);
      const startS = f.s(c.startAt ?? job.bonded.at);
      const clocks = { off: c.unlockS.clampOff, build: c.unlockS.build, out: c.unlockS.handOver };
      handOverFromS = Math.round(startS + clocks.out);
      const clip = job.clampOn ? settings.clips.find((x) => x.name === job.clampOn!.clip) : undefined;
      own = [
        {
          id: c.kind === 'tape' ? 'tape' : 'bead',
          openS: null,
          clamp:
            clip && job.clampOn!.count > 0 && clip.owned > 0
              ? { resource: clipId(clip.id), n: Math.min(clip.owned, job.clampOn!.count) }
              : (ways[0]?.clamp ?? null),
          clampOffS: clocks.off,
          buildS: clocks.build,
          handOverS: clocks.out,
        },
      ];
      const buildEndS = Math.round(startS + clocks.build);
      if (job.clampOffAt === null) {
        left.add('clamped');
        left.add('unclamp');
        left.add('cure');
        if (job.clampOn)
          going.push({ task: 'clamped', startS, endS: Math.round(startS + clocks.off), person: null, heater: null });
      } else if (buildEndS > f.nowS) {
        left.add('cure');
        going.push({ task: 'cure', startS: f.s(job.clampOffAt), endS: buildEndS, person: null, heater: null });
      }
    } else for (const t of ['clamped', 'unclamp', 'cure'] as const) left.add(t);
  } else if (job.bonded && todo('handover')) {
    const c = cureOf(job, settings, o.now);
    if (c.startAt !== null) handOverFromS = Math.round(f.s(c.startAt) + c.unlockS.handOver);
  }
  // a part that should have come is not here before somebody says so
  const partS =
    job.partDue?.dueAt != null && !job.bonded
      ? Math.max(f.s(job.partDue.dueAt), f.nowS + (job.partDue.dueAt <= o.now ? benchFigures.overdueS.value : 0))
      : null;
  return {
    id: job.id,
    steps: job.way.map((s) => stageDefs[s.stage].work),
    releaseS: Math.min(f.s(job.openedAt), f.nowS),
    dueS: job.promiseAt === null ? null : f.s(job.promiseAt),
    weight: job.comeBack ? benchFigures.comeBackWeight.value : 1,
    left,
    handsS,
    heats: used,
    ways: own,
    partS,
    partFirst: !settings.openBeforePart && !job.opened,
    going,
    handOverFromS,
    wishes: [
      ...(lifter !== null && !job.wishes.has('lift')
        ? [{ task: 'lift' as const, notBeforeS: null, pinnedS: null, person: lifter, heater: null }]
        : []),
      ...[...job.wishes.values()].map((w) => ({
        task: w.task,
        notBeforeS: w.kind === 'notBefore' && w.wishAt !== null ? f.s(w.wishAt) : null,
        pinnedS: w.kind === 'pinned' && w.wishAt !== null && w.wishAt > o.now ? f.s(w.wishAt) : null,
        person: w.person,
        heater: w.heater,
      })),
    ],
  };
}

/** Heating before the model was asked. */
export function guessedHeat(job: Pick<HeatSlice, 'plan'>, settings: Settings): HeatWay {
  const heater = job.plan?.heater ?? settings.plate.id;
  return {
    heater,
    held: !defOf(heaterOf(settings, heater)).under,
    heatS: benchFigures.heatS.value,
    windowS: benchFigures.windowS.value,
    reheatS: benchFigures.heatS.value * taskFigures.reheatShare.value,
  };
}

/** How a job can be closed: as its route says; before that by tape or bead, where both are possible. */
export function closingWays(job: JobState, o: Pick<BenchInput, 'settings' | 'now' | 'ways'>): ClosingWay[] {
  const wanted = o.ways?.get(job.id) ?? (job.route ? [job.route.closedBy] : openWays(job, o.settings));
  return wanted.map((id) => wayOf(job, o.settings, o.now, id));
}

/** Ways that are still open before a route was chosen: the plan takes the one that serves it better. */
function openWays(job: Pick<JointSeen, 'bond'>, settings: Settings): readonly CureWay[] {
  const { closings } = jointOf(job.bond);
  const liquid = settings.liquids.some((l) => l.leftMl > 0 || l.tubes.length > 0);
  // a bead that nobody has is no choice, where there is another
  return closings.length === 1 || liquid ? closings : closings.filter((c) => c !== 'bead');
}

function wayOf(job: JobState, settings: Settings, now: number, id: CureWay): ClosingWay {
  if (id === 'nothing') return { id, openS: null, clamp: null, clampOffS: 0, buildS: 0, handOverS: 0 };
  const { kind, bondMm, unlockS } = clocksAhead(job, settings, now, id);
  let openS: ClosingWay['openS'] = null;
  if (id === 'bead' && kind === 'solvent') {
    const t = openTime(Math.min(40, Math.max(5, job.ambientC ?? settings.roomC)), Math.max(0.02, job.bond.gapMm));
    // laying takes part of it: what is left after the first of the bead has waited
    openS = { min: t.waitS, max: Math.max(t.waitS, t.skinS) };
  }
  return {
    id,
    openS,
    clamp: clampOf(job, settings, kind, bondMm),
    clampOffS: unlockS.clampOff,
    buildS: unlockS.build,
    handOverS: unlockS.handOver,
  };
}

const clampPlans = new Map<string, ClosingWay['clamp']>();

/** Clips that this bond asks for, as its own clamp plan says. */
function clampOf(job: JobState, settings: Settings, kind: CureKind, bondMm: number): ClosingWay['clamp'] {
  const key = `${job.model.id}|${job.model.version}|${job.bond.id}|${kind}|${bondMm}|${JSON.stringify(settings.clips)}`;
  if (!clampPlans.has(key)) {
    const edges = { low: 1, high: 1, seen: 0 };
    const steps = [{ fromS: 0, tC: settings.roomC, rh: settings.humidity }];
    const cure = {
      kind,
      bondMm,
      startAt: null,
      steps,
      edges,
      ...(() => {
        const clocks = cureClocks(kind, Math.max(0.3, bondMm), steps, edges);
        return { clocks, unlockS: unlocksOf(clocks, settings.cureBy) };
      })(),
      shareLow: 0,
      shareHigh: 0,
    };
    const best = holdWays({ ...job, bonded: null }, settings, cure).find((w) => w.clips && w.count > 0);
    const clip = best && settings.clips.find((c) => c.id === best.id);
    clampPlans.set(
      key,
      clip && clip.owned > 0 ? { resource: clipId(clip.id), n: Math.min(clip.owned, best.count) } : null,
    );
  }
  return clampPlans.get(key)!;
}
