import { useMemo } from 'react';
import { View } from 'react-native';

import { clampPlan, displayLimitKPa, evennessMin, bondLimitKPa, tapePressKPa } from '@/core/bond/clampPlan';
import { roundRectAreaMm2 } from '@/core/bond/tapePlan';
import { activationKJ, buildShare, rate, roomU, tapeClocks, tapeMarks, type TapeMark } from '@/core/cure/tapeDwell';
import { bondPerimeter, coverOf } from '@/core/device/perimeter';
import { boxOf } from '@/core/device/shapes';
import { adhesiveRecord } from '@/core/adhesives';
import { coverStrengths } from '@/core/lift/strength';
import type { JobState } from '@/model/fold';
import { useActions } from '@/stagekit/actions';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { StageShell } from '@/stagekit/StageShell';
import { useGoOn } from '@/stagekit/useGoOn';
import { rowOf, Why } from '@/stagekit/Why';
import { useSettings } from '@/store/shop';
import { Flash, useAlarm } from '@/ui/alarm';
import { Button, HoldButton } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Numbers } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { clock, dayTime, kelvin, length, percent, span, temp } from '@/ui/units';
import { useNow } from '@/ui/useNow';

const caution =
  'Clips with padded jaws, none over camera, board or the middle of the display. Too much force cracks the new glass.';

const markNames: Record<TapeMark, string> = {
  clampOff: 'Clamps off',
  build: 'Work goes on',
  handOver: 'Hand over',
  sealTest: 'Press or hold test',
  full: 'Full bond',
};
const against: Record<string, string> = {
  force: 'presses too little',
  uneven: 'lifts between clips',
  peak: 'too hard under a clip',
  display: 'too much on the display',
  owned: 'not enough of them here',
};

export function CureStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(1000);
  const { log, decide } = useActions(job);
  const goOn = useGoOn(job, 'cure');
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const cover = coverOf(job.device, job.bond);
  const strength = coverStrengths[cover.strength]!;
  const widthMm = job.bonded?.widthMm ?? settings.tape.widthMm;
  const adhesive = adhesiveRecord(job.bonded?.adhesive ?? 'cutTape');
  const box = boxOf(cover.outline);
  const r = cover.outline.kind === 'roundRect' ? cover.outline.rMm : 0;
  const area = roundRectAreaMm2(box.max[0] - box.min[0], box.max[1] - box.min[1], r);
  const clips = useMemo(
    () =>
      clampPlan(
        path.lengthMm,
        widthMm,
        area,
        cover.hMm,
        strength.eGPa.value,
        adhesive.debond.kNmm3.value,
        settings.clips,
        adhesive.joint?.pressKPa ?? tapePressKPa,
      ),
    [path.lengthMm, widthMm, area, cover.hMm, strength, adhesive, settings.clips],
  );
  const roomC = job.ambientC ?? settings.roomC;
  const clocks = tapeClocks(roomC);
  const start = job.clampOn?.at ?? null;
  const since = start === null ? 0 : (now - start) / 1e3;
  const share = buildShare(since * rate(roomC));
  const off = job.clampOffAt !== null;
  const due = start === null ? null : start + clocks.clampOff.high * 1e3;
  const alarm = useAlarm(off ? null : due, now, 'opens', settings.sound);
  const left = due === null ? 0 : (due - now) / 1e3;
  const chosen = clips.clip;
  const bonded = job.bonded !== null;
  const text = !bonded
    ? { sentence: 'Bond it first.', reason: 'The clock starts when it is closed and pressed.', tone: 'ink' as const }
    : start === null
      ? chosen
        ? {
            sentence: `${clips.count} ${chosen.name}s, ${chosen.forceN} N each, every ${length(clips.spacingMm, settings, 0)}.`,
            reason: `Even to ${percent(clips.evenness)}, ${Math.round(clips.meanKPa)} kPa on the tape, ${clips.displayKPa.toFixed(1)} kPa over the display.`,
            tone: 'ink' as const,
          }
        : {
            sentence: 'No set of clips here holds this evenly.',
            reason:
              clips.ways
                .map((w) => `${w.count} ${w.clip.name}s: ${w.against.map((a) => against[a]).join(', ')}`)
                .join('. ') + '. Press by hand round the edge and weigh it down evenly.',
            tone: 'caution' as const,
          }
      : off
        ? {
            sentence: `Clamps are off. Full bond ${dayTime(start + clocks.full.high * 1e3, now)}.`,
            reason: `No press or hold test before ${dayTime(start + clocks.sealTest.high * 1e3, now)}.`,
            tone: 'ink' as const,
          }
        : left > 0
          ? {
              sentence: `Clamps off in ${clock(left)}.`,
              reason: `At ${dayTime(due!, now)}, the long end. It holds by itself from ${clock(Math.max(0, clocks.clampOff.low - since))} to ${clock(left)} from now.`,
              tone: 'ink' as const,
            }
          : {
              sentence: 'Clamps may come off.',
              reason: `Since ${clock(-left)}. ${percent(share)} of the final bond.`,
              tone: 'ink' as const,
            };
  const clampOn = () =>
    void log([
      decide({
        call: 'cure',
        inputs: { roomC, widthMm, adhesive: adhesive.id },
        computed: { clocks, count: clips.count, clip: chosen?.id ?? null, evenness: clips.evenness },
        chosen: chosen?.id ?? 'by hand',
      }),
      {
        type: 'clampOn',
        clip: chosen?.name ?? 'by hand',
        count: chosen ? clips.count : 0,
        forceN: chosen?.forceN ?? 0,
      },
    ]);
  const clampOff = (early: boolean) => void log([{ type: 'clampOff', early }]);
  const mainOf = () => {
    if (!bonded) return <Button kind="main" label="Clamps on" onPress={() => {}} disabled why="bond it first" />;
    if (start === null)
      return <Button kind="main" label={chosen ? 'Clamps on' : 'Pressed by hand'} onPress={clampOn} />;
    if (!off)
      return (
        <Button
          kind="main"
          label="Clamps off"
          onPress={() => clampOff(false)}
          disabled={left > 0}
          {...(left > 0 ? { why: `in ${clock(left)}` } : {})}
        />
      );
    return <Button kind="main" label="Go to check" onPress={() => goOn()} />;
  };
  const keyMain = !bonded
    ? undefined
    : start === null
      ? clampOn
      : !off
        ? left > 0
          ? undefined
          : () => clampOff(false)
        : () => goOn();
  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label="Clamps may come off" />
      <StageShell
        job={job}
        stage="cure"
        now={now}
        caution={caution}
        onMain={keyMain}
        picture={(size) => (
          <PlainPlan
            job={job}
            size={size}
            label={`${clips.count} clips round ${job.device.name}`}
            lines={path.spread(clips.count).map(({ point }, i) => `clip ${i + 1}: ${point.edge} edge`)}
          >
            <Numbers
              items={path.spread(clips.count).map(({ point }, i) => ({
                at: point.at,
                text: String(i + 1),
                state: start === null ? 'todo' : off ? 'todo' : 'done',
              }))}
            />
          </PlainPlan>
        )}
        call={<Call {...text} />}
        readings={
          <Readings
            items={(['clampOff', 'build', 'handOver', 'sealTest'] as const).map((m) => ({
              id: m,
              value:
                start === null
                  ? clock(clocks[m].high)
                  : since >= clocks[m].high
                    ? 'now'
                    : clock(clocks[m].high - since),
              label: `${markNames[m]}, long end; most likely ${start === null ? `after ${short(clocks[m].mean)}` : since >= clocks[m].mean ? 'passed' : `in ${short(clocks[m].mean - since)}`}`,
              tone: start !== null && since >= clocks[m].high ? ('go' as const) : ('ink' as const),
            }))}
          />
        }
        main={mainOf()}
        side={
          start !== null && !off && left > 0 ? (
            <HoldButton kind="side" label="Off early" onPress={() => clampOff(true)} />
          ) : undefined
        }
      >
        {alarm.silent ? (
          <Txt size="s" tone="caution">
            This browser keeps silent until the screen is tapped.
          </Txt>
        ) : null}
        <View className="mt-2">
          {(Object.keys(tapeMarks) as TapeMark[]).map((m) => (
            <View key={m} className="flex-row border-b border-rule py-1">
              <Txt size="s" className="w-[130px]">
                {markNames[m]}
              </Txt>
              <Txt size="s" num className="flex-1">
                {start === null
                  ? `${short(clocks[m].low)} to ${short(clocks[m].high)}`
                  : `${dayTime(start + clocks[m].low * 1e3, now)} to ${dayTime(start + clocks[m].high * 1e3, now)}`}
              </Txt>
            </View>
          ))}
        </View>
        <Why
          job={job}
          call="cure"
          inputs={{ roomC, widthMm, adhesive: adhesive.id }}
          computed={{ clips: clips.count, clip: chosen?.name ?? null, evenness: clips.evenness, clocks }}
          notes={[
            ...clips.ways.map(
              (w) =>
                `${w.count} × ${w.clip.name} (${w.clip.forceN} N): even to ${percent(Math.max(0, w.evenness))}, ${Math.round(w.meanKPa)} kPa mean, ${Math.round(w.peakKPa)} kPa under a clip${w.against.length ? `; against it: ${w.against.map((a) => against[a]).join(', ')}` : ''}.`,
            ),
            'Number and force are solved together: few strong clips hold less well than many gentle ones, and many strong ones press too hard.',
            `Clocks at ${temp(roomC, settings)} room, ± ${kelvin(roomU.value, settings, 0)}; a colder night makes them longer.`,
          ]}
          rows={[
            rowOf('Pressure the tape wants', adhesive.joint?.pressKPa ?? tapePressKPa, 'kPa'),
            rowOf('Least evenness', evennessMin, ''),
            rowOf('Most under a clip', bondLimitKPa, 'kPa'),
            rowOf('Most over the display', displayLimitKPa, 'kPa'),
            rowOf('Activation energy', activationKJ, 'kJ/mol'),
            rowOf('Share for clamps off', tapeMarks.clampOff, ''),
            rowOf('Share for a seal test', tapeMarks.sealTest, ''),
          ]}
        />
      </StageShell>
    </View>
  );
}

/** A running clock under an hour, words above. */
const short = (s: number) => (s < 3600 ? clock(s) : span(s));
