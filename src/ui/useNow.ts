import { useEffect, useState } from 'react';

/** The instant, renewed every `everyMs` while the component is shown. All clocks derive from recorded instants and this. */
export function useNow(everyMs = 1000): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const id = setInterval(() => setNow(Date.now()), everyMs);
    return () => clearInterval(id);
  }, [everyMs]);
  return now;
}
