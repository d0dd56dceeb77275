import type { JobState } from '@/model/fold';
import { lensFocus, lensPlan, lensWork, lensAirC, lensMarginK } from '@/work/lift/lensJob';
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
import { clock, temp, tempNumber } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';

const caution =
  'Hot air burns: gloves, eye cover. Every camera masked, never dwell on a lens. Never heat a swollen, bent or punctured cell. The maker’s instructions and local rules go first.';

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
      caution={caution}
      onMain={swollen ? undefined : () => goOn()}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          focus={lensFocus(all)}
          label={`${chosen.length} lens covers`}
          lines={all.map((l) => l.face.name)}
        >
          <Outlines items={all.map((l) => ({ shape: l.face.cover.outline, on: chosen.includes(l) }))} />
        </PlainPlan>
      )}
      call={
        <Call
          {...(swollen
            ? {
                sentence: 'Do not heat this one.',
                reason: 'The cell is swollen, bent or punctured. Fire-proof bag; the maker and local rules go first.',
                tone: 'caution',
              }
            : plan.choose === 'cold'
              ? {
                  sentence: 'No heat needed: the blade goes cold.',
                  reason: ready
                    ? `Warm would be ${clock(ready.high)} of air, the camera at ${temp(plan.heat!.cameraC.high, units)} at most.`
                    : 'This air is too weak to warm the tape.',
                  tone: 'ink',
                }
              : {
                  sentence: `One after the other on Lift: ${clock(ready?.high ?? 0)} of air each.`,
                  reason: `All cameras masked; the one behind it gets up to ${temp(plan.heat!.cameraC.high, units)}. Workable for ${clock(plan.heat!.workS)} after it.`,
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
              label: `of air until the tape is at ${plan.targetC === null ? '–' : temp(plan.targetC, units)}`,
            },
            {
              id: 'camera',
              value: plan.heat ? `${tempNumber(plan.heat.cameraC.high, units)}°` : '–',
              label: 'camera behind it, at most',
              tone: plan.heat?.cameraStops ? 'caution' : 'ink',
            },
          ]}
        />
      }
      main={
        <Button
          kind="main"
          label="Go to lift"
          onPress={() => goOn()}
          disabled={swollen}
          {...(swollen ? { why: 'cell is swollen' } : {})}
        />
      }
    >
      <LensAir air={air} heater={plan.heater} />
      <Why
        job={job}
        call="lensHeat"
        inputs={{ heater: plan.heater?.id ?? null, setC: air.setC }}
        computed={plan.heat}
        notes={[
          'The disc and the camera module behind it as two lumps with the tape between them: seconds, not tenths. Range: jet and module as uncertain as they are.',
        ]}
        rows={[
          rowOf('Air', lensAirC, '°C'),
          rowOf('Above where the blade goes', lensMarginK, 'K'),
          rowOf('Bezel and camera module', lensHeatData.moduleJK, 'J/K'),
          rowOf('Module to frame', lensHeatData.moduleToFrameWK, 'W/K'),
          rowOf('Air gap', lensHeatData.airGapMm, 'mm'),
        ]}
      />
    </StageShell>
  );
}
