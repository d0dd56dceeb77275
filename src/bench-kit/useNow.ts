import { useEffect, useState } from 'react';
import { nowMs } from '@/store/clock';

const hidden = () => typeof document !== 'undefined' && document.visibilityState === 'hidden';

/**
 * The instant, renewed every `everyMs` while the page is seen, and at once when it is seen again. All clocks derive from recorded
 * instants and this.
 * @param rings an alarm hangs on it: it goes on while the page is hidden
 */
export function useNow(everyMs = 1000, rings = false): number {
  const [now, setNow] = useState(() => nowMs());
  useEffect(() => {
    let timer: ReturnType<typeof setInterval> | null = null;
    const stop = () => {
      if (timer) clearInterval(timer);
      timer = null;
    };
    const go = () => {
      stop();
      if (!hidden() || rings) timer = setInterval(() => setNow(nowMs()), everyMs);
    };
    const onSeen = () => {
      if (!hidden()) setNow(nowMs());
      go();
    };
    go();
    document.addEventListener('visibilitychange', onSeen);
    return () => {
      stop();
      document.removeEventListener('visibilitychange', onSeen);
    };
  }, [everyMs, rings]);
  return now;
}
