import { proxy, transfer, wrap, type Remote } from 'comlink';

import { digest } from '@/core/digest';
import type { ThermalStack } from '@/core/device/thermalStack';
import type { Confirmation, ConfirmInput } from '@/core/heat/confirm';
import { snapshotShare, type ThermalModes } from '@/core/heat/modes';
import type { MovingInput, MovingResult } from '@/core/heat/moving';
import type { PathPlan, PathPlanInput } from '@/core/heat/pathPlan';
import type { SpotInput, SpotResult } from '@/core/heat/spot';
import type { HeatWay, WayResult, WaysInput } from '@/core/heat/ways';
import type { ByCalls, ByCallsInput } from '@/core/practice/byCalls';
import type { PickWay, PicksInput } from '@/core/lift/picks';
import { longRunOn, type LongRun } from './longRun';
import { startThermal } from './startThermal';
import type { ThermalKey } from './thermalKey';
import type { ThermalApi } from './thermal.worker';
import { silenceMs, watched } from './watched';

export { keyOf, thermalKey, type ThermalKey } from './thermalKey';

/**
 * The only place that knows that computing runs elsewhere. One long-lived worker answers questions about the device in
 * hand; long work gets a worker of its own, so that cancelling it (ending the worker) leaves the other untouched.
 */
let answering: { worker: Worker; api: Remote<ThermalApi>; id: string; ready: Promise<void> } | null = null;

const start = () => {
  const worker = startThermal();
  return { worker, api: wrap<ThermalApi>(worker) };
};

const longRun = <T>(work: (api: Remote<ThermalApi>) => Promise<T>): LongRun<T> => longRunOn(startThermal, work);

/** A model by its modes and how sure they are: the same modes serve a device that is guessed and one that is measured. */
const modesId = (modes: ThermalModes) => digest([modes.digest, modes.unsureK ?? null]);

/** Modes on a coarse grid, within seconds. */
export const firstLookInWorker = (
  { stack, side }: Pick<ThermalKey, 'stack' | 'side'>,
  onProgress: (share: number) => void,
): LongRun<ThermalModes> => longRun((api) => api.firstLook(stack, side, proxy(onProgress)));

/** Workers that a build is shared by: two where the machine has two processors or more. */
const sharers = () => (typeof navigator !== 'undefined' && navigator.hardwareConcurrency >= 2 ? 2 : 1);

/** Modes on the check grid; on two processors half of the snapshots each, and the rest where the first half is. */
export function buildInWorker(stack: ThermalStack, onProgress: (share: number) => void): LongRun<ThermalModes> {
  if (sharers() < 2) return longRun((api) => api.build(stack, proxy(onProgress)));
  const shares = [0, 0];
  const tell = (n: number) =>
    proxy((share: number) => {
      shares[n] = share;
      onProgress((snapshotShare * (shares[0]! + shares[1]!)) / 2);
    });
  const helper = longRun((api) => api.snapshots(stack, { part: 1, of: 2 }, tell(1)));
  // a build that failed or was ended before the helper was done waits for nothing
  helper.result.catch(() => undefined);
  const main = longRun(async (api) => {
    await api.begin(stack, 2, tell(0));
    const others = await helper.result;
    return api.finish(
      stack,
      transfer(
        others,
        others.map((s) => s.buffer),
      ),
      proxy((share: number) => onProgress(snapshotShare + (1 - snapshotShare) * share)),
    );
  });
  const result = main.result.finally(() => helper.cancel());
  return {
    result,
    cancel: () => {
      helper.cancel();
      main.cancel();
    },
  };
}

export const confirmInWorker = (
  modes: ThermalModes,
  stack: ThermalStack,
  input: ConfirmInput,
  onProgress: (share: number) => void,
): LongRun<Confirmation | null> =>
  longRun(async (api) => {
    await api.use(modes);
    return api.confirm(stack, input, proxy(onProgress));
  });

/** Asks the answering worker with the device's model in it; one that died or says nothing is started again once. */
async function ask<T>(modes: ThermalModes, question: (api: Remote<ThermalApi>) => Promise<T>): Promise<T> {
  for (let left = 1; ; left--) {
    let mine: typeof answering = null;
    try {
      if (!answering || answering.id !== modesId(modes)) {
        answering?.worker.terminate();
        const begun = start();
        answering = { ...begun, id: modesId(modes), ready: begun.api.use(modes) };
      }
      mine = answering;
      const { worker, api, ready } = mine;
      return await watched(
        worker,
        ready.then(() => question(api)),
        silenceMs.answer,
      );
    } catch (e) {
      // another question may have ended it already and started the next
      if (mine && answering === mine) {
        mine.worker.terminate();
        answering = null;
      }
      if (left <= 0) throw e;
    }
  }
}

/** Answers by question: the same question is answered once. */
const answers = new Map<string, unknown>();
async function once<T>(key: string, work: () => Promise<T | null>): Promise<T | null> {
  const known = answers.get(key) as T | undefined;
  if (known) return known;
  const answer = await work();
  if (answer) {
    if (answers.size > 80) answers.clear();
    answers.set(key, answer);
  }
  return answer;
}

/** Ways to lift with each pick, from the answering worker. */
export const picksInWorker = (modes: ThermalModes, input: PicksInput): Promise<PickWay[] | null> =>
  once(digest({ d: modesId(modes), input }), () => ask(modes, (api) => api.picks(modes.digest, input)));

/** One way of heating; rows of the table are asked for one after the other, so that they appear as they come. */
export const wayInWorker = (modes: ThermalModes, way: HeatWay, input: WaysInput): Promise<WayResult | null> =>
  once(digest({ d: modesId(modes), way, input }), () => ask(modes, (api) => api.way(modes.digest, way, input)));

/** What an exercise takes by the calls. */
export const byCallsInWorker = (modes: ThermalModes, input: ByCallsInput): Promise<ByCalls | null> =>
  once(digest({ d: modesId(modes), input }), () => ask(modes, (api) => api.byCalls(modes.digest, input)));

export const roundInWorker = (
  modes: ThermalModes,
  input: PathPlanInput,
  onProgress: (share: number) => void,
): LongRun<PathPlan | null> =>
  longRun(async (api) => {
    await api.use(modes);
    return api.round(input, proxy(onProgress));
  });

export const movingInWorker = (
  stack: ThermalStack,
  input: MovingInput,
  onProgress: (share: number) => void,
): LongRun<MovingResult> => longRun((api) => api.moving(stack, input, proxy(onProgress)));

export const spotInWorker = (
  stack: ThermalStack,
  input: SpotInput,
  onProgress: (share: number) => void,
): LongRun<SpotResult> => longRun((api) => api.spot(stack, input, proxy(onProgress)));
