import { useQuery } from '@tanstack/react-query';
import { useCallback, useMemo, useRef, useState } from 'react';

import type { ThermalStack } from '@/core/device/thermalStack';
import type { Bond, Device } from '@/core/device/types';
import type { ThermalModes } from '@/core/heat/modes';
import { ReducedModel } from '@/core/heat/reduced';
import { encodeModes } from '@/model/modesFile';
import { repository } from '@/store/shop';
import { CancelledError } from '@/workers/longRun';
import { buildInWorker, thermalKey } from '@/workers/thermalClient';
import { models, stored } from './thermalAtHand';

export interface Thermal {
  model: ReducedModel | null;
  /** share of the build that is done, while it runs */
  building: number | null;
  cancelled: boolean;
  problem: string | null;
  cancel(): void;
  retry(): void;
}

/**
 * The thermal modes of a device: those that ship with the app, else from this browser's store, else built in a worker with
 * progress and cancel, and then kept.
 */
export function useThermal(device: Device, bond: Bond): Thermal {
  return useThermalStack(useMemo(() => thermalKey(device, bond), [device, bond]));
}

/** The same for any stack of layers, for instance a device that is heated from its front. */
export function useThermalStack(key: { stack: ThermalStack; digest: string }): Thermal {
  const [building, setBuilding] = useState<number | null>(null);
  const run = useRef<{ cancel(): void } | null>(null);
  const q = useQuery({
    queryKey: ['modes', key.digest],
    retry: false,
    queryFn: async () => {
      const known = models.get(key.digest);
      if (known) return known;
      const modes = (await stored(key.digest)) ?? (await build());
      const model = new ReducedModel(modes);
      models.set(key.digest, model);
      return model;
    },
  });

  async function build(): Promise<ThermalModes> {
    setBuilding(0);
    try {
      const long = buildInWorker(key.stack, (share) => setBuilding(share));
      run.current = long;
      const modes = await long.result;
      await repository.writeExtra(`modes/${key.digest}`, encodeModes(modes));
      return modes;
    } finally {
      run.current = null;
      setBuilding(null);
    }
  }

  const { refetch } = q;
  return {
    model: q.data ?? models.get(key.digest) ?? null,
    building,
    cancelled: q.error instanceof CancelledError,
    problem: q.error && !(q.error instanceof CancelledError) ? q.error.message : null,
    cancel: useCallback(() => run.current?.cancel(), []),
    retry: useCallback(() => void refetch(), [refetch]),
  };
}
