import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { clipPlaces, noPress } from '@/core/bond/hold';
import { cureMarks, type CureKind, type CureMark } from '@/core/cure/laws';
import { benchReports } from '@/core/cure/policy';
import { bondPerimeter } from '@/core/device/perimeter';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { cureMarkNames, cureOf } from '@/work/cure/cureJob';
import { OpenAgain } from '@/bench-kit/OpenAgain';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { StageShell } from '@/bench-kit/StageShell';
import { useGoOn } from '@/bench-kit/useGoOn';
import { Why } from '@/bench-kit/Why';
import { saveSettings, useSettings } from '@/store/shop';
import { newId } from '@/store/ids';
import { Flash, useAlarm } from '@/ui/alarm';
import { Button, HoldButton } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { NoPressAreas } from '@/ui/plan/bondLayers';
import { Numbers } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { clock, dayTime, percent, span } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { AirLog } from './AirLog';
import { CureFiles } from './CureFiles';
import { cureText } from './cureCall';
import { HoldChoice } from './HoldChoice';
import { holdWays, type HoldWay } from '@/work/cure/holdWays';
import { ShelfPlace } from './ShelfPlace';
import { WhyHours } from './WhyHours';
import { cureNotes, cureRows } from './whyCure';

const caution =
  'Clips with padded jaws, none over camera, board or the middle of the display. Too much force cracks the new glass.';

const reportText = (kind: CureKind, m: CureMark): string => {
  const r = benchReports[kind][m];
  if (!r) return '–';
  const [a, b] = r.map((x) => span(x.value));
  return a === b ? a! : `${a} to ${b}`;
};

function MarkRow({ cells, head, bold }: { cells: string[]; head?: boolean; bold?: number }) {
  return (
    <View role="row" className="flex-row border-b border-rule py-1">
      {cells.map((c, i) => (
        <View key={i} role={head ? 'columnheader' : 'cell'} className={i ? 'flex-1 pr-1' : 'w-[92px] pr-1'}>
          <Txt size="s" num={i > 0 && !head} strong={i === bold} tone={head ? 'ink2' : 'ink'}>
            {c}
          </Txt>
        </View>
      ))}
    </View>
  );
}

export function CureStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(1000);
  const { log, decide } = useActions(job);
  const goOn = useGoOn(job, 'cure');
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  // the air changes by the minute at most; the clocks below derive from it and the instant
  const minute = Math.floor(now / 60_000) * 60_000;
  const cure = useMemo(() => cureOf(job, settings, Math.max(minute, job.clampOn?.at ?? 0)), [job, settings, minute]);
  const ways = useMemo(() => holdWays(job, settings, cure), [job, settings, cure]);
  const [full, setFull] = useState(false);
  const [pickedId, setPicked] = useState<HoldWay['id'] | null>(null);
  const way = ways.find((w) => w.id === pickedId) ?? ways[0]!;
  const places = useMemo(
    () => (way.clips ? clipPlaces(path, way.clips.count, job.device, job.face) : []),
    [way.clips, path, job.device, job.face],
  );
  const start = job.clampOn?.at ?? null;
  const since = start === null ? 0 : (now - start) / 1e3;
  const off = job.clampOffAt !== null;
  const due = start === null ? null : start + cure.unlockS.clampOff * 1e3;
  const left = due === null ? 0 : (due - now) / 1e3;
  const alarm = useAlarm(off ? null : due, now, 'opens', settings.sound);
  const bonded = job.bonded !== null;
  const text = cureText(job, cure, way, now, settings);
  const clampOn = () =>
    void log([
      decide({
        call: 'cure',
        inputs: { air: cure.steps[0], bondMm: cure.bondMm, kind: cure.kind },
        computed: { clocks: cure.clocks, ways: ways.map((w) => ({ id: w.id, against: w.against })) },
        chosen: way.id,
        ...(way !== ways[0] ? { because: 'another way was chosen on the screen; no reason was given' } : {}),
      }),
      // the air of the beginning stands in the log: a figure of the shop that is changed later does not change it
      { type: 'ambient', tempC: job.ambientC ?? settings.roomC, rh: settings.humidity },
      { type: 'clampOn', clip: way.name, count: way.count, forceN: way.forceN },
    ]);
  const clampOff = (early: boolean) => void log([{ type: 'clampOff', early }]);
  const twoEdge = cure.clocks.clampOff.low / cure.edges.low;
  const sayHeld = (held: boolean) => {
    const ratio = (job.clampOffAt! - start!) / 1e3 / twoEdge;
    void log([{ type: 'cureHeld', held, ratio: Math.min(1000, Math.max(0, ratio)) }]);
    const liquid = job.bonded?.itemId;
    if (cure.kind !== 'tape' && liquid)
      saveSettings({
        ...settings,
        cureSeen: [
          ...settings.cureSeen.slice(-499),
          { id: newId(), at: now, job: job.label, liquid, ratio: Math.min(1000, Math.max(0, ratio)), held, out: false },
        ],
      }).catch(() => setFull(true));
  };
  const mainOf = () => {
    if (!bonded) return { label: 'Clamps on', act: undefined, why: 'bond it first' };
    if (start === null) return { label: way.clips ? 'Clamps on' : 'It is held', act: clampOn, why: null };
    if (!off)
      return {
        label: 'Clamps off',
        act: left > 0 ? undefined : () => clampOff(false),
        why: left > 0 ? `in ${clock(left)}` : null,
      };
    return { label: 'Go to check', act: () => goOn(), why: null };
  };
  const main = mainOf();
  const short = (s: number) => (s < 3600 ? clock(s) : span(s));
  const shown =
    cure.kind === 'tape'
      ? (['clampOff', 'build', 'handOver', 'sealTest'] as const)
      : (['clampOff', 'handle', 'build', 'handOver'] as const);
  const markReading = (m: CureMark) => {
    const c = cure.clocks[m];
    const unlock = cure.unlockS[m];
    const reached = start !== null && since >= unlock;
    const other = unlock === c.high ? c.mean : c.high;
    const word = unlock === c.high ? 'usually' : 'at the latest';
    const when = start === null ? `after ${short(other)}` : since >= other ? 'passed' : `in ${short(other - since)}`;
    return {
      id: m,
      // before it is closed nothing is known of its glue
      value: !bonded ? '–' : start === null ? short(unlock) : reached ? 'now' : short(unlock - since),
      label: `${cureMarkNames[m]}${unlock === c.high ? ', at the latest' : ', usually'}${bonded ? `; ${word} ${when}` : ''}`,
      tone: reached ? ('go' as const) : ('ink' as const),
    };
  };
  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label="Clamps may come off" />
      <StageShell
        job={job}
        stage="cure"
        now={now}
        caution={caution}
        onMain={main.act}
        picture={(size) => (
          <PlainPlan
            job={job}
            size={size}
            label={way.clips ? `${places.length} clips round ${job.device.name}` : `${way.name} on ${job.device.name}`}
            lines={[
              ...places.map(
                (p, i) => `clip ${i + 1}: ${path.point(p.sMm).edge} edge${p.movedMm ? ', moved aside' : ''}`,
              ),
              ...noPress(job.device, job.face).map((p) => `not on ${p.name}`),
            ]}
          >
            <NoPressAreas shapes={noPress(job.device, job.face).map((p) => p.shape)} />
            <Numbers
              items={places.map((p, i) => ({
                at: path.point(p.sMm).at,
                text: String(i + 1),
                state: start === null || off ? ('todo' as const) : ('done' as const),
              }))}
            />
          </PlainPlan>
        )}
        call={<Call {...text} />}
        readings={<Readings items={shown.map(markReading)} />}
        main={
          <Button
            kind="main"
            key={main.label}
            label={main.label}
            onPress={() => main.act?.()}
            disabled={main.act === undefined}
            {...(main.why ? { why: main.why } : {})}
          />
        }
        side={
          start !== null && !off && left > 0 ? (
            <HoldButton kind="side" label="Off early" onPress={() => clampOff(true)} />
          ) : undefined
        }
      >
        {full ? (
          <Txt size="s" tone="caution">
            The storage of this browser is full: it stands in the log of the job, not yet among what the shop has seen.
          </Txt>
        ) : null}
        {alarm.silent ? (
          <Txt size="s" tone="caution">
            This browser keeps silent until the screen is tapped.
          </Txt>
        ) : null}
        {start === null ? <HoldChoice ways={ways} way={way} onWay={setPicked} /> : null}
        {off && cure.kind !== 'tape' && !job.cureHeld ? (
          <View className="mt-2">
            <Txt strong>Did it hold when the clamps came off?</Txt>
            <Txt size="s" tone="ink2">
              Three that held teach this shop how long its own beads need.
            </Txt>
            <View className="flex-row gap-3 mt-1">
              <View className="flex-1">
                <Button kind="small" label="It held" onPress={() => sayHeld(true)} />
              </View>
              <View className="flex-1">
                <Button kind="small" label="It slipped" onPress={() => sayHeld(false)} />
              </View>
            </View>
          </View>
        ) : null}
        <View className="mt-2" role="table" aria-label="When">
          <MarkRow head cells={['mark', 'early', 'usually', 'latest', 'benches say']} />
          {cureMarks.map((m) => {
            const at = (s: number) => (start === null ? short(s) : dayTime(start + s * 1e3, now));
            const c = cure.clocks[m];
            return (
              <MarkRow
                key={m}
                cells={[cureMarkNames[m], at(c.low), at(c.mean), at(c.high), reportText(cure.kind, m)]}
                bold={cure.unlockS[m] === c.high ? 3 : 2}
              />
            );
          })}
        </View>
        <Txt size="s" tone="ink2" className="mt-1">
          Bold unlocks: {settings.cureBy === 'usual' ? 'the usual time' : 'the latest time'} for clamps, going on and
          hand-over (set in Shop); the latest for tests and the full bond.
        </Txt>
        {start !== null ? (
          <Txt size="s" className="mt-1">
            {cure.kind === 'tape'
              ? `${percent(cure.shareHigh)} of the final bond by now.`
              : `${percent(cure.shareLow)} to ${percent(cure.shareHigh)} ${cure.kind === 'solvent' ? 'of the solvent has left' : 'of the width has cured'} by now.`}
          </Txt>
        ) : null}
        <ShelfPlace job={job} cure={cure} now={now} />
        <AirLog job={job} cure={cure} now={now} />
        <WhyHours cure={cure} now={now} />
        <CureFiles job={job} cure={cure} now={now} />
        <OpenAgain job={job} now={now} />
        <Why
          job={job}
          call="cure"
          inputs={{ air: cure.steps[0], bondMm: cure.bondMm, kind: cure.kind }}
          computed={{ way: way.id, count: way.count, clocks: cure.clocks }}
          notes={cureNotes(cure, ways, settings)}
          rows={cureRows(cure)}
        />
      </StageShell>
    </View>
  );
}
