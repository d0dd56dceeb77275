import { queryOptions, useQuery } from '@tanstack/react-query';

import { practiceWays, type PracticeWay } from './practice';
import { queryClient, repository } from './shop';

/** An exercise that somebody ended. */
export interface Try {
  /** of its run: the same one is noted once */
  id: string;
  exercise: string;
  seed: number;
  way: PracticeWay;
  person: string;
  at: number;
  minutes: number;
  heats: number;
  ended: string;
  /** K between what was said of the line and what it was, each time that it was asked */
  guessK: number[];
}

const key = 'practice.tries';
const most = 2000;

const isTry = (x: unknown): x is Try => {
  const t = x as Partial<Try> | null;
  return (
    typeof t === 'object' &&
    t !== null &&
    [t.id, t.exercise, t.person, t.ended].every((v) => typeof v === 'string') &&
    [t.seed, t.at, t.minutes, t.heats].every((v) => Number.isFinite(v)) &&
    practiceWays.includes(t.way as PracticeWay) &&
    Array.isArray(t.guessK)
  );
};

async function readTries(): Promise<Try[]> {
  const text = await repository.readExtra(key).catch(() => null);
  try {
    const list: unknown = JSON.parse(text ?? '[]');
    return Array.isArray(list) ? list.filter(isTry) : [];
  } catch {
    return [];
  }
}

const triesQuery = queryOptions({ queryKey: ['practiceTries'], queryFn: readTries });

export const useTries = (): Try[] => useQuery(triesQuery).data ?? [];

/** Notes how an exercise ended; one that stands there already is not noted twice. */
export async function noteTry(t: Try): Promise<void> {
  // another tab may have noted one meanwhile
  const known = await readTries();
  if (known.some((x) => x.id === t.id)) return;
  const next = [...known, t].slice(-most);
  await repository.writeExtra(key, JSON.stringify(next));
  queryClient.setQueryData(triesQuery.queryKey, next);
}
