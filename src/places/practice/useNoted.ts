import { useEffect } from 'react';

import type { Try } from '@/model/practiceTry';
import { nowMs } from '@/store/clock';
import { changePractice, type PracticeRun } from '@/store/practice';
import { noteTry } from '@/store/practiceTries';

/** How an exercise ended is noted once, with whoever worked it; while it is looked at its time stands still. */
export function useNoted(
  { id, exercise, seed, way, person, acts }: PracticeRun,
  ended: string | null,
  minutes: number,
  more: Pick<Try, 'heats' | 'guessK'>,
): void {
  useEffect(() => changePractice((r) => ({ ...r, speed: 0 })), []);
  const said = JSON.stringify(more);
  useEffect(() => {
    if (ended && acts.length)
      void noteTry({
        ...{ id, exercise, seed, way, person, at: nowMs(), minutes, ended },
        ...(JSON.parse(said) as typeof more),
      });
  }, [ended, id, exercise, seed, way, person, minutes, acts.length, said]);
}
