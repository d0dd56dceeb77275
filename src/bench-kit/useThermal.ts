import { queryOptions, useQuery } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';

import type { Bond, Device } from '@/core/device/types';
import type { ReducedModel } from '@/core/heat/reduced';
import { CancelledError } from '@/workers/longRun';
import { thermalKey, type ThermalKey } from '@/workers/thermalClient';
import { cancelBuild, heatModel, noteSaid, useOnTheWay, type Said } from './heatModels';
import { models } from './thermalAtHand';

export interface Thermal {
  model: ReducedModel | null;
  /** the model is a first look: the exact one is being built */
  first: boolean;
  /** what the first look said last; null: there was none */
  said: Said | null;
  /** keeps what the first look says */
  say(said: Said): void;
  /** share of the build that is done, while it runs */
  building: number | null;
  cancelled: boolean;
  problem: string | null;
  cancel(): void;
  retry(): void;
}

export const modelQuery = (key: ThermalKey) =>
  queryOptions({
    queryKey: ['modes', key.id],
    retry: false,
    // a model is large and never changes: it is not compared
    structuralSharing: false,
    queryFn: () => heatModel(key),
  });

/**
 * The heat model of a device: that which ships with the app, else from this browser's store, else built in a worker with
 * progress and cancel, and then kept. Where none is wanted none is made. While it is built a first look on a coarse grid answers, with its error in every range.
 */
export function useThermal(device: Device, bond: Bond, wanted = true): Thermal {
  return useThermalStack(
    useMemo(() => thermalKey(device, bond), [device, bond]),
    wanted,
  );
}

/** The same for any stack of layers, for instance a device that is heated from its front. */
export function useThermalStack(key: ThermalKey, wanted = true): Thermal {
  const q = useQuery({ ...modelQuery(key), enabled: wanted });
  const way = useOnTheWay(key.id);
  const exact = q.data ?? models.get(key.id) ?? null;
  const { refetch } = q;
  return {
    model: exact ?? way.first,
    first: !exact && way.first !== null,
    said: way.said,
    say: useCallback((said: Said) => noteSaid(key.id, said), [key.id]),
    building: way.building,
    cancelled: q.error instanceof CancelledError,
    problem: q.error && !(q.error instanceof CancelledError) ? q.error.message : null,
    cancel: useCallback(() => cancelBuild(key.id), [key.id]),
    retry: useCallback(() => void refetch(), [refetch]),
  };
}
