import { useRouter } from 'expo-router';
import { useState } from 'react';

import { leakUnits } from '@/core/seal/channel';
import { absoluteHold } from '@/core/seal/roomPressure';
import { sealDecay } from '@/core/seal/decay';
import { pressTest } from '@/core/seal/pressTest';
import type { JobState } from '@/model/fold';
import { maxPressureBytes } from '@/model/pressureLog';
import { useActions } from '@/bench-kit/actions';
import { cureEnd, cureOf } from '@/work/cure/cureJob';
import { holdOnTester } from '@/bench-kit/instruments';
import { freeVolumeM3, sealOf } from '@/work/check/sealJob';
import { pressWords, ratioWords, suspectWords } from '@/words/checkNames';
import { placeName } from '@/words/placeNames';
import { bondPerimeter } from '@/core/device/perimeter';
import type { Pt } from '@/core/device/types';
import { useSettings } from '@/store/shop';
import { capital } from '@/words/capital';
import { pickText } from '@/ui/download';
import { refused, type Told } from '@/ui/Message';
import { digits, dayTime, length } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { useFileRead } from '@/bench-kit/useFileRead';
import { pressureLogOf } from '@/workers/filesClient';
import { t } from '@/words/check';
import { t as common } from '@/words/common';

type Phase = 'before' | 'after';

export const times = (v: number) => t('times', { v: digits(v, v < 10 ? 1 : 0) });

/** What can be tested now, and how a hold and a press are noted. */
function useNoting({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(30_000);
  const router = useRouter();
  const { log: append } = useActions(job);
  const [phase, setPhase] = useState<Phase>(job.opened ? 'after' : 'before');
  const [message, setMessage] = useState<Told | null>(null);
  const reading = useFileRead();
  const cure = cureOf(job, settings, now);
  const from = cureEnd(cure, 'sealTest');
  const overridden = job.decisions.some((d) => d.call === 'seal' && d.because);
  const locked = phase === 'after' && !overridden && (from === null || now < from);
  // what is measured now cannot have been before
  const live = phase === 'after' || !job.opened;
  const seal = sealOf(job, settings.leakLimit);
  const path = bondPerimeter(job.device, job.bond);
  const [pressAt, setPressAt] = useState<Pt | null>(null);
  /** air pressure of the place, as somebody says it, hPa */
  const [roomHPa, setRoomHPa] = useState<number | null>(null);
  const refuse = (e: unknown) => {
    if (!(e instanceof Error)) throw e;
    setMessage(refused(e.message));
  };
  const noteHold = async (
    log: { t: number[]; p: number[]; gasC?: number[] | null | undefined; unit?: string; roomPa?: number },
    name: string,
  ) => {
    const gasC = log.gasC ?? undefined;
    sealDecay({
      t: log.t,
      p: log.p,
      ...(gasC ? { gasK: gasC.map((c) => c + 273.15) } : {}),
      volumeM3: freeVolumeM3(job),
      atPa: 1000,
      roomPa: log.roomPa,
    });
    await append([
      {
        type: 'sealLog',
        phase,
        test: 'hold',
        t: log.t,
        p: log.p,
        ...(gasC ? { gasC } : {}),
        ...(log.roomPa ? { roomPa: log.roomPa } : {}),
      },
    ]);
    setMessage({
      text: gasC
        ? t('readingsInWithTheTemperatureInside', { name, n: log.t.length, unit: log.unit ?? 'Pa' })
        : t('readingsIn', { name, n: log.t.length, unit: log.unit ?? 'Pa' }),
      bad: false,
    });
  };
  const notePress = async (log: { t: number[]; p: number[]; cues?: [number, number][] }, name: string) => {
    pressTest(log.t, log.p, log.cues);
    await append([
      {
        type: 'sealLog',
        phase,
        test: 'press',
        t: log.t,
        p: log.p,
        ...(log.cues ? { cues: log.cues } : {}),
        ...(pressAt ? { place: [pressAt[0], pressAt[1]] } : {}),
      },
    ]);
    setMessage({ text: t('readings', { name, n: log.t.length }), bad: false });
    setPressAt(null);
  };
  return {
    setMessage,
    reading,
    notePress,
    noteHold,
    roomHPa,
    refuse,
    seal,
    locked,
    from,
    now,
    path,
    settings,
    phase,
    job,
    live,
    pressAt,
    setPhase,
    setRoomHPa,
    setPressAt,
    router,
    message,
  };
}

/** What can be tested now, and how it is noted. */
function useSealLogs(p: { job: JobState }) {
  const so = useNoting(p);
  const { setMessage, reading, notePress, noteHold, roomHPa, refuse } = so;
  const take = async (test: 'hold' | 'press') => {
    setMessage(null);
    try {
      const file = await pickText('.csv,text/csv,text/plain', maxPressureBytes);
      if (!file) return;
      const read = await reading.read(file.name, (onShare) => pressureLogOf(file.text, onShare));
      if (test === 'press') return await notePress(read, file.name);
      if (!read.absolute) return await noteHold({ ...read, ...(roomHPa ? { roomPa: roomHPa * 100 } : {}) }, file.name);
      const cut = absoluteHold(read.t, read.p, roomHPa === null ? undefined : roomHPa * 100);
      if (!cut) throw new Error(t('absolutePressureWithoutTheRoomIn', { name: file.name }));
      await noteHold(
        {
          ...read,
          t: cut.t,
          p: cut.p,
          gasC: read.gasC ? read.gasC.slice(cut.first, cut.first + cut.t.length) : null,
          roomPa: cut.roomPa,
        },
        file.name,
      );
    } catch (e) {
      refuse(e);
    }
  };
  const hold = async () => {
    setMessage(null);
    const r = await holdOnTester(-1000, 120);
    if ('problem' in r) return setMessage({ text: r.problem, bad: true });
    await noteHold(r.log, t('tester')).catch(refuse);
  };
  return { ...so, hold, take };
}

/** How it stands: what SealScreen shows and does. */
export function useSealScreen(p: { job: JobState }) {
  const so = useSealLogs(p);
  const { seal, locked, from, now, path, settings, phase } = so;
  const r = seal.ratio;
  const press = seal.press.after;
  const text = r
    ? {
        sentence: t('airLeak', { verdict: ratioWords[r.verdict], ratio: times(r.ratio) }),
        reason: t('toWhatItWasBeforeOpening', {
          low: times(r.low),
          high: times(r.high),
          airTestLine: common('noWaterPromise'),
        }),
        tone: r.verdict === 'noWorse' ? ('ink' as const) : ('caution' as const),
      }
    : press
      ? {
          sentence: `${capital(pressWords[press.kind])}.`,
          reason: common('noWaterPromise'),
          tone: press.kind === 'holds' ? ('ink' as const) : ('caution' as const),
        }
      : locked
        ? {
            sentence: from === null ? t('notClosedYet') : t('notBefore', { from: dayTime(from, now) }),
            reason: t('pressureLiftsAYoungBond5'),
            tone: 'ink' as const,
          }
        : {
            sentence: t('holdALowVacuumForA'),
            reason: t('againstTheSameDeviceBeforeOpening', { airTestLine: common('noWaterPromise') }),
            tone: 'ink' as const,
          };
  const suspectLine = (s: (typeof seal.suspects)[number], i: number) =>
    `${i + 1}: ${placeName(path, (s.most.fromMm + s.most.toMm) / 2)}, ${length(s.toMm - s.fromMm, settings, 0)}: ${s.kinds.map((k) => suspectWords[k]).join('; ')}`;
  const result = phase === 'after' ? seal.after : seal.before;
  const units = result ? leakUnits(result.leak) : null;
  return { ...so, r, press, suspectLine, result, units, text };
}
export type SealScreenState = ReturnType<typeof useSealScreen>;
