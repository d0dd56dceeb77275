import { CoreInputError } from '@/core/errors';
import { benchJob, type BenchThings } from '@/core/schedule/jobTasks';
import { scatterKey } from '@/core/schedule/promiseParts';
import { type Scatters } from '@/core/schedule/promise';
import type { Bench, Resource } from '@/core/schedule/types';
import type { JobState, JobWay } from '@/model/fold';
import type { WholeJobSlice } from '@/model/stages/wholeJob';
import { onPlate, type HeatSlice } from '@/model/stages/heat';
import { merged, personSpans, type Span } from '@/model/openHours';
import type { Settings } from '@/model/settings';
import { besideWork, stageWorkFigures } from '@/model/stageWork';
import { jobWork } from './jobWork';
import { bareId, benchFigures, clipId, heaterId, personId, type BenchInput } from './benchInput';
import { learnedStage, taskIds } from '@/model/taskNames';
import { kindOf, workCached } from './shopDurations';
import { own as ownIn } from '@/core/bare';

export { bareId, type BenchInput, type CureWay } from './benchInput';

const dayS = 86400;
/** days ahead that anything may wait for */
const mostDays = 88;

const waitsUntil = (j: Pick<WholeJobSlice, 'partDue' | 'wishes'>): number =>
  Math.max(j.partDue?.dueAt ?? 0, ...[...j.wishes.values()].map((w) => w.wishAt ?? 0));

/** What people are not counted on, and why: told beside the plan. */
export interface LeftOut {
  job: JobState;
  why: 'swollen' | 'farAhead' | 'broken';
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
      if (!besideWork.has(e.type) && e.at <= now && (last.get(e.by)?.at ?? -1) <= e.at)
        last.set(e.by, { at: e.at, job });
    const running = workCached(job).find((w) => w.toAt === null);
    const tap = running && job.works.findLast((w) => w.stage === running.stage);
    if (!running || tap?.to !== 'begun' || now - tap.at > stageWorkFigures.mostS.value * 1e3) continue;
    if ((said.get(running.person)?.at ?? -1) < tap.at) said.set(running.person, { at: tap.at, job: job.id });
  }
  const out = new Map([...said].map(([person, w]) => [person, w.job]));
  for (const [person, l] of last) {
    if (out.has(person) || now - l.at >= stageWorkFigures.gapS.value * 1e3) continue;
    const running = workCached(l.job).find((w) => w.toAt === null);
    // a stage that was begun long ago and touched again is not being worked at
    if (running && now - running.fromAt <= stageWorkFigures.mostS.value * 1e3) out.set(person, l.job.id);
  }
  return out;
}

/** Is a window of this job open, or about to open, that this person began. */
function atWindow(
  job: Pick<JobWay, 'effective' | 'stages'> & Pick<HeatSlice, 'heat'>,
  person: string,
  now: number,
): boolean {
  const last = job.heat[job.heat.length - 1];
  if (!last || job.stages.lift === 'done' || job.stages.lift === 'skipped') return false;
  const open = last.setC !== null || (last.gripsInS !== null && now < last.at + last.gripsInS * 1e3);
  return open && job.effective.find((e) => e.id === last.eventId)?.by === person;
}

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
  const lastAt = now + mostDays * dayS * 1e3;
  const leftOut = open.flatMap((job): LeftOut[] => {
    if (job.findings.cellSwollen?.answer === 'yes') return [{ job, why: 'swollen' }];
    // one job that waits for longer than anybody plans must not keep the others from their plan
    return waitsUntil(job) > lastAt ? [{ job, why: 'farAhead' }] : [];
  });
  const planned = open.filter((j) => !leftOut.some((l) => l.job === j));
  const working = atWork(planned, now);
  const furthest = Math.max(0, ...planned.map(waitsUntil));
  const days = Math.min(mostDays + 7, Math.max(benchFigures.horizonDays.value, Math.ceil(s(furthest) / dayS + 7)));
  const people = [...new Set(settings.people.length ? settings.people : [settings.person])];
  const spans = new Map<string, Span[]>();
  const late: string[] = [];
  for (const p of people) {
    const away = settings.absences.filter((a) => a.person === p).map((a) => ({ from: a.fromAt, to: a.toAt }));
    let own = personSpans(settings.hours, ownIn(settings.rota, p), away, now, days);
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
  const made = planned.flatMap((job) => {
    // a job that cannot be computed must not keep the others from their plan
    try {
      const work = jobWork(job, o, { names, working, s, nowS: s(now) });
      for (const t of taskIds) {
        const stage = learnedStage(t);
        if (!stage || !work.left.has(t)) continue;
        scatters[scatterKey(job.id, t)] = book.of(stage, kindOf(job), names[0]!).scatter;
      }
      return [benchJob(work, things)];
    } catch (e) {
      if (!(e instanceof CoreInputError)) throw e;
      leftOut.push({ job, why: 'broken' });
      return [];
    }
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

/** What a resource is called on screen. */
export function resourceName(settings: Settings, id: string): string {
  const bare = bareId(id);
  if (id === 'shelf') return 'Shelf';
  if (id === 'tester') return 'Tester';
  if (id.startsWith('heater:')) return [settings.plate, ...settings.heaters].find((h) => h.id === bare)?.name ?? bare;
  if (id.startsWith('clip:')) return settings.clips.find((c) => c.id === bare)?.name ?? bare;
  return bare;
}
