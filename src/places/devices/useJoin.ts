import { useEffect, useState } from 'react';

import { backupNow } from '@/bench-kit/backupNow';
import { useDemoDay } from '@/bench-kit/useDemoDay';
import { nowMs } from '@/store/clock';
import { demoWriter } from '@/store/dropped';
import { ownShop } from '@/store/ownShop';
import { saveSettings, shopNow, useShop } from '@/store/shop';
import { isJoined } from '@/store/sync/begin';
import { joinWith } from '@/store/sync/live';
import { knock, type PairStep } from '@/store/sync/pairing';
import { relayWire } from '@/store/sync/relayWire';
import { canSeal } from '@/store/sync/seal';
import type { SyncState } from '@/store/sync/state';
import { savingTrouble } from '@/store/trouble';
import { refused, type Told } from '@/ui/Message';
import { t } from '@/words/devices';

/** A device on its way into a shop. */
export function useJoin() {
  const { shop } = useShop();
  const demo = useDemoDay() !== null;
  const [name, setName] = useState('');
  const [code, setCode] = useState(() => (typeof window === 'undefined' ? '' : window.location.hash.slice(1)));
  const [step, setStep] = useState<PairStep | null>(null);
  const [told, setTold] = useState<Told | null>(null);
  const [asking, setAsking] = useState<{ stop(): void } | null>(null);
  useEffect(() => () => asking?.stop(), [asking]);
  const own = shop ? [...shop.jobs.values()].filter((l) => l.some((e) => e.writer !== demoWriter)).length : 0;
  const cannot = !canSeal() ? t('notSecure') : isJoined() && step?.step !== 'in' ? t('joinMember') : null;

  const came = async (state: SyncState) => {
    if (demo) await ownShop();
    else await saveSettings((await shopNow()).settings);
    await joinWith(state);
  };
  const ask = async () => {
    setTold(null);
    const typed = code.trim().split('#').at(-1)!;
    if (!name.trim()) return setTold(refused(t('nameMissing')));
    if (!/^[A-Za-z0-9_-]{22}$/.test(typed)) return setTold(refused(t('joinBadCode')));
    const next = (s: PairStep) => {
      if (s.step === 'compare' && s.job && own && !demo) {
        setStep(null);
        setTold(refused(t('joinOwnLoan')));
        return;
      }
      setStep(s);
      // the whole shop comes with the next page
      if (s.step === 'in') setTimeout(() => window.location.replace('/'), 600);
    };
    try {
      asking?.stop();
      setAsking(await knock(typed, name.trim(), { wire: relayWire, now: nowMs, came }, next));
    } catch (e) {
      setTold(refused(savingTrouble(e)));
    }
  };
  const messages: Partial<Record<PairStep['step'], Told>> = {
    no: refused(t('joinNo')),
    unknown: refused(t('joinUnknown')),
    spent: refused(t('joinSpent')),
  };
  return {
    ...{ name, setName, code, setCode, step, cannot, knock: ask },
    told: told ?? (step ? (messages[step.step] ?? null) : null),
    goes: demo
      ? [t('joinDemo'), ...(own ? [t('joinDemoOwn', { count: own })] : [])]
      : own
        ? [t('joinOwn', { count: own })]
        : [],
    save:
      demo && own
        ? () =>
            void backupNow().then(
              (r) => setTold({ text: r.text, bad: false }),
              (e: unknown) => setTold(refused(savingTrouble(e))),
            )
        : null,
  };
}
