import type { JobState } from '@/model/fold';
import { JobPage } from '@/bench-kit/JobPage';
import { Button } from '@/ui/Button';
import { useOrderScreen } from './useOrderScreen';
import { OrderPicture, OrderSteps } from './OrderParts';
import { t } from '@/words/strip';

/** What lies under what, as the model says and as the bench finds out: a finger from the one to what lies over it. */
export function OrderScreen(p: { job: JobState }) {
  const here = useOrderScreen(p);
  const { job, now, backToStrip } = here;
  return (
    <JobPage
      job={job}
      title={t('whatIsUnderWhat')}
      now={now}
      stage="strip"
      picture={(size) => <OrderPicture here={here} size={size} />}
      main={<Button kind="main" label={t('orderIsRight')} onPress={backToStrip} />}
    >
      <OrderSteps here={here} />
    </JobPage>
  );
}
