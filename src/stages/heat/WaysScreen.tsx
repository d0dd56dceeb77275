import { Suspense } from 'react';

import type { JobState } from '@/model/fold';
import { Disclosure } from '@/ui/Disclosure';
import { FirstLook } from '@/bench-kit/FirstLook';
import { JobPage } from '@/bench-kit/JobPage';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { BackToHeat, isSwollen, SwollenPage } from './heatPage';
import { useWaysBase, useWaysReady, type WaysReadyProps } from './useWaysReady';
import { WaysLead, WaysMain, WayOthers, WaysWhy } from './WaysReadyParts';
import { WayCards, WayInWords, WaysChart } from './WayCards';
import { WaysTable } from './LazyWaysTable';
import { t } from '@/words/heat';

/** Every way of heating side by side, gentle first; the rows appear as they come. */
export function WaysScreen({ job }: { job: JobState }) {
  return isSwollen(job) ? <SwollenPage job={job} title={t('waysOfHeating')} /> : <Ways job={job} />;
}

/** The page with all that it needs at hand. */
function WaysReady(p: WaysReadyProps) {
  const here = useWaysReady(p);
  const { job, now } = here;
  return (
    <JobPage
      job={job}
      title={t('waysOfHeating')}
      now={now}
      stage="heat"
      full
      lead={<WaysLead here={here} />}
      main={<WaysMain here={here} />}
    >
      <FirstLook thermal={p.source} />
      <WayCards here={here} />
      <WayInWords here={here} />
      <WaysChart here={here} />
      <Disclosure title={t('waysAsATable')}>
        <Suspense fallback={null}>
          <WaysTable here={here} />
        </Suspense>
      </Disclosure>
      <WayOthers here={here} />
      <WaysWhy here={here} />
    </JobPage>
  );
}

function Ways(p: { job: JobState }) {
  const base = useWaysBase(p);
  const { thermal, lift, job, now, source } = base;
  if (!thermal || !lift)
    return (
      <JobPage job={job} title={t('waysOfHeating')} now={now} stage="heat" main={<BackToHeat job={job} kind="main" />}>
        <ThermalWait thermal={source} />
      </JobPage>
    );
  return <WaysReady {...base} thermal={thermal} lift={lift} />;
}
