import { useMemo, useState } from 'react';

import { closingOrder } from '@/core/bond/closing';
import { closingWindow } from '@/core/bond/openTime';
import { paceAt } from '@/core/bond/pace';
import { methodOf, type BondingMethodId } from '@/core/bond/bondingMethods';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { stockNow } from '@/model/stock';
import { useScrewGate } from '@/bench-kit/ScrewGate';
import { useAlarm, useAwake } from '@/ui/alarm';
import { useNow } from '@/bench-kit/useNow';
import { useVoice } from '@/bench-kit/useVoice';
import { openTimeCues } from '@/work/voice/cues';
import { openTimeGlance } from '@/work/voice/glance';
import { bondWork, layOf, problemOf, tapeFor } from '@/work/bond/bondWork';
import { beadWork, noPicks, type BeadWork, type Picks } from '@/work/bond/beadWork';

export const isLiquid = (s: BondingMethodId) => methodOf(s).liquid !== null;

/** A joint that is being shut, as it stands: the way, how much of it, where the work is, the window that runs. */
export function useJoint(job: JobState, jobs: readonly JobState[], settings: Settings) {
  const open = job.bead !== null && job.bonded === null;
  // the mark moves five times a second, a clock once
  const now = useNow(open ? (job.bead?.endAt === null ? 200 : 1000) : 10_000, open);
  const [own, setOwn] = useState<Picks>(noPicks);
  const [picked, setPicked] = useState<BondingMethodId | null>(null);
  // a bead that lies open keeps the figures it was begun with, over a reload too
  const kept = job.bead?.plan ?? null;
  const picks = useMemo((): Picks => {
    if (!kept) return own;
    const { beadOn = null, base = null, tapeId = null, ...rest } = kept;
    return { ...own, ...rest, beadOn, base, tapeId };
  }, [kept, own]);
  const clean = ![...job.zones.frame.values()].some(
    (z) => z.state === 'film' || z.state === 'residue' || z.state === 'glass',
  );
  // stock and choice answer to the minute, the clocks below to the instant
  const minute = Math.floor(now / 60_000) * 60_000;
  const stock = useMemo(() => stockNow(settings, jobs), [settings, jobs]);
  const { tapeId } = picks;
  const tape = useMemo(() => tapeFor(job, settings, stock, tapeId), [job, settings, stock, tapeId]);
  const work = useMemo(
    () => bondWork(job, settings, stock, tape, picks, minute, clean),
    [job, settings, stock, tape, picks, minute, clean],
  );
  const best = work.choices[0]!;
  const school = job.bonded?.adhesive ?? kept?.school ?? picked ?? best.school.id;
  const choice = work.choices.find((c) => c.school.id === school)!;
  const liquid = work.liquids.find((l) => l.id === (job.bonded?.itemId ?? picks.liquidId)) ?? work.liquids[0] ?? null;
  const lays = layOf(school, picks, work.rings);
  const mixed = methodOf(school).liquid === 'stretches';
  const { beadOn } = work;
  // strips that leave room for the bead are cut otherwise than a whole ring of them
  const strips = useMemo(
    () => (lays !== 'strips' ? null : mixed ? tapeFor(job, settings, stock, tapeId, beadOn) : tape),
    [lays, mixed, job, settings, stock, tapeId, beadOn, tape],
  );
  const laid = useMemo((): { bead: BeadWork | null; problem: string | null } => {
    if (!isLiquid(school) || !liquid) return { bead: null, problem: null };
    try {
      return {
        bead: beadWork(job, settings, work.stock, liquid, school, picks, minute, work.beadOn),
        problem: null,
      };
    } catch (e) {
      const problem = problemOf(e);
      if (!problem) throw e;
      return { bead: null, problem };
    }
  }, [job, settings, work.stock, work.beadOn, liquid, school, picks, minute]);
  const { bead, problem } = laid;
  const closing = useMemo(() => closingOrder(job.device, job.bond), [job.device, job.bond]);
  const phase = job.bonded
    ? 'closed'
    : !isLiquid(school)
      ? 'tape'
      : job.bead === null
        ? 'plan'
        : job.bead.endAt === null
          ? 'laying'
          : 'open';
  const at = phase === 'laying' && bead ? paceAt(bead.pace, (now - job.bead!.startAt) / 1e3) : null;
  const window = phase === 'open' && bead ? closingWindow(job.bead!.startAt, job.bead!.endAt!, bead.open) : null;
  const late = window !== null && now >= window.untilAt;
  const tones = settings.sound && !settings.voice.on;
  const opensAt = useAlarm(window && !window.shut ? window.fromAt : null, now, 'opens', tones);
  const lastAt = useAlarm(window ? window.untilAt - 20_000 : null, now, 'closes', tones);
  const awake = useAwake(open);
  useVoice(
    window
      ? openTimeCues({
          startAt: job.bead!.startAt,
          fromAt: window.shut ? null : window.fromAt,
          untilAt: window.untilAt,
        })
      : [],
  );

  const screwStop = useScrewGate(job);
  const pick = (change: Partial<Picks>) => setOwn({ ...own, ...change });
  return {
    now,
    picks,
    pick,
    setPicked,
    work,
    best,
    school,
    lays,
    mixed,
    strips,
    choice,
    liquid,
    bead,
    problem,
    closing,
    phase,
    at,
    window,
    late,
    awake,
    screwStop,
    glance: window ? openTimeGlance(now, window) : null,
    openFlash: opensAt.flash,
    lastFlash: lastAt.flash,
  } as const;
}

export type Joint = ReturnType<typeof useJoint>;
