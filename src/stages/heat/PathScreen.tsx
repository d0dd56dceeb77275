import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';

import { cameraZones, toThermalStack } from '@/core/device/thermalStack';
import { loopSpeeds } from '@/core/heat/airPath';
import type { MovingResult } from '@/core/heat/moving';
import { cameraReachMm, handSpeed, type PathPlan, type RoundResult } from '@/core/heat/pathPlan';
import type { JobState } from '@/model/fold';
import { airsOf } from '@/model/settings';
import { useActions } from '@/bench-kit/actions';
import { heatUse } from '@/work/heat/heating';
import { JobPage } from '@/bench-kit/JobPage';
import { LongRunLine } from '@/bench-kit/LongRunLine';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { presentJob } from '@/work/heat/present';
import { stageHref } from '@/bench-kit/stageHref';
import { batteryMarks, everyPart, partStopC, placeName } from '@/work/heat/thermalJob';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { useLongRun } from '@/bench-kit/useLongRun';
import { rowOf, Why } from '@/bench-kit/Why';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { PaceMaker } from '@/ui/plan/PaceMaker';
import { Txt } from '@/ui/Txt';
import { clock, kelvin, length, percent, temp, tempNumber } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { movingInWorker, roundInWorker } from '@/workers/thermalClient';
import { usualOf } from '@/work/heat/heatPlan';
import { BackToHeat, isSwollen, SwollenPage, useHeatPage } from './heatPage';
import { pathCall } from './pathCall';

const insetsMm = [2, -10, -20] as const;

/** Which round of hot air, how fast, and where slower; compared with a steady round, and confirmed with the moving jet. */
export function PathScreen({ job }: { job: JobState }) {
  return isSwollen(job) ? <SwollenPage job={job} title="Path of the air" /> : <Path job={job} />;
}

function Path({ job: whole }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(10_000);
  const router = useRouter();
  const job = useMemo(() => presentJob(whole), [whole]);
  const { log, decide } = useActions(job);
  const { source, model, thermal, lift } = useHeatPage(job);
  const airs = airsOf(settings);
  const [heaterId, setHeaterId] = useState(airs.find((h) => h.id === job.plan?.heater)?.id ?? airs[0]?.id ?? null);
  const heater = airs.find((h) => h.id === heaterId);
  const setC = job.plan?.heater === heaterId && job.plan ? job.plan.setC : heater ? usualOf(heater) : 0;
  const zones = useMemo(() => cameraZones(job.device, job.bond), [job.device, job.bond]);
  const [masked, setMasked] = useState(zones.length > 0);
  const [roundS, setRoundS] = useState<'4' | '8'>('4');
  const targetC = lift?.easyC ?? null;
  const plan = useLongRun<PathPlan | null>();
  const { start, cancel } = plan;
  useEffect(() => {
    if (!model || !thermal || !heater || targetC === null) return;
    void start((tell) =>
      roundInWorker(
        model.modes,
        {
          heater,
          use: heatUse(job.device, job.bond, { masked }),
          setC,
          ambientC: thermal.ambientC,
          arcs: thermal.arcs,
          targetC,
          stopC: { battery: batteryMarks(job.device).stopC, ...partStopC(job.device) },
          cameraZones: zones,
          insetsMm,
          roundS: Number(roundS),
        },
        tell,
      ),
    );
    return cancel;
  }, [model, thermal, heater, targetC, masked, setC, roundS, job.device, job.bond, zones, start, cancel]);
  const moving = useLongRun<{ steady: MovingResult; planned: MovingResult }>();

  const back = <BackToHeat job={job} kind="main" />;
  if (!thermal || !lift || !heater)
    return (
      <JobPage job={job} title="Path of the air" now={now} stage="heat" main={back}>
        {heater ? <ThermalWait thermal={source} /> : <Txt>No hot air on this bench: add a heater under Shop.</Txt>}
      </JobPage>
    );
  const p = plan.result;
  const pathOf = (r: RoundResult) => ({
    kind: 'loop' as const,
    insetMm: r.insetMm,
    roundS: Number(roundS),
    ...(r.shares ? { shares: r.shares } : {}),
  });
  const bestPath = p ? pathOf(p.best) : null;
  const text = pathCall({ plan: p, moving: moving.result, targetC, units });
  const confirm = () => {
    if (!p || targetC === null) return;
    const stack = toThermalStack(job.device, job.bond, everyPart(job.device));
    const { masks = [] } = heatUse(job.device, job.bond, { masked });
    const input = (r: RoundResult) => ({
      heater,
      setC,
      ambientC: thermal.ambientC,
      path: pathOf(r),
      masks,
      targetC,
      maxS: 900,
    });
    void moving.start((tell) => {
      // both at once, each in a worker of its own
      const shares = [0, 0];
      const tellOne = (i: number) => (share: number) => {
        shares[i] = share;
        tell((shares[0]! + shares[1]!) / 2);
      };
      const runs = [p.against, p.best].map((r, i) => movingInWorker(stack, input(r), tellOne(i)));
      return {
        result: Promise.all(runs.map((r) => r.result)).then(([steady, planned]) => ({
          steady: steady!,
          planned: planned!,
        })),
        cancel: () => runs.forEach((r) => r.cancel()),
      };
    });
  };
  const take = () => {
    if (!p || !bestPath) return;
    void log([
      {
        type: 'heatPlan',
        setC,
        pickMm: lift.pickMm,
        preheated: true,
        heater: heater.id,
        use: { masked, path: bestPath },
      },
      decide({
        call: 'path',
        inputs: { heater: heater.id, setC, masked, roundS, targetC },
        computed: { best: p.best, against: p.against, gain: p.gain, confirmed: moving.result },
        chosen: { insetMm: p.best.insetMm, slower: p.best.shares !== null },
      }),
    ]);
    router.replace(stageHref(job.id, 'heat'));
  };
  const speeds = bestPath ? loopSpeeds(thermal.model.modes.outline, bestPath) : [];
  return (
    <JobPage
      job={job}
      title="Path of the air"
      now={now}
      stage="heat"
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={
            bestPath
              ? `Round of the nozzle, ${length(p!.best.insetMm, units, 0)} inside the edge`
              : 'The round is being planned'
          }
          lines={speeds.map(
            (v, q) => `${placeName(thermal.path, (q / 24) * thermal.path.lengthMm)}: ${length(v, units, 0)}/s`,
          )}
        >
          {bestPath ? <PaceMaker outline={thermal.model.modes.outline} path={bestPath} running /> : null}
        </PlainPlan>
      )}
      lead={null}
      side={<BackToHeat job={job} />}
      main={
        <Button
          kind="main"
          label="Use this round"
          onPress={take}
          disabled={!p || p.best.readyS === null}
          {...(p && p.best.readyS === null ? { why: 'it does not get the ring there' } : {})}
        />
      }
    >
      <View className="mt-2">
        <Call {...text} />
      </View>
      <LongRunLine name="Planning the round" share={plan.share} problem={plan.problem} onCancel={cancel} />
      {p ? (
        <View className="mt-3" role="table" aria-label="Rounds side by side">
          <RoundRow cells={['round', 'ring soft', 'cell', 'camera', 'display']} head />
          {[...p.steady, ...p.planned].map((r, i) => (
            <RoundRow
              key={i}
              strong={r === p.best || (r.insetMm === p.best.insetMm && r.shares === p.best.shares)}
              cells={[
                `${r.insetMm >= 0 ? `${length(r.insetMm, units, 0)} in` : `${length(-r.insetMm, units, 0)} out`}, ${r.shares ? 'paced' : 'steady'}`,
                r.readyS === null ? 'never' : clock(r.readyS),
                ...[r.batteryC, r.cameraC, r.displayC].map((v) => (v === null ? '–' : `${tempNumber(v, units)}°`)),
              ]}
            />
          ))}
        </View>
      ) : null}
      {p && speeds.length ? (
        <Txt size="s" className="mt-1">
          A round takes {roundS} s: {length(Math.min(...speeds), units, 0)}/s where it is slowest,{' '}
          {length(Math.max(...speeds), units, 0)}/s where it is quickest. About{' '}
          {p.best.readyS === null ? '–' : Math.ceil(p.best.readyS / Number(roundS))} rounds. Follow the ring on the
          plan; never stand still, least of all near a camera.
        </Txt>
      ) : null}
      <View className="mt-3">
        {moving.share === null ? (
          <Button
            kind="small"
            label="Confirm with the moving air"
            disabled={!p || p.best.readyS === null}
            onPress={confirm}
          />
        ) : null}
        <LongRunLine
          name="Moving air, steady and paced"
          share={moving.share}
          problem={moving.problem}
          onCancel={moving.cancel}
        />
        {moving.result ? (
          <View testID="moving" className="mt-1">
            {(['steady', 'planned'] as const).map((k) => {
              const r = moving.result![k];
              return (
                <Txt key={k} size="s">
                  {k === 'steady' ? 'Steady' : 'Paced'}, moving on the check grid: ring soft{' '}
                  {r.readyS === null ? 'never' : `after ${clock(r.readyS)}`}, cell {temp(r.batteryC, units)}, camera{' '}
                  {temp(r.cameraC, units)}; a place swings by {kelvin(r.rippleK, units)} with every round.
                </Txt>
              );
            })}
          </View>
        ) : null}
      </View>
      <View className="mt-3">
        {airs.length > 1 ? (
          <Choice
            label="Air from"
            value={heater.id}
            options={airs.map((h) => ({ id: h.id, name: h.name }))}
            onChange={setHeaterId}
          />
        ) : null}
        <Choice
          label="One round in"
          value={roundS}
          options={[
            { id: '4', name: '4 s' },
            { id: '8', name: '8 s' },
          ]}
          onChange={setRoundS}
          hint="Shorter rounds swing less between two passes."
        />
        {zones.length ? <Tick label="Cameras masked with tape and foil" on={masked} onChange={setMasked} /> : null}
      </View>
      <Why
        job={job}
        call="path"
        inputs={{ heater: heater.id, setC, masked, targetC }}
        computed={p ? { best: p.best, against: p.against, gain: p.gain } : null}
        notes={[
          'Provisional: the air averaged over a round, on the reduced model of the check grid. Confirmed: the nozzle moving step by step on the check grid, radiation included. Gains on a coarse grid are artefacts, so none is used.',
          'More of the round goes to places that are colder than the mean, less to those near a camera. The steady round is always among the candidates, so a plan is never worse than it.',
          p
            ? `Against a steady round on the same line: ${percent(Math.max(0, p.gain.timeShare))} of the time, ${kelvin(p.gain.batteryK, units)} at the cell, ${kelvin(p.gain.cameraK, units)} at the camera.`
            : '',
        ].filter(Boolean)}
        rows={[
          rowOf('Air jet over the correlation', heater.hScale, '×'),
          rowOf('Fastest hand', handSpeed.fastest, 'mm/s'),
          rowOf('Slowest hand', handSpeed.slowest, 'mm/s'),
          rowOf('Near a camera', cameraReachMm, 'mm'),
        ]}
      />
    </JobPage>
  );
}

function RoundRow({ cells, head = false, strong = false }: { cells: string[]; head?: boolean; strong?: boolean }) {
  return (
    <View role="row" className="flex-row border-b border-rule py-1">
      {cells.map((c, i) => (
        <View key={i} role={head ? 'columnheader' : 'cell'} className={i === 0 ? 'flex-[2]' : 'flex-1'}>
          <Txt size="s" num={!head && i > 0} strong={head || strong} className={i ? 'text-right' : ''}>
            {c}
          </Txt>
        </View>
      ))}
    </View>
  );
}
