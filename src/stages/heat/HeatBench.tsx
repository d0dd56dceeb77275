import { View } from 'react-native';

import { defOf } from '@/core/heat/heaterDefs';
import { edgeLoop } from '@/core/heat/airPath';
import type { Range } from '@/core/source';
import type { JobState } from '@/model/fold';
import { FirstLook, GuessedInside } from '@/bench-kit/FirstLook';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { StageShell } from '@/bench-kit/StageShell';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { useThermal } from '@/bench-kit/useThermal';
import { useVoice } from '@/bench-kit/useVoice';
import { wetRule } from '@/bench-kit/wet';
import { useJobs, useSettings } from '@/store/shop';
import { Flash, useAlarm, useAwake } from '@/ui/alarm';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Readings } from '@/ui/Readings';
import { useNow } from '@/bench-kit/useNow';
import { HeatBelow } from './HeatBelow';
import { HeatDial, HeatMain, HeatSide } from './HeatButtons';
import { heatFacts } from './heatFacts';
import { heatCaution } from './heatCaution';
import { missingBeforeHeat } from './heatPage';
import { HeatPicture } from './HeatPicture';
import { useHeatActions } from './useHeatActions';
import { useHeatForecast } from './useHeatForecast';
import { useHeatPlan } from './useHeatPlan';
import { useHeatThermal } from './useHeatThermal';
import { heatCues } from '@/work/voice/cues';
import { heatGlance } from '@/work/voice/glance';
import { t } from '@/words/heat';

/** A heater that switches itself off is announced this long before. */
const warnBeforeMs = 60_000;

/** Seconds of a heat as instants, ms. */
const inMs = (r: Range, t0: number): Range => ({
  low: t0 + r.low * 1e3,
  mean: t0 + r.mean * 1e3,
  high: t0 + r.high * 1e3,
});

const sinceStart = (r: Range, s: number): Range => ({ low: r.low - s, mean: r.mean - s, high: r.high - s });

/** @param job with the device as it is on the bench: without the parts that are out */
export function HeatBench({ job }: { job: JobState }) {
  const settings = useSettings();
  const jobs = useJobs();
  const at = useNow(job.heat.length ? 500 : 5000, true);
  const source = useThermal(job.device, job.bond);
  const now = useHeatPlan(job, settings);
  const { on, plan, heater, words } = now;
  const warm = useHeatThermal(job, settings, source.model, now, at);
  const view = useHeatForecast(job, settings, warm.thermal, now, at);

  const instant = (s: number | undefined) => (on && view && s !== undefined ? view.thermal.t0 + s * 1e3 : null);
  const lateAt = instant(view?.f.readyS?.high);
  const tones = settings.sound && !settings.voice.on;
  const alarm = useAlarm(instant(view?.f.readyS?.mean), at, 'opens', tones);
  const offAt = on && heater.autoOffS !== null ? on.at + heater.autoOffS * 1e3 : null;
  const offAlarm = useAlarm(offAt === null ? null : offAt - warnBeforeMs, at, 'closes', tones);
  const awake = useAwake(on !== null);
  const ready = on && view?.f.readyS ? inMs(view.f.readyS, view.thermal.t0) : null;
  const edge = view?.lift.nextEdge ?? null;
  useVoice(on ? heatCues({ onAt: on.at, ready, edge, autoOffAt: offAt }) : []);

  const facts = view && heatFacts(job, settings, now, view, at, offAt);
  const wet = wetRule(job, jobs, settings, at, heater);
  const missing = missingBeforeHeat(job, t('belowHere'), wet.stop) ?? (facts?.refused ? t('partsAreInside') : null);
  const act = useHeatActions(job, now, view, {
    missing,
    emergency: facts?.text.tone === 'caution',
    missed: lateAt !== null && at > lateAt,
  });

  if (!view || !facts)
    return (
      <StageShell
        job={job}
        stage="heat"
        now={at}
        picture={(size) => <PlainPlan job={job} size={size} label={job.device.name} lines={[]} />}
        call={<ThermalWait thermal={source} />}
        readings={null}
        main={<Button kind="main" label={words.on} onPress={() => {}} disabled why={t('theHeatModelIsNotReady')} />}
        caution={heatCaution()}
      />
    );
  const quiet = { sound: settings.sound, silent: alarm.silent, asleep: awake === 'refused' };
  return (
    <View className="flex-1">
      <Flash on={alarm.flash} label={t('liftNow')} />
      <Flash on={offAlarm.flash} label={t('theSwitchesItselfOffInA', { name: words.name })} />
      <StageShell
        job={job}
        stage="heat"
        now={at}
        caution={heatCaution()}
        step={on ? 'on' : 'off'}
        glance={
          on
            ? heatGlance(at, { ready, edge, stop: facts.text.tone === 'caution' && ready !== null && at < ready.mean })
            : null
        }
        picture={(size) => (
          <HeatPicture
            job={job}
            thermal={view.thermal}
            lift={view.lift}
            fieldC={view.field}
            arcsC={facts.arcsC}
            units={settings}
            size={size}
            air={defOf(heater).led ? { path: plan.use.path ?? edgeLoop, running: on !== null } : null}
          />
        )}
        call={
          <>
            <Call {...facts.text} />
            <FirstLook
              thermal={source}
              plan={JSON.stringify([job.id, plan])}
              readyInS={view.f.readyS && sinceStart(view.f.readyS, view.f.heatStartS)}
            />
          </>
        }
        readings={<Readings items={facts.readings} />}
        controls={<HeatDial job={job} settings={settings} now={now} view={view} offAt={offAt} at={at} />}
        main={<HeatMain now={now} view={view} act={act} missing={missing} />}
        side={<HeatSide on={on !== null} over={offAt !== null && at >= offAt} act={act} />}
      >
        <GuessedInside device={job.device} />
        <HeatBelow
          job={job}
          settings={settings}
          now={now}
          view={view}
          warm={warm}
          act={act}
          at={at}
          wet={wet.caution}
          quiet={quiet}
        />
      </StageShell>
    </View>
  );
}
