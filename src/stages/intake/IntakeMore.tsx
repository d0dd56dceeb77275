import { Link, type Href } from 'expo-router';

import { FunctionList } from '@/bench-kit/FunctionList';
import { HoldTest } from '@/bench-kit/HoldTest';
import { PhotosSection } from '@/bench-kit/PhotosSection';
import { promiseRuns } from '@/bench-kit/planStore';
import { rowOf, Why } from '@/bench-kit/Why';
import { chipFlawUm } from '@/core/lift/strength';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { capital } from '@/words/capital';
import { constructionNames } from '@/words/eventLine';
import { hardText } from '@/words/hardText';
import { t } from '@/words/intake';
import { dayTime, temp } from '@/words/units';
import { chargeLimit } from './chargeLimit';
import { MoreFindings } from './MoreFindings';
import type { IntakeStageState } from './useIntakeStage';

/** What is there to be noted where there is a reason. */
export function IntakeMore({ here: { job, failed, log, hard, settings } }: { here: IntakeStageState }) {
  return (
    <>
      <Disclosure
        title={
          failed
            ? t('worksBeforeNotedFailed', { n: Object.keys(job.functions.before).length, failed })
            : t('worksBeforeNoted', { n: Object.keys(job.functions.before).length })
        }
      >
        {job.opened ? (
          <Txt size="s" tone="ink2">
            {t('theDeviceHasBeenOpenedWhat')}
          </Txt>
        ) : (
          <FunctionList job={job} phase="before" short={false} />
        )}
      </Disclosure>
      <Disclosure title={t('moreFindings')}>
        <MoreFindings job={job} onFind={(e) => void log([e])} />
      </Disclosure>
      <Link href={`/jobs/${job.id}/comeback` as Href} className="font-body text-m text-ink underline py-3">
        {job.comeBack
          ? t('comeBackOf', { firstLabel: job.comeBack.firstLabel || t('aJobThatIsNotHere') })
          : t('itCameBackLinkItTo')}
      </Link>
      <Disclosure title={t('photos', { n: job.photos.length })}>
        <PhotosSection job={job} />
      </Disclosure>
      <Disclosure title={job.holds.before ? t('holdTestBeforeOpeningNoted') : t('holdTestBeforeOpeningIfYou')}>
        <HoldTest job={job} phase="before" />
      </Disclosure>
      <Disclosure
        title={
          hard.experienced
            ? t('howHardForExperiencedHands')
            : hard.reasons.length
              ? t('howHardReasons', { count: hard.reasons.length })
              : t('howHardNothingUnusual')
        }
      >
        <Txt size="s">{capital(constructionNames[job.face.construction])}.</Txt>
        {hard.reasons.map((r) => (
          <Txt key={JSON.stringify(r)} size="s">
            {hardText(r, settings)}.
          </Txt>
        ))}
      </Disclosure>
    </>
  );
}

/** Why the promise is what it is. */
export function IntakeWhy({ here: { job, earliest, promised, now, settings } }: { here: IntakeStageState }) {
  return (
    <Why
      job={job}
      call="intake"
      inputs={{ findings: job.findings, chargePercent: job.chargePercent, promiseAt: job.promiseAt }}
      computed={{ earliestS: earliest, promised }}
      notes={[
        promised
          ? t('fromThePlanOfTheWhole', { promiseRuns, p80At: dayTime(promised.p80At, now) })
          : t('theStagesAddUpEachVarying', { roomC: temp(settings.roomC, settings) }),
      ]}
      rows={[
        rowOf(t('batteryLevelBeforeHeat'), chargeLimit, '%'),
        rowOf(t('edgeFlawWhenUnsure'), chipFlawUm.unsure, 'µm'),
      ]}
    />
  );
}
