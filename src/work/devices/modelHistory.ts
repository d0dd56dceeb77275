import { wilson } from '@/core/statistics/rates';
import type { Device, ModelNote } from '@/core/device/types';
import type { ComeBackCause } from '@/model/entries/check';
import type { JobState } from '@/model/fold';
import { atEachJoint } from '@/model/joints';
import type { Settings } from '@/model/settings';
import { workedRows } from '@/work/bench/shopDurations';
import { seenOf, shopScale } from '@/work/heat/shopAdhesive';
import { finishedJobs } from '@/work/records/statistics';
import { stageMinutesOf, type StageMinutes } from '@/work/records/shopStatistics';

/** One way of heating that was used on a model, over all its jobs. */
export interface HeatUsed {
  /** id of the heater; null: the shop's plate */
  heater: string | null;
  setC: number;
  joints: number;
  /** minutes of the first heat, the middle of all */
  minutes: number;
  /** heats after the first, on average */
  reheats: number;
}

export interface ModelHistory {
  jobs: number;
  open: number;
  lastAt: number | null;
  /** the job that was handed over last */
  last: { id: string; label: string } | null;
  /** minutes of hands on a job, the middle of all; null: none was timed */
  handsMin: number | null;
  stages: StageMinutes[];
  /** covers that were to be saved, and broke; null: none was to be saved */
  broke: { hits: number; of: number; low: number; high: number } | null;
  /** how the glue of this model gave: factor on its toughness, with its spread, from how many observations */
  glue: { adhesive: string; factor: number; low: number; high: number; seen: number }[];
  heats: HeatUsed[];
  /** what came out on the last job, in the order in which it did */
  order: { kind: 'screw' | 'thing'; id: string }[];
  partsNotFit: number;
  comeBacks: { label: string; cause: ComeBackCause }[];
  notes: { note: ModelNote; model: string }[];
  /** other models that it is told with */
  sisters: string[];
}

const middle = (list: readonly number[]): number | null => {
  if (!list.length) return null;
  const s = [...list].sort((a, b) => a - b);
  const h = (s.length - 1) / 2;
  return (s[Math.floor(h)]! + s[Math.ceil(h)]!) / 2;
};

/** A model and its sisters: those that it is the same as, and those that are the same as it. */
export function familyOf(id: string, models: readonly Device[]): string[] {
  const family = new Set([id]);
  for (let grown = true; grown;) {
    grown = false;
    for (const m of models)
      if (m.sisterOf && family.has(m.id) !== family.has(m.sisterOf)) {
        family.add(m.id);
        family.add(m.sisterOf);
        grown = true;
      }
  }
  return [id, ...[...family].filter((x) => x !== id)];
}

function heatsOf(jobs: readonly JobState[]): HeatUsed[] {
  const by = new Map<string, { heater: string | null; setC: number; minutes: number[]; reheats: number[] }>();
  for (const j of jobs.flatMap(atEachJoint)) {
    const on = j.heat.flatMap((h, i) => (h.setC !== null && h.use?.path?.kind !== 'spot' ? [i] : []));
    const first = on[0];
    const off = first === undefined ? undefined : j.heat[first + 1];
    // only what opened something says that it works
    if (first === undefined || !off || (!j.freeEdges.size && j.cut.freeMm < 1)) continue;
    const h = j.heat[first]!;
    const setC = Math.round(h.setC! / 5) * 5;
    const key = `${h.heater ?? ''} ${setC}`;
    const row = by.get(key) ?? { heater: h.heater ?? null, setC, minutes: [], reheats: [] };
    row.minutes.push((off.at - h.at) / 6e4);
    row.reheats.push(on.length - 1);
    by.set(key, row);
  }
  return [...by.values()]
    .map((r) => ({
      heater: r.heater,
      setC: r.setC,
      joints: r.minutes.length,
      minutes: middle(r.minutes)!,
      reheats: r.reheats.reduce((a, b) => a + b, 0) / r.reheats.length,
    }))
    .sort((a, b) => b.joints - a.joints || a.reheats - b.reheats);
}

/** What came out of a job, in the order of the taps. */
function orderOf(job: JobState | undefined): ModelHistory['order'] {
  const out = new Map<string, { kind: 'screw' | 'thing'; id: string }>();
  for (const e of job?.effective ?? []) {
    if (e.type === 'screw' && job!.screwsOut.has(e.hole)) out.set(`s${e.hole}`, { kind: 'screw', id: e.hole });
    if (e.type === 'stripped') {
      out.delete(`t${e.itemId}`);
      if (e.to !== 'asItWas') out.set(`t${e.itemId}`, { kind: 'thing', id: e.itemId });
    }
    if (e.type === 'partState' && e.to !== 'in' && !out.has(`t${e.partId}`))
      out.set(`t${e.partId}`, { kind: 'thing', id: e.partId });
  }
  return [...out.values()];
}

/**
 * What a shop has learned of a model, all of it from its logs, so that what is imported counts too. Jobs on sister models count
 * with it.
 */
export function modelHistory(
  id: string,
  all: readonly JobState[],
  models: readonly Device[],
  settings: Pick<Settings, 'seen'>,
): ModelHistory {
  const family = familyOf(id, models);
  const jobs = all.filter((j) => family.includes(j.device.id));
  const finished = finishedJobs(all).filter((f) => family.includes(f.job.device.id));
  const closed = finished.map((f) => f.job);
  const last = closed[closed.length - 1];
  const tried = closed
    .flatMap(atEachJoint)
    .filter((j) =>
      j.effective.some(
        (e) => e.type === 'jobRoute' && e.cover === 'save' && (e.joint === undefined || e.joint === j.joint),
      ),
    );
  const broken = tried.filter((j) => j.broke).length;
  const minutes = new Map<string, number>();
  for (const r of workedRows(closed)) minutes.set(r.jobId, (minutes.get(r.jobId) ?? 0) + r.workS / 60);
  const labels = new Set(jobs.map((j) => j.label));
  const own = { seen: settings.seen.filter((o) => labels.has(o.job)) };
  const families = [...new Set(own.seen.map((o) => o.adhesive))];
  return {
    jobs: closed.length,
    open: jobs.length - closed.length,
    lastAt: last?.closedAt ?? null,
    last: last ? { id: last.id, label: last.label } : null,
    handsMin: middle([...minutes.values()]),
    stages: stageMinutesOf(closed, null),
    broke: tried.length ? { hits: broken, of: tried.length, ...wilson(broken, tried.length) } : null,
    glue: families.flatMap((adhesive) => {
      const seen = seenOf(own, adhesive).length;
      if (!seen) return [];
      const { ln, sd } = shopScale(own, adhesive);
      return [{ adhesive, factor: Math.exp(ln), low: Math.exp(ln - 2 * sd), high: Math.exp(ln + 2 * sd), seen }];
    }),
    heats: heatsOf(closed),
    order: orderOf(last),
    partsNotFit: jobs.reduce((n, j) => n + j.effective.filter((e) => e.type === 'partChecked' && !e.right).length, 0),
    comeBacks: finished.flatMap(({ job, cameBack }) =>
      cameBack?.comeBack ? [{ label: job.label, cause: cameBack.comeBack.presumed }] : [],
    ),
    notes: family.flatMap((f) => {
      const model = models.find((m) => m.id === f);
      return (model?.notes ?? []).map((note) => ({ note, model: f }));
    }),
    sisters: family.slice(1),
  };
}
