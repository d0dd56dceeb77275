import { useEffect, useState } from 'react';
import { nowMs } from '@/store/clock';

/** The instant, renewed every `everyMs` while the component is shown. All clocks derive from recorded instants and this. */
export function useNow(everyMs = 1000): number {
  const [now, setNow] = useState(() => nowMs());
  useEffect(() => {
    const id = setInterval(() => setNow(nowMs()), everyMs);
    return () => clearInterval(id);
  }, [everyMs]);
  return now;
}
