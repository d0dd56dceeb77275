import { useEffect, useMemo, useState } from 'react';

import type { HeatWay } from '@/core/schedule/jobTasks';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { nowMs } from '@/store/clock';
import { shippedModes } from '@/store/shippedModes';
import { repository } from '@/store/shop';
import { heatKey, needsHeat } from '@/work/heat/heatWanted';
import { CancelledError, type LongRun } from '@/workers/longRun';
import { askHeats } from '@/workers/heatsClient';

const known = new Map<string, HeatWay[]>();

interface Wanted {
  job: JobState;
  key: string;
}

/** Asks the worker, and once more with what this browser has built itself where that was missing. */
async function askAll(jobs: readonly Wanted[], settings: Settings, hold: (run: LongRun<void>) => void): Promise<void> {
  const missing = new Map<string, Wanted[]>();
  const ask = (list: readonly Wanted[], texts: Record<string, string>) => {
    const run = askHeats({ jobs: list, settings, shipped: Object.values(shippedModes), texts, nowMs: nowMs() }, (a) => {
      if ('ways' in a) return void known.set(a.key, a.ways);
      const of = list.filter((w) => w.key === a.key);
      missing.set(a.needs, [...(missing.get(a.needs) ?? []), ...of]);
    });
    hold(run);
    return run.result;
  };
  await ask(jobs, {});
  const texts: Record<string, string> = {};
  for (const digest of missing.keys()) {
    const text = await repository.readExtra(`modes/${digest}`).catch(() => null);
    if (text) texts[digest] = text;
    // nothing was built for it yet: the estimate stands
    else for (const { key } of missing.get(digest)!) known.set(key, []);
  }
  const again = Object.keys(texts).flatMap((d) => missing.get(d)!);
  if (again.length) await ask(again, texts);
}

/** Without a worker: one after the other, and the screen goes first. */
async function alone(jobs: readonly Wanted[], settings: Settings): Promise<void> {
  const { heatsAlone } = await import('./heatsAlone');
  for (const { job, key } of jobs) {
    if (!known.has(key)) known.set(key, await heatsAlone(job, settings));
    await new Promise((done) => setTimeout(done, 0));
  }
}

/** Heating times of the jobs that still have to be heated, worked out beside the screen. */
export function useHeats(jobs: readonly JobState[], settings: Settings): ReadonlyMap<string, readonly HeatWay[]> {
  const [asked, setAsked] = useState(0);
  const wanted = useMemo(
    () => jobs.filter(needsHeat).map((job) => ({ job, key: heatKey(job, settings) })),
    [jobs, settings],
  );
  useEffect(() => {
    const fresh = wanted.filter((w) => !known.has(w.key));
    if (!fresh.length) return;
    let over = false;
    let running: LongRun<void> | null = null;
    const told = () => {
      if (!over) setAsked((n) => n + 1);
    };
    askAll(fresh, settings, (run) => {
      running = run;
      if (over) run.cancel();
    })
      .catch((e: unknown) => (over || e instanceof CancelledError ? undefined : alone(fresh, settings)))
      .then(told, told);
    return () => {
      over = true;
      running?.cancel();
    };
  }, [wanted, settings]);
  return useMemo(() => {
    void asked;
    const found = wanted.flatMap(({ job, key }) => {
      const ways = known.get(key);
      return ways?.length ? [[job.id, ways] as const] : [];
    });
    return sameHeats(found);
  }, [wanted, asked]);
}

let lastHeats: ReadonlyMap<string, readonly HeatWay[]> = new Map();
/** The same answers are the same map, for every page. */
function sameHeats(found: readonly (readonly [string, HeatWay[]])[]): typeof lastHeats {
  const same = lastHeats.size === found.length && found.every(([id, ways]) => lastHeats.get(id) === ways);
  if (!same) lastHeats = new Map(found);
  return lastHeats;
}
