import { useSyncExternalStore } from 'react';

import type { Range } from '@/core/source';
import type { ThermalModes } from '@/core/heat/modes';
import { ReducedModel } from '@/core/heat/reduced';
import { encodeModes } from '@/model/modesFile';
import { repository } from '@/store/shop';
import type { LongRun } from '@/workers/longRun';
import { buildInWorker, firstLookInWorker, type ThermalKey } from '@/workers/thermalClient';
import { withUnsure } from '@/work/heat/withUnsure';
import { models, stored } from './thermalAtHand';

/*
 * Heat models on their way: the first look that every page counts with until the exact one is there, how far the building is, and
 * the way to end it. One for all pages: whoever asked first builds, everybody sees it.
 */
interface OnTheWay {
  first: ReducedModel | null;
  building: number | null;
  run: { cancel(): void } | null;
  /** what a first look said, and of which plan; null: it was not asked */
  said: Said | null;
}

/** When a heat opens, s from its beginning, as a first look said of one plan. */
export interface Said {
  plan: string;
  readyInS: Range;
}

const onTheWay = new Map<string, OnTheWay>();
const listeners = new Set<() => void>();
const nothing: OnTheWay = { first: null, building: null, run: null, said: null };

function put(id: string, change: Partial<OnTheWay>): void {
  onTheWay.set(id, { ...(onTheWay.get(id) ?? nothing), ...change });
  listeners.forEach((f) => f());
}

const subscribe = (f: () => void) => {
  listeners.add(f);
  return () => void listeners.delete(f);
};

/** What there is of a model that is not there yet. */
export const useOnTheWay = (id: string): OnTheWay =>
  useSyncExternalStore(
    subscribe,
    () => onTheWay.get(id) ?? nothing,
    () => nothing,
  );

/** Notes what the first look says while it is all there is. */
export function noteSaid(id: string, said: Said): void {
  const now = onTheWay.get(id);
  if (now && JSON.stringify(now.said) !== JSON.stringify(said)) put(id, { said });
}

export const cancelBuild = (id: string): void => onTheWay.get(id)?.run?.cancel();

/**
 * A device's heat model: at hand, from the app or this browser, else built: within seconds on a coarse grid, then on the check
 * grid, which is kept.
 */
export async function heatModel(key: ThermalKey): Promise<ReducedModel> {
  const known = models.get(key.id);
  if (known) return known;
  const modes = (await stored(key.digest)) ?? (await build(key));
  const model = new ReducedModel(withUnsure(modes, key.unsureK));
  models.set(key.id, model);
  return model;
}

async function build(key: ThermalKey): Promise<ThermalModes> {
  const { id, digest, stack, unsureK } = key;
  const follow = async (run: LongRun<ThermalModes>) => {
    put(id, { run });
    return run.result;
  };
  put(id, { building: 0 });
  try {
    if (!onTheWay.get(id)?.first) {
      const first = await follow(firstLookInWorker(key, () => {}));
      put(id, { first: new ReducedModel(withUnsure(first, unsureK)) });
    }
    const modes = await follow(buildInWorker(stack, (share) => put(id, { building: share })));
    await repository.writeExtra(`modes/${digest}`, encodeModes(modes));
    return modes;
  } finally {
    put(id, { run: null, building: null });
  }
}
