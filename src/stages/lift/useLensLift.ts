import { useState } from 'react';

import { boxOf, contains } from '@/core/device/shapes';
import { pressS, type LensCover } from '@/core/lens/lensSet';
import type { EventOf, NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import { useActions } from '@/bench-kit/actions';
import { camerasTested, lacking, lensPlan, lensWork } from '@/work/lift/lensJob';
import { useLensAir } from '@/bench-kit/useLensAir';
import { useGoOn } from '@/bench-kit/useGoOn';
import { isOut } from '@/work/heat/present';
import { wetStop } from '@/bench-kit/wet';
import { useJobs, useSettings } from '@/store/shop';
import { capital } from '@/words/capital';
import { useAlarm, useAwake } from '@/ui/alarm';
import { type ReadingItem } from '@/ui/Readings';
import { clock, length, lengthNumber, temp, tempNumber } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';

export const caution =
  'Splinters of lens glass are small and sharp: eye cover, tape over the glass, gloves. Hot air burns; every camera masked, never dwell on a lens. Maker’s instructions go first.';

type Step = EventOf<'lens'>['step'];

/** The cover that is worked on, its heat and its clocks. */
function useLensNow({ job }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(500);
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
  const alarm = useAlarm(dueAt, now, 'opens', settings.sound);
  useAwake(on !== null || (workLeftS !== null && workLeftS > 0));

  const name = (l: LensCover) => l.face.name;
  const step = (l: LensCover, s: Step, done = true): NewEvent => ({ type: 'lens', bondId: l.bond.id, step: s, done });
  const toggle = (l: LensCover) => {
    const isChosen = chosen.includes(l);
    // the first choice by hand also writes down what was taken for granted before
    const base = job.lenses.size ? [] : chosen.filter((c) => c !== l).map((c) => step(c, 'chosen'));
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

/** What is done now, in words. */
function useLensCall(p: { job: JobState }) {
  const so = useLensNow(p);
  const { job, chosen, next, shown, plan, log, air, settings, warm, workLeftS, swollen, on, dueAt, now, name, units } =
    so;
  const missing = {
    tapped: lacking(job, chosen, 'tapped').length > 0,
    inspected: lacking(job, chosen, 'inspected').length > 0,
  };
  const tested = camerasTested(job);
  const cameraOut = isOut(job, 'camera');
  const needsBehind = Boolean(next?.fromBehind);
  const airOn = () => {
    if (!shown || !plan?.heater || !plan.heat?.readyS) return;
    const b = boxOf(shown.face.cover.outline);
    const at: [number, number] = [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2];
    const radiusMm = Math.min(b.max[0] - b.min[0], b.max[1] - b.min[1]) / 4;
    const use = { masked: true, path: { kind: 'spot' as const, at, radiusMm } };
    void log([
      {
        type: 'heatOn',
        setC: air.setC,
        preheated: true,
        heater: plan.heater.id,
        use,
        startC: job.ambientC ?? settings.roomC,
        modelRun: 'lens',
        readyInS: plan.heat.readyS.high,
      },
    ]);
  };
  const airOff = () =>
    void log([{ type: 'heatOff', reason: 'ready', easyForS: null, gripsInS: plan?.heat ? plan.heat.workS : null }]);

  const soft = !warm || (workLeftS !== null && workLeftS > 0);
  const text = ((): { sentence: string; reason: string; tone: 'ink' | 'caution' } => {
    if (swollen)
      return {
        sentence: 'Stop: the cell is swollen.',
        reason: 'No heat on this device. Into the fire-proof bag; follow the maker and local rules.',
        tone: 'caution',
      };
    if (!chosen.length)
      return { sentence: 'Which lens covers?', reason: 'Tap them on the plan, or tick them in the list.', tone: 'ink' };
    if (on) {
      const left = dueAt === null ? 0 : (dueAt - now) / 1e3;
      return left > 0
        ? {
            sentence: `Air off in ${clock(left)}.`,
            reason: 'Circle over this one cover, never still; the others masked.',
            tone: 'ink',
          }
        : {
            sentence: 'Air off now, and lift.',
            reason: `Soft since ${clock(-left)}; every second goes into the camera.`,
            tone: -left > 10 ? 'caution' : 'ink',
          };
    }
    if (next && plan) {
      if (needsBehind && !cameraOut)
        return {
          sentence: `${capital(name(next))}: from the front, in pieces.`,
          reason:
            'From behind only with the camera out of the way: take it out on Strip first, or pick the glass out with tweezers, blade flat.',
          tone: 'ink',
        };
      if (warm && !soft)
        return plan.heat?.readyS
          ? {
              sentence: `${workLeftS === null ? 'Warm' : 'It grips: warm'} ${name(next)} for ${clock(plan.heat.readyS.mean)}, at the latest ${clock(plan.heat.readyS.high)}.`,
              reason: `${temp(air.setC, units)} air; then the camera is at ${temp(plan.heat.cameraC.high, units)} at most, workable for ${clock(plan.heat.workS)}. All cameras masked.`,
              tone: plan.heat.cameraStops ? 'caution' : 'ink',
            }
          : {
              sentence: `This air does not warm ${name(next)} enough.`,
              reason: `The tape goes from ${plan.targetC === null ? 'no temperature' : temp(plan.targetC, units)}. Hotter air, or cold.`,
              tone: 'caution',
            };
      return {
        sentence: `${capital(name(next))}: ${needsBehind ? 'push it out from behind' : 'blade under the tape'}${workLeftS !== null && workLeftS > 0 ? `, ${clock(workLeftS)} left` : ''}.`,
        reason: needsBehind
          ? 'Soft tool on the middle of the glass, even pressure, never on a lens.'
          : `${length(next.bladeUnderMm, units, 2)} under its face, in by ${length(next.needMm, units)} to ${length(next.limitMm, units)}, all round: disc and tape together.`,
        tone: 'ink',
      };
    }
    if (missing.tapped)
      return {
        sentence: 'Tap the splinters out.',
        reason: 'Face down, so that they fall out and not in; then a puff of air.',
        tone: 'ink',
      };
    if (missing.inspected)
      return {
        sentence: 'Look into every opening.',
        reason: 'Light from the side: no splinter, no tape, no lint on a lens, bezel not bent.',
        tone: 'ink',
      };
    if (!tested)
      return {
        sentence: 'Test the cameras now.',
        reason: 'Before new covers go on: a picture with each. Slightly over-exposed is normal with no cover.',
        tone: 'ink',
      };
    return {
      sentence: 'Lens covers are off, cameras work.',
      reason: 'Clean the seats next; then sizes, then press.',
      tone: 'ink',
    };
  })();
  return { ...so, airOff, soft, airOn, missing, tested, text };
}

/** How it stands: what LensLift shows and does. */
export function useLensLift(p: { job: JobState }) {
  const so = useLensCall(p);
  const {
    swollen,
    on,
    airOff,
    next,
    warm,
    soft,
    airOn,
    job,
    jobs,
    settings,
    now,
    plan,
    name,
    log,
    step,
    chosen,
    missing,
    goOn,
    tested,
    shown,
    units,
  } = so;

  const main = ((): { label: string; act: () => void; why: string | null } => {
    const why = swollen ? 'cell is swollen' : null;
    if (on) return { label: 'Air off', act: airOff, why: null };
    if (next && warm && !soft)
      return {
        label: 'Air on',
        act: airOn,
        why: why ?? wetStop(job, jobs, settings, now) ?? (plan?.heat?.readyS ? null : 'this air does not get there'),
      };
    if (next) return { label: `${capital(name(next))} is off`, act: () => void log([step(next, 'off')]), why };
    if (!chosen.length) return { label: 'Cover is off', act: () => {}, why: 'choose the covers first' };
    if (missing.tapped)
      return {
        label: 'Tapped out',
        act: () => void log(lacking(job, chosen, 'tapped').map((l) => step(l, 'tapped'))),
        why,
      };
    if (missing.inspected)
      return {
        label: 'Openings are clear',
        act: () => void log(lacking(job, chosen, 'inspected').map((l) => step(l, 'inspected'))),
        why,
      };
    return { label: 'Go to clean', act: () => goOn(), why: tested ? why : 'cameras not tested' };
  })();
  const readings: ReadingItem[] = [
    {
      id: 'left',
      value: `${chosen.length - lacking(job, chosen, 'off').length} / ${chosen.length}`,
      label: 'covers off',
      tone: next ? 'ink' : 'go',
    },
    {
      id: 'depth',
      value: shown ? `${lengthNumber(shown.needMm, units)}–${lengthNumber(shown.limitMm, units)}` : '–',
      label: `${units.length}, blade in: past the tape, short of what the camera sees`,
      tone: shown && shown.limitMm < shown.needMm ? 'caution' : 'ink',
    },
    {
      id: 'camera',
      value: plan?.heat ? `${tempNumber(plan.heat.cameraC.high, units)}°` : '–',
      label: 'camera behind it when warmed, at most',
      tone: plan?.heat?.cameraStops ? 'caution' : 'ink',
    },
    {
      id: 'press',
      value: `${Math.round(pressS.value)} s`,
      label: 'under the finger later, each; common practice 1 to 2 min',
    },
  ];
  return { ...so, main, readings };
}
export type LensLiftState = ReturnType<typeof useLensLift>;
