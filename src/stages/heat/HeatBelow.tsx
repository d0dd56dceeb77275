import { answersOf } from '@/core/heat/heaterKind';
import { Suspense } from 'react';
import { useWindowDimensions, View } from 'react-native';

import type { JobState, JointSeen } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { coverKindOf } from '@/core/device/coverKinds';
import { needsCovering } from '@/work/heat/present';
import { watchMarks } from '@/work/heat/watchMarks';
import { ConfirmFull } from './ConfirmFull';
import { Links } from './HeatParts';
import { HeatWhy } from './HeatWhy';
import { HeatChart } from './LazyHeatChart';
import { LiveProbe } from './LiveProbe';
import { PickCards } from './PickCards';
import { isSwollen } from './heatPage';
import type { HeatActions } from './useHeatActions';
import type { HeatView } from './useHeatForecast';
import type { HeatPlanNow } from './useHeatPlan';
import type { HeatThermal } from './useHeatThermal';
import { t } from '@/words/heat';

/** What keeps a running clock from being heard. */
export interface Quiet {
  sound: boolean;
  silent: boolean;
  asleep: boolean;
}

const quietText = (q: Quiet): string | null =>
  !q.sound
    ? t('soundIsOffKeepTheScreen')
    : q.silent
      ? t('thisBrowserStaysSilentUntilYou')
      : q.asleep
        ? t('thisBrowserLetsTheScreenSleep')
        : null;

/** Glue that gives off fumes, at a heat where it does. */
const fumes = (job: Pick<JointSeen, 'bond'>, setC: number, on: boolean) =>
  (setC >= 180 && job.bond.adhesive === 'fullAreaPu') || (on && setC >= 180);

interface HeatBelowProps {
  job: JobState;
  settings: Settings;
  now: HeatPlanNow;
  view: HeatView;
  warm: HeatThermal;
  act: HeatActions;
  at: number;
  /** what alcohol asks for */
  wet: string | null;
  quiet: Quiet;
}

/** Under the call: cautions, the probe, the chart, the picks side by side, and why. */
export function HeatBelow({ job, settings, now, view, warm, act, at, wet, quiet }: HeatBelowProps) {
  const wide = useWide();
  const screen = useWindowDimensions();
  const { on, plan, heater } = now;
  const { f, lift, thermal, liveS } = view;
  const { live } = warm;
  const plate = answersOf(heater).steered;
  const said = on ? quietText(quiet) : null;
  return (
    <>
      {[wet, said].map((text) =>
        text ? (
          <Txt key={text} size="s" tone="caution">
            {text}
          </Txt>
        ) : null,
      )}
      {fumes(job, plan.setC, on !== null) ? (
        <Txt size="s" tone="caution" className="mt-1">
          {t('extractionOnPolyurethaneGlueAtAbout')}
        </Txt>
      ) : null}
      <LiveProbe
        live={live}
        state={warm.probe}
        expectedC={job.heat.length ? warm.expected(at) : null}
        used={warm.used}
        now={at}
        heat={plate && on && on.setC !== null ? { setC: on.setC, preheated: on.preheated } : null}
        setC={plate && !on ? plan.setC : null}
        units={settings}
      />
      <Links job={job} />
      {!on && coverKindOf(job.face).cold && !job.heat.length && !isSwollen(job) ? (
        <View className="my-2">
          <Button kind="small" label={t('tryItCold')} onPress={act.cold} />
          <Txt size="s" tone="ink2">
            {t('tryItColdWhy')}
          </Txt>
        </View>
      ) : null}
      {!on && needsCovering(job) ? (
        <Tick
          asked
          label={t('insideIsCovered')}
          note={t('insideIsCoveredWhy')}
          on={job.prep.has('insideCovered')}
          onChange={act.covered}
        />
      ) : null}
      {on ? null : (
        <Tick asked label={t('atHandPicksBladeGlovesEye')} on={job.prep.has('toolsReady')} onChange={act.tools} />
      )}
      {view.curves ? (
        <Suspense fallback={<View style={{ height: 330 }} />}>
          <HeatChart
            curves={view.curves}
            easyC={lift.easyC}
            battery={watchMarks(job).battery ?? null}
            tryFromS={f.tryFromS?.mean ?? null}
            easyByS={f.readyS?.mean ?? null}
            probe={on ? live.readings.map((r) => ({ tS: (r.at - thermal.t0) / 1e3, tempC: r.tempC })) : []}
            nowS={on ? Math.floor(liveS / 2) * 2 : null}
            width={wide ? 368 : screen.width - 32}
            units={settings}
          />
        </Suspense>
      ) : null}
      <Disclosure title={t('heatAndPickSideBySide')} open={wide}>
        <PickCards
          job={job}
          thermal={thermal}
          ways={view.picks ?? null}
          choice={view.choice}
          pickMm={lift.pickMm}
          fromS={f.heatStartS}
          units={settings}
        />
      </Disclosure>
      <HeatWhy job={job} now={now} view={view} probed={warm.used} units={settings} />
      <ConfirmFull
        job={job}
        heater={heater}
        use={thermal.use}
        model={thermal.model}
        setC={plan.setC}
        heatS={(f.readyS?.mean ?? 300) - f.heatStartS}
        ambientC={thermal.ambientC}
      />
    </>
  );
}
