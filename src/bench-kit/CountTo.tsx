import { Txt, type TxtProps } from '@/ui/Txt';
import { clock } from '@/words/units';
import { useNow } from './useNow';

/** A line with seconds in it, drawn by itself as they pass. */
export function Ticking({ of, ...txt }: { of: (now: number) => string } & Omit<TxtProps, 'children'>) {
  const now = useNow(1000);
  return <Txt {...txt}>{of(now)}</Txt>;
}

/** A countdown to an instant: the one thing of a page that moves every second, drawn by itself. */
export function CountTo({ at, ...txt }: { at: number } & Omit<TxtProps, 'children'>) {
  const now = useNow(1000);
  return (
    <Txt num strong {...txt}>
      {clock((at - now) / 1e3)}
    </Txt>
  );
}
