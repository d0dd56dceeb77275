import { openTime } from '@/core/bond/openTime';
import { beadFigures } from '@/core/bond/bead';
import { cureClocks, type CureKind } from '@/core/cure/laws';
import { CoreInputError } from '@/core/errors';
import { remainingS } from '@/core/schedule/durations';
import {
  benchJob,
  taskFigures,
  type BenchThings,
  type ClosingWay,
  type Going,
  type HeatWay,
  type JobWork,
  type TaskId,
  taskIds,
} from '@/core/schedule/jobTasks';
import type { DurationBook } from '@/core/schedule/learned';
import { scatterKey, type Scatters } from '@/core/schedule/promise';
import type { Bench, Resource } from '@/core/schedule/types';
import { judgement } from '@/core/source';
import { onPlate, type JobState } from '@/model/fold';
import { merged, personSpans, type Span } from '@/model/openHours';
import type { Settings } from '@/model/settings';
import { stageWorkFigures } from '@/model/stageWork';
import { stageOf } from '@/model/taskNames';
import { climateOf, cureOf, edgesOf } from './cureJob';
import { holdWays } from './holdWays';
import { kindOf, workCached } from './shopDurations';

export const benchFigures = {
  heatS: judgement(180, 'heating before the heat model of the device was asked'),
  windowS: judgement(60, 'how long an edge stays easy, before the heat model was asked'),
  horizonDays: judgement(14, 'days that a plan looks ahead; further where a part comes later'),
  openLateS: judgement(5400, 'somebody who works outside the opening hours stays for so long'),
  seeThroughS: judgement(1800, 'a break that falls into a window is put off by so much'),
  comeBackWeight: judgement(2, 'a come-back that is late counts as so many others'),
};

const dayS = 86400;

/** What people are not counted on, and why: told beside the plan. */
export interface LeftOut {
  job: JobState;
  why: 'swollen' | 'handedOver';
}

export interface ShopBench {
  bench: Bench;
  /** instant of second 0: midnight of today */
  originAt: number;
  scatters: Scatters;
  /** spans of each person, for drawing */
  spans: Map<string, Span[]>;
  leftOut: LeftOut[];
  /** people who stay past the opening hours because they are at work */
  late: string[];
  jobs: Map<string, JobState>;
}

export const personId = (name: string) => `person:${name}`;
export const heaterId = (id: string) => `heater:${id}`;
export const clipId = (id: string) => `clip:${id}`;
/** What a resource is called, without its kind. */
export const bareId = (id: string) => id.slice(id.indexOf(':') + 1);

/**
 * Of each person: the job that they work at. What somebody took up stays theirs until it is done, laid aside or left for another
 * that they take up; without such a tap it is the job that was touched last, while nothing says that it was left.
 */
export function atWork(jobs: readonly JobState[], now: number): Map<string, string> {
  const said = new Map<string, { at: number; job: string }>();
  const last = new Map<string, { at: number; job: JobState }>();
  for (const job of jobs) {
    if (job.closedAt !== null) continue;
    for (const e of job.effective)
      if (e.type !== 'opened' && e.at <= now && (last.get(e.by)?.at ?? -1) <= e.at) last.set(e.by, { at: e.at, job });
    const running = workCached(job).find((w) => w.toAt === null);
    const tap = running && job.works.findLast((w) => w.stage === running.stage);
    if (!running || tap?.to !== 'begun' || now - tap.at > stageWorkFigures.mostS.value * 1e3) continue;
    if ((said.get(running.person)?.at ?? -1) < tap.at) said.set(running.person, { at: tap.at, job: job.id });
  }
  const out = new Map([...said].map(([person, w]) => [person, w.job]));
  for (const [person, l] of last) {
    if (out.has(person) || now - l.at >= stageWorkFigures.gapS.value * 1e3) continue;
    if (workCached(l.job).some((w) => w.toAt === null)) out.set(person, l.job.id);
  }
  return out;
}

/** Is a window of this job open, or about to open, that this person began. */
function atWindow(job: JobState, person: string, now: number): boolean {
  const last = job.heat[job.heat.length - 1];
  if (!last || job.stages.lift === 'done' || job.stages.lift === 'skipped') return false;
  const open = last.setC !== null || (last.gripsInS !== null && now < last.at + last.gripsInS * 1e3);
  return open && job.effective.find((e) => e.id === last.eventId)?.by === person;
}

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

/**
 * The bench as the scheduler sees it, from what the log, the settings and the jobs' own plans say.
 * @throws CoreInputError when nobody is there on any of the coming days
 */
export function shopBench(o: BenchInput): ShopBench {
  const { settings, now, book } = o;
  const midnight = new Date(now);
  midnight.setHours(0, 0, 0, 0);
  const originAt = midnight.getTime();
  const s = (at: number) => Math.round((at - originAt) / 1e3);
  const open = o.jobs.filter((j) => j.closedAt === null);
  const leftOut: LeftOut[] = open
    .filter((j) => j.findings.cellSwollen?.answer === 'yes')
    .map((job) => ({ job, why: 'swollen' }));
  const planned = open.filter((j) => !leftOut.some((l) => l.job === j));
  const working = atWork(planned, now);
  const furthest = Math.max(
    0,
    ...planned.flatMap((j) => [j.partDue?.dueAt ?? 0, ...[...j.wishes.values()].map((w) => w.wishAt ?? 0)]),
  );
  const days = Math.min(90, Math.max(benchFigures.horizonDays.value, Math.ceil(s(furthest) / dayS + 7)));
  const people = [...new Set(settings.people.length ? settings.people : [settings.person])];
  const spans = new Map<string, Span[]>();
  const late: string[] = [];
  for (const p of people) {
    const away = settings.absences.filter((a) => a.person === p).map((a) => ({ from: a.fromAt, to: a.toAt }));
    let own = personSpans(settings.hours, settings.rota[p], away, now, days);
    const isHere = own.some((x) => now >= x.from && now < x.to);
    const isAway = away.some((a) => now >= a.from && now < a.to);
    const heating = planned.some((j) => onPlate(j) !== null) && p === settings.person;
    // a break waits for a window: who has a device on a heater, or just off it, sees it through
    if (!isAway && planned.some((j) => atWindow(j, p, now)))
      own = merged([...own, { from: now, to: now + benchFigures.seeThroughS.value * 1e3 }]);
    if (!isHere && !isAway && (working.has(p) || heating)) {
      own = merged([...own, { from: now, to: now + benchFigures.openLateS.value * 1e3 }]);
      late.push(p);
    }
    if (o.stayS && own.length) {
      const today = own.filter((x) => x.from < originAt + dayS * 1e3).at(-1);
      if (today) own = merged([...own, { from: today.to, to: today.to + o.stayS * 1e3 }]);
    }
    if (own.some((x) => x.to > now)) spans.set(p, own);
  }
  if (!spans.size)
    throw new CoreInputError(
      'opening hours',
      `nobody is there in the next ${days} days`,
      'at least one open time of one person',
    );
  const names = [...spans.keys()];
  const calendars: Record<string, [number, number][]> = {};
  const resources: Resource[] = names.map((p) => {
    calendars[personId(p)] = spans.get(p)!.map((x) => [s(x.from), s(x.to)]);
    return { id: personId(p), kind: 'technician', capacity: 1, calendar: personId(p) };
  });
  for (const h of [settings.plate, ...settings.heaters])
    resources.push({ id: heaterId(h.id), kind: 'heater', capacity: 1 });
  for (const c of settings.clips)
    if (c.owned > 0) resources.push({ id: clipId(c.id), kind: 'clamp', capacity: c.owned });
  if (settings.shelves.length) resources.push({ id: 'shelf', kind: 'shelf', capacity: settings.shelves.length });
  if (settings.testers > 0) resources.push({ id: 'tester', kind: 'tester', capacity: settings.testers });
  const things: BenchThings = {
    people: names,
    personOf: personId,
    heaterOf: heaterId,
    shelf: settings.shelves.length ? 'shelf' : null,
    tester: settings.testers > 0 ? 'tester' : null,
  };
  const scatters: Record<string, { sigma: number; dof: number }> = {};
  const made = planned.map((job) => {
    const work = jobWork(job, o, { names, working, s, nowS: s(now) });
    for (const t of taskIds) {
      const stage = learnedStage(t);
      if (!stage || !work.left.has(t)) continue;
      scatters[scatterKey(job.id, t)] = book.of(stage, kindOf(job), names[0]!).scatter;
    }
    return benchJob(work, things);
  });
  return {
    bench: {
      originS: s(now),
      nowS: s(now),
      calendars,
      resources,
      jobs: made.map((m) => m.job),
      started: made.flatMap((m) => m.started),
    },
    originAt,
    scatters,
    spans,
    leftOut,
    late,
    jobs: new Map(planned.map((j) => [j.id, j])),
  };
}

/** Stage that a task's duration is learned by; null: a fixed time or a clock. */
const learnedStage = (t: TaskId): string | null =>
  t === 'load' ? 'heat' : ['heat', 'close', 'clamped', 'unclamp', 'cure'].includes(t) ? null : stageOf(t);

interface Frame {
  names: readonly string[];
  working: ReadonlyMap<string, string>;
  s: (at: number) => number;
  nowS: number;
}

function jobWork(job: JobState, o: BenchInput, f: Frame): JobWork {
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
  const lensFace = job.face.construction === 'lensInRing' || job.face.construction === 'frameLens';
  const heats = lensFace ? [] : (o.heats?.get(job.id) ?? [guessedHeat(job, settings)]);
  const clips = job.bond.zone === 'clips';

  for (const stage of ['intake', 'strip', 'clean', 'dryFit', 'check', 'handover'] as const)
    if (todo(stage)) {
      left.add(stage);
      if (works(stage)) begin(stage, running!.fromAt);
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
      const clocks = { off: c.clocks.clampOff.high, build: c.clocks.build.high, out: c.clocks.handOver.high };
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
    if (c.startAt !== null) handOverFromS = Math.round(f.s(c.startAt) + c.clocks.handOver.high);
  }
  const partS = job.partDue?.dueAt != null && !job.bonded ? f.s(job.partDue.dueAt) : null;
  return {
    id: job.id,
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
export function guessedHeat(job: JobState, settings: Settings): HeatWay {
  const heater = job.plan?.heater ?? settings.plate.id;
  const air = settings.heaters.find((h) => h.id === heater)?.kind === 'air';
  return {
    heater,
    held: air,
    heatS: benchFigures.heatS.value,
    windowS: benchFigures.windowS.value,
    reheatS: benchFigures.heatS.value * taskFigures.reheatShare.value,
  };
}

/** How a job can be closed: as its route says; before that by tape or bead, where both are possible. */
export function closingWays(job: JobState, o: Pick<BenchInput, 'settings' | 'now' | 'ways'>): ClosingWay[] {
  const wanted: readonly CureWay[] = o.ways?.get(job.id) ?? [
    job.route?.closedBy ?? (job.bond.zone === 'clips' ? 'nothing' : job.bond.zone === 'fullArea' ? 'bead' : 'tape'),
  ];
  return wanted.map((id) => wayOf(job, o.settings, o.now, id));
}

function wayOf(job: JobState, settings: Settings, now: number, id: CureWay): ClosingWay {
  if (id === 'nothing') return { id, openS: null, clamp: null, clampOffS: 0, buildS: 0, handOverS: 0 };
  const liquid = settings.liquids.find((l) => l.leftMl > 0 || l.tubes.length > 0) ?? settings.liquids[0];
  const kind: CureKind = id === 'tape' ? 'tape' : (liquid?.cure ?? 'solvent');
  const bondMm = id === 'tape' ? job.bond.widthMm : Math.min(job.bond.widthMm, beadFigures.usualBondMm.value);
  const clocks = cureClocks(kind, Math.max(0.3, bondMm), climateOf(job, settings, now), edgesOf(settings, liquid?.id));
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
    clampOffS: clocks.clampOff.high,
    buildS: clocks.build.high,
    handOverS: clocks.handOver.high,
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
      clocks: cureClocks(kind, Math.max(0.3, bondMm), steps, edges),
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

/** What a resource is called on screen. */
export function resourceName(settings: Settings, id: string): string {
  const bare = bareId(id);
  if (id === 'shelf') return 'Shelf';
  if (id === 'tester') return 'Tester';
  if (id.startsWith('heater:')) return [settings.plate, ...settings.heaters].find((h) => h.id === bare)?.name ?? bare;
  if (id.startsWith('clip:')) return settings.clips.find((c) => c.id === bare)?.name ?? bare;
  return bare;
}
