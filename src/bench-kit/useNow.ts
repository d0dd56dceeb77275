import { useCallback, useEffect, useState } from 'react';
import { nowMs, onRestart } from '@/store/clock';
import { useAsOf } from '@/store/shop';

const hidden = () => typeof document !== 'undefined' && document.visibilityState === 'hidden';

type Tell = (now: number) => void;
/** One timer for each pace, however many clocks go by it: they move in one drawing. */
const tickers = new Map<number, { tells: Set<Tell>; timer: ReturnType<typeof setInterval> }>();

function onTick(everyMs: number, tell: Tell): () => void {
  let ticker = tickers.get(everyMs);
  if (!ticker) {
    const tells = new Set<Tell>();
    ticker = {
      tells,
      timer: setInterval(() => {
        const now = nowMs();
        for (const t of [...tells]) t(now);
      }, everyMs),
    };
    tickers.set(everyMs, ticker);
  }
  const { tells, timer } = ticker;
  tells.add(tell);
  return () => {
    tells.delete(tell);
    if (tells.size) return;
    clearInterval(timer);
    if (tickers.get(everyMs)?.tells === tells) tickers.delete(everyMs);
  };
}

/**
 * The instant, renewed every `everyMs` while the page is seen, by whatever is noted, and at once when it is seen again. All clocks
 * derive from recorded instants and this.
 * @param rings an alarm hangs on it: it goes on while the page is hidden
 */
export function useNow(everyMs = 1000, rings = false): number {
  const [now, setNow] = useState(() => nowMs());
  // what was noted since the last tick happened by now
  const asOf = useAsOf();
  useEffect(() => {
    let stop = () => {};
    const go = () => {
      stop();
      stop = hidden() && !rings ? () => {} : onTick(everyMs, setNow);
    };
    const onSeen = () => {
      if (!hidden()) setNow(nowMs());
      go();
    };
    go();
    const deaf = onRestart(() => setNow(nowMs()));
    document.addEventListener('visibilitychange', onSeen);
    return () => {
      deaf();
      stop();
      document.removeEventListener('visibilitychange', onSeen);
    };
  }, [everyMs, rings]);
  // further ahead than a tick: noted by a clock that was wrong and has been put right since
  return asOf > now && asOf - now <= 2 * everyMs ? asOf : now;
}

/** Timers of a browser end at 2^31 ms; what is further off than this is met by a tick. */
const farMs = 60_000;

/**
 * The instant at a slow pace, and what wakes it at an instant between two ticks, when something comes true: for an effect, which
 * gives back what it returns.
 */
export function useNowAndWake(everyMs: number): [number, (at: number) => (() => void) | undefined] {
  const tick = useNow(everyMs);
  const [woke, setWoke] = useState(0);
  const wake = useCallback((at: number) => {
    const ms = at - nowMs();
    if (!(ms >= 0 && ms <= farMs)) return undefined;
    const timer = setTimeout(() => setWoke(nowMs()), ms + 1);
    return () => clearTimeout(timer);
  }, []);
  return [Math.max(tick, woke), wake];
}
