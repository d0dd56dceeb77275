import type { JobState } from '@/model/fold';
import { goTo } from '@/bench-kit/goTo';
import { lensFocus, lensWork } from '@/work/lift/lensCovers';
import { lensPlan, lensAirC, lensMarginK } from '@/work/lift/lensJob';
import { useLensAir } from '@/bench-kit/useLensAir';
import { LensAir } from '@/bench-kit/LensAir';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { StageShell } from '@/bench-kit/StageShell';
import { useGoOn } from '@/bench-kit/useGoOn';
import { rowOf, Why } from '@/bench-kit/Why';
import { lensHeatData } from '@/core/lens/lensHeat';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Outlines } from '@/ui/plan/pieceLayers';
import { Readings } from '@/ui/Readings';
import { clock, spoken, temp, tempNumber } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { t } from '@/words/heat';

const caution = () => t('hotAirBurnsGlovesEyeCover');

/** Lens covers are warmed one by one where they are lifted; here is what air and time do. */
export function LensHeatStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(10_000);
  const goOn = useGoOn(job, 'heat');
  const air = useLensAir(settings);
  const { chosen, all } = lensWork(job);
  const lens = chosen[0] ?? all[0]!;
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const plan = lensPlan(job, settings, lens, air.heaterId, air.setC);
  const ready = plan.heat?.readyS ?? null;
  return (
    <StageShell
      job={job}
      stage="heat"
      now={now}
      caution={caution()}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          focus={lensFocus(all)}
          label={t('lensCovers', { count: chosen.length })}
          lines={all.map((l) => l.face.name)}
        >
          <Outlines items={all.map((l) => ({ shape: l.face.cover.outline, on: chosen.includes(l) }))} />
        </PlainPlan>
      )}
      call={
        <Call
          {...(swollen
            ? {
                sentence: t('doNotHeatThisOne'),
                reason: t('theBatteryIsSwollenBentOr'),
                tone: 'caution',
              }
            : plan.choose === 'cold'
              ? {
                  sentence: t('noHeatNeededTheBladeGoes'),
                  reason: ready
                    ? t('warmWouldBeOfAirThe', {
                        high: spoken(ready.high),
                        high2: temp(plan.heat!.cameraC.high, units),
                      })
                    : t('thisAirIsTooWeakTo'),
                  tone: 'ink',
                }
              : {
                  sentence: t('oneAfterTheOtherOnLift', { high: spoken(ready?.high ?? 0) }),
                  reason: t('maskAllCamerasTheOneBehind', {
                    high: temp(plan.heat!.cameraC.high, units),
                    workS: spoken(plan.heat!.workS),
                  }),
                  tone: 'ink',
                })}
        />
      }
      readings={
        <Readings
          items={[
            {
              id: 'ready',
              value: ready ? `${clock(ready.low)}–${clock(ready.high)}` : '–',
              label: t('ofAirUntilTheTapeIs', { targetC: plan.targetC === null ? '–' : temp(plan.targetC, units) }),
            },
            {
              id: 'camera',
              value: plan.heat ? `${tempNumber(plan.heat.cameraC.high, units)}°` : '–',
              label: t('cameraBehindItAtMost'),
              tone: plan.heat?.cameraStops ? 'caution' : 'ink',
            },
          ]}
        />
      }
      main={
        <Button
          kind="main"
          label={goTo(job, 'heat')}
          onPress={() => goOn()}
          disabled={swollen}
          {...(swollen ? { why: t('theBatteryIsSwollen') } : {})}
        />
      }
    >
      <LensAir air={air} heater={plan.heater} />
      <Why
        job={job}
        call="lensHeat"
        inputs={{ heater: plan.heater?.id ?? null, setC: air.setC }}
        computed={plan.heat}
        notes={[t('theDiscAndTheCameraBehind')]}
        rows={[
          rowOf(t('air'), lensAirC, '°C'),
          rowOf(t('aboveWhereTheBladeGoes'), lensMarginK, 'K'),
          rowOf(t('lensRingAndCamera'), lensHeatData.moduleJK, 'J/K'),
          rowOf(t('cameraToFrame'), lensHeatData.moduleToFrameWK, 'W/K'),
          rowOf(t('airGap'), lensHeatData.airGapMm, 'mm'),
        ]}
      />
    </StageShell>
  );
}
