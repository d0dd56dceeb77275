import { useEffect, useMemo, useState } from 'react';

import type { HeatWay } from '@/core/schedule/jobTasks';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { nowMs } from '@/store/clock';
import { heatKey, heatWays, needsHeat } from '@/work/heat/heatWays';
import { presentJob } from '@/work/heat/present';
import { thermalAtHand } from './thermalAtHand';

const known = new Map<string, HeatWay[]>();

/** Heating times of the jobs that still have to be heated, asked of their heat models one after the other. */
export function useHeats(jobs: readonly JobState[], settings: Settings): ReadonlyMap<string, readonly HeatWay[]> {
  const [asked, setAsked] = useState(0);
  const wanted = useMemo(
    () => jobs.filter(needsHeat).map((job) => ({ job, key: heatKey(job, settings) })),
    [jobs, settings],
  );
  useEffect(() => {
    let over = false;
    void (async () => {
      let fresh = false;
      for (const { job, key } of wanted) {
        if (known.has(key)) continue;
        const here = presentJob(job);
        const model = await thermalAtHand(here.device, here.bond).catch(() => null);
        if (over) return;
        known.set(key, model ? safely(() => heatWays(job, settings, model, nowMs())) : []);
        fresh = true;
        // the screen goes first
        await new Promise((done) => setTimeout(done, 0));
      }
      if (fresh && !over) setAsked((n) => n + 1);
    })();
    return () => {
      over = true;
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

function safely(work: () => HeatWay[]): HeatWay[] {
  try {
    return work();
  } catch {
    // a job whose figures no model takes: the estimate stands
    return [];
  }
}
