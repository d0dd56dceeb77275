import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { leakUnits } from '@/core/seal/channel';
import { ratioFigures } from '@/core/seal/compare';
import { absoluteHold } from '@/core/seal/roomPressure';
import { sealDecay, sealFigures } from '@/core/seal/decay';
import { pressFigures, pressTest } from '@/core/seal/pressTest';
import { airTestLine } from '@/core/seal/claimCheck';
import { suspectFigures } from '@/core/seal/suspects';
import type { JobState } from '@/model/fold';
import { maxPressureBytes } from '@/model/pressureLog';
import { useActions } from '@/bench-kit/actions';
import { cureEnd, cureOf } from '@/work/cure/cureJob';
import { holdOnTester } from '@/bench-kit/instruments';
import { HoldTest } from '@/bench-kit/HoldTest';
import { JobPage } from '@/bench-kit/JobPage';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { freeVolumeM3, limitWords, pressWords, ratioWords, sealOf, suspectWords } from '@/work/check/sealJob';
import { stageHref } from '@/bench-kit/stageHref';
import { placeName } from '@/work/heat/thermalJob';
import { rowOf, Why } from '@/bench-kit/Why';
import { bondPerimeter } from '@/core/device/perimeter';
import type { Pt } from '@/core/device/types';
import { saveSettings, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { capital } from '@/words/capital';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { pickText } from '@/ui/download';
import { Message, refused, type Told } from '@/ui/Message';
import { NumberField } from '@/ui/NumberField';
import { Numbers, RingArcs, Soundings } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { dayTime, length } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { useFileRead } from '@/bench-kit/useFileRead';
import { pressureLogOf } from '@/workers/filesClient';
import { PressRun } from './PressRun';

type Phase = 'before' | 'after';

const times = (v: number) => `${v.toFixed(v < 10 ? 1 : 0)} times`;

/** Air test of the closed device: hold and press, against the same device before; locked while the bond is young. */
export function SealScreen({ job }: { job: JobState }) {
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
      text: `${name}: ${log.t.length} readings in ${log.unit ?? 'Pa'}${gasC ? ', with the temperature inside' : ''}.`,
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
    setMessage({ text: `${name}: ${log.t.length} readings.`, bad: false });
    setPressAt(null);
  };
  const take = async (test: 'hold' | 'press') => {
    setMessage(null);
    try {
      const file = await pickText('.csv,text/csv,text/plain', maxPressureBytes);
      if (!file) return;
      const read = await reading.read(file.name, (onShare) => pressureLogOf(file.text, onShare));
      if (test === 'press') return await notePress(read, file.name);
      if (!read.absolute) return await noteHold({ ...read, ...(roomHPa ? { roomPa: roomHPa * 100 } : {}) }, file.name);
      const cut = absoluteHold(read.t, read.p, roomHPa === null ? undefined : roomHPa * 100);
      if (!cut)
        throw new Error(
          `${file.name}: absolute pressure without the room in it. Record some seconds before the hold or after it is let go, or say the air pressure below.`,
        );
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
    await noteHold(r.log, 'Tester').catch(refuse);
  };
  const r = seal.ratio;
  const press = seal.press.after;
  const text = r
    ? {
        sentence: `Air leak ${ratioWords[r.verdict]}: ${times(r.ratio)}.`,
        reason: `${times(r.low)} to ${times(r.high)} what it was before opening, on the same device and tester. ${airTestLine}`,
        tone: r.verdict === 'noWorse' ? ('ink' as const) : ('caution' as const),
      }
    : press
      ? {
          sentence: `${capital(pressWords[press.kind])}.`,
          reason: airTestLine,
          tone: press.kind === 'holds' ? ('ink' as const) : ('caution' as const),
        }
      : locked
        ? {
            sentence: from === null ? 'Not closed yet.' : `Not before ${dayTime(from, now)}.`,
            reason: 'Pressure lifts a young bond: 5 kPa on a phone’s back are 55 N. Low vacuum rather than pressure.',
            tone: 'ink' as const,
          }
        : {
            sentence: 'Hold a low vacuum for a minute.',
            reason: `Against the same device before opening. ${airTestLine}`,
            tone: 'ink' as const,
          };
  const suspectLine = (s: (typeof seal.suspects)[number], i: number) =>
    `${i + 1}: ${placeName(path, (s.most.fromMm + s.most.toMm) / 2)}, ${length(s.toMm - s.fromMm, settings, 0)}: ${s.kinds.map((k) => suspectWords[k]).join('; ')}`;
  const result = phase === 'after' ? seal.after : seal.before;
  const units = result ? leakUnits(result.leak) : null;
  return (
    <JobPage
      job={job}
      title="Air test"
      now={now}
      stage="check"
      lead={<Call {...text} />}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={seal.suspects.length ? `Stretches to suspect: ${seal.suspects.length}` : 'No stretch to suspect'}
          lines={seal.suspects.map((s, i) => suspectLine(s, i))}
          onTap={setPressAt}
        >
          <RingArcs
            arcs={seal.suspects.flatMap((s) => [
              { fromMm: s.fromMm, toMm: s.toMm, state: 'dry' as const },
              ...(s.most.kinds > 1 ? [{ fromMm: s.most.fromMm, toMm: s.most.toMm, state: 'stop' as const }] : []),
            ])}
          />
          <Numbers
            items={seal.suspects.map((s, i) => ({
              at: path.point((s.most.fromMm + s.most.toMm) / 2).at,
              text: String(i + 1),
              state: 'next' as const,
            }))}
          />
          {pressAt ? <Soundings items={[{ at: pressAt, text: '×', ring: true }]} /> : null}
        </PlainPlan>
      )}
      main={<Button kind="main" label="Back to check" onPress={() => router.replace(stageHref(job.id, 'check'))} />}
    >
      <View className="mt-3" />
      <Readings
        items={[
          {
            id: 'tau',
            value: result?.tauS
              ? `${Math.round(result.tauS)} s`
              : result?.tighterThanS
                ? `over ${Math.round(result.tighterThanS)} s`
                : '–',
            label: result
              ? result.tighterThanS
                ? 'no loss seen: tighter than this time constant'
                : `time constant, ± ${Math.round(2 * result.seTauS)} s; ${result.method}`
              : 'time constant of the hold',
          },
          {
            id: 'leak',
            value: result ? result.leak.toExponential(1) : '–',
            label: result
              ? `Pa m³/s at 1 kPa, ± ${(2 * result.uLeak).toExponential(0)}; ${units!.sccm20C.toFixed(2)} sccm at 20 °C`
              : 'leak at 1 kPa, Pa m³/s',
            ...(result?.verdict === 'above' ? { tone: 'caution' as const } : {}),
          },
        ]}
      />
      <Choice
        label="When"
        value={phase}
        options={[
          { id: 'before', name: 'Before opening' },
          { id: 'after', name: 'After closing' },
        ]}
        onChange={setPhase}
      />
      <NumberField
        label="Air pressure of the place, for absolute logs and high places"
        unit="hPa"
        low={500}
        high={1100}
        digits={0}
        value={roomHPa ?? 1013}
        onCommit={setRoomHPa}
      />
      {seal.problems.map((x) => (
        <Txt key={`${x.phase}${x.what}`} size="s" tone="caution" testID="unusable">
          This {x.what === 'hold' ? 'hold' : 'press'} {x.phase === 'before' ? 'before opening' : 'after closing'} is not
          usable: {x.why}. It is kept in the log; record it again, or undo it there.
        </Txt>
      ))}
      {reading.view}
      <Message told={message} />
      {locked ? (
        <Txt tone="caution" className="mb-2">
          Locked until the adhesive’s own mark. To test all the same, log an override with its reason below.
        </Txt>
      ) : (
        <View className="gap-2 mb-2">
          {live ? (
            <Button kind="small" label="Hold 1 kPa of vacuum on the tester" onPress={() => void hold()} />
          ) : (
            <Txt size="s" tone="ink2">
              The device has been opened: only a log that was taken before can be read in.
            </Txt>
          )}
          <Button kind="small" label="Hold log from a file, CSV" onPress={() => void take('hold')} />
          <Txt size="s" tone="ink2">
            {pressAt
              ? `The press is noted at the cross, nearest to the ${placeName(path, path.locate(pressAt))}.`
              : 'Tap the plan where the thumb presses: a bump that decays at one place and holds at another says where.'}
          </Txt>
          <Button kind="small" label="Barometer log of presses, CSV" onPress={() => void take('press')} />
          {live ? <PressRun onDone={(l) => void notePress(l, 'Barometer').catch(refuse)} /> : null}
          {live ? (
            <Disclosure title="Two readings by hand">
              <HoldTest job={job} phase={phase} />
            </Disclosure>
          ) : null}
        </View>
      )}
      {seal.suspects.length ? (
        <View className="my-2" testID="suspects">
          <Txt strong>Where to look</Txt>
          {seal.suspects.map((x, i) => (
            <Txt key={x.fromMm} size="s">
              {suspectLine(x, i)}.
            </Txt>
          ))}
        </View>
      ) : null}
      {result?.verdict ? (
        <Txt tone={result.verdict === 'above' ? 'caution' : 'ink'}>
          Leak {limitWords[result.verdict]}. {airTestLine}
        </Txt>
      ) : null}
      {(['before', 'after'] as const).map((k) =>
        seal.press[k] ? (
          <Txt key={k} size="s">
            Presses {k}: {pressWords[seal.press[k].kind]}, {seal.press[k].amplitudePa.toFixed(0)} Pa
            {seal.press[k].tauS === null || seal.press[k].kind === 'noBump'
              ? ''
              : seal.press[k].tauS > 20
                ? ', longer than 20 s'
                : `, about ${seal.press[k].tauS.toFixed(0)} s`}
            .
          </Txt>
        ) : null,
      )}
      {result?.channel ? (
        <Txt size="s" tone="ink2">
          As one round hole it would be {(result.channel.diameterM * 1e6).toFixed(0)} µm wide: a picture, not a finding;
          many small paths leak the same.
        </Txt>
      ) : null}
      <Disclosure title="Limit of the shop">
        <Txt size="s" tone="ink2" className="mb-2">
          There is no published limit for a repaired phone. Set one from holds of devices that never were opened, or
          leave it empty and compare with before.
        </Txt>
        <NumberField
          label="Leak at 1 kPa that passes"
          unit="10⁻⁶ Pa m³/s"
          low={0.1}
          high={100000}
          digits={1}
          value={settings.leakLimit === null ? null : settings.leakLimit * 1e6}
          onCommit={(v) => void saveSettings({ ...settings, leakLimit: v * 1e-6 })}
        />
        {settings.leakLimit === null ? null : (
          <Button kind="small" label="No limit" onPress={() => void saveSettings({ ...settings, leakLimit: null })} />
        )}
      </Disclosure>
      <Why
        job={job}
        call="seal"
        inputs={{ holds: job.holds, logs: Object.keys(job.sealLogs) }}
        computed={{ ratio: r, after: seal.after?.tauS ?? null, press: press?.kind ?? null }}
        notes={[
          'The pressure difference of a leaky closed device falls off exponentially; its time constant is free volume over leak. Before and after on the same device the unknown volume cancels. There is no published limit for a repaired phone.',
          'A device that breathes through a vent loses a bump fast though it is well bonded: compare it with itself.',
          `Free volume taken as ${(freeVolumeM3(job) * 1e6).toFixed(1)} ml.`,
        ]}
        rows={[
          rowOf('Free share of the outer volume', sealFigures.freeShare, ''),
          rowOf('Uncertainty of the free volume', sealFigures.uVolumeShare, ''),
          rowOf('Two holds of one device differ by', ratioFigures.uRepeat, ''),
          rowOf('Counts as leakier from', ratioFigures.worse, 'times'),
          rowOf('Most difference on an open-cell bond', sealFigures.mostPa, 'Pa'),
          rowOf('Smallest bump', pressFigures.leastPa, 'Pa'),
          rowOf('A bump holds from', pressFigures.holdsS, 's'),
          rowOf('A press reaches along the bond', suspectFigures.pressReachMm, 'mm'),
        ]}
      />
    </JobPage>
  );
}
