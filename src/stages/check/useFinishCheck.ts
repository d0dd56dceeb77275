import { useActions } from '@/bench-kit/actions';
import { useGoOn } from '@/bench-kit/useGoOn';
import type { JobState } from '@/model/fold';
import { t } from '@/words/check';
import { functionState } from '@/work/check/faults';
import { flushOf } from '@/work/check/flushJob';
import { checkState } from './checkCall';

/** What still stands in the way of the check, and the end of it, with what it was decided by. */
export function useFinishCheck(job: JobState) {
  const { decide } = useActions(job);
  const goOn = useGoOn(job, 'check');
  const { flush, eye } = flushOf(job);
  const { open } = checkState(job);
  const fine = open.length === 0;
  return {
    fine,
    /** what is open, where that is nothing but the second name */
    signatureOnly: open.length === 1 && !functionState(job).checker ? open[0]! : null,
    finish: () =>
      goOn([
        decide({
          call: 'check',
          inputs: { steps: job.steps, before: job.functions.before, after: job.functions.after },
          computed: {
            verdict: flush?.verdict ?? (eye && t('byEye', { action: eye.action })),
            bumps: flush?.bumps,
            newFaults: functionState(job).newFaults.map((c) => c.fn),
          },
          chosen: fine ? t('passed') : t('goneOnWithAnOverride'),
        }),
      ]),
  };
}
