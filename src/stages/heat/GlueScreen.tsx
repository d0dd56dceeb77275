import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { batteryGlueStack } from '@/core/device/thermalStack';
import { gentlestGlue, glueStartC, timedS, warmGlue } from '@/core/heat/glue';
import { answersOf } from '@/core/heat/heaterKind';
import type { JobState } from '@/model/fold';
import { contactsOf } from '@/model/settings';
import { useActions } from '@/bench-kit/actions';
import { JobPage } from '@/bench-kit/JobPage';
import { isOut } from '@/work/heat/present';
import { stageHref } from '@/bench-kit/stageHref';
import { batteryMarks } from '@/work/heat/thermalJob';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { useThermalStack } from '@/bench-kit/useThermal';
import { rowOf, Why } from '@/bench-kit/Why';
import { wetStop } from '@/bench-kit/wet';
import { useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { clock, dial, temp, tempNumber, typedToC } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { keyOf } from '@/workers/thermalClient';
import { BackToHeat, isSwollen, SwollenPage } from './heatPage';

const warning =
  'A swollen, bent or punctured cell is never heated or pulled. Pull tabs go first. Plastic tools only; never lever under a cell. The maker’s instructions and local rules go first.';

/** The glue of the cell, warmed through the front. */
export function GlueScreen({ job }: { job: JobState }) {
  const now = useNow(10_000);
  const device = useMemo(() => ({ ...job.model, parts: job.model.parts.filter((p) => !isOut(job, p.id)) }), [job]);
  const stack = useMemo(() => batteryGlueStack(device), [device]);
  if (isSwollen(job)) return <SwollenPage job={job} title="Glue of the cell" />;
  if (!stack)
    return (
      <JobPage job={job} title="Glue of the cell" now={now} stage="heat" main={<BackToHeat job={job} kind="main" />}>
        <Call sentence="No glue to warm." reason="The cell is out, or the model has none." tone="ink" />
      </JobPage>
    );
  return <Glue job={job} device={device} stack={stack} />;
}

function Glue({
  job,
  device,
  stack,
}: {
  job: JobState;
  device: JobState['model'];
  stack: NonNullable<ReturnType<typeof batteryGlueStack>>;
}) {
  const settings = useSettings();
  const jobs = useJobs();
  const units = settings;
  const now = useNow(10_000);
  const router = useRouter();
  const { log, decide } = useActions(job);
  const source = useThermalStack(useMemo(() => keyOf(stack), [stack]));
  const model = source.model;
  const heaters = useMemo(() => contactsOf(settings), [settings]);
  const [heaterId, setHeaterId] = useState(settings.plate.id);
  const heater = useMemo(() => heaters.find((h) => h.id === heaterId) ?? heaters[0]!, [heaters, heaterId]);
  const [setting, setSetting] = useState<number | null>(null);
  const ambientC = job.ambientC ?? settings.roomC;
  const { preheated } = answersOf(heater);
  const limit = device.parts.find((p) => p.kind === 'display')?.limitC;
  const marks = useMemo(
    () => ({
      battery: batteryMarks(device),
      display: limit ? { cautionC: limit.caution.value, stopC: limit.stop.value } : null,
    }),
    [device, limit],
  );
  const { proposed, r, setC } = useMemo(() => {
    const input = { preheated, ambientC, marks };
    const gentle = model ? gentlestGlue(model, heater, input) : null;
    const at = setting ?? gentle?.setC ?? Math.max(heater.minSetC, 60);
    return { proposed: gentle, r: model ? warmGlue(model, heater, { ...input, setC: at }) : null, setC: at };
  }, [model, heater, preheated, ambientC, marks, setting]);
  const { cautionC, stopC } = marks.battery;
  const peak = r?.battery?.peakC.high ?? 0;
  const wet = wetStop(job, jobs, settings, now);
  const take = () => {
    if (!r?.readyS) return;
    void log([
      decide({
        call: 'batteryGlue',
        inputs: { heater: heater.id, setC, ambientC },
        computed: { readyS: r.readyS, battery: r.battery?.peakC, proposedC: proposed?.setC ?? null },
        chosen: { heater: heater.id, setC },
      }),
    ]);
    router.replace(stageHref(job.id, 'strip'));
  };
  return (
    <JobPage
      job={job}
      title="Glue of the cell"
      now={now}
      stage="heat"
      side={<BackToHeat job={job} />}
      main={
        <Button
          kind="main"
          label="Note it and go to strip"
          onPress={take}
          disabled={!r?.readyS || peak >= stopC || wet !== null}
          {...(wet ? { why: wet } : r && peak >= stopC ? { why: 'the cell passes its stop mark' } : {})}
        />
      }
    >
      {!r ? (
        <ThermalWait thermal={source} />
      ) : (
        <>
          <Call
            sentence={
              peak >= stopC
                ? 'The cell passes its stop mark.'
                : r.readyS
                  ? `Front down on the ${heater.kind} at ${dial(setC)} for ${clock(r.readyS.high)}.`
                  : `${dial(setC)} does not get the glue to ${temp(glueStartC.value, units)}.`
            }
            reason={
              peak >= cautionC
                ? `Not promised: the cell under ${temp(cautionC, units)}; up to ${temp(peak, units)}, stop ${temp(stopC, units)}.${proposed ? ` ${dial(proposed.setC)} keeps it under.` : ' No setting here does both.'}`
                : `All of the glue at ${temp(glueStartC.value, units)} or more, the cell at most ${temp(peak, units)} in the model. Pull slowly and flat, re-warm when it holds.`
            }
            tone={peak >= cautionC || !r.readyS ? 'caution' : 'ink'}
          />
          <View className="mt-3">
            <Readings
              items={[
                { id: 'cold', value: `${tempNumber(r.glueC.coldest, units)}°`, label: 'coldest glue then, at least' },
                { id: 'hot', value: `${tempNumber(r.glueC.hottest, units)}°`, label: 'hottest glue then' },
                {
                  id: 'cell',
                  value: `${tempNumber(peak, units)}°`,
                  label: `cell, at most. ${clock(r.battery?.aboveCautionS.high ?? 0)} above ${tempNumber(cautionC, units)}°`,
                  tone: peak >= cautionC ? 'caution' : 'ink',
                },
                {
                  id: 'display',
                  value: r.display ? `${tempNumber(r.display.peakC.high, units)}°` : '–',
                  label: 'display, at most',
                  tone: r.display && r.display.peakC.high >= (marks.display?.stopC ?? 1e3) ? 'caution' : 'ink',
                },
              ]}
            />
          </View>
        </>
      )}
      <Txt size="s" tone="ink2" className="my-2">
        {warning}
      </Txt>
      <Choice
        label="Heat with"
        value={heater.id}
        options={heaters.map((h) => ({ id: h.id, name: h.name }))}
        onChange={(id) => {
          setHeaterId(id);
          setSetting(null);
        }}
      />
      <View>
        <NumberField
          label="Setpoint"
          unit={`°${units.temperature}`}
          low={tempNumber(heater.minSetC, units)}
          high={tempNumber(heater.maxSetC, units)}
          value={tempNumber(setC, units)}
          onCommit={(v) => setSetting(Math.round(typedToC(v, units)))}
        />
      </View>
      <Why
        job={job}
        call="batteryGlue"
        inputs={{ heater: heater.id, setC }}
        computed={{ readyS: r?.readyS ?? null, battery: r?.battery?.peakC ?? null }}
        notes={[
          'The same stack of layers with depth and x reversed, the glue as a film under the cell; cells of 4 mm.',
          'Proposed: the hottest setting that takes a minute or more and keeps cell and display under their caution marks by the high bound.',
        ]}
        rows={[
          rowOf('Glue gives from', glueStartC, '°C'),
          rowOf('Shortest heat', timedS, 's'),
          rowOf('Contact conductance', heater.conductanceWm2K, 'W/m²K'),
        ]}
      />
    </JobPage>
  );
}
