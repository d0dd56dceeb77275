import type { JobState } from '@/model/fold';
import { FunctionList } from '@/bench-kit/FunctionList';
import { JobPage } from '@/bench-kit/JobPage';
import { Disclosure } from '@/ui/Disclosure';
import { FaultCard } from './FaultCard';
import { OnDevice } from './OnDevice';
import { SignOff } from './SignOff';
import { useFunctionsScreen } from './useFunctionsScreen';
import { FunctionLead, FunctionMain, FunctionsWhy } from './FunctionsParts';
import { t } from '@/words/check';

/** One function after another with one thumb, those first that this repair put at risk. */
export function FunctionsScreen(p: { job: JobState; again?: boolean }) {
  const here = useFunctionsScreen(p);
  const { job, now, current, whole, tests } = here;
  return (
    <JobPage
      job={job}
      title={t('functions')}
      now={now}
      stage="check"
      lead={<FunctionLead here={here} />}
      main={<FunctionMain here={here} />}
    >
      {current ? null : <FaultCard job={job} />}
      {whole ? <SignOff job={job} complete={whole} /> : null}
      <Disclosure title={t('onTheDeviceItself')}>
        <OnDevice job={job} />
      </Disclosure>
      <Disclosure title={t('all', { n: tests.length })}>
        <FunctionList job={job} phase="after" short={false} />
      </Disclosure>
      <FunctionsWhy here={here} />
    </JobPage>
  );
}
