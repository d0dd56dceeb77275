import './ownFigures';

import { expose } from 'comlink';

import { ReducedModel } from '@/core/heat/reduced';
import type { HeatWay } from '@/core/schedule/jobTasks';
import type { JobState } from '@/model/fold';
import { decodeModes } from '@/model/modesFile';
import type { Settings } from '@/model/settings';
import { heatWays } from '@/work/heat/heatWays';
import { presentJob } from '@/work/heat/present';
import { withUnsure } from '@/work/heat/withUnsure';
import { thermalKey } from './thermalKey';

/** What is asked of one job: its ways of heating, or the modes that are missing for that. */
export type HeatsAnswer = { key: string; ways: HeatWay[] } | { key: string; needs: string };

export interface HeatsQuestion {
  jobs: readonly { job: JobState; key: string }[];
  settings: Settings;
  /** digests of the modes that ship with the application */
  shipped: readonly string[];
  /** modes that this browser has built, by their digest */
  texts: Readonly<Record<string, string>>;
  nowMs: number;
}

const models = new Map<string, ReducedModel>();

async function modesText(digest: string, q: HeatsQuestion): Promise<string | null> {
  const own = q.texts[digest];
  if (own !== undefined) return own;
  if (!q.shipped.includes(digest)) return null;
  const answer = await fetch(`/modes/${digest}.json`).catch(() => null);
  return answer?.ok ? answer.text() : null;
}

const api = {
  /** Job after job; each answer goes out as soon as it is there. */
  async ways(q: HeatsQuestion, tell: (a: HeatsAnswer) => void): Promise<void> {
    for (const { job, key } of q.jobs) {
      const here = presentJob(job);
      const { id, digest, unsureK } = thermalKey(here.device, here.bond);
      if (!models.has(id)) {
        const text = await modesText(digest, q);
        const modes = text === null ? null : decodeModes(text, digest);
        if (!modes) {
          tell({ key, needs: digest });
          continue;
        }
        models.set(id, new ReducedModel(withUnsure(modes, unsureK)));
      }
      tell({ key, ways: safely(() => heatWays(job, q.settings, models.get(id)!, q.nowMs)) });
    }
  },
};

function safely(work: () => HeatWay[]): HeatWay[] {
  try {
    return work();
  } catch {
    // a job whose figures no model takes: the estimate stands
    return [];
  }
}

export type HeatsApi = typeof api;

expose(api);
