import { judgement } from '../core/source';
import type { KnownEvent } from './event';
import type { JobState } from './fold';
import { stageDefs, type StageId } from './stages';

export const stageWorkFigures = {
  gapS: judgement(1500, 'nothing noted for so long in the middle of a stage: somebody was called away'),
  quietShare: judgement(2.5, 'or so many times what was planned, where that is longer'),
  leastS: judgement(15, 'shorter is a tick afterwards, no work'),
  mostS: judgement(4 * 3600, 'longer is a stage that was left open'),
};

/** Work at one stage of one job by one person. */
export interface StageWork {
  stage: StageId;
  person: string;
  fromAt: number;
  /** null: it goes on */
  toAt: number | null;
  workS: number;
  plannedS: number | null;
  /** stands as a duration: begun and ended, nobody was called away */
  whole: boolean;
}

/** Entries that are noted at any time and say nothing about what is being worked at. */
export const besideWork = new Set<KnownEvent['type']>([
  'opened',
  'note',
  'happened',
  'customerSaid',
  'wayChange',
  'promise',
  'undo',
  'leaveOut',
  'amend',
  'ambient',
  'shelved',
  'decision',
  'planWish',
  'partDue',
  'photo',
  'photoGone',
  'customer',
  'quoted',
]);

/**
 * How long each stage took hands, from the log: from the tap that took it up, or else from the first thing that was noted after
 * the stage before; to its end, or to when it was laid aside. Heat counts up to the moment when the heater goes on: then it runs
 * by itself. A cure has no hands.
 */
export function stageWork(job: Pick<JobState, 'effective' | 'stages' | 'way'>): StageWork[] {
  const events = [...job.effective].sort((a, b) => a.at - b.at);
  const out: StageWork[] = [];
  let open: {
    stage: StageId;
    from: KnownEvent;
    last: number;
    gap: boolean;
    plannedS: number | null;
    before: number;
  } | null = null;
  const done = new Set<StageId>();
  const need = (s: StageId) => job.stages[s] !== 'skipped' && !done.has(s);
  const current = () => job.way.find((s) => need(s.stage))?.stage ?? null;
  const close = (e: KnownEvent, whole: boolean, toAt: number | null = e.at) => {
    if (!open) return;
    const workS = open.before + ((toAt ?? e.at) - open.from.at) / 1e3;
    out.push({
      stage: open.stage,
      person: e.by,
      fromAt: open.from.at,
      toAt,
      workS,
      plannedS: open.plannedS,
      whole: whole && !open.gap && workS >= stageWorkFigures.leastS.value && workS <= stageWorkFigures.mostS.value,
    });
    open = null;
  };
  // what was laid aside is gone on with: its seconds add up
  const carried = new Map<StageId, number>();
  for (const e of events) {
    // long work notes nothing for long: what was planned says how long may be
    const quietS = Math.max(stageWorkFigures.gapS.value, stageWorkFigures.quietShare.value * (open?.plannedS ?? 0));
    if (open && e.at - open.last > quietS * 1e3) open.gap = true;
    if (e.type === 'work') {
      if (e.to === 'begun') {
        if (open && open.stage !== e.stage) close(e, false);
        if (!open || open.stage !== e.stage)
          open = {
            stage: e.stage,
            from: e,
            last: e.at,
            gap: false,
            plannedS: e.plannedS ?? null,
            before: carried.get(e.stage) ?? 0,
          };
        else {
          open.from = e;
          open.gap = false;
          open.plannedS = e.plannedS ?? open.plannedS;
        }
      } else if (open) {
        carried.set(open.stage, open.before + (e.at - open.from.at) / 1e3);
        open = null;
      }
      continue;
    }
    if (open && e.type === stageDefs[open.stage].runsAfter) {
      close(e, true);
      continue;
    }
    if (e.type === 'stage' && e.to !== 'started') {
      if (open?.stage === e.stage) close(e, e.to === 'done');
      done.add(e.stage);
      continue;
    }
    if (besideWork.has(e.type)) continue;
    if (open) open.last = e.at;
    else {
      const stage = e.type === 'stage' ? e.stage : current();
      // what goes on by itself is begun once
      const alone = stage && stageDefs[stage].runsAfter !== null && out.some((w) => w.stage === stage);
      if (stage && stageDefs[stage].hands && !alone)
        open = { stage, from: e, last: e.at, gap: false, plannedS: null, before: carried.get(stage) ?? 0 };
    }
  }
  const running = open as { stage: StageId; from: KnownEvent; plannedS: number | null; before: number } | null;
  if (running && !done.has(running.stage))
    out.push({
      stage: running.stage,
      person: running.from.by,
      fromAt: running.from.at,
      toAt: null,
      workS: running.before,
      plannedS: running.plannedS,
      whole: false,
    });
  return out;
}
