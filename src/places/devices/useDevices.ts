import { useEffect, useState } from 'react';

import { nowMs } from '@/store/clock';
import { newId } from '@/store/ids';
import { useSettings } from '@/store/shop';
import { savingTrouble } from '@/store/trouble';
import { isJoined } from '@/store/sync/begin';
import { beginSync, leave, ownDevice, useElsewhere, useSync } from '@/store/sync/live';
import { codeLastsMs, invite, type Pairing, type PairStep } from '@/store/sync/pairing';
import { relayWire } from '@/store/sync/relayWire';
import { canSeal } from '@/store/sync/seal';
import { refused, type Told } from '@/ui/Message';
import { t } from '@/words/devices';

export interface Invitation {
  code: string;
  address: string;
  until: number;
  step: PairStep;
}

/** A web host with nothing but files has no relay. */
async function passesOn(): Promise<boolean> {
  const answer = await fetch('/api/health').catch(() => null);
  return answer?.headers.get('content-type')?.includes('json') ?? false;
}

/** The devices of this shop, and what can be done with them. */
export function useDevices() {
  const view = useSync();
  const elsewhere = useElsewhere();
  const settings = useSettings();
  const [told, setTold] = useState<Told | null>(null);
  const [invitation, setInvitation] = useState<Invitation | null>(null);
  const [pairing, setPairing] = useState<Pairing | null>(null);
  const name = settings.person || t('thisDevice');
  // who looks here works here: the line moves to this tab
  useEffect(() => {
    if (isJoined()) void beginSync(true);
  }, []);
  useEffect(() => () => pairing?.stop(), [pairing]);
  const origin = settings.benchAddress || (typeof window === 'undefined' ? '' : (window.location?.origin ?? ''));
  const local = /\/\/(127\.0\.0\.1|localhost|\[::1\])/.test(origin);
  const tried = async <T>(work: () => Promise<T>): Promise<T | null> => {
    try {
      setTold(null);
      return await work();
    } catch (e) {
      setTold(refused(savingTrouble(e)));
      return null;
    }
  };
  const add = (job: { id: string; label: string } | null) =>
    tried(async () => {
      if (!(await passesOn())) return setTold(refused(t('noRelay')));
      const device = await ownDevice(name);
      if (!job) await device.found();
      const { me, group } = device.state();
      const made = await invite(
        me,
        job ? { kind: 'job', jobId: job.id, label: job.label } : { kind: 'shop', group: group! },
        {
          ...{ wire: relayWire, now: nowMs, uuid: newId },
          came: async (n, loan) => {
            if (loan) await device.lend(loan);
            else device.noteMember({ id: n.id, name: n.name, key: n.open, since: nowMs() });
          },
        },
        (step) => setInvitation((i) => (i ? { ...i, step } : i)),
      );
      setPairing(made);
      const address = `${origin}/join#${made.code}`;
      setInvitation({ code: made.code, address, until: nowMs() + codeLastsMs, step: { step: 'waiting' } });
    });
  const stopAdding = () => {
    pairing?.stop();
    setPairing(null);
    setInvitation(null);
  };
  const rename = async (to: string): Promise<boolean> => {
    if (!to) {
      setTold(refused(t('nameMissing')));
      return false;
    }
    return (await tried(async () => (await ownDevice(to)).rename(to))) !== null;
  };
  return {
    ...{ view, elsewhere, told, invitation, pairing, name, origin, local, add, stopAdding, rename },
    belongs: view !== null && (view.members.length > 0 || view.loan !== null),
    cannot: canSeal() ? null : t('notSecure'),
    takeOut: (id: string) => tried(async () => (await ownDevice(name)).takeOut(id)),
    takeBack: (id: string) => tried(async () => (await ownDevice(name)).takeBack(id)),
    leave: () => tried(leave),
  };
}
