import { useState } from 'react';
import { View } from 'react-native';

import { boxOf, contains } from '@/core/device/shapes';
import type { Pt } from '@/core/device/types';
import { bladeOverMm, lensToleranceMm, pressS, underTape, type LensCover } from '@/core/lens/lensSet';
import { lensHeatData } from '@/core/lens/lensHeat';
import type { EventOf, NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { LiftSlice } from '@/model/stages/lift';
import { onPlate } from '@/model/stages/heat';
import { useActions } from '@/bench-kit/actions';
import {
  camerasTested,
  lacking,
  lensAirC,
  lensBladeMm,
  lensMarginK,
  lensFocus,
  lensPlan,
  lensWork,
} from '@/work/lift/lensJob';
import { useLensAir } from '@/bench-kit/useLensAir';
import { LensAir } from '@/bench-kit/LensAir';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { StageShell } from '@/bench-kit/StageShell';
import { useGoOn } from '@/bench-kit/useGoOn';
import { rowOf, Why } from '@/bench-kit/Why';
import { isOut } from '@/work/heat/present';
import { wetStop } from '@/bench-kit/wet';
import { useJobs, useSettings } from '@/store/shop';
import { capital } from '@/words/capital';
import { Flash, useAlarm, useAwake } from '@/ui/alarm';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Numbers, Outlines } from '@/ui/plan/layers';
import { Readings, type ReadingItem } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { clock, length, lengthNumber, temp, tempNumber } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { CameraTests, Sizes } from './LensParts';
import { LiftLinks } from './LiftLinks';

const caution =
  'Splinters of lens glass are small and sharp: eye cover, tape over the glass, gloves. Hot air burns; every camera masked, never dwell on a lens. Maker’s instructions go first.';

type Step = EventOf<'lens'>['step'];

/** Lens covers, one after the other: warm or cold, blade under the tape, tap out, look, and the cameras tested. */
export function LensLift({ job }: { job: JobState }) {
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
  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label="Air off" />
      <StageShell
        job={job}
        stage="lift"
        now={now}
        caution={caution}
        onMain={main.why ? undefined : main.act}
        picture={(size) => (
          <PlainPlan
            job={job}
            size={size}
            focus={lensFocus(all)}
            label={`${chosen.length} of ${all.length} lens covers chosen`}
            lines={all.map(
              (l) =>
                `${name(l)}: ${length(l.sizeMm, units)} across, ${chosen.includes(l) ? stateWord(job, l) : 'stays'}; blade in ${length(l.needMm, units)} to ${length(l.limitMm, units)}`,
            )}
            onTap={(p: Pt) => {
              const hit = all.find((l) => contains(l.face.cover.outline, p, 2));
              if (hit) toggle(hit);
            }}
          >
            <Outlines items={all.map((l) => ({ shape: l.face.cover.outline, on: chosen.includes(l) }))} />
            <Numbers
              items={all.map((l, i) => {
                const b = boxOf(l.face.cover.outline);
                const isOff = job.lenses.get(l.bond.id)?.steps.off !== undefined;
                return {
                  at: [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2] as const,
                  text: isOff ? '✓' : String(i + 1),
                  state: isOff ? ('done' as const) : l === next ? ('next' as const) : ('todo' as const),
                };
              })}
            />
          </PlainPlan>
        )}
        call={<Call {...text} />}
        readings={<Readings items={readings} />}
        main={
          <Button
            kind="main"
            label={main.label}
            onPress={main.act}
            disabled={main.why !== null}
            {...(main.why ? { why: main.why } : {})}
          />
        }
        side={
          next && warm && !soft && !on ? (
            <Button label="Off already" onPress={() => void log([step(next, 'off')])} />
          ) : undefined
        }
      >
        <Disclosure title="Which covers, and their sizes" open={!job.lenses.size}>
          {all.map((l, i) => (
            <Tick
              key={l.bond.id}
              label={`${i + 1}. ${name(l)}, ${length(l.sizeMm, units)} across`}
              on={chosen.includes(l)}
              note={chosen.includes(l) ? stateWord(job, l) : 'stays on'}
              onChange={() => toggle(l)}
            />
          ))}
          <Sizes job={job} chosen={chosen} />
        </Disclosure>
        {plan && next ? (
          <View className="mt-2">
            <Choice
              label="With heat or without"
              value={warm ? 'warm' : 'cold'}
              options={[
                { id: 'warm', name: `Warm${plan.heat?.readyS ? `, ${clock(plan.heat.readyS.high)}` : ''}` },
                { id: 'cold', name: 'Cold' },
              ]}
              onChange={setSchool}
              hint={`Warm: ${plan.heat?.readyS ? `the camera gets up to ${temp(plan.heat.cameraC.high, units)}, disc and tape come in one` : 'this air is too weak'}. Cold: no heat at the camera; the tape asks for ${Math.round(plan.cold.gcJm2)} J/m², ${plan.cold.verdict === 'go' ? 'the blade goes' : plan.cold.verdict === 'slow' ? 'slowly, in more splinters' : 'hardly, in more splinters'}. Proposed: ${plan.choose}.`}
            />
            {warm ? (
              <View>
                <LensAir air={air} heater={plan.heater} />
                <Txt size="s" tone="ink2">
                  Every other lens under heat-resistant tape and foil first.
                </Txt>
              </View>
            ) : null}
          </View>
        ) : null}
        {next || !chosen.length ? null : <CameraTests job={job} log={log} />}
        <LiftLinks job={job} />
        <Why
          job={job}
          call="lens"
          inputs={{ chosen: chosen.map((l) => l.bond.id), setC: air.setC, heater: plan?.heater?.id ?? null }}
          computed={{ heat: plan?.heat ?? null, easyC: plan?.easyC ?? null, workC: plan?.workC ?? null }}
          notes={[
            `Blade of ${length(lensBladeMm.value, units)}: goes from ${plan?.easyC == null ? 'no temperature' : temp(plan.easyC, units)}, works slowly from ${plan?.workC == null ? 'none' : temp(plan.workC, units)}. The ring law for a straight edge: on a small disc it is an estimate.`,
            'Glass held by a camera frame: pushed out from behind where the camera is out, else picked out in pieces from the front.',
          ]}
          rows={[
            rowOf('Blade under the tape', underTape, ''),
            rowOf('Blade', lensBladeMm, 'mm'),
            rowOf('Room before the view', bladeOverMm, 'mm'),
            rowOf('Air', lensAirC, '°C'),
            rowOf('Above where the blade goes', lensMarginK, 'K'),
            rowOf('Bezel and camera module', lensHeatData.moduleJK, 'J/K'),
            rowOf('Press under the finger', pressS, 's'),
            rowOf('Sizes match within', lensToleranceMm, 'mm'),
          ]}
        />
      </StageShell>
    </View>
  );
}

function stateWord(job: Pick<LiftSlice, 'lenses'>, l: LensCover): string {
  const s = job.lenses.get(l.bond.id)?.steps ?? {};
  return s.inspected !== undefined
    ? 'off, opening clear'
    : s.tapped !== undefined
      ? 'off, tapped out'
      : s.off !== undefined
        ? 'off'
        : 'to come off';
}
