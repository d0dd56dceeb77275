import { Txt, type TxtProps } from '@/ui/Txt';
import { clock, span } from '@/words/units';
import { useNow } from './useNow';

/** A line with seconds in it, drawn by itself as they pass. */
export function Ticking({ of, ...txt }: { of: (now: number) => string } & Omit<TxtProps, 'children'>) {
  const now = useNow(1000);
  return <Txt {...txt}>{of(now)}</Txt>;
}

/** Below this a plain countdown shows its seconds. */
const secondsFromS = 120;

/**
 * A countdown to an instant: the one thing of a page that moves every second, drawn by itself.
 * @param plain beside times of the day: "14 min", which nobody takes for one of them; seconds at the end only
 */
export function CountTo({ at, plain = false, ...txt }: { at: number; plain?: boolean } & Omit<TxtProps, 'children'>) {
  const now = useNow(1000);
  const s = (at - now) / 1e3;
  return (
    <Txt num strong {...txt}>
      {plain && s >= secondsFromS ? span(s) : clock(s)}
    </Txt>
  );
}
