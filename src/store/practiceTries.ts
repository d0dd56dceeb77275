import { queryOptions, useQuery } from '@tanstack/react-query';

import { joinTries, trySchema, type Try } from '@/model/practiceTry';
import { queryClient, repository } from './shop';
import { StorageFullError } from './storageErrors';

const key = 'practice.tries';

/** What every person of the shop has practised, as it is kept here. */
export async function readTries(): Promise<Try[]> {
  const text = await repository.readExtra(key).catch(() => null);
  try {
    const list: unknown = JSON.parse(text ?? '[]');
    return Array.isArray(list) ? list.flatMap((x) => trySchema.safeParse(x).data ?? []) : [];
  } catch {
    return [];
  }
}

const triesQuery = queryOptions({ queryKey: ['practiceTries'], queryFn: readTries });

export const useTries = (): Try[] => useQuery(triesQuery).data ?? [];

/**
 * Notes how exercises ended; one that stands there already is not noted twice.
 * @throws StorageFullError
 */
export async function noteTries(more: readonly Try[]): Promise<void> {
  // another tab may have noted one meanwhile
  const known = await readTries();
  const next = joinTries(known, more);
  if (next.length === known.length && next.every((t, i) => t.id === known[i]!.id)) return;
  if (!(await repository.writeExtra(key, JSON.stringify(next)))) throw new StorageFullError();
  queryClient.setQueryData(triesQuery.queryKey, next);
}

/** As `noteTries`, of one; where there is no room the exercise is over all the same. */
export const noteTry = (t: Try): Promise<void> => noteTries([t]).catch(() => undefined);
