import { useMemo, useRef, useState } from 'react';

/** What a field and the number keys at the foot of the screen share. */
export interface Thumb {
  text: string | null;
  setText: (text: string | null) => void;
  /** takes the text in, if it is a number that is allowed */
  done: () => void;
  /** the field says how a text is taken in */
  onDone: (take: () => void) => void;
  /** what is typed, shown above the keys */
  name: string;
}

/** One field at a time is typed with the keys at the foot. */
export function useThumb(name: string): Thumb {
  const [text, setText] = useState<string | null>(null);
  const take = useRef<() => void>(() => {});
  return useMemo(
    () => ({
      text,
      setText,
      name,
      done: () => take.current(),
      onDone: (next) => {
        take.current = next;
      },
    }),
    [text, name],
  );
}
