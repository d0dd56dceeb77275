import { useCallback, useEffect, useRef, useState } from 'react';

import { CancelledError, type LongRun } from '@/workers/longRun';
import { t } from '@/words/kit';

/** One long piece of work at a time with its progress; leaving the page ends it. `start` answers with the result, or null. */
export function useLongRun<T>() {
  const [share, setShare] = useState<number | null>(null);
  const [result, setResult] = useState<T | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const run = useRef<LongRun<T> | null>(null);
  useEffect(() => () => run.current?.cancel(), []);
  const start = useCallback(async (make: (tell: (share: number) => void) => LongRun<T>): Promise<T | null> => {
    run.current?.cancel();
    setShare(0);
    setProblem(null);
    setResult(null);
    // progress comes by another way than the result, and can come after it
    let over = false;
    const long = make((s) => {
      if (!over) setShare(s);
    });
    run.current = long;
    try {
      const answer = await long.result;
      if (run.current !== long) return null;
      setResult(answer);
      return answer;
    } catch (e) {
      if (run.current === long)
        setProblem(e instanceof CancelledError ? t('stopped') : e instanceof Error ? e.message : t('itStopped'));
    } finally {
      over = true;
      if (run.current === long) {
        run.current = null;
        setShare(null);
      }
    }
    return null;
  }, []);
  const cancel = useCallback(() => run.current?.cancel(), []);
  return { share, result, problem, start, cancel };
}
