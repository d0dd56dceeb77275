import { useState } from 'react';

import { airsOf, type Settings } from '@/model/settings';
import { lensAirC } from '@/work/lift/lensJob';

/** Which air and how hot, for the page that asks. */
export function useLensAir(settings: Settings) {
  const [heaterId, setHeaterId] = useState<string | null>(null);
  const [setC, setSetC] = useState(lensAirC.value);
  const airs = airsOf(settings);
  return { heaterId, setHeaterId, setC, setSetC, airs };
}
