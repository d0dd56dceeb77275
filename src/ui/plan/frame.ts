import { createContext, useContext } from 'react';

import type { Perimeter } from '@/core/device/perimeter';
import type { KeepOut } from '@/core/lift/depth';
import type { Bond, Device } from '@/core/device/types';
import type { Tokens } from '../theme';

/** What every layer of the plan shares. One coordinate system: mm of the plan frame; `mm` is the size of one screen pixel. */
export interface PlanFrame {
  device: Device;
  bond: Bond;
  path: Perimeter;
  outs: readonly KeepOut[];
  tokens: Tokens;
  /** mm per screen pixel: line widths and type stay the same size on screen while zooming */
  mm: number;
}

const Context = createContext<PlanFrame | null>(null);
export const PlanFrameProvider = Context.Provider;

export function usePlanFrame(): PlanFrame {
  const frame = useContext(Context);
  if (!frame) throw new Error('a plan layer stands outside a plan');
  return frame;
}
