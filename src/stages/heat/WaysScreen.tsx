import { jointOf } from '@/core/device/jointKinds';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useQueries } from '@tanstack/react-query';

import { gentleFirst, gentlest, type WayResult } from '@/core/heat/ways';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { JobPage } from '@/bench-kit/JobPage';
import { presentJob } from '@/work/heat/present';
import { stageHref } from '@/bench-kit/stageHref';
import { batteryMarks, placeName, strengthOf } from '@/work/heat/thermalJob';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { Entry, rowOf, Why } from '@/bench-kit/Why';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Txt } from '@/ui/Txt';
import { clock, dial, length, temp, tempNumber } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { wayInWorker } from '@/workers/thermalClient';
import { BackToHeat, isSwollen, SwollenPage, useHeatPage } from './heatPage';
import {
  coldAnswer,
  coldReleaseC,
  iceConductanceWm2K,
  overText,
  waysCall,
  waysInput,
  waysOf,
  type ListedWay,
} from './ways';

/** Every way of heating side by side, gentle first; the rows appear as they come. */
export function WaysScreen({ job }: { job: JobState }) {
  return isSwollen(job) ? <SwollenPage job={job} title="Ways of heating" /> : <Ways job={job} />;
}

function Ways({ job: whole }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(10_000);
  const router = useRouter();
  const job = useMemo(() => presentJob(whole), [whole]);
  const { log, decide } = useActions(job);
  const { source, model, openedAt, thermal, lift } = useHeatPage(job);
  const [chosen, setChosen] = useState<string | null>(null);
  const [because, setBecause] = useState('');
  const nowS = thermal && job.heat.length ? Math.max(0, Math.floor((openedAt - thermal.t0) / 5e3) * 5) : 0;
  const listed = useMemo(
    () =>
      thermal && lift
        ? waysOf(
            job,
            settings,
            lift.steps.find((s) => s.edge === lift.nextEdge),
            thermal.path.lengthMm,
          )
        : [],
    [job, settings, thermal, lift],
  );
  const answers = useQueries({
    queries: listed.map(({ way, use }) => {
      const input = waysInput(job, thermal!, lift!, nowS, use);
      return {
        queryKey: ['way', model?.modes.digest, way, input],
        queryFn: () => wayInWorker(model!.modes, way, input),
        enabled: model !== null,
        gcTime: 60_000,
      };
    }),
  });
  const results = answers.flatMap((a) => (a.data ? [a.data] : []));
  // a gentlest setting that is the usual one is no row of its own
  const order = gentleFirst(results).filter(
    (r) => !results.some((x) => r.id === x.id.replace('-usual', '-gentle') && r !== x && r.setC === x.setC),
  );
  const waiting = listed.filter((l) => !results.some((r) => r.id === l.way.id));
  // a worker that does not answer is no way that works and none that fails
  const failed = new Set(listed.flatMap((l, i) => (answers[i]?.isError ? [l.way.id] : [])));
  const all = results.length === listed.length;
  const best = all ? gentlest(results) : null;
  const units = settings;
  const marks = batteryMarks(job.device);
  const plastic = strengthOf(job).yieldMPa !== undefined;
  const cold = useMemo(() => (thermal ? coldAnswer(thermal) : null), [thermal]);

  if (!thermal || !lift)
    return (
      <JobPage job={job} title="Ways of heating" now={now} stage="heat" main={<BackToHeat job={job} kind="main" />}>
        <ThermalWait thermal={source} />
      </JobPage>
    );
  const pick = chosen ?? best?.id ?? null;
  const picked = results.find((r) => r.id === pick);
  // what was not shown to be the gentlest is taken with a reason
  const other = pick !== null && results.length === listed.length && pick !== best?.id;
  const take = () => {
    const l = listed.find((x) => x.way.id === pick);
    if (!l || !picked) return;
    void log([
      {
        type: 'heatPlan',
        setC: picked.setC,
        pickMm: lift.pickMm,
        preheated: l.way.preheated,
        heater: l.way.heater.id,
        use: l.use,
      },
      decide({
        call: 'ways',
        inputs: { pickMm: lift.pickMm, easyC: lift.easyC, ways: listed.map((x) => x.way.id) },
        computed: results.map((r) => ({ id: r.id, setC: r.setC, readyS: r.readyS?.high ?? null, over: r.over })),
        chosen: pick,
        ...(other ? { because: because.trim() } : {}),
      }),
    ]);
    router.replace(stageHref(job.id, 'heat'));
  };
  return (
    <JobPage
      job={job}
      title="Ways of heating"
      now={now}
      stage="heat"
      lead={
        <Call
          {...waysCall({
            listed,
            results,
            cautionC: marks.cautionC,
            pickMm: lift.pickMm,
            units,
            pieces: jointOf(job.bond).wholeFace && job.device.parts.some((p) => p.limitC),
            plastic,
          })}
        />
      }
      main={
        <Button
          kind="main"
          label="Heat this way"
          onPress={take}
          disabled={!picked?.readyS || (other && !because.trim())}
          {...(!picked?.readyS
            ? { why: 'no way that opens it is chosen' }
            : other && !because.trim()
              ? { why: 'say why another one' }
              : {})}
        />
      }
    >
      <View role="radiogroup" aria-label="Ways of heating, gentle first" className="mt-3">
        {order.map((r) => (
          <WayRow
            key={r.id}
            listed={listed.find((l) => l.way.id === r.id)!}
            r={r}
            on={r.id === pick}
            best={r.id === best?.id}
            place={
              r.coldest
                ? placeName(thermal.path, (thermal.arcs[r.coldest.arc]!.fromMm + thermal.arcs[r.coldest.arc]!.toMm) / 2)
                : ''
            }
            units={units}
            onPress={() => setChosen(r.id)}
          />
        ))}
      </View>
      {waiting.map((l) => (
        <Txt key={l.way.id} size="s" tone="ink2" className="py-2">
          {l.name}: {failed.has(l.way.id) ? 'not computed, the page does not say whether it works' : 'computing'}
        </Txt>
      ))}
      {failed.size ? (
        <Button
          kind="small"
          label="Compute again"
          onPress={() => answers.forEach((a) => (a.isError ? void a.refetch() : undefined))}
        />
      ) : null}
      {other ? (
        <Entry
          label={best ? 'Why not the gentlest' : 'Why this one, although something gets too hot'}
          value={because}
          onChange={setBecause}
        />
      ) : null}
      {cold ? (
        <View className="border-t border-rule mt-2 pt-2" testID="cold">
          <Txt strong>Cold: not planned</Txt>
          <Txt size="s">
            On sublimating ice the warmest place of the ring is at {temp(cold.warmestC, units)} after 25 minutes; soft
            glue lets go below {temp(coldReleaseC.value, units)} at every place.{' '}
            {cold.releasedAtS === null
              ? 'Within an hour the model does not get there.'
              : `The model gets there after ${clock(cold.releasedAtS)}, with an assumed contact.`}{' '}
            Cold glass and cells suffer, and water condenses inside.
          </Txt>
        </View>
      ) : null}
      <Why
        job={job}
        call="ways"
        inputs={{ pickMm: lift.pickMm, easyC: lift.easyC }}
        computed={results.map((r) => ({ id: r.id, setC: r.setC, readyS: r.readyS?.high ?? null }))}
        notes={[
          'Order: ways that get nothing over its stop mark first, then by seconds of the battery over its caution mark, then by its peak.',
          `Easy: the starting edge is at ${lift.easyC === null ? '–' : temp(lift.easyC, units)} after the way from the heater, as it usually is, with a ${length(lift.pickMm, units)} pick. Temperatures are the hot end in the same world as the bond. Air is averaged over its round; what a moving nozzle brings less is taken off.`,
          'Stress: beside a hot place, on top of what the pick does. Thin cracked glass breaks sooner under spot heat.',
        ]}
        rows={[rowOf('Ice contact', iceConductanceWm2K, 'W/m²K'), rowOf('Cold release', coldReleaseC, '°C')]}
      />
    </JobPage>
  );
}

interface WayRowProps {
  listed: ListedWay;
  r: WayResult;
  on: boolean;
  best: boolean;
  place: string;
  units: Parameters<typeof temp>[1];
  onPress: () => void;
}

function WayRow({ listed, r, on, best, place, units, onPress }: WayRowProps) {
  const tone = on ? 'onInk' : 'ink';
  const soft = on ? 'onInk' : 'ink2';
  const peak = (e: WayResult['battery'], name: string) => (e ? `${name} ${tempNumber(e.peakC.high, units)}°` : null);
  const parts = [
    peak(r.battery, 'battery'),
    peak(r.camera, 'camera'),
    peak(r.display, 'display'),
    peak(r.cover, 'back'),
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <Pressable
      role="radio"
      aria-checked={on}
      aria-label={`${listed.name}, ${dial(r.setC)}`}
      onPress={onPress}
      className={`border-[1.5px] rounded-[6px] px-3 py-2 mb-2 ${on ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
    >
      <View className="flex-row justify-between gap-2">
        <Txt strong tone={tone} className="flex-1">
          {listed.name}
        </Txt>
        <Txt num strong tone={tone}>
          {r.readyS ? clock(r.readyS.mean) : r.tryFromS ? 'slow only' : 'never'}
        </Txt>
      </View>
      <Txt size="s" tone={soft}>
        {dial(r.setC)}
        {listed.way.preheated ? '' : ', from cold'}
        {best ? ' · the gentlest' : ''}
      </Txt>
      {r.readyS ? (
        <>
          <Txt size="s" tone={soft}>
            Try from {clock((r.tryFromS ?? r.readyS).mean)}, easy by {clock(r.readyS.mean)}, at the latest{' '}
            {clock(r.readyS.high)}
          </Txt>
          <Txt size="s" tone={soft}>
            {parts}; battery over its caution {clock(r.battery?.aboveCautionS.mean ?? 0)}
          </Txt>
          <Txt size="s" tone={soft}>
            coldest {r.coldest ? tempNumber(r.coldest.meanC, units) : ''}° {place}; then {clock(r.easyForS?.mean ?? 0)}{' '}
            easy, {clock(r.gripsForS?.mean ?? 0)} in all
            {r.spotMPa === null ? '' : `; glass ${Math.round(r.spotMPa)} MPa`}
          </Txt>
        </>
      ) : (
        <Txt size="s" tone={soft}>
          {r.tryFromS
            ? `works slowly from ${clock(r.tryFromS.mean)}, never easy`
            : 'does not get the starting edge there within 20 minutes'}
        </Txt>
      )}
      {r.over.length ? (
        <Txt size="s" strong tone={on ? 'onInk' : 'caution'}>
          {overText(r)}
        </Txt>
      ) : null}
    </Pressable>
  );
}
