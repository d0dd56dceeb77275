import type { Message } from '@/work/sync/messages';
import type { Member } from '@/work/sync/sharedDoc';
import { base64, between, fromBase64, seal, unseal } from './seal';
import type { SyncState } from './state';

export type Rekey = Message & { t: 'rekey' };
type Group = NonNullable<SyncState['group']>;

const about = (epoch: number, from: string, to: string) => `rekey ${epoch} ${from}>${to}`;

/** The shop's key, wrapped for each of these and nobody else. */
export async function rekeyFor(me: SyncState['me'], group: Group, members: readonly Member[]): Promise<Rekey> {
  const { secret, epoch, without } = group;
  const wraps: Record<string, string> = {};
  for (const m of members) {
    const key = await between(me.secret, m.key);
    wraps[m.id] = base64(await seal(key, fromBase64(secret), about(epoch, me.id, m.id)));
  }
  return { t: 'rekey', epoch, by: me.id, without, wraps };
}

/** The key that a member has wrapped for this device. @throws when it was not wrapped by that member for this one */
export async function unwrapped(me: SyncState['me'], by: Member, m: Rekey): Promise<string> {
  const key = await between(me.secret, by.key);
  return base64(await unseal(key, fromBase64(m.wraps[me.id]!), about(m.epoch, by.id, me.id)));
}
