import { useRouter } from 'expo-router';

import type { Stretch } from '@/core/lift/advance';
import type { EdgeId } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { hrefAfter, hrefAt } from '@/bench-kit/stageHref';
import { followEdge } from '@/work/heat/thermalJob';
import type { RingFacts } from './ringFacts';
import { computedCut } from './ringWork';
import type { RingNow } from './useRing';

export interface RingActions {
  edge: (edge: EdgeId, free: boolean) => void;
  stuckAgain: (edge: EdgeId) => void;
  /** a finger went along: cut, or stuck again */
  mark: (s: Stretch, as: 'cut' | 'grip') => void;
  next: () => void;
  reheat: () => void;
  toHeat: () => void;
}

/** What is noted while a ring is cut, and where it leads. */
export function useRingActions(job: JobState): (ring: RingNow, facts: RingFacts) => RingActions {
  const router = useRouter();
  const { log } = useActions(job);
  return ({ thermal, lift, on, heated, cold, setC, look }, { arcsC, arcC }) => {
    const toHeat = () => router.replace(hrefAt(job, 'heat'));
    const rounded = Math.round(arcC.mean * 10) / 10;
    const stuck = (s: Stretch) => void log([{ type: 'cut', ...s, free: false, stuck: true, tC: rounded }]);
    const edge = (id: EdgeId, free: boolean) =>
      void log([
        free
          ? { type: 'edge', edge: id, free, ...computedCut(job, thermal, lift, arcsC, thermal.path.edgeSpan(id)) }
          : { type: 'edge', edge: id, free },
      ]);
    return {
      edge,
      toHeat,
      stuckAgain: (id) => stuck(thermal.path.edgeSpan(id)),
      mark: (s, as) =>
        as === 'cut'
          ? void log([{ type: 'cut', ...s, free: true, ...computedCut(job, thermal, lift, arcsC, s) }])
          : stuck(s),
      next: () => {
        if (lift.nextEdge === null) {
          void log([{ type: 'stage', stage: 'lift', to: 'done' }]);
          router.replace(hrefAfter(job, 'lift'));
        } else if ((heated || cold) && !on) edge(lift.nextEdge, true);
      },
      reheat: () => {
        const record = { heater: job.plan?.heater, use: followEdge(job, job.plan?.use) };
        void log([
          {
            type: 'observed',
            what: 'grips',
            ...(lift.nextEdge ? { edge: lift.nextEdge } : {}),
            modelC: rounded,
          },
          { type: 'heatPlan', setC, pickMm: lift.pickMm, preheated: true, ...record },
          {
            type: 'heatOn',
            setC,
            preheated: true,
            ...record,
            startC: rounded,
            modelRun: thermal.model.modes.digest,
            readyInS: look?.reheatS ?? null,
          },
        ]);
        toHeat();
      },
    };
  };
}
