import { Link, type Href } from 'expo-router';
import { goTo } from '@/bench-kit/goTo';
import { View } from 'react-native';

import { noticedMm } from '@/core/fit/byEye';
import { uStepMm } from '@/core/fit/gaugeFigures';
import { tolHighMm, tolLowMm } from '@/core/fit/flushness';
import { eyeWords } from '@/words/eyeWords';
import { gaugeLines } from '@/bench-kit/GaugeEntry';
import { GaugeOrEye } from '@/bench-kit/GaugeOrEye';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { partsToRegister } from '@/work/check/registering';
import { registerName } from '@/words/checkNames';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { missingMark } from '@/ui/missing';
import { Numbers, Soundings } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { listed, digits, length, percent } from '@/words/units';
import { RegisterParts } from './RegisterParts';
import { SignOff } from './SignOff';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { CheckStageState } from './useCheckStage';
import { t } from '@/words/check';

const signed = (mm: number, u: { length: 'mm' | 'in'; temperature: 'C' | 'F' }) => {
  const v = u.length === 'mm' ? digits(mm, 2) : digits(mm / 25.4, 4);
  return (mm > 0 ? '+' : '') + v.replace(/^(−?)0/, '$1');
};

/** Steps all round. */
export function CheckPicture({
  here: { job, taken, points, place, units, by, flush, measuring, next },
  size,
}: {
  here: CheckStageState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      label={t('stepsAtOfPoints', { n: taken.length, of: points.length })}
      lines={gaugeLines(points, job.steps, place, units)}
      {...(by.onTap ? { onTap: by.onTap } : {})}
    >
      {by.layer}
      <Soundings
        items={taken.map((p) => ({
          at: [p.at[0] - p.normal[0] * 9, p.at[1] - p.normal[1] * 7] as const,
          text: signed(job.steps[p.id]!, units),
          ring: flush?.bumps.some((b) => b.id === p.id) || flush?.status[taken.indexOf(p)] === 'fail',
        }))}
      />
      {measuring && next ? (
        <Numbers items={[{ at: next.at, text: String(points.indexOf(next) + 1), state: 'next' }]} />
      ) : null}
    </PlainPlan>
  );
}

/** Flush, functions, air and camera. */
export function CheckReadings({
  here: {
    flush,
    complete,
    eye,
    taken,
    points,
    measuring,
    job,
    units,
    settings,
    tested,
    tests,
    newFaults,
    unclear,
    oldFaults,
    found,
  },
}: {
  here: CheckStageState;
}) {
  return (
    <Readings
      items={[
        {
          id: 'verdict',
          value:
            flush && complete
              ? flush.bumps.length
                ? 'bump'
                : flush.verdict === 'undecided'
                  ? t('notDecided')
                  : flush.verdict
              : eye
                ? eye.action === 'accept'
                  ? t('flush')
                  : t('notFlush')
                : `${taken.length} / ${points.length}`,
          label:
            flush && complete
              ? t('leastSurePointIsInsideWith', { min: percent(Math.min(...flush.pConform)) })
              : eye
                ? t('byEyeAndFinger')
                : t('pointsMeasured'),
          tone: eye
            ? eye.action === 'accept'
              ? 'go'
              : 'caution'
            : flush && complete
              ? flush.verdict === 'pass' && !flush.bumps.length
                ? 'go'
                : 'caution'
              : 'ink',
        },
        ...(measuring
          ? [
              {
                id: 'range',
                value: taken.length
                  ? `${signed(Math.min(...taken.map((p) => job.steps[p.id]!)), units)} ${signed(Math.max(...taken.map((p) => job.steps[p.id]!)), units)}`
                  : '–',
                label: t('lowestHighest', { n: units.length, stepMm: length(settings.gaugeU.stepMm, units, 2) }),
              },
            ]
          : []),
        {
          id: 'fn',
          value: `${tested} / ${tests}`,
          label: t('functionsTestedToLookIntoFrom', {
            n: newFaults.length + unclear.length,
            of: oldFaults.length,
          }),
          tone: newFaults.length + unclear.length ? 'caution' : tested === tests ? 'go' : 'ink',
        },
        {
          id: 'bump',
          value: eye ? length(noticedMm('step'), units, 2) : found === null ? '–' : length(found, units, 2),
          label: eye ? t('stepAFingerFinds9Times') : t('bumpThatShows9TimesIn'),
        },
      ]}
    />
  );
}

/** By eye or by gauge. */
export function CheckControls({
  here: { job, by, measuring, setAsked, points, settings, units, thumb, place },
}: {
  here: CheckStageState;
}) {
  return (
    <GaugeOrEye
      job={job}
      of="step"
      by={by}
      measuring={measuring}
      onMeasure={() => setAsked(true)}
      points={points}
      values={job.steps}
      name={t('step')}
      lowMm={-1}
      highMm={1}
      uMm={settings.gaugeU.stepMm}
      units={units}
      thumb={thumb}
      placeOf={place}
    />
  );
}

/** The main thing of the moment. */
export function CheckMain({ here: { pad, judge, can, by, finish, open, job } }: { here: CheckStageState }) {
  return (
    pad ??
    (judge && !can ? (
      <Button kind="main" label={eyeWords.step.fine} onPress={by.fine} />
    ) : (
      <Button
        kind="main"
        label={goTo(job, 'check')}
        onPress={finish}
        disabled={!can}
        {...(can ? {} : { why: open[0] ?? t('openPointFixItOrLog') })}
      />
    ))
  );
}

/** Beside it. */
export function CheckSide({ here: { judge, by, measuring } }: { here: CheckStageState }) {
  return judge && !by.marking ? (
    <Button label={t('notEverywhere')} onPress={by.notFine} />
  ) : !measuring && by.eye ? (
    <Button label={t('judgeAgain')} onPress={by.notFine} />
  ) : undefined;
}

/** Functions, air test, camera, registering. */
export function CheckPages({ here: { tested, tests, router, job } }: { here: CheckStageState }) {
  const toRegister = partsToRegister(job);
  return (
    <>
      <View className="my-2" {...missingMark(tested < tests)}>
        <Button
          label={t('functionsOf', { tested, tests })}
          onPress={() => router.push(`/jobs/${job.id}/functions` as Href)}
        />
      </View>
      {tested === tests ? <SignOff job={job} complete /> : null}
      <Link href={`/jobs/${job.id}/seal` as Href} className="font-body text-m text-ink underline py-3">
        {t('airTestAgainstBeforeAndWhere')}
      </Link>
      <Link href={`/jobs/${job.id}/camera` as Href} className="font-body text-m text-ink underline py-3">
        {t('cameraCoverSharpnessFlareSpecksSeat')}
      </Link>
      <Disclosure
        title={
          toRegister.length
            ? t('registering', { list: listed(toRegister.map((p) => registerName(p.part))) })
            : t('registering2')
        }
      >
        <RegisterParts job={job} />
      </Disclosure>
    </>
  );
}

/** Why this is told of it. */
export function CheckWhy({ here: { job, flush, units, settings } }: { here: CheckStageState }) {
  return (
    <Why
      job={job}
      call="check"
      inputs={{ steps: job.steps, after: job.functions.after }}
      computed={flush ? { verdict: flush.verdict, bumps: flush.bumps, coef: flush.coef } : null}
      notes={
        flush
          ? [
              t('surfaceFittedWithTiltAcrossAlong', {
                list: listed(flush.terms),
                X: length((flush.coef.X ?? 0) * 2, units, 3),
                Y: length((flush.coef.Y ?? 0) * 2, units, 3),
                XY: length(flush.coef.XY ?? 0, units, 3),
                X2: length(flush.coef.X2 ?? 0, units, 3),
                Y2: length(flush.coef.Y2 ?? 0, units, 3),
                rmsMm: length(flush.rmsMm, units, 3),
              }),
              t('highestEdgeMean', {
                highEdge: flush.highEdge,
                highEdge2: length(flush.edgeMeansMm[flush.highEdge], units, 3),
              }),
              t('itPassesOnlyInsideTheLimits'),
            ]
          : [t('ninePointsGiveAFirstAnswer')]
      }
      rows={[
        rowOf(t('gaugeUncertainty'), { ...uStepMm, value: settings.gaugeU.stepMm }, 'mm'),
        rowOf(t('lowestAllowed'), tolLowMm, 'mm'),
        rowOf(t('highestAllowed'), tolHighMm, 'mm'),
      ]}
    />
  );
}
