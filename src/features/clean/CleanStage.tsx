import { useMemo } from 'react';
import { View } from 'react-native';

import { cleanArcs, coolC, dryWithinMm } from '@/core/clean/residue';
import { firstTrue } from '@/core/heat/forecast';
import { keepOuts } from '@/core/lift/depth';
import { bondPerimeter } from '@/core/device/perimeter';
import type { JobState } from '@/model/fold';
import { useActions } from '@/stagekit/actions';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { StageShell } from '@/stagekit/StageShell';
import { everyPart, placeName, thermalJob } from '@/stagekit/thermalJob';
import { useGoOn } from '@/stagekit/useGoOn';
import { useThermal } from '@/stagekit/useThermal';
import { rowOf, Why } from '@/stagekit/Why';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Tick } from '@/ui/Choice';
import { Numbers, RingArcs } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { clock, tempNumber, temp } from '@/ui/units';
import { useNow } from '@/ui/useNow';

const caution =
  'Alcohol is flammable: plate and every other heat source off and away before a wipe is wet, air the room. Splinters: brush and tape, no bare hand. Wipes go to the solvent waste.';

export function CleanStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(2000);
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'clean');
  const source = useThermal(job.device, job.bond);
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const arcs = useMemo(
    () => cleanArcs(job.device, job.bond, keepOuts(job.device, job.bond, everyPart(job.device))),
    [job.device, job.bond],
  );
  const thermal = useMemo(
    () => (source.model && job.heat.length ? thermalJob(job, settings, source.model, 0) : null),
    [source.model, job, settings],
  );
  const nowS = thermal ? (now - thermal.t0) / 1e3 : 0;
  const frameC = thermal ? Math.max(...thermal.run.arcsC(nowS, thermal.arcs).map((r) => r.high)) : settings.roomC;
  // looked at every half minute
  const lookS = Math.floor(nowS / 30) * 30;
  const coolAtS = useMemo(
    () =>
      thermal
        ? firstTrue(
            (t) => Math.max(...thermal.run.arcsC(t, thermal.arcs).map((r) => r.high)) <= coolC.value,
            lookS,
            lookS + 7200,
            120,
          )
        : null,
    [thermal, lookS],
  );
  const cool = frameC <= coolC.value;
  const left = arcs.filter((a) => !job.cleaned.has(a.index));
  const next = left[0];
  const crumbs = job.prep.has('crumbsGone');
  const lenses = job.prep.has('lensesBlown');
  const open = left.length
    ? `${left.length} stretches to wipe`
    : !crumbs
      ? 'crumbs to look for'
      : !lenses
        ? 'lenses to blow off'
        : !cool
          ? 'still warm'
          : null;
  const place = (a: (typeof arcs)[number]) => placeName(path, (a.fromMm + a.toMm) / 2);
  const sentence = next
    ? `Wipe the ${place(next)}${next.dry ? ', dry' : ''}.`
    : !crumbs
      ? 'Look for crumbs along the ledge.'
      : !lenses
        ? 'Blow off the lenses.'
        : cool
          ? 'Clean and cool: go on.'
          : `Let it cool: ${clock(Math.max(0, (coolAtS ?? nowS) - nowS))} to ${temp(coolC.value, settings)}.`;
  const reason = next
    ? next.dry
      ? 'Near the camera: no liquid. A droplet on a lens leaves haze.'
      : 'Every trace goes: over residue the tape lifts months later.'
    : !crumbs
      ? 'Glass cracks over a single crumb. Light along the ledge shows it.'
      : !lenses
        ? 'Lint under the glass shows in every picture.'
        : 'Tape is laid on a cool, dry frame.';
  return (
    <StageShell
      job={job}
      stage="clean"
      now={now}
      caution={caution}
      onMain={open === null ? () => goOn() : undefined}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={`Residue on ${left.length} of ${arcs.length} stretches`}
          lines={arcs.map(
            (a) => `${place(a)}: ${job.cleaned.has(a.index) ? 'clean' : 'to wipe'}${a.dry ? ', dry only' : ''}`,
          )}
        >
          <RingArcs
            arcs={arcs.map((a) => ({
              fromMm: a.fromMm + 1,
              toMm: a.toMm - 1,
              state: job.cleaned.has(a.index) ? 'free' : a.dry ? 'dry' : 'plain',
            }))}
          />
          <Numbers
            items={arcs.map((a) => {
              const p = path.point((a.fromMm + a.toMm) / 2);
              return {
                at: [p.at[0] - p.normal[0] * 9, p.at[1] - p.normal[1] * 9] as const,
                text: job.cleaned.has(a.index) ? '✓' : String(a.index + 1),
                state: job.cleaned.has(a.index)
                  ? ('done' as const)
                  : a === next
                    ? ('next' as const)
                    : ('todo' as const),
              };
            })}
          />
        </PlainPlan>
      )}
      call={<Call sentence={sentence} reason={reason} />}
      readings={
        <Readings
          items={[
            {
              id: 'left',
              value: `${arcs.length - left.length} / ${arcs.length}`,
              label: 'stretches clean',
              tone: left.length ? 'ink' : 'go',
            },
            {
              id: 'cool',
              value: `${tempNumber(frameC, settings)}°`,
              label: `frame, at most. Tape below ${tempNumber(coolC.value, settings)}°${thermal ? '' : ' (not heated here)'}`,
              tone: cool ? 'go' : 'caution',
            },
          ]}
        />
      }
      main={
        <Button
          kind="main"
          label="Clean and cool"
          onPress={() => goOn()}
          disabled={open !== null}
          {...(open ? { why: open } : {})}
        />
      }
      side={
        next ? (
          <Button
            label={`${next.index + 1} is clean`}
            onPress={() => void log([{ type: 'cleaned', index: next.index, done: true }])}
          />
        ) : undefined
      }
    >
      <View className="mt-2">
        {arcs.map((a) => (
          <Tick
            key={a.index}
            label={`${a.index + 1}. ${place(a)} is clean`}
            on={job.cleaned.has(a.index)}
            onChange={(v) => void log([{ type: 'cleaned', index: a.index, done: v }])}
            {...(a.dry ? { note: 'dry only, near the camera' } : {})}
          />
        ))}
        <Tick
          label="No crumbs on the ledge"
          on={crumbs}
          onChange={(v) => void log([{ type: 'prep', item: 'crumbsGone', done: v }])}
        />
        <Tick
          label="Lenses blown off"
          on={lenses}
          onChange={(v) => void log([{ type: 'prep', item: 'lensesBlown', done: v }])}
        />
        <Why
          job={job}
          call="clean"
          inputs={{ cleaned: [...job.cleaned] }}
          computed={{ frameC }}
          rows={[rowOf('Dry only within', dryWithinMm, 'mm'), rowOf('Cool enough for tape', coolC, '°C')]}
        />
      </View>
    </StageShell>
  );
}
