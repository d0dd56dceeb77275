import { useQuery } from '@tanstack/react-query';
import { z } from 'zod';

import { backupDue, isPersistent, ownEntries, type BackupState } from './backup';
import { nowMs } from './clock';
import { queryClient, repository, useShop } from './shop';

const stateSchema = z.object({ at: z.number(), entries: z.number(), to: z.string().max(200) });

async function readState(): Promise<BackupState | null> {
  try {
    const read = stateSchema.safeParse(JSON.parse((await repository.readExtra('backup')) ?? 'null'));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

export async function noteBackup(state: BackupState): Promise<void> {
  await repository.writeExtra('backup', JSON.stringify(state));
  queryClient.setQueryData(['backup'], state);
}

/** The last backup, and whether somebody should be reminded. */
export function useBackup(): { last: BackupState | null; due: ReturnType<typeof backupDue>; entries: number } {
  // reads what changes beside React, so the compiler may keep nothing of it
  'use no memo';
  const { shop } = useShop();
  const q = useQuery({ queryKey: ['backup'], queryFn: readState });
  const entries = shop ? ownEntries(shop.jobs) : 0;
  return { last: q.data ?? null, due: q.isSuccess ? backupDue(q.data, entries, nowMs()) : null, entries };
}

export const usePersistent = (): boolean | null =>
  useQuery({ queryKey: ['persistent'], queryFn: isPersistent }).data ?? null;
