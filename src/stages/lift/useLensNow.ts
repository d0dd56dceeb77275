import { useState } from 'react';

import { contains } from '@/core/device/shapes';
import type { LensCover } from '@/core/lens/lensSet';
import type { EventOf, NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import { useActions } from '@/bench-kit/actions';
import { lensWork } from '@/work/lift/lensCovers';
import { lensPlan } from '@/work/lift/lensJob';
import { useLensAir } from '@/bench-kit/useLensAir';
import { useGoOn } from '@/bench-kit/useGoOn';
import { useVoice } from '@/bench-kit/useVoice';
import { airCues } from '@/work/voice/cues';
import { useJobs, useSettings } from '@/store/shop';
import { useAlarm, useAwake } from '@/ui/alarm';
import { useNow } from '@/bench-kit/useNow';

type Step = EventOf<'lens'>['step'];

/** The cover that is worked on, its heat and its clocks. */
export function useLensNow({ job }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(500, true);
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'lift');
  const jobs = useJobs();
  const { all, chosen, next } = lensWork(job);
  const air = useLensAir(settings);
  const [school, setSchool] = useState<'warm' | 'cold' | null>(null);
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const shown = next ?? chosen[0] ?? all[0] ?? null;
  const plan = shown ? lensPlan(job, settings, shown, air.heaterId, air.setC) : null;
  const warm = !swollen && (school ?? plan?.choose ?? 'cold') === 'warm';
  const on = onPlate(job);
  const last = job.heat[job.heat.length - 1];
  const forThis = (
    h: { use?: { path?: { kind: string; at?: readonly number[] } | undefined } | undefined } | undefined,
  ) => {
    const at = h?.use?.path?.at;
    return Boolean(at && shown && contains(shown.face.cover.outline, [at[0]!, at[1]!], 1));
  };
  const lastOn = job.heat.findLast((h) => h.setC !== null);
  const dueAt = on?.readyInS == null ? null : on.at + on.readyInS * 1e3;
  const workLeftS =
    !on && last?.setC === null && forThis(lastOn) && last.gripsInS !== null
      ? last.gripsInS - (now - last.at) / 1e3
      : null;
  const alarm = useAlarm(dueAt, now, 'opens', settings.sound && !settings.voice.on);
  useVoice(on && dueAt !== null ? airCues({ onAt: on.at, dueAt }) : []);
  useAwake(on !== null || (workLeftS !== null && workLeftS > 0));

  const name = (l: LensCover) => l.face.name;
  const step = (l: LensCover, s: Step, done = true): NewEvent => ({ type: 'lens', bondId: l.bond.id, step: s, done });
  const toggle = (l: LensCover) => {
    const isChosen = chosen.includes(l);
    // the first choice by hand also writes down what was taken for granted before
    const base = chosen
      .filter((c) => c !== l && job.lenses.get(c.bond.id)?.steps.chosen === undefined)
      .map((c) => step(c, 'chosen'));
    void log([...base, step(l, 'chosen', !isChosen)]);
  };
  return {
    job,
    chosen,
    next,
    shown,
    plan,
    log,
    air,
    settings,
    warm,
    workLeftS,
    swollen,
    on,
    dueAt,
    now,
    name,
    units,
    jobs,
    step,
    goOn,
    setSchool,
    all,
    toggle,
    alarm,
  };
}

export type LensNow = ReturnType<typeof useLensNow>;
