import type { ReactNode } from 'react';

import { useSettings } from '@/store/shop';
import { useThumb, type Thumb } from '@/ui/thumb';
import { ThumbPad } from '@/ui/ThumbPad';
import { useWide } from '@/ui/useWide';
import { t } from '@/words/kit';

/**
 * Number keys at the foot of a phone's screen while points are still to be measured; nothing on a wide screen, where there
 * is a keyboard, and nothing once all are in. `name`: what is typed now; null when all is in.
 */
export function useGaugePad(name: string | null, signed = false): { thumb: Thumb | undefined; pad: ReactNode | null } {
  const thumb = useThumb(name ?? '');
  const { length } = useSettings();
  const wide = useWide();
  return wide || name === null
    ? { thumb: undefined, pad: null }
    : { thumb, pad: <ThumbPad thumb={thumb} last={t('nextPoint')} unit={length} signed={signed} /> };
}
