import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';

import type { JobState } from '@/model/fold';
import type { CoverSlice } from '@/model/stages/cover';
import type { IntakeSlice } from '@/model/stages/intake';
import { JobPage } from '@/bench-kit/JobPage';
import { hrefAt } from '@/bench-kit/stageHref';
import { outsideOf } from '@/core/device/beforeOpening';
import { needsCovering, type Covering } from '@/work/heat/present';
import { liftState, pickInForce, thermalJob } from '@/work/heat/thermalJob';
import { useThermal } from '@/bench-kit/useThermal';
import { useSettings } from '@/store/shop';
import { nowMs } from '@/store/clock';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { useNow } from '@/bench-kit/useNow';
import { t } from '@/words/heat';

export const isSwollen = (job: Pick<IntakeSlice, 'findings'>): boolean => job.findings.cellSwollen?.answer === 'yes';

/**
 * What has to be done before any heat; null: nothing is missing. @param where the list of tools is ticked off
 * @param wet why alcohol forbids it
 */
export const missingBeforeHeat = (
  job: Pick<IntakeSlice, 'findings' | 'prep'> & Pick<CoverSlice, 'partCheck'> & Covering,
  where: string,
  wet: string | null,
): string | null =>
  isSwollen(job)
    ? t('theBatteryIsSwollen')
    : wet !== null
      ? wet
      : job.partCheck?.right === false
        ? t('theRightPartFirst')
        : !job.prep.has('powerOff')
          ? t('powerOffFirstIntake')
          : !job.prep.has('trayOut')
            ? t('cardTrayOutFirstIntake')
            : outsideOf(job.device).length && !job.prep.has('outerScrews')
              ? t('outerScrewsFirstIntake')
              : needsCovering(job) && !job.prep.has('insideCovered')
                ? t('coverTheInsideFirst')
                : !job.prep.has('toolsReady')
                  ? t('toolsAtHandFirst', { where })
                  : null;

export function BackToHeat({ job, kind = 'side' }: { job: JobState; kind?: 'main' | 'side' }) {
  const router = useRouter();
  return (
    <Button
      kind={kind}
      label={kind === 'main' ? t('backToHeat') : t('heat3')}
      onPress={() => router.replace(hrefAt(job, 'heat'))}
    />
  );
}

/** A swollen cell is heated in no way: every page of this stage says so in place of its answer. */
export function SwollenPage({ job, title }: { job: JobState; title: string }) {
  const now = useNow(10_000);
  return (
    <JobPage job={job} title={title} now={now} stage="heat" main={<BackToHeat job={job} kind="main" />}>
      <Call sentence={t('doNotHeatThisOne')} reason={t('theBatteryIsSwollenAwayFrom')} tone="caution" />
    </JobPage>
  );
}

/** Heat model, run and lift of a job for a page that plans: one fixed instant, so that its answers keep still. */
export function useHeatPage(job: JobState) {
  const settings = useSettings();
  const source = useThermal(job.device, job.bond);
  const { model } = source;
  const [openedAt] = useState(() => nowMs());
  const thermal = useMemo(
    () => (model ? thermalJob(job, settings, model, openedAt) : null),
    [job, settings, model, openedAt],
  );
  const lift = useMemo(
    () => (thermal ? liftState(job, settings, thermal.path, thermal.arcs, pickInForce(job, settings)) : null),
    [job, settings, thermal],
  );
  return { source, model, openedAt, thermal, lift };
}
